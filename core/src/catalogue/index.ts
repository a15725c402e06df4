export { BREEDS, findBreed, type Breed } from './breeds';
export { composeTraits, crossTraits, earOdds, foldSites, nameBreeds, type ComposedTraits } from './composeTraits';
export {
  CANAL_HAIR,
  COATS,
  COAT_DENSITIES,
  COAT_LENGTHS,
  EAR_CARRIAGES,
  EYE_SETS,
  FOLD_DEPTHS,
  MUZZLES,
  TEARING,
  type CanalHair,
  type Coat,
  type EarCarriage,
  type EyeSet,
  type FoldDepth,
  type Muzzle,
  type Tearing,
  type TraitBasis,
  type Traits,
} from './traits';
