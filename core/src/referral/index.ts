export {
  NEXT_STEPS,
  OUTCOMES,
  OWNERS_ANSWERS,
  TOLD_HOW,
  dueOn,
  nextStep,
  overdueDays,
  vetBy,
  type NextStep,
  type OwnersAnswer,
  type Referral,
  type ReferralEnd,
  type ToldOwner,
  type VetAnswer,
} from './referral';
export { CLEAR_LOOKS, clearSince, stillWatched, type PastLook } from './watchOver';
export { OFTEN, reachedOften, type PlaceLooked } from './reachedOften';
