import { placesOfCare } from '@dewpond/core/visit';
import { isCareBarred } from '@dewpond/core/steps';
import { placeKey, type Place } from '@dewpond/core/places';
import { reachedOften, type PlaceLooked } from '@dewpond/core/referral';
import type { Level } from '@dewpond/core/findings';
import type { Day } from '@dewpond/core/units';
import type { DogRecord } from '../dog/dogRecord';
import type { LoadedVisit } from './load';

/** What the kept visits of a dog came to at a place, oldest first. */
const looksAt = ({ care }: DogRecord, place: Place): PlaceLooked[] =>
  care
    .filter((row) => row.place === placeKey(place))
    .map(({ day, level, barred }) => ({ day, level: level as Level, barred }));

/** Every ear, eye and fold that came to a vet or a stop often, this visit with it, and how many times. */
export const oftenAtVisit = ({ record, judged, bars, facts }: LoadedVisit) =>
  placesOfCare(facts).flatMap((place) => {
    const level = judged[placeKey(place)]?.level ?? 'none';
    const now = { day: facts.today, level, barred: isCareBarred(bars, place) };
    const days = reachedOften([...looksAt(record, place), now], facts.today);
    return days ? [{ place, times: days.length }] : [];
  });

/** Days on which a place came to a vet or a stop, by the newest look of all that is kept; null: not often. */
export function oftenByNow(record: DogRecord, place: Place): readonly Day[] | null {
  const looks = looksAt(record, place);
  const newest = looks
    .map(({ day }) => day)
    .toSorted()
    .at(-1);
  return newest === undefined ? null : reachedOften(looks, newest);
}
