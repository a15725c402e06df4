import { LEVELS, atLeast, type Level } from '@dewpond/core/findings';
import { placeKey } from '@dewpond/core/places';
import { clearSince, stillWatched, type PastLook } from '@dewpond/core/referral';
import type { DogRecord } from './dogRecord';

/** A finding that is still asked after, and how often its place was seen clear since. */
export type OpenFinding = DogRecord['findings'][number] & { readonly clearLooks: number };

/**
 * Findings that still want an eye, most urgent first. One for a vet holds until its place is seen clear, or the vet has
 * answered; what is watched or told is let go when it was seen clear twice.
 */
export function openFindings(record: DogRecord): OpenFinding[] {
  const newest = new Map(record.care.filter((row) => row.looked).map((row) => [row.place, row]));
  const looks = record.visits.map(({ id, looked }): PastLook => ({
    looked,
    found: record.findings.filter(({ visitId }) => visitId === id).map(({ place }) => placeKey(place)),
  }));
  return record.findings
    .flatMap((found): OpenFinding[] => {
      const key = placeKey(found.place);
      const level = found.level as Level;
      if (!atLeast(level, 'watch')) return [];
      const at = record.visits.findIndex(({ id }) => id === found.visitId);
      const clearLooks = clearSince(looks, at, key);
      if (!atLeast(level, 'vet')) return stillWatched(clearLooks) ? [{ ...found, clearLooks: clearLooks ?? 0 }] : [];
      const latest = newest.get(key);
      const answered = !(record.places[key]?.suspended ?? false) && latest?.barred === true;
      return latest?.visitId === found.visitId && !answered ? [{ ...found, clearLooks: 0 }] : [];
    })
    .toSorted((a, b) => LEVELS.indexOf(b.level as Level) - LEVELS.indexOf(a.level as Level));
}
