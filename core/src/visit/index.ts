export { finishing, type Finish } from './finishing';
export { afterBrownPads, earWorkOf } from './earRounds';
export { asPlannedUpTo, needsAnswer, type AsPlanned } from './asPlanned';
export { tiredBy, tiringBudget, type Tired, type TiringBudget } from './budget';
export { chosenBath, type ChosenBath } from './chosenBath';
export { bathToday, partsOfWord } from './bathToday';
export { cautionsNow, type Caution } from './cautions';
export { cleanDownOf, stayedOn, type CleanDown } from './cleanDown';
export { currentStep, blockers, listPlaces, notLookedAt, waitsFor, type Blocker } from './closing';
export { earHairOf, type EarHairOfVisit } from './earHair';
export { foldVisit } from './foldVisit';
export { asksForFloor, judgeLookOver, placesOfCare, placesToLookAt } from './lookOver';
export {
  doneOf,
  neededNothing,
  placeNeededNothing,
  sparedOf,
  taskOutcomes,
  wasCaredFor,
  type WorkOutcome,
  type TaskOutcome,
  type VisitWork,
} from './outcomes';
export { hereSince, onTime, type OnTime } from './onTime';
export { movedBefore, moveRefused } from './ownOrder';
export { proposals, type Proposal } from './proposals';
export { readVisit, stepsByHouse, stepsToAdd, type BeforeVisit, type VisitReading } from './readVisit';
export {
  EMPTY_VISIT,
  type Clash,
  type PadCount,
  type PieceMark,
  type Photo,
  type StepMark,
  type TimerState,
  type UsedProduct,
  type VisitState,
} from './state';
export { minutesFactor, stagesTook, type StageTook } from './stepMinutes';
export {
  CLOT,
  CLOT_SECONDS,
  contactsCutShort,
  earSoaks,
  elapsedSeconds,
  pastMost,
  ranFull,
  timerName,
  type Clock,
  type EarSoak,
} from './timers';
export { shownByClocks, worthAMark } from './worthAMark';
export { leaveOut, minutesOf, splitOverTwo, splitVisit, type VisitSplit } from './splitVisit';
