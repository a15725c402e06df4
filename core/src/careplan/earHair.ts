import { COMMON_PRACTICE, HOUSE_VALUE, type Source } from '../provenance';
import type { CanalHair } from '../catalogue';
import { SIDES, type Side } from '../places';
import type { EarHairReason, Reason } from '../reasons';
import { stopAt, type Bar } from '../stops';
import { barsOf } from './barsOf';
import { holdsOn, sourceOf, type EarHairWay, type EarHairWork } from '../dog';
import type { DogFacts } from '../dog';

export interface EarHairDecision {
  readonly way: EarHairWay;
  /** Which of the eleven lines matched, 1–11. */
  readonly line: number;
  readonly reason: Reason;
  readonly source: Source;
  /** A vet's word to do otherwise, where the owner's no stands before it; shown beside it. */
  readonly beside: Reason | null;
}

type Decided = Pick<EarHairDecision, 'way' | 'reason'> & { readonly source?: Source };
type EarHairRule = (facts: DogFacts, side: Side, bars: readonly Bar[]) => Decided | null;

/** From this many days on the hair is taken out in stages again [house value]. */
export const STAGED_FROM_DAYS = 71;

const because = (way: EarHairWay, line: EarHairReason, days: number | null = null): Decided => ({
  way,
  reason: { kind: 'ear hair', line, days },
});
const when = (holds: boolean, ...said: Parameters<typeof because>): Decided | null => (holds ? because(...said) : null);

/** Per ear, first match wins. Source: common practice. */
const LINES: readonly EarHairRule[] = [
  (dog, side, bars) => {
    const place = { site: 'ear', side } as const;
    const stop = stopAt(bars, { place, procedure: 'pluck', product: null }).bars.find(
      ({ rank, lifted }) => rank === 'safety' && lifted === null,
    );
    if (stop) return { way: 'leave', reason: stop.reason };
    const seen = dog.earUnsettled[side];
    return seen.length === 0 ? null : { way: 'leave', reason: { kind: 'signs', place, seen, since: null } };
  },
  (dog) => when(dog.services['ear hair'] === 'vet', 'vet', 'kept for vets'),
  (dog, side) => when(!dog.pluckingConsent || dog.ears[side].ownerForbidsPlucking, 'leave', 'no consent'),
  (dog, side) => {
    const given = byVet(dog, side);
    if (!given) return null;
    const { by, who, until, says } = given;
    return {
      way: says.way,
      reason: { kind: 'instruction', by, who, until, says: { kind: 'ear hair', way: says.way } },
      source: sourceOf(given),
    };
  },
  (dog, side) => when(hairIn(dog, side) === 'none', 'leave', 'no hair inside'),
  (dog) => when(dog.earTrouble === 'in the past, no word from a vet', 'leave', 'ear trouble before'),
  (dog, side) => when(hairIn(dog, side) === 'sparse', 'leave', 'sparse'),
  (dog) => when(dog.ways.earHair === 'leave', 'leave', 'left alone'),
  (dog, side) => {
    const { plucked } = dog.ears[side];
    if (dog.pluckingStress === 'broke off today') return because('leave', 'broke off today');
    if (dog.services['ear hair'] === 'outside only') return because('trim', 'outside only');
    if (dog.ways.earHair === 'trim') return because('trim', 'house trims');
    if (didNotBear(dog)) return because('trim', 'not borne');
    if (dog.lifeStage !== 'senior') return null;
    if (plucked === 'never') return because('trim', 'old and new to it');
    return when(plucked.daysAgo === null, 'trim', 'old, not known');
  },
  (dog, side) => {
    const { plucked, lastHair } = dog.ears[side];
    const isRecent = plucked !== 'never' && plucked.daysAgo !== null && plucked.daysAgo < STAGED_FROM_DAYS;
    if (isRecent && lastHair?.left === 'much') return because('staged', 'two more visits');
    if (isRecent && lastHair?.left === 'some') return because('staged', 'one more visit');
    if (isRecent && lastHair?.borne === 'minded') return because('staged', 'minded last time');
    if (dog.ways.earHair === 'staged') return because('staged', 'house stages');
    if (plucked === 'never') return because('staged', 'first time');
    if (plucked.daysAgo === null) return because('staged', 'last time not known');
    return when(plucked.daysAgo >= STAGED_FROM_DAYS, 'staged', 'long ago', plucked.daysAgo);
  },
  () => because('whole', 'borne well'),
];

/** Hair in this canal: as it was seen, or as the breed lets one expect. */
export const hairIn = ({ ears, traits }: DogFacts, side: Side): CanalHair => ears[side].hair ?? traits.canalHair;

/** It would not have it: as the hands found at the last visit of either ear, or, with no such word, as its card says. */
function didNotBear({ ears, pluckingStress: stress }: DogFacts): boolean {
  const borne = SIDES.flatMap((side) => ears[side].lastHair?.borne ?? []);
  if (borne.length > 0) return borne.includes('broke off');
  return stress === 'broke off' || stress === 'plain' || stress === 'bad';
}

/** A vet's dated word on the hair of this ear. */
function byVet(dog: DogFacts, side: Side) {
  for (const given of dog.instructions) {
    const { by, place, says } = given;
    if (by !== 'vet' || says.kind !== 'ear hair' || !holdsOn(given, dog.today)) continue;
    if (place === null || place.side === 'none' || place.side === side) return { ...given, says };
  }
  return null;
}

/** Pluck, trim, leave, or a vet's: the trade's eleven lines for one ear, and which of them spoke. */
export function decideEarHair(facts: DogFacts, side: Side, bars: readonly Bar[] = barsOf(facts)): EarHairDecision {
  const given = byVet(facts, side);
  for (const [i, line] of LINES.entries()) {
    const decided = line(facts, side, bars);
    if (!decided) continue;
    const isConsent = decided.reason.kind === 'ear hair' && decided.reason.line === 'no consent';
    const beside: Reason | null =
      isConsent && given
        ? {
            kind: 'instruction',
            by: given.by,
            who: given.who,
            until: given.until,
            says: { kind: 'ear hair', way: given.says.way },
          }
        : null;
    return { line: i + 1, source: i === 9 ? HOUSE_VALUE : COMMON_PRACTICE, beside, ...decided };
  }
  throw new Error('The last line always matches.');
}

/** What the decision would be at the next visit, were the hair of this ear left as it is told today. */
export function nextEarHair(facts: DogFacts, side: Side, went: EarHairWork, inDays: number): EarHairDecision {
  const came = went.came !== null && went.came !== 'none';
  const ear = facts.ears[side];
  const then = {
    ...ear,
    plucked: came ? { daysAgo: inDays } : ear.plucked,
    lastHair: { ...went, daysAgo: inDays },
  };
  return decideEarHair({ ...facts, ears: { ...facts.ears, [side]: then } }, side);
}
