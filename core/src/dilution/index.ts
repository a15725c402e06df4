export {
  HOUSE_AMOUNTS,
  bathAmounts,
  learnDogFactor,
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
export { judgeStrength, type StrengthVerdict } from './judgeStrength';
export { cutMix, mix, strengthFrom, topUp, type Cut, type Mix, type StandingMix, type TopUp } from './mix';
export { mixCard, type MixCard } from './mixCard';
export { PRODUCT_KINDS, type Dilution, type Product, type ProductKind } from './product';
export { readLabel, type LabelContext, type LabelReading, type Reading } from './readLabel';
export { concentration, showStrength, strengthError, strengthOf, type Strength } from './strength';
export { measure, tidyBatch, type Measured, type Measuring, type StrokeQuestion } from './strokes';
