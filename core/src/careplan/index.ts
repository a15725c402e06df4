export { openBook, plansThatChange, type BookEntry } from './bookChanges';
export { comparePlans, type PlanChange } from './comparePlans';
export { dueState, dueWindow, type DueState, type DueWindow } from './dueWindow';
export { instructionWords } from './instructionWords';
export { decideEarHair, type EarHairDecision, type EarHairWay } from './earHair';
export { humanYears, lifeStage, seniorFrom, type LifeStage } from './age';
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
} from './facts';
export { ALL_INTAKE_QUESTIONS, intakeQuestions, type IntakeQuestion } from './intake';
export { contradicts, holdsOn, liftsOf, toAvoid, type Instruction, type Saying } from './instructions';
export { lineAmounts, type LineAmount } from './lineAmounts';
export { makePlan, type CarePlan, type PlanLine } from './makePlan';
export { HOME_HOWS, PLAN_BARS } from './ownersHear';
export { nextVisit, planDue, type CareRecord, type DueLine } from './planDue';
export { RANKS, RANK_WORDS, type Rank, type Rule } from './rule';
export { restraintOf } from './restraintOf';
export { RULES } from './rules';
export { settleInterval, type Claim, type Settled } from './settleInterval';
export type { HomeCare, Said } from './spoken';
export { predictedWithoutFactor, visitNeeds, type Need, type ProductRound, type VisitNeeds } from './visitNeeds';
