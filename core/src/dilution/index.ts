export {
  HOUSE_AMOUNTS,
  bathAmounts,
  learnDogFactor,
  sizeOf,
  surfaceArea,
  usedMillilitres,
  type AmountLesson,
  type BathAmounts,
  type CoatDensity,
  type CoatLength,
  type Lather,
  type UsedAmount,
} from './amount';
export { RESERVE, bathMix, type BathMix } from './bathMix';
export { BOTTLE_SHAPE, levelOf, volumeBelow, type Bottle } from './bottle';
export {
  CALIBRATION_STROKES,
  MOST_SCATTER,
  calibratePump,
  strokesFromGrams,
  strokesFromReadings,
  type Calibration,
  type PumpSpread,
} from './calibratePump';
export { ALL_CAUTIONS, CAUTIONS, CAUTION_SOURCE, clashing, hazardLine, type MixCaution } from './cautions';
export {
  FINEST_MARK,
  MOST_LEFT_OVER,
  MOST_MARKS,
  MOST_OF_A_KIND,
  chooseBottles,
  everyMark,
  fillMarks,
  type BottleChoice,
  type FreeBottle,
  type Pumped,
} from './chooseBottles';
export { judgeStrength, type StrengthVerdict } from './judgeStrength';
export {
  allows,
  exactRange,
  isWithin,
  labelMeaning,
  rangeFrom,
  readingsOf,
  sayReading,
  type ExactRange,
  type LabelMeaning,
  type RatioSaid,
} from './labelMeaning';
export { leadBy, type Lead, type LeadKind, type Led } from './leadBy';
export { cutMix, mix, strengthFrom, topUp, type Cut, type Mix, type MixInBottle, type TopUp } from './mix';
export { mixCard, type MixCard } from './mixCard';
export { planDay, type AsItIs, type Batch, type BatchBottle, type DayPlan, type DogNeed } from './planDay';
export {
  BODY_WASHES,
  PRODUCT_KINDS,
  isForOneDog,
  mixedTo,
  type BodyWash,
  type Dilution,
  type LabelRange,
  type Product,
  type ProductKind,
} from './product';
export { readLabel, type LabelContext, type LabelReading, type Reading } from './readLabel';
export { shareOut, type Pour, type Shared } from './shareOut';
export { isPast, mayTake, type OpenMix, type MayTake } from './openMix';
export { concentration, exactParts, showStrength, strengthError, strengthOf, type Strength } from './strength';
export { MOST_WASTE, measure, tidyBatch, type Measured, type Measuring, type StrokeQuestion } from './strokes';
export { ownFactor } from './ownFactor';
export type { FillTo } from './fillSearch';
