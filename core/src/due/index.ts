export { ALL_NOTICED, NOTICED, TOLD_BY_TAP, asNoticed, type Noticed, type NoticedOn } from './noticed';
export { dueState, dueWindow, type DueState, type DueWindow } from './dueWindow';
export { LEARNED, closesBefore, nextVisit, planDue, type CareRecord, type DueLine } from './planDue';
export {
  costOf,
  hiddenLines,
  simulateYear,
  trueInterval,
  type HiddenYear,
  type Timing,
  type YearCost,
} from './simulateYear';
export { lookDay, lookDays, vetLooksDue, vetLookTold, type VetLookDue } from './vetLooks';
