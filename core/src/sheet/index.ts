export { clearWords, makeSheet, type OwnerSheet, type Saw, type SheetInput } from './makeSheet';
export { ADVICE, NEVER_SAY, SENTENCES, fill, type SentenceKey } from './sentences';
