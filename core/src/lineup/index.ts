export {
  DAY_COSTS,
  HOT_HOURS,
  PARTS_OF_DAY,
  PLACES,
  STEP,
  type LineUpCosts,
  type DogOfDay,
  type WorkGroup,
  type PartOfDay,
  type PersonOfDay,
  type Pin,
  type PlacedGroup,
  type PlaceOfWork,
  type Stretch,
  type WorkDay,
} from './day';
export type { Arranged as LineUp } from './arrange';
export { groupsOf } from './groupsOf';
export { lineUp, type LineUpOptions } from './lineUp';
export { afterHours, isLate, readyTimes, toTell, type Ready } from './tellWhom';
export { troubles } from './troubles';
export { onTheDay, workDayOf, type BookedDog, type OnTheDay, type SetByHand } from './workDay';
export { whyLater, type Obstacle } from './whyLater';
