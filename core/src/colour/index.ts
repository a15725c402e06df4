export { COLOURED, FIGURES, compareColours, looksLikeAnother, readingOf, type ColourChange } from './compare';
export { cut, findWhite, squareOf, type Circle } from './findWhite';
export { differenceOf, labOf, type Lab, type Triple } from './lab';
export {
  ALL_COLOURED,
  NOT_MEASURED,
  lightBy,
  measureColour,
  type Coloured,
  type ColourReading,
  type Measurement,
  type MeasuredColour,
  type NotMeasured,
  type Spot,
} from './measure';
