export { always } from './conditions';
export { ALL_HOME_HOWS, HOME_HOWS, type HomeHow } from './homeHows';
export type { Rule, SaidAt } from './rule';
export { FORBIDDING, ruleOf, RULES } from './rules';
