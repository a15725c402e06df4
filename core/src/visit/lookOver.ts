import { circumstancesOf } from '../careplan';
import { type DogFacts } from '../dog';
import { foldSites } from '../catalogue';
import { triage, type Finding, type Triage } from '../findings';
import { BODY_PLACES, lookedAtWith, placeKey, placesOf, type Place, type PlaceKey } from '../places';

/** Places of this dog with a care and a rhythm of their own: ears, eyes, folds. */
export const placesOfCare = (facts: DogFacts): Place[] => placesOf(foldSites(facts.traits));

/** Every place of this dog that the look-over asks about: from the ears to gait and manner. */
export const placesToLookAt = (facts: DogFacts): Place[] => [...placesOfCare(facts), ...BODY_PLACES];

/** Level and rows of every place, and of the body as a whole, from the findings so far and those of last time. */
export function judgeLookOver(
  facts: DogFacts,
  findings: readonly Finding[],
  lastTime: readonly Finding[],
): Partial<Record<PlaceKey, Triage>> {
  const usual = placesToLookAt(facts);
  const keys = new Set(usual.map(placeKey));
  // Nails, and places of a breed that was guessed wrong: what was found there is judged all the same.
  const others = findings
    .map(({ place }) => place)
    .filter((place) => (!keys.has(placeKey(place)) && place.side !== 'none') || lookedAtWith(place) !== place);
  const dog = circumstancesOf(facts);
  const judged = [...usual, ...others].map((place): [PlaceKey, Triage] => [
    placeKey(place),
    triage({ place, findings, lastTime, known: facts.known, dog, today: facts.today }),
  ]);
  return Object.fromEntries(judged);
}
