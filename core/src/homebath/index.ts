export { HOUSEHOLD, byJug, spoonfuls, type AtHand, type Spoonfuls } from './measures';
export { householdMix, type HouseholdMix } from './householdMix';
export {
  FILLED_KINDS,
  fillingFor,
  homeBath,
  readOwnLabel,
  withHomeBath,
  type Filling,
  type HomeBath,
  type HomeBathAgreed,
  type HomeBottle,
  type NotNow,
} from './homeBath';
