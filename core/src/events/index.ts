export {
  correctedTime,
  EVENT_VERSION,
  inOrder,
  madeApart,
  mergeEvents,
  nextCounter,
  OWNER_ANSWERS,
  pageOfDevice,
  sameClock,
  saw,
  seenBy,
  tapped,
  typed,
  type Because,
  type Happening,
  type HappeningType,
  type OwnerAnswer,
  type PlugState,
  type VisitEvent,
} from './events';
export {
  applyAnswers,
  ASKED_BESIDES,
  HANDOVER,
  HANDOVER_QUESTIONS,
  lastingAnswers,
  unanswered,
  type HandoverAnswers,
  type HandoverQuestion,
} from './handover';
export { firstSteps, INCIDENT_KINDS, INCIDENTS, type Incident, type IncidentKind } from './incidents';
export { unread, unreadOf, upToDate, type OlderEvent } from './upToDate';
export { ERASED, withoutWords } from './withoutWords';
