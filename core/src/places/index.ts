/** Sides are the dog's own, everywhere. */
export type Side = 'left' | 'right';
export const SIDES = ['left', 'right'] as const satisfies readonly Side[];

/** Folds a groomer cares for. `pocket` is the deep one between eye and nose; like lips it has two sides. */
export const FOLD_SITES = ['nose', 'pocket', 'lip', 'brow', 'neck', 'tail', 'vulva'] as const;
export type FoldSite = (typeof FOLD_SITES)[number];

/** Whether a fold is looked at left and right apart, or as one. */
export const FOLD_IS_PAIRED: Readonly<Record<FoldSite, boolean>> = {
  nose: false,
  pocket: true,
  lip: true,
  brow: true,
  neck: false,
  tail: false,
  vulva: false,
};

/** Skin and coat, from the head to under the tail; whether left and right are looked at apart. */
export const SKIN_IS_PAIRED = {
  head: false,
  back: false,
  side: true,
  belly: false,
  'leg front': true,
  'leg hind': true,
} as const satisfies Record<string, boolean>;
export type SkinSite = keyof typeof SKIN_IS_PAIRED;
export const SKIN_SITES = Object.keys(SKIN_IS_PAIRED) as readonly SkinSite[];

export const FEET = ['front', 'hind'] as const;
export type Foot = (typeof FEET)[number];
/** Toes from the inside out, as anatomy counts them; the first is the dewclaw. */
export const TOES = [1, 2, 3, 4, 5] as const;
export type Toe = (typeof TOES)[number];

export type Site =
  | 'ear'
  | 'eye'
  | `fold ${FoldSite}`
  | 'nose pad'
  | SkinSite
  | `paw ${Foot}`
  | `nail ${Foot} ${Toe}`
  | 'mouth'
  | 'rear'
  | 'body';
export const SITES: readonly Site[] = [
  'ear',
  'eye',
  ...FOLD_SITES.map((fold): Site => `fold ${fold}`),
  'nose pad',
  'mouth',
  ...SKIN_SITES,
  ...FEET.flatMap((foot): Site[] => [`paw ${foot}`, ...TOES.map((toe): Site => `nail ${foot} ${toe}`)]),
  'rear',
  'body',
];

/** A site and, where it has two, which one. */
export interface Place {
  readonly site: Site;
  readonly side: Side | 'none';
}

/** 0 clear, 1 slight, 2 plain, 3 bad. */
export type Grade = 0 | 1 | 2 | 3;
export const GRADES = [0, 1, 2, 3] as const satisfies readonly Grade[];
export const GRADE_WORDS = ['clear', 'slight', 'plain', 'bad'] as const;

export type PlaceKey = `${Site}/${Side | 'none'}`;

/**
 * A stable text key for maps and tables: "ear/left", "fold nose/none".
 * @example
 * placeKey({ site: 'ear', side: 'left' }) // 'ear/left'
 */
export const placeKey = ({ site, side }: Place): PlaceKey => KEYS.get(site)?.[side] ?? keyOf(site, side);

const keyOf = (site: Site, side: Place['side']): PlaceKey => `${site}/${side}`;
/** Made once: a visit asks for thousands, and a text that is put together anew is hashed anew by every map. */
const KEYS: ReadonlyMap<Site, Readonly<Record<Place['side'], PlaceKey>>> = new Map(
  SITES.map((site) => [site, { left: keyOf(site, 'left'), right: keyOf(site, 'right'), none: keyOf(site, 'none') }]),
);

/** The place a key names. Throws `RangeError` for text that is not one. */
export function placeOf(key: string): Place {
  const [site, side] = key.split('/');
  if (!SITES.includes(site as Site) || (side !== 'left' && side !== 'right' && side !== 'none')) {
    throw new RangeError(`"${key}" is not a place on a dog.`);
  }
  return { site: site as Site, side };
}

export const samePlace = (a: Place, b: Place): boolean => a.site === b.site && a.side === b.side;

export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left');

/** The same place on the other half of the dog; an unpaired place is its own mirror. */
export const mirror = (place: Place): Place =>
  place.side === 'none' ? place : { ...place, side: otherSide(place.side) };

/** "left ear", "nose fold", "right lip fold", "left pocket between eye and nose". */
export function namePlace(place: Place): string {
  const side = place.side === 'none' ? '' : `${place.side} `;
  const [kind, which, toe] = place.site.split(' ');
  if (place.site === 'fold pocket') return `${side}pocket between eye and nose`;
  if (kind === 'fold') return `${side}${which} fold`;
  if (kind === 'leg' || kind === 'paw') return `${side}${which} ${kind}`;
  if (kind === 'nail') return `${side}${which} ${toe === '1' ? 'dewclaw' : `nail ${toe}`}`;
  return `${side}${NAMES[place.site] ?? place.site}`;
}

/** "both ears", "both lip folds": left and right of a site told as one. */
export const nameBoth = (site: Site): string =>
  `both ${namePlace({ site, side: 'none' }).replace(/^(pocket|\S+( \S+)?)/, (noun) => `${noun}s`)}`;

const NAMES: Readonly<Partial<Record<Site, string>>> = { rear: 'under the tail', body: 'whole dog' };

const bothSides = (site: Site): Place[] => SIDES.map((side) => ({ site, side }));

/** Every place with a care of its own and a rhythm: both ears, both eyes, and each fold it has. */
export function placesOf(folds: readonly FoldSite[]): Place[] {
  return [
    ...bothSides('ear'),
    ...bothSides('eye'),
    ...folds.flatMap((fold): Place[] =>
      FOLD_IS_PAIRED[fold] ? bothSides(`fold ${fold}`) : [{ site: `fold ${fold}`, side: 'none' }],
    ),
  ];
}

/**
 * The rest of the dog, each place once: mouth, skin from head to tail, paws with their nails, under the tail; last
 * breathing, gait and manner, which belong to the whole dog.
 */
export const BODY_PLACES: readonly Place[] = [
  { site: 'mouth', side: 'none' },
  ...SKIN_SITES.flatMap((site): Place[] => (SKIN_IS_PAIRED[site] ? bothSides(site) : [{ site, side: 'none' }])),
  ...FEET.flatMap((foot) => bothSides(`paw ${foot}`)),
  { site: 'rear', side: 'none' },
  { site: 'body', side: 'none' },
];

/** The nose pad, which dries out on a flat face. */
export const NOSE_PAD: Place = { site: 'nose pad', side: 'none' };

/** The paw a nail belongs to; every other place is its own. What is found at a nail says that its paw was looked at. */
export function lookedAtWith(place: Place): Place {
  const [kind, foot] = place.site.split(' ');
  return kind === 'nail' ? { ...place, site: `paw ${foot as Foot}` } : place;
}

/** Whether nails are judged there: the toes of a paw together, a dewclaw by itself. */
export const hasNails = ({ site, side }: Place): boolean => side !== 'none' && /^(paw \w+|nail \w+ 1)$/.test(site);

/** Whether a place names a side where it has two, and none where it has not; an ear of no known side is one, too. */
export function isWhole({ site, side }: Place): boolean {
  const [kind, which] = site.split(' ');
  if (site === 'ear') return true;
  const paired =
    kind === 'eye' ||
    kind === 'paw' ||
    kind === 'nail' ||
    (kind === 'fold' && FOLD_IS_PAIRED[which as FoldSite]) ||
    (site in SKIN_IS_PAIRED && SKIN_IS_PAIRED[site as SkinSite]);
  return paired === (side !== 'none');
}
