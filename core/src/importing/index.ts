export {
  breedNames,
  readBreeds,
  readDay,
  readSex,
  readWeight,
  writeBreeds,
  type CellRead,
  type DayOrder,
} from './cells';
export { readCsv, writeCsv, writeRows, type ReadTable, type CsvTable } from './csv';
export { decodeText, type Decoded } from './decode';
export { ALL_FIELDS, FIELDS, lacking, suggestMapping, type ImportField, type Mapping } from './fields';
export { gather, matchBook, type BookClient, type MatchedRow, type ToWrite, type Verdict } from './matchBook';
export { readRows, type ReadDog, type ReadOptions, type ReadRow } from './readRows';
export { readBookings, type BookingsRead, type FileBooking, type KnownHere, type RowLeft } from './readBookings';
export { readVcards, writeVcards } from './vcard';
