import { millilitres, type Kilograms, type Millilitres } from './quantities';

export type UnitSystem = 'metric' | 'US';

/** Legal inch since 1959, in millimetres (published: international yard and pound agreement). */
const MM_PER_INCH = 25.4;
/** A US gallon is 231 cubic inches (published: NIST Handbook 44, Appendix C); 128 fluid ounces to the gallon. */
export const ML_PER_FLUID_OUNCE = (231 * MM_PER_INCH ** 3) / 1000 / 128;
/** Avoirdupois pound, exact (published: international yard and pound agreement). */
export const KG_PER_POUND = 0.45359237;

/** Decimals by size: the first row that the number is below. */
type Decimals = readonly (readonly [below: number, decimals: number])[];
const decimals = (value: number, rows: Decimals): number => rows.find(([below]) => value < below)?.[1] ?? 0;

const COARSE = {
  ml: [[40, 1]],
  ounces: [
    [5, 2],
    [100, 1],
  ],
} as const satisfies Record<string, Decimals>;
const FINE = {
  ml: [
    [10, 2],
    [100, 1],
  ],
  ounces: [
    [10, 2],
    [Infinity, 1],
  ],
} as const satisfies Record<string, Decimals>;

/**
 * "9.8 ml", "505 ml", "1.25 l"; in US units "16.9 fl oz", and millilitres below an ounce. Within 1.25 % of the volume, as one
 * fills to a mark. Only the picture changes, never the stored value; what is shown is never read back.
 */
export const showVolume = (volume: Millilitres, system: UnitSystem = 'metric'): string => show(volume, system, COARSE);

/**
 * Product as it is measured, one digit finer: within 0.5 %, so that what is shown keeps the strength within 2 %.
 * @example
 * showProduct(millilitres(20)) // '20 ml'
 */
export const showProduct = (volume: Millilitres, system: UnitSystem = 'metric'): string => show(volume, system, FINE);

/** As {@link showVolume}, but in one unit throughout: for columns and axes, where 20 ml beside 1.4 fl oz could not be compared. */
export const showInColumn = (volume: Millilitres, system: UnitSystem): string => {
  const ounces = volume / ML_PER_FLUID_OUNCE;
  return system === 'US' ? `${trim(ounces, decimals(ounces, COARSE.ounces))} fl oz` : showVolume(volume, system);
};

function show(volume: Millilitres, system: UnitSystem, rows: { readonly ml: Decimals; readonly ounces: Decimals }) {
  const ounces = volume / ML_PER_FLUID_OUNCE;
  if (system === 'US' && ounces >= 1 - 1e-9) return `${trim(ounces, decimals(ounces, rows.ounces))} fl oz`;
  if (system === 'metric' && volume >= 1000) return `${trim(volume / 1000, 2)} l`;
  return `${trim(volume, decimals(volume, rows.ml))} ml`;
}

/**
 * "14.2 kg" or "31.3 lb".
 * @example
 * showWeight(kilograms(14.2), 'US') // '31.3 lb'
 */
export function showWeight(weight: Kilograms, system: UnitSystem = 'metric'): string {
  return system === 'US' ? `${trim(weight / KG_PER_POUND, 1)} lb` : `${trim(weight, 1)} kg`;
}

/** The unit that volumes are read and typed in. */
export const VOLUME_UNIT: Readonly<Record<UnitSystem, string>> = { metric: 'ml', US: 'fl oz' };

/** A volume as the bare number of a field: 500 ml is 500, or 16.91 fl oz. */
export const volumeIn = (volume: Millilitres, system: UnitSystem): number =>
  Number((system === 'US' ? volume / ML_PER_FLUID_OUNCE : volume).toFixed(2));

/** The stored volume of a number typed in a field. Throws `RangeError` for less than nothing. */
export const volumeFrom = (typed: number, system: UnitSystem): Millilitres =>
  millilitres(system === 'US' ? typed * ML_PER_FLUID_OUNCE : typed);

const trim = (value: number, places: number) => String(Number(value.toFixed(places)));
