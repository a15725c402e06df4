export {
  ENTRY_KINDS,
  inOrderOfRecord,
  picturesAt,
  placesOnRecord,
  recordAt,
  type Entry,
  type EntryKind,
} from './record';
