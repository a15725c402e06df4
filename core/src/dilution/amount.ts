import { millilitres, type Kilograms, type Millilitres, type SquareMetres } from '../units';
import { ownFactor } from './ownFactor';

export type CoatLength = 'shaved' | 'short' | 'half' | 'full';
export type CoatDensity = 'thin' | 'ordinary' | 'dense' | 'very dense';

/**
 * Body surface area, A = 10.1 · g^(2/3) / 10 000 m².
 * Source: weight to surface area table for dogs, Merck Veterinary Manual (values from memory).
 */
export function surfaceArea(weight: Kilograms): SquareMetres {
  return ((10.1 * (weight * 1000) ** (2 / 3)) / 10_000) as SquareMetres;
}

/** House start amounts; a business may change them [house values]. */
export const HOUSE_AMOUNTS = {
  /** Millilitres of mix per square metre of skin for wash 1. */
  mixPerSquareMetre: 800,
  length: { shaved: 0.8, short: 1, half: 1.3, full: 1.7 } satisfies Record<CoatLength, number>,
  density: { thin: 0.85, ordinary: 1, dense: 1.15, 'very dense': 1.4 } satisfies Record<CoatDensity, number>,
  /** Second wash as a share of the first [common practice]. */
  secondWash: 0.5,
  /** Share of each wash that is mild face product. */
  faceShare: 0.08,
  /** Share that goes to the rest of the head and the flaps; saved where the bath stops at the neck. */
  headShare: 0.06,
  conditioner: 0.5,
  /** A wash that is used as it comes takes this share of what a mix would: it is spread, not poured. */
  readyWash: 0.15,
  /** A conditioner or mask that is used as it comes, ml by size: a few spoonfuls. */
  readyConditioner: { small: 10, middle: 20, large: 40 },
} as const;

export interface Lather {
  readonly weight: Kilograms;
  readonly length: CoatLength;
  readonly density: CoatDensity;
  /** Learned per product: 1 is ordinary. */
  readonly productFactor: number;
  /** Learned per dog, see {@link learnDogFactor}. */
  readonly dogFactor: number;
  readonly washes: 1 | 2;
  /** Mix for wash 1, ml per m² of skin, as this business reaches the coat; left out: the house value. */
  readonly mixPerSquareMetre?: number;
}

export interface BathAmounts {
  /** Body and face mix for each wash, ml; the second is 0 with one wash. */
  readonly wash1: { readonly body: Millilitres; readonly face: Millilitres };
  readonly wash2: { readonly body: Millilitres; readonly face: Millilitres };
  readonly conditioner: Millilitres;
}

/** Millilitres of mix for a bath (docs/formulas.md, "Amount"). All in ml of made-up mix, not of concentrate. */
export function bathAmounts(lather: Lather): BathAmounts {
  const first =
    surfaceArea(lather.weight) *
    (lather.mixPerSquareMetre ?? HOUSE_AMOUNTS.mixPerSquareMetre) *
    HOUSE_AMOUNTS.length[lather.length] *
    HOUSE_AMOUNTS.density[lather.density] *
    lather.productFactor *
    lather.dogFactor;
  const split = (wash: number) => ({
    body: millilitres(wash * (1 - HOUSE_AMOUNTS.faceShare)),
    face: millilitres(wash * HOUSE_AMOUNTS.faceShare),
  });
  return {
    wash1: split(first),
    wash2: split(lather.washes === 2 ? first * HOUSE_AMOUNTS.secondWash : 0),
    conditioner: millilitres(first * HOUSE_AMOUNTS.conditioner),
  };
}

/** Up to this weight a dog is small, up to the next middle, kg [house values]. */
const SMALL_KG = 10;
const MIDDLE_KG = 25;

export const sizeOf = (weight: Kilograms): 'small' | 'middle' | 'large' =>
  weight <= SMALL_KG ? 'small' : weight <= MIDDLE_KG ? 'middle' : 'large';

/** How the used amount was told: a tap, or a number. */
export type UsedAmount = 'as planned' | 'a bit more' | 'double' | Millilitres;

/** A tap turned into millilitres: as planned, ×1.25, ×2. */
export function usedMillilitres(used: UsedAmount, planned: Millilitres): Millilitres {
  switch (used) {
    case 'as planned':
      return planned;
    case 'a bit more':
      return millilitres(planned * 1.25);
    case 'double':
      return millilitres(planned * 2);
    default:
      return used;
  }
}

/** One bath's lesson: millilitres used, and millilitres predicted without the dog's own factor. */
export interface AmountLesson {
  readonly used: Millilitres;
  readonly predicted: Millilitres;
  /** A substituted product or an early end teaches nothing. */
  readonly complete: boolean;
}

/** This dog's factor from its baths. Lessons with nothing used or predicted, or not complete, are left out. */
export const learnDogFactor = (lessons: readonly AmountLesson[]): number =>
  ownFactor(
    lessons
      .filter((lesson) => lesson.complete && lesson.used > 0 && lesson.predicted > 0)
      .map((lesson) => [lesson.used, lesson.predicted]),
  );
