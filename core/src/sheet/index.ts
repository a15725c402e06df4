export { didLines } from './didLines';
export { makeSheet } from './makeSheet';
export { NEVER_SAY, SENTENCES, fillIn, slotsOf, type SentenceKey } from './sentences';
export type { HomeCareLine, OwnerSheet, Saw, SheetInput, SheetLine } from './sheet';
export {
  ALL_SECTIONS,
  NO_EDITS,
  SECTIONS,
  editLine,
  pageOf,
  readSheet,
  type PageLine,
  type ReadLine,
  type ReadSheet,
  type Section,
  type SheetEdits,
  type SheetPage,
} from './sheetPage';
export {
  ENGLISH,
  inHouseWords,
  shippedWords,
  wordingProblem,
  type HouseWording,
  type Wording,
  type WordingKey,
} from './wording';
