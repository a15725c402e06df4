export {
  DOGS_LIKE,
  mixOfDog,
  reckon,
  type Answer,
  type DogLike,
  type Question,
  type SetBeside,
  type SplitBottle,
} from './reckon';
export { cutting, howStrong, readRatio, toppingUp, type Sum } from './sums';
