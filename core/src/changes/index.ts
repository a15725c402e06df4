export { dogsByRow, openBook, plansThatChange, plansThatMove, type BookEntry } from './bookChanges';
export { comparePlans, type PlanDifference, type PlanChange } from './comparePlans';
export { waysFromRecord, type ProposedWay, type VisitOfRecord } from './waysFromRecord';
