import type { Rule } from '../rule';
import { BATH_RULES } from './bath';
import { COAT_RULES } from './coatAndFeet';
import { EAR_RULES } from './ears';
import { FACE_RULES } from './face';
import { HOUSE_RULES } from './house';

/**
 * What the trade knows about recurring care, one row a rule. The engine only reads it. Handbook rows marked as
 * defaults are house values; manners and cautions are common practice; schools are the house's choice.
 */
export const RULES: readonly Rule[] = [...BATH_RULES, ...EAR_RULES, ...FACE_RULES, ...COAT_RULES, ...HOUSE_RULES];
