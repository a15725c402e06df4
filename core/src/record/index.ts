export {
  ENTRY_KINDS,
  inOrderOfRecord,
  picturesAt,
  placesOnRecord,
  recordAt,
  type Entry,
  type EntryKind,
  type Picture,
} from './record';
