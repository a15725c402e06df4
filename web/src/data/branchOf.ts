import type { SessionView } from '@dewpond/contract';

export type BranchChoice = SessionView['branches'][number];

/** The branch that is looked at: as this device last chose, else where the person belongs. Null: the business has one only. */
export function branchOf(
  { branches, branchId, business }: Pick<SessionView, 'branches' | 'branchId' | 'business'>,
  chosen: Readonly<Record<string, string>>,
): BranchChoice | null {
  if (branches.length < 2) return null;
  const by = (id: string | undefined) => branches.find((each) => each.id === id);
  return by(chosen[business.id]) ?? by(branchId) ?? branches[0] ?? null;
}
