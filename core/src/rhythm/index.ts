export { RHYTHM, type RhythmConstants } from './constants';
export { DRIFT, gettingWorse, oneSided } from './drift';
export { normalQuantile } from './normal';
export {
  learnRhythm,
  priorMean,
  type Interval,
  type RhythmAnswer,
  type RhythmQuestion,
  type Spread,
} from './learnRhythm';
export {
  gradeOf,
  placeRecord,
  type Observation,
  type PlaceRecord,
  type PlaceVisit,
  type SparedLook,
} from './observations';
export { worseProbability, oneSidedProbability, rhythmOf } from './remembered';
export { drawGrade, simulateVisits, type HiddenDog } from './simulate';
