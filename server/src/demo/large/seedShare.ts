import { areaOf, type Finding, type Sign, type SignArea } from '@dewpond/core/findings';
import type { Place } from '@dewpond/core/places';
import type { Day } from '@dewpond/core/units';
import { v7 } from 'uuid';
import type { Databases } from '../../platform/db/connect';
import { inTenant, type BusinessId } from '../../platform/db/tenant';
import { seedVisit, type SeededMember } from '../seedVisit';
import { DEMO_BUSINESSES } from '../world';
import { beginsAt, diceOf } from './bookTimes';
import { largeWorld } from './largeWorld';

/** Of a hundred visits, so many find more than the dirt that was to be expected. */
const ALSO_FOUND = 5;
/** What that is, the ordinary more often than what sends a dog to its vet. */
const ALSO: Readonly<Partial<Record<SignArea, readonly Sign[]>>> = {
  ear: ['ear musty smell', 'ear redness', 'ear greasy flap', 'ear scaly flap', 'ear musty smell', 'ear pus'],
  eye: ['eye skin redness', 'eye musty smell', 'eye coloured discharge', 'eye squinting'],
  fold: ['fold redness', 'fold smell', 'fold raw'],
};

/** Which visits, in words that cross to a thread: all else is worked out there. */
export interface LargeShare {
  readonly businessId: BusinessId;
  readonly slug: string;
  readonly today: Day;
  readonly households: number | null;
  readonly members: readonly SeededMember[];
  readonly dogIds: readonly string[];
  readonly entryIds: readonly string[];
  /** This one of so many. */
  readonly part: number;
  readonly shares: number;
}

/** Visits of some days are seeded by whoever calls this, those of one dog always by the same. */
export function shareOf(databases: Databases, share: LargeShare): (from: Day, to: Day) => Promise<void> {
  const demo = DEMO_BUSINESSES.find(({ slug }) => slug === share.slug);
  if (!demo) throw new Error(`No business "${share.slug}" in the demo world.`);
  const { dogs, book } = largeWorld(demo, share.today, share.households ?? undefined);
  return async (from, to) => {
    for (const [i, entry] of book.entries()) {
      const its = dogs[entry.dog];
      if (!its || entry.state !== 'done' || entry.day < from || entry.day > to) continue;
      if (entry.dog % share.shares !== share.part) continue;
      const random = diceOf(entry.dog, entry.day, share.today);
      await inTenant(databases, share.businessId, (tx) =>
        seedVisit(
          {
            tx,
            businessId: share.businessId,
            random,
            makeId: (at) =>
              v7({ msecs: at, random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)) }),
          },
          its,
          {
            dogId: share.dogIds[entry.dog] ?? '',
            on: entry.day,
            begins: beginsAt(entry),
            by: share.members[entry.person],
            appointmentId: share.entryIds[i] ?? null,
            alsoFound: (places) => (random() * 100 < ALSO_FOUND ? somethingAt(places, random) : []),
          },
        ),
      );
    }
  };
}

function somethingAt(places: readonly Place[], random: () => number): readonly Finding[] {
  const able = places.filter(({ site }) => ALSO[areaOf(site)] !== undefined);
  const place = able[Math.floor(random() * able.length)];
  const signs = place ? (ALSO[areaOf(place.site)] ?? []) : [];
  const sign = signs[Math.floor(random() * signs.length)];
  return place && sign ? [{ place, sign, grade: 1, answer: null }] : [];
}
