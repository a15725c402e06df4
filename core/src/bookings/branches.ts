import { SALON, type WeekHours, type WorkSpan } from './hours';
import type { DogNeeds } from './weeks';

/** A business has one or more places from which it works. */
export const BRANCH_KINDS = ['salon', 'van'] as const;
export type BranchKind = (typeof BRANCH_KINDS)[number];

export interface Branch {
  readonly id: string;
  readonly name: string;
  readonly kind: BranchKind;
}

/** Where the van of a branch is, when nobody says in which area. */
export const ROUND = 'round';

/** Who works for a business: where she belongs, and her week with the words for where, as it was typed. */
export interface WeekOfPerson {
  readonly branchId: string;
  readonly week: WeekHours;
}

/**
 * A person's week as one branch has it. "9-16" is at the branch she belongs to; "9-16 Coracle" at the branch of that name,
 * "9-16 Coracle islets" there in an area. Of a van's branch no hour is at a salon.
 */
export const weekAt = (here: Branch, { branchId, week }: WeekOfPerson, branches: readonly Branch[]): WeekHours =>
  week.map((spans) =>
    spans.flatMap((span): WorkSpan[] => {
      const { branch, area } = whereOf(span.where, branches);
      if ((branch ?? branchId) !== here.id) return [];
      return [{ ...span, where: area ?? placeOf(here) }];
    }),
  );

/** Whether somebody ever works there: they belong to it, or have an hour of the week in it. */
export const worksAt = (here: Branch, person: WeekOfPerson, branches: readonly Branch[]): boolean =>
  person.branchId === here.id || weekAt(here, person, branches).some((spans) => spans.length > 0);

/** What a dog needs as its branch has it: to one of a van the van comes. */
export function needsAt({ kind }: Branch, needs: DogNeeds | null): DogNeeds | null {
  if (kind === 'salon' || needs?.where) return needs;
  const none: DogNeeds = { slot: null, memberId: null, weekdays: [], where: null, skills: [], notWith: [] };
  return { ...none, ...needs, where: ROUND };
}

const placeOf = ({ kind }: Branch): string => (kind === 'van' ? ROUND : SALON);

/** Whether the words for where begin with a name: "Coracle", "coracle islets", not "Coracleside". */
const beginsWith = (where: string, name: string): boolean =>
  `${where.toLowerCase()} `.startsWith(`${name.toLowerCase()} `);

/** What the words for where mean: a branch by its name, an area, or both; nothing for the salon. */
function whereOf(where: string, branches: readonly Branch[]): { branch: string | null; area: string | null } {
  if (where === SALON) return { branch: null, area: null };
  // The longest name first: one may begin as another does.
  const named = branches
    .filter(({ name }) => beginsWith(where, name))
    .toSorted((a, b) => b.name.length - a.name.length)[0];
  if (!named) return { branch: null, area: where };
  return { branch: named.id, area: where.slice(named.name.length).trim() || null };
}

/** The week after a branch was renamed: its hours stay where they were. */
export const weekRenamed = (week: WeekHours, from: string, to: string): WeekHours =>
  week.map((spans) =>
    spans.map((span) =>
      beginsWith(span.where, from) ? { ...span, where: `${to}${span.where.slice(from.length)}` } : span,
    ),
  );
