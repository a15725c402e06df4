export {
  DOGS_LIKE,
  mixOfDog,
  reckon,
  type MixAnswer,
  type DogLike,
  type MixQuestion,
  type SetBeside,
  type SplitBottle,
} from './reckon';
export { cutting, howStrong, readRatio, toppingUp, type Sum } from './sums';
