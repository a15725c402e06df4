export { careAt, caresFor, isCareBarred, mayNeedNothing, tasksDoneBy } from './care';
export { HAZARDS, type Before, type Hazard } from './hazards';
export { step } from './makeStep';
export { stepList } from './stepList';
export { ALL_TITLES, STEP_TITLES, titleWords, type StepTitle, type TitleId } from './stepTitles';
export { STAGES, VISIT_KINDS, type Barred, type Dwell, type Stage, type Step, type VisitKind } from './steps';
export { timeline, totalMinutes, type Block } from './timeline';
export { NOTHING_FOUND, foundForSteps } from './foundForSteps';
export type { BathShown, ProductShown, VisitPlan } from './visitPlan';
