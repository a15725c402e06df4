import {
  bathAmounts,
  chooseBottles,
  leadBy,
  measure,
  readLabel,
  strengthOf,
  tidyBatch,
  type Bottle,
  type CoatDensity,
  type CoatLength,
  type FillTo,
  type FreeBottle,
  type LabelReading,
  type Lead,
  type Measuring,
  type Strength,
} from '@dewpond/core/dilution';
import { kilograms, millilitres, showVolume, type Millilitres, type UnitSystem } from '@dewpond/core/units';
import { judgePoured } from './benchSums';

export interface Question {
  readonly label: string;
  readonly medicated: boolean;
  readonly oneToN: 'N parts water' | 'N parts in all';
  /** Which of two readings, when the label can be read both ways. */
  readonly reading: 0 | 1;
  /** Parts of water chosen within a label's range; null: its gentle end. */
  readonly within: string | null;
  readonly lead: Lead;
  /** Ml; 0 = no pump, or one that is not calibrated. */
  readonly stroke: number;
  readonly bottle: Bottle;
  /** All bottles of the house, for a batch that goes into several. */
  readonly bottles: readonly FreeBottle[];
  readonly units: UnitSystem;
}

/** One bottle of a batch that is split. */
export interface SplitBottle extends FillTo {
  readonly how: Measuring;
}

export interface Answer {
  readonly label: LabelReading;
  readonly strength: Strength | null;
  /** Null where nothing can be reckoned; `problem` says why. */
  readonly how: Measuring | null;
  /** The same by the other reading of the label, to set beside it. */
  readonly other: Measuring | null;
  readonly tidy: { readonly total: Millilitres; readonly strokes: number } | null;
  /** Bottles for a batch that the chosen bottle does not hold. */
  readonly split: readonly SplitBottle[] | null;
  readonly warning: string | null;
  readonly problem: string | null;
}

/** More than any tub holds: only a slip of the finger is above it, ml. */
const MOST = millilitres(50_000);

/** The whole calculator: one question in, one answer out. Never throws; trouble comes back in words. */
export function reckon(question: Question): Answer {
  const label = readLabel(question.label, { medicated: question.medicated, oneToN: question.oneToN });
  const strength = strengthIn(label, question);
  const nothing = { label, strength, how: null, other: null, tidy: null, split: null, warning: null };
  if (label.kind === 'unreadable' || label.kind === 'ask for the dilution') return { ...nothing, problem: label.why };
  if (strength === null) return { ...nothing, problem: null };
  const stroke = question.stroke > 0 ? millilitres(question.stroke) : null;
  const lead = (pump: Millilitres | null) =>
    leadBy({ lead: question.lead, strength, stroke: pump, medicated: question.medicated, room: MOST });
  const whole = lead(stroke);
  // Strokes are counted a bottle, not a batch, where the batch goes into several.
  const led =
    whole.kind === 'led' && whole.how.total > question.bottle.brim && leadsTotal(question.lead) ? lead(null) : whole;
  if (led.kind === 'refused') return { ...nothing, problem: led.why };
  const { how } = led;
  const verdict = judgePoured(how.realised, strength, question.medicated);
  const warning = verdict.kind === 'fine' ? null : verdict.why;
  const other = otherReading(label, question, stroke);
  if (how.total > question.bottle.brim)
    return { ...nothing, ...splitOver(how, strength, stroke, question), how, other };
  const { graduation, line } = question.bottle;
  return {
    label,
    strength,
    how,
    other,
    tidy:
      stroke && graduation && leadsTotal(question.lead)
        ? tidyBatch(how.total, strength, stroke, { graduation, room: line })
        : null,
    split: null,
    warning,
    problem: null,
  };
}

const leadsTotal = ({ by }: Lead): boolean => by === 'total' || by === 'dogs';

/** The batch in the house's bottles, when it goes into none alone. */
function splitOver(
  how: Measuring,
  strength: Strength,
  stroke: Millilitres | null,
  { bottles, bottle, medicated, units }: Question,
): Pick<Answer, 'split' | 'problem'> {
  const pumped = { strength, stroke, medicated };
  const byStrokes = chooseBottles(how.total, bottles, pumped);
  const choice =
    byStrokes.kind === 'chosen' ? byStrokes : chooseBottles(how.total, bottles, { ...pumped, stroke: null });
  if (choice.kind === 'too few bottles')
    return {
      split: null,
      problem: `That is ${showVolume(how.total, units)}: ${bottle.name} holds ${showVolume(bottle.brim, units)} to the brim, and all bottles of the house together ${showVolume(choice.holds, units)}.`,
    };
  const used = choice === byStrokes ? stroke : null;
  return {
    split: choice.fills.map((fill) => ({
      ...fill,
      how: measure({ ...pumped, stroke: used, total: fill.total, room: fill.bottle.line }),
    })),
    problem: null,
  };
}

function strengthIn(label: LabelReading, { reading, within }: Question): Strength | null {
  if (label.kind === 'read') return label.reading.strength;
  if (label.kind === 'ask which') return label.readings[reading].strength;
  if (label.kind !== 'range') return null;
  return within === null ? label.weakest.strength : kept(within, label);
}

/** What was chosen within a range, never beyond its ends. */
function kept(within: string, { strongest, weakest }: Extract<LabelReading, { kind: 'range' }>): Strength {
  let chosen: Strength;
  try {
    chosen = strengthOf(within);
  } catch {
    return weakest.strength;
  }
  if (chosen.water.compare(strongest.strength.water) < 0) return strongest.strength;
  return chosen.water.compare(weakest.strength.water) > 0 ? weakest.strength : chosen;
}

function otherReading(label: LabelReading, question: Question, stroke: Millilitres | null): Measuring | null {
  if (label.kind !== 'ask which') return null;
  const { strength } = label.readings[question.reading === 0 ? 1 : 0];
  const led = leadBy({ lead: question.lead, strength, stroke, medicated: question.medicated, room: MOST });
  return led.kind === 'led' ? led.how : null;
}

/** Dogs to reckon with where none is booked yet [house values]. */
export const DOGS_LIKE = {
  'small, short coat, 6 kg': { kg: 6, length: 'short', density: 'ordinary' },
  'middle, half-length, 15 kg': { kg: 15, length: 'half', density: 'ordinary' },
  'large, short coat, 30 kg': { kg: 30, length: 'short', density: 'ordinary' },
  'large, full and dense, 30 kg': { kg: 30, length: 'full', density: 'dense' },
} as const satisfies Record<string, { kg: number; length: CoatLength; density: CoatDensity }>;
export type DogLike = keyof typeof DOGS_LIKE;

/** Mix for one such dog, both washes, ml. */
export function mixOfDog(like: DogLike, washes: 1 | 2): Millilitres {
  const { kg, length, density } = DOGS_LIKE[like];
  const { wash1, wash2 } = bathAmounts({
    weight: kilograms(kg),
    length,
    density,
    productFactor: 1,
    dogFactor: 1,
    washes,
  });
  return millilitres(Math.round(wash1.body + wash2.body));
}
