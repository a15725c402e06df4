import { isInUse, USE_KINDS, USES, type UseKind } from '../dog';
import { COMMON_PRACTICE } from '../provenance';
import type { Task } from '../tasks';
import { all, fact, way } from './conditions';
import { caution, keepsOff, rowsOf } from './row';
import type { RuleCondition, Rule } from './rule';

/** It gets this, or its owner uses it, at the place at hand. */
const gets = (what: UseKind): RuleCondition => ({
  words: `${USES[what].name.toLowerCase()} now`,
  holds: (facts, place) => isInUse(facts, what, place),
  ofPlace: true,
});

/** A cat licks what is left in the coat of the dog it sleeps beside. */
const TOUCHED_BY_CATS: readonly Task[] = ['bath', 'ear cleaning', 'eyes and face', 'fold care', 'brush-out'];

/** What follows from what is used at home. docs/trade.md: what decides the plan. */
export const USE_RULES: readonly Rule[] = [
  ...USE_KINDS.map((what) =>
    rowsOf(USES[what].task, 'default', COMMON_PRACTICE)(
      `at home, ${what}`,
      gets(what),
      `${USES[what].name.toLowerCase()}: the owner says so`,
      caution(USES[what].follows),
    ),
  ),
  rowsOf('fold care', 'default', COMMON_PRACTICE)(
    'powder and balm',
    all(gets('powder'), way('foldProtect', 'balm')),
    'powder and balm make a paste that holds water',
    caution('Powder is used at home: no balm on top of it today.'),
  ),
  ...TOUCHED_BY_CATS.map((task) =>
    rowsOf(task, 'safety', COMMON_PRACTICE)(
      'cats in the house',
      fact('lives with a cat', ({ fitness }) => fitness.cats),
      'a cat licks what is left in the coat',
      keepsOff(['cats in the house']),
    ),
  ),
];
