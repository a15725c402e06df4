export {
  ENTRY_KINDS,
  inOrderOfRecord,
  picturesAt,
  placesOnRecord,
  recordAt,
  type RecordEntry,
  type EntryKind,
  type Picture,
  type PictureEntry,
} from './record';
