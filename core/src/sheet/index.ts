export { clearWords, makeSheet, type OwnerSheet, type Saw, type SheetInput } from './makeSheet';
export { NEVER_SAY, SENTENCES, fill, type SentenceKey } from './sentences';
