import { COMMON_PRACTICE, type Source } from '../provenance';
import type { Place } from '../places';
import type { Stop } from './levels';

/** Known about an ear without any sign: nothing goes in. */
export const EAR_CONDITIONS = [
  'drum torn or suspected',
  'ear operation',
  'long-acting gel in place',
  'drops given today',
] as const;
export type EarCondition = (typeof EAR_CONDITIONS)[number];

/** Known about an eye without any sign. */
export const EYE_CONDITIONS = ['eye drops or ointment today', 'eye operation'] as const;
export type EyeCondition = (typeof EYE_CONDITIONS)[number];

export type Condition = EarCondition | EyeCondition;

interface ConditionBars {
  readonly at: 'ear' | 'eye';
  readonly stop: Exclude<Stop, 'S0' | 'S3'>;
  /** No water on the head at all; the rest of the bath stays. */
  readonly dryHead: boolean;
  readonly source: Source;
}

/** What a condition bars at its place. Source: common practice. */
export const CONDITIONS: Readonly<Record<Condition, ConditionBars>> = {
  'drum torn or suspected': { at: 'ear', stop: 'S1', dryHead: false, source: COMMON_PRACTICE },
  'ear operation': { at: 'ear', stop: 'S1', dryHead: false, source: COMMON_PRACTICE },
  'long-acting gel in place': { at: 'ear', stop: 'S1', dryHead: false, source: COMMON_PRACTICE },
  'drops given today': { at: 'ear', stop: 'S1', dryHead: false, source: COMMON_PRACTICE },
  'eye drops or ointment today': { at: 'eye', stop: 'S1', dryHead: false, source: COMMON_PRACTICE },
  'eye operation': { at: 'eye', stop: 'S2', dryHead: true, source: COMMON_PRACTICE },
};

/** A condition at the place that has it. */
export interface PlaceCondition {
  readonly place: Place;
  readonly condition: Condition;
}
