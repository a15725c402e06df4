import { ROLE_NAMES, type Role } from './roles';

/** For whom a house asks a second proof at sign-in. */
export const SECOND_FACTOR_FOR = ['nobody', 'managers', 'everybody'] as const;
export type SecondFactorFor = (typeof SECOND_FACTOR_FOR)[number];

export const needsSecondFactor = (role: Role, asked: SecondFactorFor): boolean =>
  asked === 'everybody' || (asked === 'managers' && role === 'manager');

/** Somebody of a business, as far as it matters for who runs it. */
export interface PersonOfHouse {
  readonly id: string;
  readonly role: Role;
  /** Left, and not back. */
  readonly hasLeft: boolean;
}

/** What is to become of a person: another role, or null: they leave. */
export interface PersonChange {
  readonly id: string;
  readonly role: Role | null;
}

/**
 * Why a person may not become that; null: they may. A business always keeps somebody who may everything, and only they
 * make others such.
 */
export function whyNotChanged(people: readonly PersonOfHouse[], change: PersonChange, by: Role): string | null {
  const before = people.find(({ id }) => id === change.id);
  const makesManager =
    change.role === 'manager' && (before === undefined || before.hasLeft || before.role !== 'manager');
  const unmakesManager = before?.role === 'manager' && !before.hasLeft && change.role !== 'manager';
  if (by !== 'manager' && (makesManager || unmakesManager))
    return `Only an ${ROLE_NAMES.manager} makes somebody ${ROLE_NAMES.manager}, or ends it.`;
  const others = people.filter(({ id, role, hasLeft }) => id !== change.id && role === 'manager' && !hasLeft);
  if (unmakesManager && others.length === 0)
    return `A business keeps at least one ${ROLE_NAMES.manager}. Make somebody else ${ROLE_NAMES.manager} first.`;
  return null;
}
