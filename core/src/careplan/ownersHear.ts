import type { Day } from '../units';
import { plainDog } from './facts';
import { BETWEEN_VISITS } from './makePlan';
import type { Then } from './rule';
import { RULES } from './rules';

/** What follows from a rule that reckons with the dog says the same of every dog; only its numbers differ. */
const ANY_DOG = plainDog([], { today: '2026-01-01' as Day });
const said = <K extends Then['kind']>(kind: K): Extract<Then, { kind: K }>[] =>
  RULES.flatMap(({ then }) =>
    (typeof then === 'function' ? then(ANY_DOG) : then).filter(
      (each): each is Extract<Then, { kind: K }> => each.kind === kind,
    ),
  );

/** What a plan can ask of an owner at home, each sentence once. */
export const HOME_HOWS: readonly string[] = [
  ...new Set([...said('home').map(({ how }) => how), ...Object.values(BETWEEN_VISITS).map(({ how }) => how)]),
];

/** Why a plan can leave something out, each reason once. */
export const PLAN_BARS: readonly string[] = [...new Set(said('bar').map(({ words }) => words))];
