export { dueState, dueWindow, type DueState, type DueWindow } from './dueWindow';
export { nextVisit, planDue, type CareRecord, type DueLine } from './planDue';
