export { currentStep, hindrances, listPlaces, notLookedAt, waitsFor, type Hindrance } from './closing';
export {
  EVENT_VERSION,
  correctedTime,
  inOrder,
  mergeEvents,
  nextCounter,
  type Happening,
  type HappeningType,
  type VisitEvent,
} from './events';
export { foldVisit } from './foldVisit';
export {
  HANDOVER,
  HANDOVER_QUESTIONS,
  applyAnswers,
  lastingAnswers,
  unanswered,
  type HandoverAnswers,
  type HandoverQuestion,
} from './handover';
export { circumstancesOf, endsVisit, judgeLookOver, placesToLookAt } from './lookOver';
export {
  EMPTY_VISIT,
  type PadCount,
  type PlugState,
  type StepMark,
  type TimerState,
  type UsedProduct,
  type VisitState,
} from './state';
export { readVisit, type BeforeVisit, type VisitReading } from './readVisit';
export { stepList } from './stepList';
export { STAGES, VISIT_KINDS, type Dwell, type Stage, type Step, type VisitKind } from './steps';
export { timeline, totalMinutes, type Block } from './timeline';
export { elapsedSeconds, ranFull, type Clock } from './timers';
export type { VisitPlan } from './visitPlan';
