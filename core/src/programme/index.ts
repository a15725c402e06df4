export { GOALS, PROGRAMMES, type Goal, type ProgrammeKind } from './goals';
export { WENT, WENT_WORDS, progressOf, type Lesson, type Progress, type Went } from './progress';
