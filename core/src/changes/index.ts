export { openBook, plansThatChange, type BookEntry } from './bookChanges';
export { comparePlans, type PlanDifference, type PlanChange } from './comparePlans';
