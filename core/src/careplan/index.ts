export { openBook, plansThatChange, type BookEntry } from './bookChanges';
export { comparePlans, type Difference, type PlanChange } from './comparePlans';
export { dueState, dueWindow, type DueState, type DueWindow } from './dueWindow';
export { instructionWords } from './instructionWords';
export { decideEarHair, type EarHairDecision } from './earHair';
export {
  COAT_CONDITIONS,
  FIT,
  LIFT_ALONE_KG,
  SKIN,
  plainDog,
  type CoatCondition,
  type DogFacts,
  type EarHistory,
  type Fitness,
  type Skin,
  type Suspended,
} from './facts';
export { factsUpToDate, type OlderFacts } from './factsUpToDate';
export { ALL_INTAKE_QUESTIONS, intakeQuestions, type IntakeQuestion } from './intake';
export { contradicts, holdsOn, knownSigns, liftsOf, toAvoid, type EarHairWay, type Instruction, type Saying } from './instructions';
export { barsOf, circumstancesOf, type TodaysLook } from './barsOf';
export { dogAtWork } from './lineWork';
export { lineAmounts, type LineAmount } from './lineAmounts';
export { makePlan, type CarePlan, type PlanLine } from './makePlan';
export { ALL_HOME_HOWS, HOME_HOWS, type HomeHow } from './homeHows';
export { nextVisit, planDue, type CareRecord, type DueLine } from './planDue';
export type { Rule } from './rule';
export { restraintOf } from './restraintOf';
export { FORBIDDING, RULES, ruleOf } from './rules';
export { settleInterval, type Claim, type Settled } from './settleInterval';
export type { HomeCare, Said } from './spoken';
export {
  predictedWithoutFactor,
  productFactors,
  visitNeeds,
  type Need,
  type ProductRound,
  type VisitNeeds,
} from './visitNeeds';
