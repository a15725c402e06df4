import { BREEDS } from '@dewpond/core/catalogue';
import { findDogs, indexDogs, type Findable } from '../web/src/features/dogs/list/findDogs';
import { quantile, report, round, seeded } from './report';

/** A book of 20,000 invented dogs, searched as someone types: each prefix of a word, some with a slip. */
const DOGS = 20_000;
const NAMES = [
  'Bramble',
  'Quill',
  'Tansy',
  'Fennel',
  'Pocket',
  'Juniper',
  'Mistral',
  'Sorrel',
  'Wren',
  'Nettle',
  'Pippin',
  'Radish',
];
const OWNERS = [
  'Adeyemi',
  'Nwosu',
  'Raman',
  'Halloran',
  'Lindqvist',
  'Solberg',
  'Castellan',
  'Wrona',
  'Pene',
  'Siddiq',
  'Ferrant',
];
const WAYS = ['Row', 'Lane', 'Close', 'Hill', 'Street', 'Bank', 'Steps', 'Yard', 'End', 'Mews', 'Rise', 'Green'];
const random = seeded(11);
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;

const book: Findable[] = Array.from({ length: DOGS }, (_, i) => ({
  id: String(i),
  name: pick(NAMES),
  owner: `${pick(NAMES)}a ${pick(OWNERS)}`,
  breed: pick(BREEDS).name,
  phone: `01632 960${String(i % 1000).padStart(3, '0')}`,
  street: `${i % 80} ${pick(NAMES)} ${pick(WAYS)}`,
}));

const start = performance.now();
const index = indexDogs(book);
const built = performance.now() - start;

const typed = [
  'tansy',
  'nettel',
  'halloran',
  'pug',
  'border collie',
  '960171',
  'juniper raman',
  'lagoto',
  'wren pene',
  'tansy lane',
];
const times = typed.flatMap((words) =>
  Array.from({ length: words.length }, (_, i) => {
    const from = performance.now();
    findDogs(index, words.slice(0, i + 1));
    return performance.now() - from;
  }),
);
report('search', [
  { what: `index of ${DOGS} dogs`, ms: round(built, 0) },
  { what: `a key typed, p50 of ${times.length}`, ms: round(quantile(times, 0.5), 1) },
  { what: `a key typed, p95 of ${times.length}`, ms: round(quantile(times, 0.95), 1) },
]);
