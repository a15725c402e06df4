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
  COAT_CONDITIONS,
  FIT,
  LIFT_ALONE_KG,
  plainDog,
  SKIN,
  type CoatCondition,
  type DogFacts,
  type EarHistory,
  type Fitness,
  type Skin,
  type Suspended,
} from './facts';
export { factsUpToDate, type OlderFacts } from './factsUpToDate';
export { instructionWords } from './instructionWords';
export {
  concerns,
  contradicts,
  holdsOn,
  knownSigns,
  liftsOf,
  sourceOf,
  toAvoid,
  type EarHairWay,
  type Instruction,
  type Saying,
} from './instructions';
export { ALL_INTAKE_QUESTIONS, intakeQuestions, type IntakeQuestion } from './intake';
