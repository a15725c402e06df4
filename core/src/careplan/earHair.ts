import { COMMON_PRACTICE, HOUSE_VALUE, type Source } from '../provenance';
import type { Side } from '../places';
import { holdsOn } from './instructions';
import type { DogFacts } from './facts';

export type EarHairWay = 'whole' | 'staged' | 'trim' | 'leave' | 'vet';

export interface EarHairDecision {
  readonly way: EarHairWay;
  /** Which of the eleven lines matched, 1–11. */
  readonly line: number;
  readonly because: string;
  readonly source: Source;
}

type Line = (
  facts: DogFacts,
  side: Side,
) => (Pick<EarHairDecision, 'way' | 'because'> & { readonly source?: Source }) | null;

/** Longer ago than this the hair is taken out in stages again [house value]. */
export const STAGED_AFTER_WEEKS = 10;

const when = (holds: boolean, way: EarHairWay, because: string): { way: EarHairWay; because: string } | null =>
  holds ? { way, because } : null;

/** Per ear, first match wins. Source: common practice. */
const LINES: readonly Line[] = [
  (dog, side) => {
    const reason = dog.suspended[`ear/${side}`] ?? dog.earUnsettled[side] ?? dog.ears[side].conditions[0];
    return reason === undefined ? null : { way: 'leave', because: `not today: ${reason}` };
  },
  (dog) => when(dog.services['ear hair'] === 'vet', 'vet', 'plucking is kept for vets here'),
  (dog, side) => {
    for (const given of dog.instructions) {
      if (given.by !== 'vet' || given.says.kind !== 'ear hair' || !holdsOn(given, dog.today)) continue;
      if (given.place !== null && given.place.side !== 'none' && given.place.side !== side) continue;
      return {
        way: given.says.way,
        because: `${given.who} says so`,
        source: { kind: 'vet instruction', who: given.who },
      };
    }
    return null;
  },
  (dog) => when(dog.traits.canalHair === 'none', 'leave', 'no hair inside the canal'),
  (dog, side) =>
    when(!dog.pluckingConsent || dog.ears[side].ownerForbidsPlucking, 'leave', "no owner's consent for this ear"),
  (dog) => when(dog.earTrouble === 'in the past, no word from a vet', 'leave', 'ear trouble before: ask the vet first'),
  (dog) => when(dog.traits.canalHair === 'sparse', 'leave', 'the hair is sparse'),
  (dog) => when(dog.ways.earHair === 'leave', 'leave', 'the house leaves healthy ears alone'),
  (dog, side) => {
    const minds = dog.pluckingStress === 'broke off' || dog.pluckingStress === 'plain' || dog.pluckingStress === 'bad';
    const oldAndNew = dog.lifeStage === 'senior' && dog.ears[side].plucked === 'never';
    if (dog.services['ear hair'] === 'outside only')
      return { way: 'trim', because: 'this house works outside the ear only' };
    if (dog.ways.earHair === 'trim') return { way: 'trim', because: 'the house trims' };
    if (minds) return { way: 'trim', because: 'plucking was not borne last time' };
    return when(oldAndNew, 'trim', 'old, and never plucked');
  },
  (dog, side) => {
    const { plucked } = dog.ears[side];
    if (dog.ways.earHair === 'staged') return { way: 'staged', because: 'the house works in stages' };
    if (plucked === 'never') return { way: 'staged', because: 'first time' };
    if (plucked.weeksAgo === null) return { way: 'staged', because: 'last time unknown' };
    return when(plucked.weeksAgo > STAGED_AFTER_WEEKS, 'staged', `last time ${plucked.weeksAgo} weeks ago`);
  },
  () => ({ way: 'whole', because: 'dense hair, done before, borne well' }),
];

/** Pluck, trim, leave, or a vet's: the trade's eleven lines for one ear, and which of them spoke. */
export function decideEarHair(facts: DogFacts, side: Side): EarHairDecision {
  for (const [i, line] of LINES.entries()) {
    const decided = line(facts, side);
    if (decided) return { line: i + 1, source: i === 9 ? HOUSE_VALUE : COMMON_PRACTICE, ...decided };
  }
  throw new Error('The last line always matches.');
}
