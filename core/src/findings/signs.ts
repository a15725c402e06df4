import type { Site } from '../places';

/** What a sign may be seen at. Folds share one list. */
export type SignArea = 'ear' | 'eye' | 'fold' | 'body';

export const areaOf = (site: Site): SignArea => (site.startsWith('fold') ? 'fold' : (site as SignArea));

interface SignWords {
  readonly area: SignArea;
  /** As one groomer says it to another. */
  readonly name: string;
  /** As the owner reads it. */
  readonly owner: string;
  /** Whether slight, plain, bad makes a difference to what follows. */
  readonly graded: boolean;
  /** Whether the rhythm of the place learns from it (design "Rhythm"). */
  readonly dirt?: true;
  /** What must be asked before the sign can be judged. */
  readonly asks?: Question;
}

/**
 * A circumstance that the groomer answers with one tap when the sign is chosen, and how it is taken while
 * unanswered: the more careful way, but for what cannot be known yet.
 */
export const QUESTIONS = {
  'has a vet seen it?': { unanswered: false },
  'does it lift when softened?': { unanswered: false },
  'newly wet on this side only?': { unanswered: true },
  'does it last past a day?': { unanswered: false },
} as const;
export type Question = keyof typeof QUESTIONS;

const ear = (name: string, owner: string, more: Partial<SignWords> = {}): SignWords => ({
  area: 'ear',
  name,
  owner,
  graded: true,
  ...more,
});
const eye = (name: string, owner: string, more: Partial<SignWords> = {}): SignWords => ({
  area: 'eye',
  name,
  owner,
  graded: true,
  ...more,
});
const fold = (name: string, owner: string, more: Partial<SignWords> = {}): SignWords => ({
  area: 'fold',
  name,
  owner,
  graded: true,
  ...more,
});
const body = (name: string, owner: string): SignWords => ({ area: 'body', name, owner, graded: false });
const plain = { graded: false } as const;

/** Every sign of the ear, eye and fold tables, and those that end a visit. Source: common practice. */
export const SIGNS = {
  'ear pale wax': ear('pale-brown wax, no smell', 'light-brown wax', { dirt: true }),
  'ear dark wax': ear('dark-brown wax, no smell', 'dark-brown wax', { dirt: true }),
  'ear damp': ear('damp, no smell', 'dampness', { dirt: true }),
  'ear yellow wax': ear('yellow or thick wax', 'yellow, thick wax'),
  'ear whitish discharge': ear('whitish discharge', 'whitish discharge'),
  'ear red bumps': ear('small red bumps', 'small red bumps'),
  'ear redness': ear('redness', 'redness'),
  'ear musty smell': ear('musty or yeasty smell', 'a musty smell'),
  'ear scaly flap': ear('scaly flap', 'scaly skin on the flap'),
  'ear dark crumbs': ear('dark crumbly or black debris', 'dark, crumbly dirt', { dirt: true }),
  'ear blood': ear('blood', 'blood', plain),
  'ear pus': ear('pus', 'thick coloured discharge', plain),
  'ear foul smell': ear('foul smell', 'a foul smell', plain),
  'ear hot': ear('hot', 'heat', plain),
  'ear swollen': ear('swollen', 'swelling', plain),
  'ear narrowed': ear('narrowed opening', 'a narrowed opening', plain),
  'ear sores': ear('sores', 'sore patches', plain),
  'ear pain': ear('pain: pulls away or whines', 'pain when it was touched', plain),
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

  'eye stain': eye('tear stain', 'a tear stain', { ...plain, asks: 'has a vet seen it?' }),
  'eye wet': eye('wet hair, no smell', 'wet hair', { dirt: true, asks: 'newly wet on this side only?' }),
  'eye musty smell': eye('musty smell', 'a musty smell', { dirt: true }),
  'eye crust': eye('crust', 'crust', { dirt: true, asks: 'does it lift when softened?' }),
  'eye skin redness': eye('redness of the skin under the hair', 'red skin under the hair'),
  'eye coloured discharge': eye('yellow or green discharge or crust', 'yellow or green discharge', plain),
  'eye swollen lids': eye('swollen lids', 'swollen lids', plain),
  'eye lid rolled in': eye('lid rolled in', 'a lid that rolls in', plain),
  'eye lashes touching': eye('lashes touching the eye', 'lashes that touch the eye', plain),
  'eye known haze': eye('haze known to a vet, eye quiet', 'the haze that your vet knows', plain),
  'eye squinting': eye('squinting', 'squinting', plain),
  'eye pawing': eye('pawing at the eye', 'pawing at the eye', plain),
  'eye blood': eye('blood', 'blood', plain),
  'eye new cloudiness': eye('new cloudiness', 'new cloudiness', plain),
  'eye red white': eye('new redness of the white', 'new redness of the white of the eye', plain),
  'eye bulging': eye('eye bulging out', 'an eye that bulges out', plain),
  'eye sudden blindness': eye('sudden blindness', 'sudden loss of sight', plain),

  'fold redness': fold('redness', 'redness', { dirt: true }),
  'fold moisture': fold('moisture', 'moisture', { dirt: true }),
  'fold smell': fold('smell', 'a smell', { dirt: true }),
  'fold flinching': fold('flinching, nothing seen', 'flinching when it was touched', plain),
  'fold swelling': fold('swelling', 'swelling', plain),
  'fold discharge': fold('pus or coloured discharge', 'coloured discharge', plain),
  'fold raw': fold('raw skin', 'raw skin', plain),
  'fold bleeding': fold('bleeding', 'bleeding', plain),
  'fold pain': fold('pain', 'pain when it was touched', plain),

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

export const signWords = (sign: Sign): SignWords => SIGNS[sign];

/** Signs that may be seen at a site, in the order of the table. */
export const signsAt = (site: Site): Sign[] => ALL_SIGNS.filter((sign) => SIGNS[sign].area === areaOf(site));
