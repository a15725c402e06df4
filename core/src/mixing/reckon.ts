import {
  bathAmounts,
  chooseBottles,
  leadBy,
  measure,
  labelMeaning,
  readLabel,
  tidyBatch,
  type Bottle,
  type CoatDensity,
  type CoatLength,
  type FillTo,
  type FreeBottle,
  type LabelMeaning,
  type LabelRange,
  type LabelReading,
  type Lead,
  type Measuring,
  type Mix,
  type Reading,
  type RatioSaid,
  type Strength,
} from '../dilution';
import { kilograms, millilitres, showVolume, type Millilitres, type UnitSystem } from '../units';
import { judgePoured } from './sums';

export interface MixQuestion {
  readonly label: string;
  readonly medicated: boolean;
  readonly oneToN: 'N parts water' | 'N parts in all';
  /** What was said of the label: kept with the product, or chosen here; null: nothing yet. */
  readonly said: RatioSaid | null;
  readonly lead: Lead;
  /** Ml; 0 = no pump, or one that is not calibrated. */
  readonly stroke: number;
  readonly bottle: Bottle;
  /** All bottles of the business, for a batch that goes into several. */
  readonly bottles: readonly FreeBottle[];
  readonly units: UnitSystem;
  /** What the business bears for whole strokes, as a share of what is wanted. */
  readonly mostWaste: number;
}

/** One bottle of a batch that is split. */
export interface SplitBottle extends FillTo {
  readonly how: Measuring;
}

/** One way to read the label, and product and water by it. */
export interface SetBeside {
  readonly reading: Reading;
  readonly chosen: boolean;
  readonly mix: Mix | null;
}

export interface MixAnswer {
  readonly label: LabelReading;
  readonly strength: Strength | null;
  /** From where to where the label lets one go, by the reading taken; null: one ratio only. */
  readonly range: LabelRange | null;
  /** Every way to read the label with what it takes, before any rounding to strokes; empty where there is only one. */
  readonly readings: readonly SetBeside[];
  /** Null where nothing can be reckoned; `problem` says why. */
  readonly how: Measuring | null;
  readonly tidy: { readonly total: Millilitres; readonly strokes: number } | null;
  /** Bottles for a batch that the chosen bottle does not hold. */
  readonly split: readonly SplitBottle[] | null;
  readonly warning: string | null;
  readonly problem: string | null;
}

/** More than any tub holds: only a slip of the finger is above it, ml. */
const MOST = millilitres(50_000);

/** The whole calculator: one question in, one answer out. Never throws; trouble comes back in words. */
export function reckon(question: MixQuestion): MixAnswer {
  const { medicated, oneToN } = question;
  const label = readLabel(question.label, { medicated, oneToN, strokeMl: question.stroke });
  const meaning = labelMeaning(label, question.said);
  const readings = setBeside(label, meaning, question);
  const nothing = {
    label,
    readings,
    range: null,
    strength: null,
    how: null,
    tidy: null,
    split: null,
    warning: null,
    problem: null,
  };
  if (meaning.kind === 'ready to use') return nothing;
  if (meaning.kind !== 'diluted') return { ...nothing, problem: meaning.why };
  const { strength, range = null } = meaning.dilution;
  return { ...nothing, range, ...measured(strength, question) };
}

type MixResult = Pick<MixAnswer, 'strength' | 'how' | 'tidy' | 'split' | 'warning' | 'problem'>;

function measured(strength: Strength, question: MixQuestion): MixResult {
  const { lead, medicated, bottle, mostWaste } = question;
  const stroke = question.stroke > 0 ? millilitres(question.stroke) : null;
  const led = (pump: Millilitres | null) => leadBy({ lead, strength, stroke: pump, medicated, room: MOST, mostWaste });
  const whole = led(stroke);
  // Strokes are counted a bottle, not a batch, where the batch goes into several.
  const perBottle = whole.kind === 'led' && whole.how.total > bottle.brim && leadsTotal(lead) ? led(null) : whole;
  const nothing = { strength, how: null, tidy: null, split: null, warning: null };
  if (perBottle.kind === 'refused') return { ...nothing, problem: perBottle.why };
  const { how } = perBottle;
  if (how.total > bottle.brim) return { ...nothing, ...splitOver(how, strength, stroke, question), how };
  const { graduation, line } = bottle;
  const verdict = judgePoured(how.realised, strength, medicated);
  return {
    ...nothing,
    how,
    tidy:
      stroke && graduation && leadsTotal(lead)
        ? tidyBatch(how.total, strength, stroke, { graduation, room: line }, mostWaste)
        : null,
    warning: verdict.kind === 'fine' ? null : verdict.why,
    problem: null,
  };
}

const leadsTotal = ({ by }: Lead): boolean => by === 'total' || by === 'dogs';

/** The batch in the business's bottles, when it goes into none alone. */
function splitOver(
  how: Measuring,
  strength: Strength,
  stroke: Millilitres | null,
  { bottles, bottle, medicated, units }: MixQuestion,
): Pick<MixAnswer, 'split' | 'problem'> {
  const pumped = { strength, stroke, medicated };
  const byStrokes = chooseBottles(how.total, bottles, pumped);
  const choice =
    byStrokes.kind === 'chosen' ? byStrokes : chooseBottles(how.total, bottles, { ...pumped, stroke: null });
  if (choice.kind === 'too few bottles')
    return {
      split: null,
      problem: `That is ${showVolume(how.total, units)}: ${bottle.name} holds ${showVolume(bottle.brim, units)} to the brim, and all bottles of the business together ${showVolume(choice.holds, units)}.`,
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

/** Both volumes of every reading, so that one sees what hangs on it. */
function setBeside(label: LabelReading, meaning: LabelMeaning, { lead, medicated }: MixQuestion): SetBeside[] {
  if (label.kind !== 'ask which') return [];
  return label.readings.map((reading) => {
    const led = leadBy({ lead, strength: reading.strength, stroke: null, medicated, room: MOST });
    return {
      reading,
      chosen: meaning.kind === 'diluted' && meaning.reading === reading,
      mix: led.kind === 'led' ? { product: led.how.product, water: led.how.water } : null,
    };
  });
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
