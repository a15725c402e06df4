export { humanYears, lifeStage, seniorFrom, type LifeStage } from './age';
export { BREEDS, findBreed, type Breed } from './breeds';
export { SHIPPED, withOwnBreeds, type Catalogue } from './catalogueOf';
export { composeTraits, earOdds, nameBreeds, usualWeight, type ComposedTraits } from './composeTraits';
export { crossTraits } from './crossOf';
export { HANDLING, type Handling } from './handling';
export {
  CANAL_HAIR,
  COATS,
  COAT_DENSITIES,
  COAT_LENGTHS,
  EAR_CARRIAGES,
  EYE_SETS,
  FOLD_DEPTHS,
  foldSites,
  MUZZLES,
  SHEDDING,
  TEARING,
  type CanalHair,
  type Coat,
  type EarCarriage,
  type EyeSet,
  type FoldDepth,
  type Muzzle,
  type Shedding,
  type Tearing,
  type PlainTrait,
  type TraitBasis,
  type Traits,
  COAT_CONDITIONS,
  type CoatCondition,
} from './traits';
