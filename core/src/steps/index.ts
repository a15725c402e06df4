export { byBody, byCoat } from './byBody';
export { careAt, caresFor, isCareBarred, mayNeedNothing, tasksDoneBy } from './care';
export { depthToday } from './earDepthToday';
export { HAZARDS, type Before, type Hazard } from './hazards';
export { step } from './makeStep';
export { stepList } from './stepList';
export { ALL_TITLES, STEP_TITLES, titleWords, type StepTitle, type TitleId } from './stepTitles';
export {
  ALL_PARTS,
  VISIT_KINDS,
  IN_THE_TUB,
  VISIT_PARTS,
  partsOf,
  usualMinutes,
  visitName,
  type AgreedVisit,
  type OwnVisitKind,
  type VisitContents,
  type VisitKind,
  type VisitPart,
} from './contents';
export { STAGES, type Barred, type Dwell, type Stage, type Step } from './steps';
export { timeline, totalMinutes, type Block } from './timeline';
export { NOTHING_FOUND, foundForSteps } from './foundForSteps';
export type { BathShown, ProductShown, VisitPlan } from './visitPlan';
