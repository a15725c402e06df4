import { GRADE_WORDS, SITES, type Grade, type Site } from '../places';

/** What a sign may be seen at. Folds share one list, and so do the parts of the skin, the paws, the nails. */
export const SIGN_AREAS = ['ear', 'eye', 'fold', 'nose', 'skin', 'paw', 'nail', 'mouth', 'rear', 'body'] as const;
export type SignArea = (typeof SIGN_AREAS)[number];

const AREA_OF = new Map(
  SITES.map((site): [Site, SignArea] => [site, SIGN_AREAS.find((area) => area === site.split(' ')[0]) ?? 'skin']),
);
/** Asked for every touch of every step: looked up, not reckoned. */
export const areaOf = (site: Site): SignArea => AREA_OF.get(site) ?? 'skin';

interface SignWords {
  /** Where it may be seen. */
  readonly areas: readonly SignArea[];
  /** As one groomer says it to another. */
  readonly name: string;
  /** As the owner reads it. */
  readonly owner: string;
  /** Whether slight, plain, bad makes a difference to what follows. */
  readonly graded: boolean;
  /** Whether the rhythm of the place learns from it (docs/formulas.md, "Rhythm"). */
  readonly dirt?: true;
  /** What must be asked before the sign can be judged. */
  readonly asks?: SignQuestion;
  /** Pain, smell, blood, pus, black debris: never "as always", whoever knows it. */
  readonly alwaysNew?: true;
}

/**
 * A circumstance that the groomer answers with one tap when the sign is chosen: which answer is the worse one, and how
 * it is taken while unanswered: the more careful way, but for what cannot be known yet.
 */
export const QUESTIONS = {
  'has a vet seen it?': { worse: false, unanswered: false },
  'does it lift when softened?': { worse: false, unanswered: false },
  'newly wet on this side only?': { worse: true, unanswered: true },
  'does it last past a day?': { worse: true, unanswered: false },
  'does it open when softened with plain water, eye quiet?': { worse: false, unanswered: true },
  'down to the skin?': { worse: true, unanswered: true },
  'many or sore?': { worse: true, unanswered: true },
  'does it bleed?': { worse: true, unanswered: true },
  'open or painful?': { worse: true, unanswered: true },
  'does it use the leg?': { worse: false, unanswered: false },
} as const;
export type SignQuestion = keyof typeof QUESTIONS;

/** Signs of one list of places: graded unless they are simply there or not. */
const seenAt =
  (...areas: readonly SignArea[]) =>
  (name: string, owner: string, more: Partial<SignWords> = {}): SignWords => ({
    areas,
    name,
    owner,
    graded: true,
    ...more,
  });
const ear = seenAt('ear');
const eye = seenAt('eye');
const fold = seenAt('fold');
const nose = seenAt('nose');
/** Skin and coat, wherever they are. */
const skin = seenAt('skin', 'paw', 'rear');
const paw = seenAt('paw');
const nail = seenAt('nail', 'paw');
const mouth = seenAt('mouth');
const rear = seenAt('rear');
const wholeDog = seenAt('body');
const body = (name: string, owner: string, more: Partial<SignWords> = {}): SignWords =>
  wholeDog(name, owner, { graded: false, ...more });
const plain = { graded: false } as const;

/** Every sign of the tables for ears, eyes, folds and the rest of the dog. Source: common practice. */
export const SIGNS = {
  'ear pale wax': ear('pale-brown wax, no smell', 'light-brown wax', { dirt: true }),
  'ear dark wax': ear('dark-brown wax, no smell', 'dark-brown wax', { dirt: true }),
  'ear damp': ear('damp, no smell', 'dampness', { dirt: true }),
  'ear yellow wax': ear('yellow or thick wax', 'yellow, thick wax'),
  'ear whitish discharge': ear('whitish discharge', 'whitish discharge'),
  'ear red bumps': ear('small red bumps', 'small red bumps'),
  'ear redness': ear('redness', 'redness'),
  'ear musty smell': ear('musty or yeasty smell', 'a musty smell', { alwaysNew: true }),
  'ear scaly flap': ear('scaly flap', 'scaly skin on the flap'),
  'ear greasy flap': ear('greasy flap', 'a greasy flap', plain),
  'ear dark crumbs': ear('dark crumbly or black debris', 'dark, crumbly dirt', { dirt: true, alwaysNew: true }),
  'ear still brown': ear('pads still brown after two rounds', 'brown wax that cleaning twice did not clear', plain),
  'ear packed': ear('packed with hair or wax', 'so much hair or wax that it is blocked', plain),
  'ear not seen into': ear('could not be seen into', 'an ear that we could not look into', plain),
  'ear mat': ear('mat at the ear', 'a mat', plain),
  'ear blood': ear('blood', 'blood', { ...plain, alwaysNew: true }),
  'ear pus': ear('pus', 'thick coloured discharge', { ...plain, alwaysNew: true }),
  'ear foul smell': ear('foul smell', 'a foul smell', { ...plain, alwaysNew: true }),
  'ear hot': ear('hot', 'heat', plain),
  'ear swollen': ear('swollen', 'swelling', plain),
  'ear narrowed': ear('narrowed opening', 'a narrowed opening', plain),
  'ear sores': ear('sores', 'sore patches', plain),
  'ear pain': ear('pain: pulls away or whines', 'pain when it was touched', { ...plain, alwaysNew: true }),
  'ear drooping': ear('flap newly drooping', 'a flap that newly droops', plain),
  'ear puffed flap': ear('flap puffed up like a cushion', 'a flap puffed up like a cushion', plain),
  'ear seed': ear('seed, awn or other object', 'a seed or something else lodged inside', plain),
  'head tilt': ear('head tilt, lost balance or twitching eyes', 'a tilted head or lost balance', plain),
  'ear shaking known': ear('shaking or scratching, mild or long known', 'some shaking or scratching', plain),
  'ear shaking sudden': ear('sudden, violent or one-sided shaking', 'sudden, hard shaking or scratching', plain),
  'after cleaning, whining': ear('whining or scratching after cleaning', 'whining or scratching after the cleaning', {
    ...plain,
    asks: 'does it last past a day?',
  }),
  'after cleaning, crying': ear(
    'crying, tilt or lost balance after cleaning',
    'crying or lost balance after the cleaning',
    plain,
  ),

  'eye stain': eye('tear stain', 'a tear stain', { asks: 'has a vet seen it?' }),
  'eye wet': eye('wet hair, no smell', 'wet hair', { dirt: true, asks: 'newly wet on this side only?' }),
  'eye musty smell': eye('musty smell', 'a musty smell', { dirt: true, alwaysNew: true }),
  'eye crust': eye('crust', 'crust', { dirt: true, asks: 'does it lift when softened?' }),
  'eye skin redness': eye('redness of the skin under the hair', 'red skin under the hair'),
  'eye coloured discharge': eye('yellow or green discharge or crust', 'yellow or green discharge', plain),
  'eye swollen lids': eye('swollen lids', 'swollen lids', plain),
  'eye lid rolled in': eye('lid rolled in', 'a lid that rolls in', plain),
  'eye lashes touching': eye('lashes touching the eye', 'lashes that touch the eye', plain),
  'eye known haze': eye('haze, a vet knows it, eye quiet', 'the haze that your vet knows', plain),
  'eye old haze': eye(
    'haze, long there, no vet has seen it, eye quiet otherwise',
    'a haze that has been there for long',
    plain,
  ),
  'eye lid pain': eye('pulls away when the lid is touched', 'pain when the lid was touched', {
    ...plain,
    alwaysNew: true,
  }),
  'eye raw corner': eye('raw skin at the corner', 'raw skin at the corner', plain),
  'eye lid stuck': eye('lid stuck down', 'a lid that is stuck down', {
    ...plain,
    asks: 'does it open when softened with plain water, eye quiet?',
  }),
  'eye mat': eye('mat at the eye corner', 'a mat', plain),
  'eye squinting': eye('squinting', 'squinting', plain),
  'eye pawing': eye('pawing at the eye', 'pawing at the eye', plain),
  'eye blood': eye('blood', 'blood', { ...plain, alwaysNew: true }),
  'eye new cloudiness': eye('haze, new, or the eye is not quiet', 'new cloudiness', plain),
  'eye red white': eye('new redness of the white', 'new redness of the white of the eye', plain),
  'eye bulging': eye('eye bulging out', 'an eye that bulges out', plain),
  'eye sudden blindness': eye('sudden blindness', 'sudden loss of sight', plain),

  'fold redness': fold('redness', 'redness', { dirt: true }),
  'fold moisture': fold('moisture', 'moisture', { dirt: true }),
  'fold smell': fold('smell', 'a smell', { dirt: true, alwaysNew: true }),
  'fold flinching': fold('flinching, nothing seen', 'flinching when it was touched', { ...plain, alwaysNew: true }),
  'fold swelling': fold('swelling', 'swelling', plain),
  'fold discharge': fold('pus or coloured discharge', 'coloured discharge', { ...plain, alwaysNew: true }),
  'fold raw': fold('raw skin', 'raw skin', plain),
  'fold bleeding': fold('bleeding', 'bleeding', { ...plain, alwaysNew: true }),
  'fold pain': fold('pain', 'pain when it was touched', { ...plain, alwaysNew: true }),

  'nose dry': nose('dry and scaly', 'a dry, scaly nose'),
  'nose cracked': nose('cracked', 'cracks in the nose', plain),
  'nose sore': nose('raw, red or bleeding', 'a sore nose', { ...plain, alwaysNew: true }),

  mat: skin('mat', 'a mat', { asks: 'down to the skin?' }),
  tangles: skin('tangles', 'tangles'),
  'lump new': skin('lump, new', 'a lump that is new to us', plain),
  'lump known': skin('lump, known to a vet, unchanged', 'the lump that your vet knows', plain),
  'lump growing': skin('lump, growing or bleeding', 'a lump that grows or bleeds', plain),
  bumps: skin('bumps', 'small bumps', { ...plain, asks: 'many or sore?' }),
  scab: skin('scab', 'a scab', { ...plain, asks: 'many or sore?' }),
  'wet sore': skin('wet sore', 'a wet sore', plain),
  fleas: skin('fleas', 'fleas', plain),
  tick: skin('tick', 'a tick', plain),
  'flea dirt': skin('flea dirt', 'flea dirt', plain),
  lice: skin('lice', 'lice', plain),
  dandruff: skin('dandruff', 'flaky skin'),
  'greasy coat': skin('greasy coat', 'a greasy coat'),
  'licking stains': skin('licking stains', 'stains from licking'),
  burrs: skin('burrs', 'burrs', plain),
  'thin patch': skin('thin or bald patch, not round', 'a thin patch in the coat'),
  'round patch': skin('round bald patch', 'a round bald patch', plain),
  'oozing skin': skin('oozing skin', 'oozing skin', plain),
  'stitches left': skin('stitches still in', 'stitches that are still in', plain),

  'toe redness': paw('redness between toes', 'redness between the toes'),
  'toe broken skin': paw('broken skin between toes', 'broken skin between the toes', plain),
  'cracked pad': paw('cracked pad', 'a cracked pad', { ...plain, asks: 'does it bleed?' }),
  'nail broken': nail('nail broken', 'a broken nail', plain),
  'dewclaw curled': nail('dewclaw curled against the skin', 'a dewclaw curled against the skin', plain),
  'nail quick': nail('nail broken into the quick', 'a nail broken into the quick', plain),
  'dewclaw grown in': nail('dewclaw grown in', 'a dewclaw grown into the skin', plain),
  'nail bled': nail('nail bled, stopped', 'a nail that bled and stopped', plain),
  'nail bleeding on': nail('nail bleeding over 15 min', 'a nail that went on bleeding', plain),

  tartar: mouth('tartar', 'tartar on the teeth'),
  'bad breath': mouth('bad breath', 'bad breath', { ...plain, alwaysNew: true }),
  'broken tooth': mouth('broken tooth', 'a broken tooth', plain),
  'sore mouth': mouth('sore mouth', 'a sore mouth', { ...plain, alwaysNew: true }),

  'soiled rear': rear('soiled rear', 'soiling under the tail'),
  'anal swelling': rear('swelling beside the anus', 'a swelling beside the anus', {
    ...plain,
    alwaysNew: true,
    asks: 'open or painful?',
  }),
  'vulva discharge': rear('discharge from the vulva, not spayed', 'a discharge from the vulva', plain),

  'stress signs': body('stress signs', 'signs of stress', { graded: true }),
  lameness: body('lameness, new', 'a new limp', { asks: 'does it use the leg?' }),
  'sore after bath': body('sore back or dull within two days of a bath', 'a sore back or dullness soon after a bath'),

  'breathing hard': body('laboured or noisy breathing that does not settle', 'hard breathing that did not settle'),
  'gum colour': body('gums grey, blue, white or brick-red', 'gums of a worrying colour'),
  collapse: body('collapse', 'collapse'),
  fit: body('fit', 'a fit'),
  'tight belly': body('tight belly with empty retching', 'a tight belly with empty retching'),
  'bleeding on': body('bleeding that will not stop', 'bleeding that would not stop'),
  overheating: body('overheating', 'overheating'),
  panic: body('panic', 'panic'),
  'bite broke skin': body('a bite that broke skin', 'a bite that broke skin'),
  'fall hurt': body('a fall, hurt', 'a fall'),
  'fall unhurt': body('a fall without hurt', 'a fall, as it seems without hurt'),
} as const satisfies Record<string, SignWords>;

export type Sign = keyof typeof SIGNS;
export const ALL_SIGNS = Object.keys(SIGNS) as readonly Sign[];

/**
 * What is known of a sign. One that this version does not know (a newer device or server sent it) is shown by its own
 * words, judged like S1 and never parsed.
 */
export const signWords = (sign: Sign): SignWords =>
  isKnownSign(sign) ? SIGNS[sign] : { areas: [], name: sign, owner: sign, graded: true };

/**
 * A finding as one groomer says it to another.
 * @example
 * findingWords({ sign: 'ear dark wax', grade: 2 }) // 'dark-brown wax, no smell, plain'
 * findingWords({ sign: 'a sign of a newer version', grade: 1 }) // 'a sign of a newer version, slight'
 */
export function findingWords({ sign, grade }: { readonly sign: Sign; readonly grade: Grade }): string {
  const { name, graded } = signWords(sign);
  return graded ? `${name}, ${GRADE_WORDS[grade]}` : name;
}

export const isKnownSign = (sign: string): sign is Sign => Object.hasOwn(SIGNS, sign);

/** Of two answers to a sign's question the worse one; of two that come to the same the one that was given. */
export function worseAnswer(sign: Sign, a: boolean | null, b: boolean | null): boolean | null {
  const { asks } = signWords(sign);
  if (!asks) return a ?? b;
  const { worse, unanswered } = QUESTIONS[asks];
  const isWorse = (answer: boolean | null) => (answer ?? unanswered) === worse;
  if (isWorse(a) !== isWorse(b)) return isWorse(a) ? a : b;
  return a ?? b;
}

/** Signs of which a place has one at most: another one tapped stands in for it. */
export const ONE_OF: readonly (readonly Sign[])[] = [
  ['eye known haze', 'eye old haze', 'eye new cloudiness'],
  ['lump known', 'lump new', 'lump growing'],
];

/** Signs that may be seen at a site, in the order of the table. */
export const signsAt = (site: Site): Sign[] => ALL_SIGNS.filter((sign) => mayBeAt(sign, site));

export const mayBeAt = (sign: Sign, site: Site): boolean => signWords(sign).areas.includes(areaOf(site));

/** Signs that may pass to another dog: last of the day, own towels, a longer clean-down. */
export const MAY_SPREAD: readonly Sign[] = ['round patch', 'oozing skin', 'fleas', 'flea dirt', 'lice'];
