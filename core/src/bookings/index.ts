export {
  GIVEN_UP,
  isGivenUp,
  visitChoice,
  type WorkBlock,
  type Book,
  type CareDue,
  type DayIndex,
  type DogToBook,
  type Needs,
  type Colleague,
  type PlannedVisit,
  type SharedPlace,
  type Standing,
  type VisitChoice,
  type Wishes,
} from './book';
export {
  BRANCH_KINDS,
  ROUND,
  needsAt,
  weekAt,
  weekRenamed,
  worksAt,
  type Branch,
  type BranchKind,
  type WeekOfPerson,
} from './branches';
export { PLAN_COSTS, type PlanCosts } from './costs';
export { breaches, evaluatePlan, hoursByDay, type PlanCost } from './evaluatePlan';
export { planBookings, type PlannerOptions, type Planning } from './planner';
export type { KeptPrices } from './dayPrices';
export { bestSlots, type FreeSlot, type SlotAnswer, type SlotQuestion, type SlotReason } from './bestSlots';
export { careFrom, careToBook, kindsFor, usualCare, TABLE, TUB, type DatedCare } from './careToBook';
export { choiceFor, dogInWeeks, type DogToPlan, type DogToTime } from './dogInWeeks';
export { pricesLater } from './dayPrices';
export {
  QUARTER,
  SALON,
  USUAL_PLACES,
  USUAL_WEEK,
  daysOfPattern,
  daysOn,
  free,
  nextFree,
  weekTrouble,
  weekdayOf,
  workBlocks,
  type Away,
  type PlacesOfSalon,
  type Span,
  type TakenTime,
  type WeekHours,
  type WorkSpan,
  type WorkingWeek,
} from './hours';
export { packTimes, type StandingTimes, type TimedVisit } from './packTimes';
export { LONGEST_SERIES, NEAR_DAYS, seriesDays, type SeriesDay, type SeriesQuestion } from './series';
export { readAbsences, type AbsencesRead, type ReadAbsence } from './readAbsences';
export { readWork, showWork } from './readWork';
export { careName, slotWords } from './slotWords';
export { whoGains, type Gain } from './whoGains';
export {
  bookOf,
  dayOfWeeks,
  whereAt,
  type BookedVisit,
  type DogInWeeks,
  type DogNeeds,
  type DogOfWeeks,
  type OwnerWishes,
  type Weeks,
} from './weeks';
export {
  daysInUse,
  proposedWeeks,
  type DayUse,
  type ProposedVisit,
  type ProposedWeeks,
  type Unplaced,
} from './proposals';
export { dayWithRoom } from './dayWithRoom';
export { bookedTooLate, type LateBooking } from './bookedTooLate';
export { carryOver } from './carryOver';
export { takenAlong } from './takenAlong';
export { planInTime, type PlanAnswer, type PlanQuestion, type ToldProposal } from './planInTime';
