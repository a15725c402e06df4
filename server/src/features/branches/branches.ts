import { isDeepStrictEqual } from 'node:util';
import type { BranchesView } from '@dewpond/contract';
import { weekRenamed } from '@dewpond/core/bookings';
import type { Day } from '@dewpond/core/units';
import { and, asc, count, eq, isNull, ne, sql } from 'drizzle-orm';
import { branch, dog, member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { Refusal, badField } from '../../platform/http/problem';
import { productsByBranch } from '../../records/shelf/ledger';

export async function branchesNow(tx: Tenant): Promise<BranchesView> {
  const rows = await tx.select().from(branch).orderBy(asc(branch.createdAt), asc(branch.id));
  const dogs = await tx
    .select({ branchId: dog.branchId, dogs: count() })
    .from(dog)
    .where(isNull(dog.archivedOn))
    .groupBy(dog.branchId);
  const people = await tx
    .select({ id: member.id, branchId: member.branchId })
    .from(member)
    .where(isNull(member.leftAt));
  // What is not said is the first one's, which has the business's own id: most of a book is there.
  const strays = await tx
    .select({ id: dog.id, branchId: dog.branchId })
    .from(dog)
    .where(ne(dog.branchId, dog.businessId));
  const products = await productsByBranch(tx);
  const items = rows.map(({ id, name, kind, version, closedOn }) => ({
    ...{ id, name, kind, version, closedOn: closedOn as Day | null },
    dogs: dogs.find((each) => each.branchId === id)?.dogs ?? 0,
    people: people.filter((each) => each.branchId === id).length,
    products: products.get(id) ?? 0,
  }));
  const first = rows[0]?.businessId;
  return {
    items,
    dogs: Object.fromEntries(strays.map((each) => [each.id, each.branchId])),
    people: Object.fromEntries(
      people.filter((each) => each.branchId !== first).map((each) => [each.id, each.branchId]),
    ),
  };
}

/** Two of one name could not be told apart in anybody's hours. */
export async function assertFreeName(tx: Tenant, id: string, name: string): Promise<void> {
  const [twin] = await tx
    .select({ id: branch.id })
    .from(branch)
    .where(and(ne(branch.id, id), sql`lower(${branch.name}) = lower(${name})`));
  if (twin) throw badField('name', 'There is a branch of that name.');
}

/** The hours that name it name it anew. */
export async function renameInWeeks(tx: Tenant, from: string, to: string): Promise<void> {
  const people = await tx.select({ id: member.id, week: member.week }).from(member);
  for (const { id, week } of people) {
    const renamed = week && weekRenamed(week, from, to);
    if (!isDeepStrictEqual(renamed, week)) await tx.update(member).set({ week: renamed }).where(eq(member.id, id));
  }
}

/** What has to go elsewhere first. */
export async function assertMayClose(tx: Tenant, id: string, businessId: string): Promise<void> {
  if (id === businessId) throw new Refusal('conflict', 'The first branch stays: rename it instead.');
  const { items } = await branchesNow(tx);
  const its = items.find((each) => each.id === id);
  const left = [
    ...(its?.dogs ? [`${its.dogs} ${its.dogs === 1 ? 'dog' : 'dogs'}`] : []),
    ...(its?.people ? [`${its.people} ${its.people === 1 ? 'person' : 'people'}`] : []),
    ...(its?.products ? [`stock of ${its.products} ${its.products === 1 ? 'product' : 'products'}`] : []),
  ];
  if (left.length > 0) throw new Refusal('conflict', `Still there: ${left.join(', ')}. Say first where they go.`);
}

export async function assertOpen(tx: Tenant, id: string, field: string): Promise<typeof branch.$inferSelect> {
  const [its] = await tx
    .select()
    .from(branch)
    .where(and(eq(branch.id, id), isNull(branch.closedOn)));
  if (!its) throw badField(field, 'There is no such branch here, or it is closed.');
  return its;
}
