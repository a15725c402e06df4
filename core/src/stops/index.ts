export type { Bar } from './bar';
export { NO_SOURCES, barsFrom, type BarSources, type JudgedPlace, type ProcedureBar, type TaskBar } from './barsFrom';
export type { VetLift } from './lift';
export { liftRefused, standsAt } from './liftRefused';
export { barsAt, endings, mayDo, stopAt, takenAt, type BarAt, type StopAnswer } from './stopAt';
export { AROUND_BY_CLOTH, INSTEAD, LEAVE_IT, STOP_TABLE, type Instead } from './stopTable';
export { barsBehind, todoAt, workLeft, type LeftOut, type WorkLeft } from './workLeft';
