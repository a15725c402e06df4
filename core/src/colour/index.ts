export {
  ALL_COLOURED,
  COLOURED,
  FIGURES,
  compareColours,
  looksLikeAnother,
  type Coloured,
  type ColourChange,
} from './compare';
export { cut, findWhite, squareOf, type Circle } from './findWhite';
export { differenceOf, labOf, type Lab, type Triple } from './lab';
export {
  NOT_MEASURED,
  lightBy,
  measureColour,
  type Measurement,
  type MeasuredColour,
  type NotMeasured,
  type Spot,
} from './measure';
