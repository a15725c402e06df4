import { foldSites, type Traits } from '../catalogue';
import {
  FEET,
  FOLD_IS_PAIRED,
  SIDES,
  SKIN_IS_PAIRED,
  SKIN_SITES,
  TOES,
  placeKey,
  type Foot,
  type FoldSite,
  type Place,
  type PlaceKey,
  type Side,
  type Site,
} from '../places';

const both = (site: Site): Place[] => SIDES.map((side) => ({ site, side }));
const one = (site: Site): Place => ({ site, side: 'none' });

export const HEAD = one('head');
export const MOUTH = one('mouth');
export const REAR = one('rear');
export const EARS: readonly Place[] = both('ear');
export const EYES: readonly Place[] = both('eye');
export const PAWS: readonly Place[] = FEET.flatMap((foot) => both(`paw ${foot}`));

/** Skin and coat below the neck, paws and rear included. */
export const BODY: readonly Place[] = [
  ...SKIN_SITES.filter((site) => site !== 'head').flatMap((site) => (SKIN_IS_PAIRED[site] ? both(site) : [one(site)])),
  ...PAWS,
  REAR,
];

const nailsOf =
  (foot: Foot) =>
  (side: Side): readonly Place[] =>
    TOES.map((toe) => ({ site: `nail ${foot} ${toe}`, side }));
const bySide = <T>(of: (side: Side) => T) => ({ left: of('left'), right: of('right') });
/** The five nails of each paw, the dewclaw first. */
export const NAILS: Readonly<Record<Foot, Readonly<Record<Side, readonly Place[]>>>> = {
  front: bySide(nailsOf('front')),
  hind: bySide(nailsOf('hind')),
};

/** Folds of the face; the others are of the body. */
const OF_THE_FACE: readonly FoldSite[] = ['nose', 'pocket', 'lip', 'brow'];

const foldPlaces = (sites: readonly FoldSite[]): Place[] =>
  sites.flatMap((fold) => (FOLD_IS_PAIRED[fold] ? both(`fold ${fold}`) : [one(`fold ${fold}`)]));

/** Lists of places by the folds a dog has: there are few such sets, and many dogs. */
interface Folded {
  readonly folds: readonly Place[];
  /** Both eyes' surroundings and the folds of the face. */
  readonly face: readonly Place[];
  /** Below the neck, with the folds of the body. */
  readonly body: readonly Place[];
}
const FOLDED = new Map<string, Folded>();

export function folded(traits: Pick<Traits, 'folds'>): Folded {
  const sites = foldSites(traits as Traits);
  const key = sites.join();
  const known = FOLDED.get(key);
  if (known) return known;
  const made: Folded = {
    folds: foldPlaces(sites),
    face: [...EYES, ...foldPlaces(sites.filter((site) => OF_THE_FACE.includes(site)))],
    body: [...BODY, ...foldPlaces(sites.filter((site) => !OF_THE_FACE.includes(site)))],
  };
  FOLDED.set(key, made);
  return made;
}

/** One place as a list, always the same. */
export function just(place: Place): readonly Place[] {
  const key = placeKey(place);
  const known = JUST.get(key);
  if (known) return known;
  JUST.set(key, [place]);
  return just(place);
}
const JUST = new Map<PlaceKey, readonly Place[]>();

export const HEAD_AND_EARS: readonly Place[] = [HEAD, ...EARS, MOUTH];
export const COAT: readonly Place[] = [HEAD, ...EARS, ...BODY];
export const FACE_TO_DRY: readonly Place[] = [HEAD, ...EYES, MOUTH];
export const FACE_TO_CHECK: readonly Place[] = [HEAD, ...EYES];

/** Above the neck: where water stays away when an ear must stay dry. */
const ABOVE_THE_NECK: ReadonlySet<Site> = new Set<Site>([
  'head',
  'mouth',
  'nose pad',
  'ear',
  'eye',
  ...OF_THE_FACE.map((fold): Site => `fold ${fold}`),
]);

/** Whether a place lies above the neck on this side; what has no side lies on both. */
export const isAboveNeckOn = (place: Place, side: Side | 'none'): boolean =>
  ABOVE_THE_NECK.has(place.site) && (side === 'none' || place.side === 'none' || place.side === side);
