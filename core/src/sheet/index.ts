export { didLines } from './didLines';
export { makeSheet } from './makeSheet';
export { NEVER_SAY, SENTENCES, fillIn, slotsOf, type SentenceKey } from './sentences';
export {
  ALL_SECTIONS,
  type HomeCareLine,
  type OwnerSheet,
  type Saw,
  type Section,
  type SheetFrame,
  type SheetInput,
  type SheetLine,
} from './sheet';
export {
  NO_EDITS,
  editLine,
  pageOf,
  readSheet,
  type PageLine,
  type ReadLine,
  type ReadSheet,
  type SheetEdits,
  type SheetPage,
} from './sheetPage';
export { ENGLISH } from './english';
export { inHouseWords, shippedWords, wordingProblem, type HouseWording, type WordingKey } from './houseWords';
export { inWords } from './phrases';
export { placeWords, type Wording } from './wording';
