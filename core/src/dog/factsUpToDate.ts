import { HOUSE_AMOUNTS } from '../dilution';
import { EASY } from '../handling';
import type { Sign } from '../findings';
import type { Side } from '../places';
import { DEFAULT_HOUSE_WAYS, type HouseWays } from '../ways';
import { NO_HAIR_RECORD, type EarHairRecord } from './earHair';
import { FIT, type DogFacts, type EarHistory, type Suspended } from './facts';

type OlderEar = Omit<EarHistory, 'plucked' | keyof EarHairRecord> &
  Partial<EarHairRecord> & {
    readonly plucked: EarHistory['plucked'] | { readonly weeksAgo: number | null };
  };

/** A dog as some version wrote it down: reasons were sentences, and eyes had no history. */
export type OlderFacts = Omit<
  DogFacts,
  'ears' | 'eyes' | 'fitness' | 'handling' | 'known' | 'suspended' | 'earUnsettled' | 'ways' | Since
> & {
  readonly ears: Readonly<Record<Side, OlderEar>>;
  readonly eyes?: DogFacts['eyes'];
  readonly fitness: Omit<DogFacts['fitness'], 'cats'> & Partial<Pick<DogFacts['fitness'], 'cats'>>;
  readonly handling: Omit<DogFacts['handling'], 'likes'> & Partial<Pick<DogFacts['handling'], 'likes'>>;
  readonly known?: DogFacts['known'];
  readonly suspended: Readonly<Record<string, Suspended | string>>;
  readonly earUnsettled: Readonly<Record<Side, DogFacts['earUnsettled'][Side] | string | null>>;
  readonly ways: Partial<HouseWays>;
} & Partial<Pick<DogFacts, Since>>;

/** What facts did not say before, as it is where nobody said it. */
const SAID_SINCE = {
  hardGround: false,
  whiteCoat: false,
  reactedTo: [],
  mixPerSquareMetre: HOUSE_AMOUNTS.mixPerSquareMetre,
  washKinds: {},
  intervals: {},
  ownBath: {},
  ownWays: {},
} as const satisfies Partial<DogFacts>;
type Since = keyof typeof SAID_SINCE;

/** Facts of any version in today's shape: a device may have begun a visit without a network before it was updated. */
export const factsUpToDate = (facts: OlderFacts): DogFacts => ({
  ...SAID_SINCE,
  ...facts,
  ways: { ...DEFAULT_HOUSE_WAYS, ...facts.ways },
  fitness: { ...FIT, ...facts.fitness },
  handling: { ...EASY, ...facts.handling },
  ears: { left: ear(facts.ears.left), right: ear(facts.ears.right) },
  eyes: facts.eyes ?? { left: [], right: [] },
  known: facts.known ?? [],
  suspended: Object.fromEntries(
    Object.entries(facts.suspended).map(([key, stored]) => [
      key,
      typeof stored === 'string' ? { words: stored } : stored,
    ]),
  ),
  earUnsettled: { left: unsettled(facts.earUnsettled.left), right: unsettled(facts.earUnsettled.right) },
});

function ear({ plucked, ...rest }: OlderEar): EarHistory {
  const known = { ...NO_HAIR_RECORD, ...rest };
  if (plucked === 'never' || 'daysAgo' in plucked) return { ...known, plucked };
  return { ...known, plucked: { daysAgo: plucked.weeksAgo === null ? null : 7 * plucked.weeksAgo } };
}

/** A name of before stands for a sign that is not known: the hair of that ear stays in, as it did. */
function unsettled(stored: OlderFacts['earUnsettled'][Side]): DogFacts['earUnsettled'][Side] {
  if (stored === null) return [];
  return typeof stored === 'string' ? [{ sign: stored as Sign, grade: 1 }] : stored;
}
