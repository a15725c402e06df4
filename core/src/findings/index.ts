export {
  FINDING_COLOURS,
  FINDING_SMELLS,
  finding,
  isMat,
  isToTheSkin,
  mirrorFinding,
  type Finding,
  type FindingDetails,
} from './finding';
export {
  ADVICE,
  LEVELS,
  LEVEL_WORDS,
  STOPS,
  STOP_WORDS,
  atLeast,
  higherLevel,
  higherStop,
  stopsAtLeast,
  type Level,
  type Stop,
} from './levels';
export { PAD_COLOURS, PAD_SHOWS, gradeOfPads, isEarWax, worsePad, type PadColour } from './padColour';
export {
  ALL_SIGNS,
  MAY_SPREAD,
  ONE_OF,
  QUESTIONS,
  SIGNS,
  areaOf,
  isKnownSign,
  mayBeAt,
  findingWords,
  signWords,
  signsAt,
  worseAnswer,
  type SignQuestion,
  type Sign,
  type SignArea,
} from './signs';
export { knowsRefused, stillKnown, type PastFinding } from './asAlways';
export {
  CONDITIONS,
  EAR_CONDITIONS,
  EYE_CONDITIONS,
  type Condition,
  type EarCondition,
  type EyeCondition,
  type PlaceCondition,
} from './conditions';
export type { Circumstances, Todo, TriageRow } from './circumstance';
export { ripplesOf, worstRipples } from './ripples';
export { DONE_AT, PROCEDURES, type Procedure } from './procedures';
export { countsAt, triage, type Matched, type Triage } from './triage';
export { A_SIGNS, TRIAGE_TABLE } from './triageTable';
export type { KnownSign, Look } from './look';
export { ALL_MEANWHILE, MEANWHILE, meanwhileAt, type Meanwhile } from './meanwhile';
