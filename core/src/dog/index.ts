export { COAT_CONDITIONS, type CoatCondition } from '../catalogue';
export {
  HAIR_BORNE,
  HAIR_CAME,
  HAIR_LEFT,
  NO_HAIR_RECORD,
  NO_WORD,
  VISITS_LEFT,
  type EarHairRecord,
  type EarHairWork,
  type HairBorne,
  type HairCame,
  type HairLeft,
  type LastEarHair,
} from './earHair';
export {
  FIT,
  LIFT_ALONE_KG,
  plainDog,
  SKIN,
  type DogFacts,
  type EarHistory,
  type Fitness,
  type Skin,
  type Suspended,
} from './facts';
export { describeDog, factsAsSeen, type BusinessOfPlans, type DogAsSeen } from './asSeen';
export { factsUpToDate, type OlderFacts } from './factsUpToDate';
export { warmMonths, wantsCoolHours } from './coolHours';
export { instructionWords } from './instructionWords';
export {
  ASKED_AT_HOME,
  PRODUCT_TASKS,
  byAuthority,
  namedProduct,
  concerns,
  contradicts,
  holdsOn,
  knownSigns,
  liftsOf,
  sourceOf,
  toAvoid,
  type EarHairWay,
  type AskedAtHome,
  type Instruction,
  type ProductTask,
  type Saying,
} from './instructions';
export { ALL_INTAKE_QUESTIONS, intakeQuestions, type IntakeQuestion } from './intake';
export { ALL_SHOWN, BY_CLOCKS, SHOWN, asShown, isKnown, shownRefused, type ShownToday } from './showsToday';
export { OWN_QUESTIONS, waysOfDog, type OwnSchool, type OwnSchools, type OwnWays } from './ownWays';
export { USES, USE_KINDS, type UseKind } from './useKinds';
export { inUse, isInUse, type InUse } from './uses';
export { INTERVAL_LIMITS, isInterval, type HouseIntervals } from './houseIntervals';
export { CLIP_PARTS, type ClipPart, type StyleWish } from './style';
export { BATH_TASKS, type BathTask, type OwnBath, type WashKinds } from './ownBath';
