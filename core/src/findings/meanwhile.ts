import { LEVELS, type Level } from './levels';
import type { Sign } from './signs';
import type { Matched } from './triage';
import { A_SIGNS } from './triageTable';

interface MeanwhileRow {
  readonly signs: readonly Sign[];
  /** The levels at which it is said, from the least to the most; until a vet has looked, or where no vet is needed. */
  readonly from: Level;
  readonly to: Level;
  /** Of rows of one kind only the first is said at a place: what is left alone is not dried as well. */
  readonly kind?: 'ear' | 'eye' | 'fold';
}

const NO_VET = { from: 'watch', to: 'tell' } as const;
const TOLD = { from: 'tell', to: 'tell' } as const;
const TO_A_VET = { from: 'vet', to: 'emergency' } as const;
const ANY = { from: 'watch', to: 'emergency' } as const;

/**
 * What an owner does, and leaves, at a place with such signs, until it is clear or a vet has looked. Ears, eyes and face, folds,
 * mats: handbook of the trade. Fleas, ticks, feet, nails, mouth, lumps, limps: common practice, no source. Who is sent to a vet is
 * the triage table's to say.
 */
export const MEANWHILE = {
  'ear left alone': {
    signs: [
      ...A_SIGNS,
      'ear still brown',
      'ear packed',
      'ear dark crumbs',
      'ear blood',
      'ear pus',
      'ear foul smell',
      'ear hot',
      'ear swollen',
      'ear narrowed',
      'ear sores',
      'ear pain',
      'ear drooping',
      'ear puffed flap',
      'ear seed',
      'ear shaking sudden',
      'after cleaning, whining',
    ],
    ...TO_A_VET,
    kind: 'ear',
  },
  'ear in peace': { signs: [...A_SIGNS, 'ear still brown', 'after cleaning, whining'], ...TOLD, kind: 'ear' },
  'ear dried': { signs: ['ear damp'], ...NO_VET, kind: 'ear' },
  'no cotton buds': { signs: ['ear pale wax', 'ear dark wax'], ...NO_VET, kind: 'ear' },
  'eye left alone': {
    signs: [
      'eye coloured discharge',
      'eye swollen lids',
      'eye lid rolled in',
      'eye lashes touching',
      'eye old haze',
      'eye lid pain',
      'eye raw corner',
      'eye lid stuck',
      'eye squinting',
      'eye pawing',
      'eye blood',
      'eye new cloudiness',
      'eye red white',
    ],
    ...TO_A_VET,
    kind: 'eye',
  },
  'face dried': { signs: ['eye stain', 'eye wet', 'eye musty smell', 'eye skin redness'], ...ANY, kind: 'eye' },
  'crust softened': { signs: ['eye crust', 'eye lid stuck'], ...TOLD },
  'fold left alone': {
    signs: ['fold flinching', 'fold swelling', 'fold discharge', 'fold raw', 'fold bleeding', 'fold pain'],
    ...TO_A_VET,
    kind: 'fold',
  },
  'fold dried': { signs: ['fold redness', 'fold moisture', 'fold smell'], ...ANY, kind: 'fold' },
  'no balm in cracks': { signs: ['nose cracked', 'nose sore'], ...ANY },
  'bed washed': { signs: ['fleas', 'flea dirt'], ...ANY },
  'looked over after walks': { signs: ['tick'], ...ANY },
  'skin apart': { signs: ['round patch', 'oozing skin', 'wet sore'], ...TO_A_VET },
  'skin watched': { signs: ['bumps', 'scab', 'thin patch'], ...TOLD },
  'lump not pressed': { signs: ['lump new', 'lump growing'], ...TO_A_VET },
  'kept dry': { signs: ['stitches left'], ...TO_A_VET },
  'toes dried': { signs: ['toe redness', 'toe broken skin'], ...ANY },
  'pads saved': { signs: ['cracked pad'], ...ANY },
  'nail saved': {
    signs: ['nail broken', 'dewclaw curled', 'nail quick', 'dewclaw grown in', 'nail bleeding on'],
    ...ANY,
  },
  'soft food': { signs: ['broken tooth', 'sore mouth'], ...TO_A_VET },
  'teeth looked at': { signs: ['bad breath'], ...TOLD },
  'not pressed': { signs: ['anal swelling'], ...TO_A_VET },
  'combed to the skin': { signs: ['mat', 'ear mat', 'eye mat'], ...TOLD },
  'leg rested': { signs: ['lameness'], ...TOLD },
} as const satisfies Readonly<Record<string, MeanwhileRow>>;

export type Meanwhile = keyof typeof MEANWHILE;
export const ALL_MEANWHILE = Object.keys(MEANWHILE) as readonly Meanwhile[];

/** What is done at a place meanwhile, by what the table matched there. What a vet knows and has not changed asks for nothing. */
export function meanwhileAt(matched: readonly Matched[]): Meanwhile[] {
  const said = ALL_MEANWHILE.filter((id) => matched.some((each) => speaksOf(MEANWHILE[id], each)));
  const kindOf = (id: Meanwhile) => (MEANWHILE[id] as MeanwhileRow).kind;
  return said.filter((id, i) => !said.slice(0, i).some((other) => kindOf(other) && kindOf(other) === kindOf(id)));
}

function speaksOf({ signs, from, to }: MeanwhileRow, { row, findings, asAlways }: Matched): boolean {
  const [level, least, most] = [row.level, from, to].map((each) => LEVELS.indexOf(each)) as [number, number, number];
  return !asAlways && least <= level && level <= most && findings.some(({ sign }) => signs.includes(sign));
}
