export { cautionsNow, type Caution } from './cautions';
export { currentStep, hindrances, listPlaces, notLookedAt, waitsFor, type Hindrance } from './closing';
export {
  EVENT_VERSION,
  OWNER_ANSWERS,
  correctedTime,
  inOrder,
  mergeEvents,
  nextCounter,
  pageOfDevice,
  saw,
  seenBy,
  tapped,
  typed,
  type Because,
  type Happening,
  type HappeningType,
  type OwnerAnswer,
  type VisitEvent,
} from './events';
export { foldVisit } from './foldVisit';
export {
  ASKED_BESIDES,
  HANDOVER,
  HANDOVER_QUESTIONS,
  applyAnswers,
  lastingAnswers,
  unanswered,
  type HandoverAnswers,
  type HandoverQuestion,
} from './handover';
export { judgeLookOver, placesOfCare, placesToLookAt } from './lookOver';
export { INCIDENTS, INCIDENT_KINDS, firstSteps, type Incident, type IncidentKind } from './incidents';
export { moveRefused, movedBefore } from './ownOrder';
export { HAZARDS, type Hazard } from './hazards';
export {
  EMPTY_VISIT,
  type Clash,
  type PadCount,
  type Photo,
  type PlugState,
  type StepMark,
  type TimerState,
  type UsedProduct,
  type VisitState,
} from './state';
export { proposals, type Proposal } from './proposals';
export { minutesFactor, stagesTook, type StageTook } from './stepMinutes';
export { readVisit, type BeforeVisit, type VisitReading } from './readVisit';
export { stepList } from './stepList';
export { STAGES, VISIT_KINDS, type Barred, type Dwell, type Stage, type Step, type VisitKind } from './steps';
export { timeline, totalMinutes, type Block } from './timeline';
export {
  contactsCutShort,
  earSoaks,
  elapsedSeconds,
  pastMost,
  ranFull,
  timerName,
  type Clock,
  type EarSoak,
} from './timers';
export type { VisitPlan } from './visitPlan';
export { ERASED, withoutWords } from './withoutWords';
export { ALL_TITLES, STEP_TITLES, titleWords, type StepTitle, type TitleId } from './stepTitles';
export { unread, unreadOf, upToDate, type OlderEvent } from './upToDate';
export { careAt, caresFor, isCareBarred, tasksDoneBy } from './care';
