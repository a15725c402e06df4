import { millilitres, type Millilitres } from '../units';

/** Strokes a calibration takes: ten into a jug, as is common. */
export const CALIBRATION_STROKES = 10;
/** A pump whose strokes scatter more than this gives no amount one can rely on [house value]. */
export const MOST_SCATTER = 0.15;

export interface PumpSpread {
  /** Mean of one stroke, ml. */
  readonly stroke: Millilitres;
  /** Standard deviation of the strokes over their mean (sample, n − 1). */
  readonly scatter: number;
  readonly least: Millilitres;
  readonly most: Millilitres;
}

export type Calibration =
  | ({ readonly kind: 'calibrated' } & PumpSpread)
  | { readonly kind: 'refused'; readonly why: string; readonly spread: PumpSpread | null };

/**
 * One stroke of a pump from ten strokes, ml each. Refused when there are not ten, when one gave nothing, or when they
 * scatter more than {@link MOST_SCATTER}: then a stroke is not a measure.
 */
export function calibratePump(strokes: readonly Millilitres[]): Calibration {
  if (strokes.length !== CALIBRATION_STROKES)
    return {
      kind: 'refused',
      why: `It takes ${CALIBRATION_STROKES} strokes; ${strokes.length} ${strokes.length === 1 ? 'is' : 'are'} written down.`,
      spread: null,
    };
  const spread = spreadOf(strokes);
  if (!(spread.least > 0))
    return { kind: 'refused', why: 'One stroke gave nothing. Prime the pump, and begin again.', spread };
  if (spread.scatter > MOST_SCATTER)
    return {
      kind: 'refused',
      why: `The strokes scatter ${Math.round(spread.scatter * 100)} %; over ${MOST_SCATTER * 100} % a stroke is no measure. Clean or change the pump, press it fully down each time, or measure in ml.`,
      spread,
    };
  return { kind: 'calibrated', ...spread };
}

function spreadOf(strokes: readonly Millilitres[]): PumpSpread {
  const mean = strokes.reduce((sum, each) => sum + each, 0) / strokes.length;
  const squares = strokes.reduce((sum, each) => sum + (each - mean) ** 2, 0);
  return {
    stroke: millilitres(mean),
    scatter: mean > 0 ? Math.sqrt(squares / (strokes.length - 1)) / mean : 0,
    least: millilitres(Math.min(...strokes)),
    most: millilitres(Math.max(...strokes)),
  };
}

/**
 * Single strokes from what a jug or a scale showed after each of them, the jug left standing: differences of readings.
 * `start` is what it showed before the first. Throws `RangeError` when a reading is lower than the one before.
 */
export function strokesFromReadings(readings: readonly number[], start = 0): Millilitres[] {
  return readings.map((reading, i) => millilitres(reading - (readings[i - 1] ?? start)));
}

/** Weighed strokes as volumes; concentrates weigh about 1 g a millilitre [house value]. Throws unless over 0 g/ml. */
export function strokesFromGrams(grams: readonly number[], gramsPerMl = 1): Millilitres[] {
  if (!(gramsPerMl > 0)) throw new RangeError('A density is over 0 g/ml.');
  return grams.map((each) => millilitres(each / gramsPerMl));
}
