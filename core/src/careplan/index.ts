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
export {
  ALL_HOUSE_QUESTIONS,
  DEFAULT_HOUSE_WAYS,
  HOUSE_QUESTIONS,
  HOUSE_STANCES,
  schoolWords,
  type HouseQuestion,
  type HouseWays,
} from './houseWays';
export { ALL_INTAKE_QUESTIONS, intakeQuestions, type IntakeQuestion } from './intake';
export { contradicts, holdsOn, liftsOf, toAvoid, type Instruction, type Saying } from './instructions';
export { lineAmounts, type LineAmount } from './lineAmounts';
export { makePlan, type CarePlan, type PlanLine } from './makePlan';
export { HOME_HOWS, PLAN_BARS } from './ownersHear';
export { nextVisit, planDue, type CareRecord, type DueLine } from './planDue';
export { RANKS, RANK_WORDS, type Rank, type Rule } from './rule';
export { restraintOf } from './restraintOf';
export { RULES } from './rules';
export {
  ALL_SERVICES,
  DEFAULT_SERVICES,
  HOUSE_DOES,
  SERVICES,
  serviceOf,
  type HouseDoes,
  type HouseServices,
  type ServiceKey,
} from './services';
export { settleInterval, type Claim, type Settled } from './settleInterval';
export type { HomeCare, Said } from './spoken';
export { predictedWithoutFactor, visitNeeds, type Need, type ProductRound, type VisitNeeds } from './visitNeeds';
export { ALL_TASKS, TASKS, taskKey, tasksOf, type Round, type Task, type TaskAt } from './tasks';
