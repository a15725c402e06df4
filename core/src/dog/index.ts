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
