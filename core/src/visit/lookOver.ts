import type { DogFacts } from '../careplan';
import { foldSites } from '../catalogue';
import { stopFor, triage, type Circumstances, type Finding, type Triage } from '../findings';
import { BODY_PLACES, lookedAtWith, placeKey, placesOf, type Place, type PlaceKey } from '../places';
import { monthOf } from '../units';

/** The dog's part in reading the tables. */
export const circumstancesOf = ({ traits, grassSeedMonths, today }: DogFacts): Circumstances => ({
  flatFaceOrProminentEyes: traits.muzzle === 'flat' || traits.eyeSet === 'prominent',
  grassSeedMonth: grassSeedMonths.includes(monthOf(today)),
});

/** Places of this dog with a care and a rhythm of their own: ears, eyes, folds. */
export const placesOfCare = (facts: DogFacts): Place[] => placesOf(foldSites(facts.traits));

/** Every place of this dog that the look-over asks about: from the ears to gait and manner. */
export const placesToLookAt = (facts: DogFacts): Place[] => [...placesOfCare(facts), ...BODY_PLACES];

/** Level and stops of every place, and of the body as a whole, from the findings so far and those of last time. */
export function judgeLookOver(
  facts: DogFacts,
  findings: readonly Finding[],
  lastTime: readonly Finding[],
): Partial<Record<PlaceKey, Triage>> {
  const nails = findings.map(({ place }) => place).filter((place) => lookedAtWith(place) !== place);
  const judged = [...placesToLookAt(facts), ...nails].map((place): [PlaceKey, Triage] => [
    placeKey(place),
    triage({
      place,
      findings,
      lastTime,
      conditions: place.site === 'ear' && place.side !== 'none' ? facts.ears[place.side].conditions : [],
      lifts: facts.lifts,
      dog: circumstancesOf(facts),
      today: facts.today,
    }),
  ]);
  return Object.fromEntries(judged);
}

/** All signs that end the visit, in words, or null. In alphabetical order, so that no side comes first. */
export function endsVisit(judged: Readonly<Partial<Record<PlaceKey, Triage>>>): string | null {
  const because = Object.values(judged)
    .filter((each) => stopFor(each) === 'S3')
    .flatMap((each) => each.bars.filter((bar) => bar.stop === 'S3').flatMap((bar) => bar.because.split('; ')));
  return because.length === 0 ? null : [...new Set(because)].toSorted().join('; ');
}
