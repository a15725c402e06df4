export { FINDING_COLOURS, FINDING_SMELLS, finding, mirrorFinding, type Finding, type FindingDetails } from './finding';
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
export { PAD_COLOURS, PAD_SHOWS, gradeOfPads, worsePad, type PadColour } from './padColour';
export {
  ALL_SIGNS,
  MAY_SPREAD,
  QUESTIONS,
  SIGNS,
  areaOf,
  mayBeAt,
  signWords,
  signsAt,
  type Question,
  type Sign,
  type SignArea,
} from './signs';
export {
  EAR_CONDITIONS,
  PROCEDURES,
  countsAt,
  keepsWaterBelowNeck,
  stopFor,
  triage,
  type Bar,
  type EarCondition,
  type Look,
  type Procedure,
  type Triage,
  type VetLift,
} from './triage';
export { A_SIGNS, TRIAGE_TABLE, type Circumstances, type TriageRow } from './triageTable';
