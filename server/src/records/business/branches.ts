import { USUAL_WEEK, weekAt, worksAt, type Branch, type WeekHours } from '@dewpond/core/bookings';
import { asc, sql } from 'drizzle-orm';
import type { QueryBuilder } from 'drizzle-orm/pg-core';
import { BRANCH_HERE } from '../../platform/db/branch';
import { branch } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';

/** All branches, the one in force marked; closed ones among them, as hours may still name them. */
export const branchQuery = (select: QueryBuilder) =>
  select
    .select({
      id: branch.id,
      name: branch.name,
      kind: branch.kind,
      isHere: sql<boolean>`${branch.id} = ${BRANCH_HERE}`,
    })
    .from(branch)
    .orderBy(asc(branch.createdAt), asc(branch.id));

export type BranchesSeen = readonly (Branch & { readonly isHere: boolean })[];

export function branchInForce(branches: BranchesSeen): Branch {
  const here = branches.find(({ isHere }) => isHere);
  if (!here) throw new Error('A business without the branch its transaction stands at.');
  return here;
}

/** A dog is booked and worked on at its own branch, whichever whoever asks looks at. Nothing where there is no such dog. */
export const standWhereDogIs = async (tx: Tenant, dogId: string): Promise<void> =>
  void (await tx.execute(
    sql`select set_config('dewpond.branch_id', branch_id::text, true) from dewpond.dog where id = ${dogId}`,
  ));

interface PersonOfBranch {
  readonly branchId: string;
  readonly week: WeekHours | null;
}

/** Who works at the branch in force, each with the hours there. */
export function peopleHere<Person extends PersonOfBranch>(
  people: readonly Person[],
  branches: BranchesSeen,
): (Omit<Person, 'week'> & { readonly week: WeekHours })[] {
  const here = branchInForce(branches);
  return people.flatMap((person) => {
    const its = { branchId: person.branchId, week: person.week ?? USUAL_WEEK };
    return worksAt(here, its, branches) ? [{ ...person, week: weekAt(here, its, branches) }] : [];
  });
}
