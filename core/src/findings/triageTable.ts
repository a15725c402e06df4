import type { Grade } from '../places';
import { COMMON_PRACTICE, type Source } from '../provenance';
import type { Finding } from './finding';
import type { Level, Stop } from './levels';
import { QUESTIONS, signWords, type Sign, type SignArea } from './signs';

/** What is known about the dog besides the place itself. */
export interface Circumstances {
  readonly flatFaceOrProminentEyes: boolean;
  readonly grassSeedMonth: boolean;
}

/** One place as it stands: the row's signs found there, and what the last salon inspection found of the same sign. */
export interface Seen {
  readonly matching: readonly Finding[];
  readonly notLower: (finding: Finding) => boolean;
  readonly dog: Circumstances;
}

export interface TriageRow {
  readonly id: string;
  readonly areas: readonly SignArea[];
  readonly signs: readonly Sign[];
  /** The circumstance column, in words and as a test. */
  readonly when: string;
  readonly applies: (seen: Seen) => boolean;
  readonly level: Level;
  readonly stop: Stop;
  /** What to do or not to do besides the stop. */
  readonly do: string;
  readonly source: Source;
}

type Circumstance = readonly [words: string, applies: (seen: Seen) => boolean];

const worst = (seen: Seen): Grade => Math.max(0, ...seen.matching.map((each) => each.grade)) as Grade;
const any: Circumstance = ['any', () => true];
const graded = (least: Grade, most: Grade): Circumstance => [
  least === most ? `${least}` : `${least}–${most}`,
  (seen) => worst(seen) >= least && worst(seen) <= most,
];
const answerOf = ({ sign, answer }: Finding): boolean => {
  const { asks } = signWords(sign);
  return answer ?? (asks ? QUESTIONS[asks].unanswered : false);
};
const answered = (words: string, yes: boolean): Circumstance => [
  words,
  (seen) => seen.matching.some((each) => answerOf(each) === yes),
];
const notLower: Circumstance = [
  'not lower than last time',
  (seen) => seen.matching.some((each) => seen.notLower(each)),
];
const either = (...ways: readonly Circumstance[]): Circumstance => [
  ways.map(([words]) => words).join('; or '),
  (seen) => ways.some(([, applies]) => applies(seen)),
];
const both = (...needs: readonly Circumstance[]): Circumstance => [
  needs.map(([words]) => words).join(', '),
  (seen) => needs.every(([, applies]) => applies(seen)),
];
const count = (words: string, test: (different: number) => boolean): Circumstance => [
  words,
  (seen) => test(new Set(seen.matching.map((each) => each.sign)).size),
];
const dogIs = (words: string, test: (dog: Circumstances) => boolean): Circumstance => [words, (seen) => test(seen.dog)];

/** Rows of one list of places; the first names them. */
const row =
  (...areas: readonly [SignArea, ...SignArea[]]) =>
  (
    id: string,
    signs: readonly Sign[],
    [when, applies]: Circumstance,
    level: Level,
    stop: Stop,
    todo = '',
  ): TriageRow => ({
    id: `${areas[0]}: ${id}`,
    areas,
    signs,
    when,
    applies,
    level,
    stop,
    do: todo,
    source: COMMON_PRACTICE,
  });

const ear = row('ear');
const eye = row('eye');
const fold = row('fold');
const skin = row('skin', 'paw', 'rear');
const paw = row('paw');
const nail = row('nail', 'paw');
const mouth = row('mouth');
const rear = row('rear');
const body = row('body');

/** Signs of an ear that is not just dirty. */
export const A_SIGNS: readonly Sign[] = [
  'ear yellow wax',
  'ear whitish discharge',
  'ear red bumps',
  'ear redness',
  'ear musty smell',
  'ear scaly flap',
];
const FOLD_SIGNS: readonly Sign[] = ['fold redness', 'fold moisture', 'fold smell'];
const EYE_LID_SIGNS: readonly Sign[] = [
  'eye coloured discharge',
  'eye swollen lids',
  'eye lid rolled in',
  'eye lashes touching',
];

const pinkOnly: Circumstance = [
  'redness alone, pink',
  (seen) => seen.matching.every((each) => each.sign === 'fold redness' && each.grade === 1),
];
const twoOrMore = count('two or more', (different) => different >= 2);
const one = count('one', (different) => different === 1);
const except = (words: string, [, applies]: Circumstance): Circumstance => [words, (seen) => !applies(seen)];

const KEEP_DRY_CLEAN = 'Clean and dry only.';
const NOTHING_GREASY = 'Nothing greasy.';
const LAST_DOG = 'Last dog, gloves, own towels, clean-down.';
const AROUND_ONLY = 'Clean around the eye only.';

/** The tables of ears, eyes, folds and the rest of the dog. Source: common practice. */
export const TRIAGE_TABLE: readonly TriageRow[] = [
  ear('pale wax, slight', ['ear pale wax'], graded(1, 1), 'note', 'S0'),
  ear('pale wax', ['ear pale wax'], graded(2, 3), 'watch', 'S0'),
  ear('dark wax', ['ear dark wax'], any, 'watch', 'S0'),
  ear('damp', ['ear damp'], any, 'watch', 'S0', 'Dry it. No plucking while damp.'),
  ear('one A-sign, slight', A_SIGNS, both(one, graded(1, 1)), 'tell', 'S1'),
  ear('A-signs', A_SIGNS, either(twoOrMore, graded(2, 3), notLower), 'vet', 'S1'),
  ear('dark crumbs', ['ear dark crumbs'], any, 'vet', 'S1'),
  ear('blood, pus, foul', ['ear blood', 'ear pus', 'ear foul smell'], any, 'vet soon', 'S1'),
  ear(
    'hot, swollen, sore, pain',
    ['ear hot', 'ear swollen', 'ear narrowed', 'ear sores', 'ear pain', 'ear drooping', 'ear puffed flap'],
    any,
    'vet soon',
    'S2',
  ),
  ear('object', ['ear seed'], any, 'vet today', 'S2', 'Do not reach in.'),
  ear('tilt', ['head tilt'], any, 'vet today', 'S3'),
  ear('shaking, known', ['ear shaking known'], any, 'note', 'S0'),
  ear(
    'shaking, sudden, grass seed',
    ['ear shaking sudden'],
    dogIs('in the grass-seed months', (dog) => dog.grassSeedMonth),
    'vet today',
    'S1',
  ),
  ear('shaking, sudden', ['ear shaking sudden'], any, 'vet', 'S1'),
  ear(
    'after cleaning, whining',
    ['after cleaning, whining'],
    answered('within a day', false),
    'tell',
    'S1',
    'Nothing more into this ear for the rest of the visit.',
  ),
  ear('after cleaning, whining on', ['after cleaning, whining'], answered('past a day', true), 'vet', 'S1'),
  ear('after cleaning, crying', ['after cleaning, crying'], any, 'vet today', 'S3'),

  eye('stain, seen by a vet', ['eye stain'], answered('a vet has seen the tearing', true), 'note', 'S0'),
  eye('stain', ['eye stain'], answered('no vet yet', false), 'tell', 'S0', 'Ask for one look by an eye vet.'),
  eye('wet', ['eye wet'], any, 'note', 'S0'),
  eye('newly wet on one side', ['eye wet'], answered('newly wet on one side', true), 'vet', 'S1', AROUND_ONLY),
  eye('musty', ['eye musty smell'], any, 'tell', 'S0', 'Clean and dry; daily home care.'),
  eye('crust that lifts', ['eye crust'], answered('lifts when softened', true), 'note', 'S0'),
  eye('crust that stays', ['eye crust'], answered('does not lift', false), 'tell', 'S0', 'Leave the crust.'),
  eye('skin redness, slight', ['eye skin redness'], graded(1, 1), 'tell', 'S0', 'Nothing scented or greasy.'),
  eye('skin redness', ['eye skin redness'], either(graded(2, 3), notLower), 'vet', 'S0', 'Nothing scented or greasy.'),
  eye('discharge, lids, lashes', EYE_LID_SIGNS, any, 'vet', 'S1', AROUND_ONLY),
  eye(
    'discharge, lids, lashes, flat face',
    EYE_LID_SIGNS,
    dogIs('flat face or prominent eyes', (dog) => dog.flatFaceOrProminentEyes),
    'vet today',
    'S1',
    AROUND_ONLY,
  ),
  eye('known haze', ['eye known haze'], any, 'note', 'S0'),
  eye(
    'squint, paw, blood, cloud, red',
    ['eye squinting', 'eye pawing', 'eye blood', 'eye new cloudiness', 'eye red white'],
    any,
    'vet today',
    'S2',
  ),
  eye('bulging', ['eye bulging'], any, 'emergency', 'S3', 'Keep it moist with plain saline. No pressure, neck free.'),
  eye('blindness', ['eye sudden blindness'], any, 'emergency', 'S3', 'No care. Go.'),

  fold('pink', FOLD_SIGNS, pinkOnly, 'watch', 'S0'),
  fold(
    'one at 1–2',
    FOLD_SIGNS,
    both(one, graded(1, 2), except('pink excepted', pinkOnly)),
    'tell',
    'S0',
    NOTHING_GREASY,
  ),
  fold('two or more, all slight', FOLD_SIGNS, both(twoOrMore, graded(1, 1)), 'tell', 'S0', NOTHING_GREASY),
  fold('two or more, one plain', FOLD_SIGNS, both(twoOrMore, graded(2, 2)), 'vet', 'S0', KEEP_DRY_CLEAN),
  fold('any bad', FOLD_SIGNS, graded(3, 3), 'vet', 'S0', KEEP_DRY_CLEAN),
  fold('not lower', FOLD_SIGNS, notLower, 'vet', 'S0', KEEP_DRY_CLEAN),
  fold('flinching, swelling, discharge', ['fold flinching', 'fold swelling', 'fold discharge'], any, 'vet', 'S1'),
  fold('raw, bleeding, pain', ['fold raw', 'fold bleeding', 'fold pain'], any, 'vet soon', 'S2'),

  skin('small things', ['tangles', 'burrs', 'dandruff', 'greasy coat', 'licking stains'], any, 'note', 'S0'),
  skin('mat, loose', ['mat'], answered('small, loose', false), 'note', 'S0', 'Brush out. Never water on it.'),
  skin(
    'mat to the skin',
    ['mat'],
    answered('to the skin', true),
    'tell',
    'S0',
    'Shave, with the owner’s word first and the skin beneath recorded. Never scissors under a mat, never water on it.',
  ),
  skin('thin patch', ['thin patch'], any, 'tell', 'S0', 'Say whether one side or both.'),
  skin('round or oozing', ['round patch', 'oozing skin'], any, 'vet', 'S2', LAST_DOG),
  skin('fleas, lice', ['fleas', 'flea dirt', 'lice'], any, 'tell', 'S0', 'Last dog, own towels, clean-down.'),
  skin('tick', ['tick'], any, 'tell', 'S0', 'Take it out only if the house does.'),
  skin('bumps, scab, few', ['bumps', 'scab'], answered('few', false), 'tell', 'S0'),
  skin('bumps, scab, many or sore', ['bumps', 'scab'], answered('many or sore', true), 'vet', 'S0'),
  skin('wet sore', ['wet sore'], any, 'vet', 'S2'),
  skin('lump, known', ['lump known'], any, 'note', 'S0', 'Place and size in mm.'),
  skin('lump, new', ['lump new'], any, 'vet', 'S0', 'Place and size in mm.'),
  skin('lump, growing or bleeding', ['lump growing'], any, 'vet soon', 'S0', 'Place and size in mm.'),
  skin('stitches', ['stitches left'], any, 'vet', 'S2'),

  paw('toe redness, slight', ['toe redness'], graded(1, 1), 'watch', 'S0'),
  paw('toe redness', ['toe redness'], graded(2, 3), 'tell', 'S0'),
  paw('toe, broken skin', ['toe broken skin'], any, 'vet', 'S0'),
  paw('cracked pad, dry', ['cracked pad'], answered('dry', false), 'tell', 'S0'),
  paw('cracked pad, bleeding', ['cracked pad'], answered('bleeding', true), 'vet', 'S0'),
  nail('broken, curled', ['nail broken', 'dewclaw curled'], any, 'tell', 'S0'),
  nail('quick, grown in', ['nail quick', 'dewclaw grown in'], any, 'vet', 'S0'),
  nail('bled', ['nail bled'], any, 'note', 'S0', 'Let the clot hold before wetting.'),
  nail('bleeding on', ['nail bleeding on'], any, 'vet today', 'S0'),

  mouth('tartar', ['tartar'], any, 'note', 'S0'),
  mouth('bad breath', ['bad breath'], any, 'tell', 'S0'),
  mouth('tooth, sore mouth', ['broken tooth', 'sore mouth'], any, 'vet', 'S0'),

  rear('soiled', ['soiled rear'], any, 'note', 'S0'),
  rear('swelling, closed', ['anal swelling'], answered('closed', false), 'vet', 'S2'),
  rear('swelling, open or painful', ['anal swelling'], answered('open or painful', true), 'vet soon', 'S2'),
  rear('discharge from the vulva', ['vulva discharge'], any, 'vet today', 'S0'),

  body('stress', ['stress signs'], any, 'note', 'S0'),
  body('lame, uses the leg', ['lameness'], answered('uses the leg', true), 'tell', 'S0'),
  body('lame, does not', ['lameness'], answered('does not use the leg', false), 'vet today', 'S0'),
  body('sore after a bath', ['sore after bath'], any, 'vet today', 'S0', 'Trace the mix: which dogs had that bottle?'),
  body(
    'emergency',
    ['breathing hard', 'gum colour', 'collapse', 'fit', 'tight belly', 'bleeding on', 'fall hurt'],
    any,
    'emergency',
    'S3',
  ),
  body(
    'overheating',
    ['overheating'],
    any,
    'emergency',
    'S3',
    'Cool water and moving air at once, while ringing the vet.',
  ),
  body('panic, bite, fall', ['panic', 'bite broke skin', 'fall unhurt'], any, 'tell', 'S3'),
];
