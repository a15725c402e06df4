export {
  ENTRY_KINDS,
  gradeOn,
  inOrderOfRecord,
  picturesAt,
  placesOnRecord,
  recordAt,
  type RecordEntry,
  type EntryKind,
  type Picture,
} from './record';
