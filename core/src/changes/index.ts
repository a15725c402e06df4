export { openBook, plansThatChange, type BookEntry } from './bookChanges';
export { comparePlans, type Difference, type PlanChange } from './comparePlans';
