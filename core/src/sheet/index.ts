export { didLines } from './didLines';
export { makeSheet } from './makeSheet';
export { pairPictures, picturesShown, type PairedPicture } from './pictures';
export {
  ALL_SECTIONS,
  type HomeCareLine,
  type OwnerSheet,
  type Saw,
  type Section,
  type SheetFrame,
  type SheetInput,
  type SheetLine,
  type TogetherLine,
} from './sheet';
export {
  NO_EDITS,
  editLine,
  pageOf,
  readSheet,
  type PageLine,
  type ReadLine,
  type ReadSheet,
  type LineEdit,
  type SheetEdits,
  type SheetPage,
} from './sheetPage';
