import type { Rule } from './rule';
import { BATH_RULES } from './bath';
import { COAT_RULES } from './coatAndFeet';
import { EAR_RULES } from './ears';
import { FACE_RULES } from './face';
import { HANDLING_RULES } from './handling';
import { HOUSE_RULES } from './houseWays';
import { SERVICE_RULES } from './services';
import { USE_RULES } from './uses';
import { VET_LOOK_RULES } from './vetLooks';

/**
 * What the trade knows about recurring care, one row a rule. The engine only reads it. Rows marked as
 * defaults are house values; manners and cautions are common practice; schools are the business's choice.
 */
export const RULES: readonly Rule[] = [
  ...SERVICE_RULES,
  ...BATH_RULES,
  ...EAR_RULES,
  ...FACE_RULES,
  ...COAT_RULES,
  ...HANDLING_RULES,
  ...USE_RULES,
  ...VET_LOOK_RULES,
  ...HOUSE_RULES,
];

const BY_ID = new Map(RULES.map((rule) => [rule.id, rule]));

/** A rule by its id; undefined for one that this version does not have (any more). */
export const ruleOf = (id: string): Rule | undefined => BY_ID.get(id);

/** Rules that forbid a task altogether. */
export const FORBIDDING = RULES.filter(
  ({ then }) => typeof then !== 'function' && then.some(({ kind }) => kind === 'bar'),
);
