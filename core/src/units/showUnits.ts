import { millilitres, type Kilograms, type Millilitres } from './quantities';

export type UnitSystem = 'metric' | 'US';

/** Legal inch since 1959, in millimetres (published: international yard and pound agreement). */
const MM_PER_INCH = 25.4;
/** A US gallon is 231 cubic inches (published: NIST Handbook 44, Appendix C); 128 fluid ounces to the gallon. */
export const ML_PER_FLUID_OUNCE = (231 * MM_PER_INCH ** 3) / 1000 / 128;
/** Avoirdupois pound, exact (published: international yard and pound agreement). */
export const KG_PER_POUND = 0.45359237;

/** "9.8 ml", "505 ml", "1.25 l"; in US units "0.33 fl oz", "17 fl oz". Only the picture changes, never the stored value. */
export function showVolume(volume: Millilitres, system: UnitSystem = 'metric'): string {
  if (system === 'US') {
    const ounces = volume / ML_PER_FLUID_OUNCE;
    return `${trim(ounces, ounces < 1 ? 2 : ounces < 10 ? 1 : 0)} fl oz`;
  }
  if (volume >= 2000) return `${trim(volume / 1000, 2)} l`;
  return `${trim(volume, volume < 20 ? 1 : 0)} ml`;
}

/** "14.2 kg" or "31.3 lb". */
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
