import type { LabelRange } from './product';
import type { Dilution } from './product';
import type { LabelReading, Reading } from './readLabel';
import { exactParts, strengthOf, type Strength } from './strength';

/** The ends of a range as they are kept and sent, exact: "97/3" parts of water to one of product. */
export interface ExactRange {
  readonly strongest: string;
  readonly weakest: string;
}

/** What a person said of a label, exact. */
export interface RatioSaid {
  readonly waterParts: string;
  /** The range it lies in; null: the label gives none, or the first that fits. */
  readonly range: ExactRange | null;
}

/** What a label means in this business. */
export type LabelMeaning =
  | { readonly kind: 'ready to use' }
  | {
      readonly kind: 'diluted';
      readonly dilution: Extract<Dilution, { kind: 'dilute' }>;
      /** Which of the label's readings that is; null where the label gives none. */
      readonly reading: Reading | null;
    }
  /** A person has to say what it is mixed to. */
  | { readonly kind: 'to be said'; readonly why: string }
  | { readonly kind: 'refused'; readonly at: 'label' | 'waterParts'; readonly why: string };

/**
 * The one place that decides what a label means: what is printed, and what a person said of it. What was said must be
 * one of the readings, or lie within its range; a label that gives no dilution takes what is said. With nothing said the
 * business's habit decides, where it is one.
 */
export function labelMeaning(label: LabelReading, said: RatioSaid | null): LabelMeaning {
  const strength = said === null ? null : asStrength(said.waterParts);
  if (typeof strength === 'string') return { kind: 'refused', at: 'waterParts', why: strength };
  switch (label.kind) {
    case 'unreadable':
      return { kind: 'refused', at: 'label', why: label.why };
    case 'ready to use':
      return strength === null
        ? { kind: 'ready to use' }
        : { kind: 'refused', at: 'waterParts', why: 'Ready to use is never diluted.' };
    case 'ask for the dilution':
      return strength === null ? { kind: 'to be said', why: label.why } : diluted(strength, null);
    case 'read':
    case 'ask which':
      return oneOf(readingsOf(label), strength, said?.range ?? null, label.kind === 'read' || label.byHabit);
  }
}

/** All ways a label can be read, the business's first; none where it gives no dilution. */
export const readingsOf = (label: LabelReading): readonly Reading[] =>
  label.kind === 'read' ? [label.reading] : label.kind === 'ask which' ? label.readings : [];

/** Whether a reading lets one mix to that strength: it is the one ratio, or lies within its range. */
export const allows = ({ strength, range }: Reading, wanted: Strength): boolean =>
  range === null ? strength.water.equals(wanted.water) : isWithin(range, wanted);

/** Both ends belong to a range. */
export const isWithin = ({ strongest, weakest }: LabelRange, { water }: Strength): boolean =>
  water.compare(strongest.water) >= 0 && water.compare(weakest.water) <= 0;

/** What saying "this reading" says. */
export const sayReading = ({ strength, range }: Reading): RatioSaid => ({
  waterParts: exactParts(strength),
  range: range && exactRange(range),
});

export const exactRange = ({ strongest, weakest }: LabelRange): ExactRange => ({
  strongest: exactParts(strongest),
  weakest: exactParts(weakest),
});

/** Inverse of {@link exactRange}. Throws `RangeError` for what is no strength. */
export const rangeFrom = ({ strongest, weakest }: ExactRange): LabelRange => ({
  strongest: strengthOf(strongest),
  weakest: strengthOf(weakest),
});

function oneOf(
  readings: readonly Reading[],
  strength: Strength | null,
  range: ExactRange | null,
  byHabit: boolean,
): LabelMeaning {
  const [first] = readings;
  if (strength === null) {
    return first && byHabit
      ? diluted(first.strength, first)
      : { kind: 'to be said', why: 'It can be read in more than one way: say which is meant.' };
  }
  const fitting = readings.filter((reading) => allows(reading, strength));
  const reading = fitting.find((each) => isSameRange(each, range)) ?? fitting[0];
  return reading
    ? diluted(strength, reading)
    : { kind: 'refused', at: 'waterParts', why: 'The label cannot mean that.' };
}

const isSameRange = ({ range }: Reading, said: ExactRange | null): boolean =>
  range !== null &&
  said !== null &&
  exactParts(range.strongest) === said.strongest &&
  exactParts(range.weakest) === said.weakest;

function diluted(strength: Strength, reading: Reading | null): LabelMeaning {
  const range = reading?.range ?? null;
  return { kind: 'diluted', dilution: { kind: 'dilute', strength, ...(range ? { range } : {}) }, reading };
}

/** A strength, or why it is none. */
function asStrength(waterParts: string): Strength | string {
  try {
    return strengthOf(waterParts);
  } catch (error) {
    return (error as Error).message;
  }
}
