import type { Brand } from './brand';

export type Millilitres = Brand<number, 'ml'>;
export type Kilograms = Brand<number, 'kg'>;
export type SquareMetres = Brand<number, 'm²'>;
export type Minutes = Brand<number, 'min'>;

/** Heaviest dog that is believed. The heaviest breeds reach about 110 kg; beyond this it is a slip of the finger. */
export const HEAVIEST_DOG_KG = 130;
/** Lightest: a puppy of a toy breed on its first visit. */
export const LIGHTEST_DOG_KG = 0.3;

/** Millilitres from a plain number. Throws `RangeError` unless finite and not negative. */
export function millilitres(value: number): Millilitres {
  if (!Number.isFinite(value) || value < 0) throw new RangeError(`A volume cannot be ${value} ml.`);
  return value as Millilitres;
}

/** Kilograms of a dog. Throws `RangeError` outside {@link LIGHTEST_DOG_KG}…{@link HEAVIEST_DOG_KG}. */
export function kilograms(value: number): Kilograms {
  if (!(value >= LIGHTEST_DOG_KG && value <= HEAVIEST_DOG_KG)) {
    throw new RangeError(
      `A dog cannot weigh ${value} kg; between ${LIGHTEST_DOG_KG} and ${HEAVIEST_DOG_KG} kg is accepted.`,
    );
  }
  return value as Kilograms;
}

/** Minutes from a plain number. Throws `RangeError` unless finite and not negative. */
export function minutes(value: number): Minutes {
  if (!Number.isFinite(value) || value < 0) throw new RangeError(`A time cannot be ${value} minutes.`);
  return value as Minutes;
}
