export { beforeVisitAdvice, type BeforeVisitAdvice } from './beforeVisit';
export { ALL_OWNER_SAYS, OWNER_SAYS, SHORT_NOTICE_MS, ownerSaysWords, type OwnerSays } from './ownerSays';
export { MESSAGE_CHANNELS, channelFor, reachOf, type MessageChannel, type Reach } from './reach';
export {
  CARRIER_WORDS,
  MESSAGE_STATES,
  afterCarrier,
  type CarrierWord,
  UNSURE_AFTER_MS,
  afterTry,
  mayTryAgain,
  mayWithdraw,
  type After,
  type MessageState,
  type Outcome,
} from './sending';
export { LINK_MARK, MESSAGE_KINDS, TEMPLATES, withoutPhone, type MessageKind } from './templates';
