export { MOULTING_MONTHS, all, always, coatIs, either, fact, inMonths, skin, stage, trait } from './conditions';
export { SPOT_ON_DAYS } from './bath';
export { ALL_HOME_HOWS, HOME_HOWS, type HomeHow } from './homeHows';
export { INTERVAL_ROWS, type IntervalRow } from './intervalRows';
export type { Rule, RuleCondition, SaidAt } from './rule';
export { FORBIDDING, ruleOf, RULES } from './rules';
