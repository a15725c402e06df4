import {
  concentration,
  cutMix,
  judgeStrength,
  labelMeaning,
  readLabel,
  strengthError,
  strengthFrom,
  topUp,
  type Cut,
  type LabelContext,
  type LabelRange,
  type Strength,
  type StrengthVerdict,
  type TopUp,
} from '../dilution';
import { millilitres } from '../units';

/** An answer, or why there is none, in words. */
export type Sum<T> = ({ readonly kind: 'answer' } & T) | { readonly kind: 'no answer'; readonly why: string };
const none = (why: string) => ({ kind: 'no answer', why }) as const;

/** A ratio as typed where one mixes: where the trade differs by habit the business's is taken; of a range its gentle end. */
export function readRatio(text: string, context: LabelContext): Sum<{ readonly strength: Strength }> {
  const meaning = labelMeaning(readLabel(text, context), null);
  switch (meaning.kind) {
    case 'diluted':
      return { kind: 'answer', strength: meaning.dilution.strength };
    case 'ready to use':
      return none('Ready to use is never diluted.');
    default:
      return none(meaning.why);
  }
}

/** Water that brings an existing mix down to a weaker one. */
export function cutting(
  volume: number,
  now: Sum<{ strength: Strength }>,
  wanted: Sum<{ strength: Strength }>,
): Sum<{ cut: Cut }> {
  if (now.kind === 'no answer') return now;
  if (wanted.kind === 'no answer') return wanted;
  if (!(volume > 0)) return none('Say how much is in the bottle.');
  return { kind: 'answer', cut: cutMix(millilitres(volume), now.strength, wanted.strength) };
}

export interface LeftOver {
  readonly volume: number;
  readonly strength: Sum<{ strength: Strength }>;
  /** A mix of an earlier day is past its discard time [house value: the end of the day]. */
  readonly madeToday: boolean;
}

/** Only before and after matter here. */
const [EARLIER, NOW, TONIGHT] = [-1, 0, 1] as const;

/** What to add to a left-over so that `total` stands at the wanted strength. */
export function toppingUp(left: LeftOver, total: number, wanted: Sum<{ strength: Strength }>): Sum<{ topUp: TopUp }> {
  if (left.strength.kind === 'no answer') return left.strength;
  if (wanted.kind === 'no answer') return wanted;
  if (!(left.volume > 0)) return none('Say how much is left in the bottle.');
  if (!(total > 0)) return none('Say how much you want in all.');
  const inBottle = {
    volume: millilitres(left.volume),
    strength: left.strength.strength,
    mixedAt: EARLIER,
    discardAt: left.madeToday ? TONIGHT : EARLIER,
  };
  return { kind: 'answer', topUp: topUp(inBottle, millilitres(total), wanted.strength, NOW) };
}

export interface Poured {
  readonly strokes: number;
  readonly stroke: number;
  readonly total: number;
}

/** "I put two strokes in this bottle: how strong is it?", judged against the label. */
export function howStrong(
  poured: Poured,
  label: Sum<{ strength: Strength }>,
  medicated: boolean,
  range: LabelRange | null = null,
): Sum<{
  readonly strength: Strength | 'neat';
  readonly error: number | null;
  readonly verdict: StrengthVerdict | null;
}> {
  const product = poured.strokes * poured.stroke;
  if (!(product > 0)) return none('Say how many strokes went in, and what one stroke gives.');
  if (!(poured.total > 0)) return none('Say how much mix is in the bottle.');
  if (product > poured.total) return none('That is more product than the bottle holds in all.');
  const strength = product === poured.total ? 'neat' : strengthFrom(millilitres(product), millilitres(poured.total));
  if (label.kind === 'no answer') return { kind: 'answer', strength, error: null, verdict: null };
  const error =
    strength === 'neat' ? null : strengthError(concentration(strength), concentration(label.strength)).valueOf();
  return { kind: 'answer', strength, error, verdict: judgePoured(strength, label.strength, medicated, range) };
}

/** What was poured against what the label says, by the same judge as everywhere. */
export const judgePoured = (
  poured: Strength | 'neat',
  label: Strength,
  medicated: boolean,
  range: LabelRange | null = null,
): StrengthVerdict =>
  judgeStrength(
    {
      name: 'This product',
      kind: medicated ? 'medicated' : 'cleansing',
      dilution: { kind: 'dilute', strength: label, ...(range ? { range } : {}) },
    },
    poured,
  );
