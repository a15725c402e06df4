import { circumstancesOf } from '../careplan';
import { type DogFacts } from '../dog';
import { foldSites } from '../catalogue';
import { triage, type Finding, type Triage } from '../findings';
import {
  BODY_PLACES,
  FOLD_SITES,
  NOSE_PAD,
  SIDES,
  lookedAtWith,
  placeKey,
  placesOf,
  samePlace,
  type Place,
  type PlaceKey,
} from '../places';

/** Places of this dog with a care and a rhythm of their own: ears, eyes, folds. */
export const placesOfCare = (facts: DogFacts): Place[] => placesOf(foldSites(facts.traits));

/** Every place of this dog that the look-over asks about: from the ears to gait and manner. */
export const placesToLookAt = (facts: DogFacts): Place[] => [
  ...placesOfCare(facts),
  ...(facts.traits.muzzle === 'flat' ? [NOSE_PAD] : []),
  ...BODY_PLACES,
];

/**
 * Folds that are not clear by a glance: red far down while the surface looks fine. They are asked "part the hair, look to
 * its floor: does it flinch?", and the answer is the look. docs/trade.md: folds; common practice, no source.
 */
export const asksForFloor = ({ traits }: Pick<DogFacts, 'traits'>, { site }: Place): boolean =>
  FOLD_SITES.some((fold) => site === `fold ${fold}` && traits.folds[fold] === 'deep');

/** What a look-over came to, with the findings it was judged from. */
export interface JudgedFrom {
  readonly findings: readonly Finding[];
  readonly judged: LookOver;
}
export type LookOver = Partial<Record<PlaceKey, Triage>>;

/**
 * Level and rows of every place, and of the body as a whole, from the findings so far and those of last time.
 * @param before the same dog's look-over so far: places at which nothing changed since are not judged again.
 */
export function judgeLookOver(
  facts: DogFacts,
  findings: readonly Finding[],
  lastTime: readonly Finding[],
  before: JudgedFrom | null = null,
): LookOver {
  const changed = before && changedPlaces(before, findings, facts);
  if (before && changed) return { ...before.judged, ...judge(changed, facts, findings, lastTime) };
  return judge(placesJudged(facts, findings), facts, findings, lastTime);
}

function placesJudged(facts: DogFacts, findings: readonly Finding[]): Place[] {
  const usual = placesToLookAt(facts);
  const keys = new Set(usual.map(placeKey));
  // Nails, and places of a breed that was guessed wrong: what was found there is judged all the same.
  const others = findings
    .map(({ place }) => place)
    .filter((place) => (!keys.has(placeKey(place)) && place.side !== 'none') || lookedAtWith(place) !== place);
  return [...usual, ...others];
}

/** Places at which something was found or taken back since; null where the places themselves may be others now. */
function changedPlaces(
  { findings: then, judged }: JudgedFrom,
  now: readonly Finding[],
  facts: DogFacts,
): Place[] | null {
  const gone = then.filter((each) => !now.includes(each));
  const changed = [...now.filter((each) => !then.includes(each)), ...gone];
  if (gone.length > 0) {
    const usual = placesToLookAt(facts);
    if (gone.some(({ place }) => !usual.some((each) => samePlace(each, place)))) return null;
  }
  const places = new Map<PlaceKey, Place>();
  for (const { place } of changed) {
    if (lookedAtWith(place) !== place) return null;
    for (const at of place.site === 'ear' ? EARS : [place]) {
      if (judged[placeKey(at)] === undefined) return null;
      places.set(placeKey(at), at);
    }
  }
  return [...places.values()];
}
const EARS: readonly Place[] = SIDES.map((side) => ({ site: 'ear', side }));

function judge(
  places: readonly Place[],
  facts: DogFacts,
  findings: readonly Finding[],
  lastTime: readonly Finding[],
): LookOver {
  const dog = circumstancesOf(facts);
  const { known, today } = facts;
  return Object.fromEntries(
    places.map((place) => [placeKey(place), triage({ place, findings, lastTime, known, dog, today })]),
  );
}
