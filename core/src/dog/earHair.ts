import type { CanalHair } from '../catalogue';

/** How much hair came out of an ear, as the hand tells it. Common practice, no source. */
export const HAIR_CAME = ['none', 'a few', 'most', 'all'] as const;
export type HairCame = (typeof HAIR_CAME)[number];
/** How the dog bore it. */
export const HAIR_BORNE = ['calm', 'minded', 'broke off'] as const;
export type HairBorne = (typeof HAIR_BORNE)[number];
/** What is left: none, so much that air and cleaner get in all the same, or too much for that. */
export const HAIR_LEFT = ['none', 'some', 'much'] as const;
export type HairLeft = (typeof HAIR_LEFT)[number];

/** What hands did about the hair of one ear; null where nobody said. */
export interface EarHairWork {
  readonly came: HairCame | null;
  readonly borne: HairBorne | null;
  readonly left: HairLeft | null;
}
export const NO_WORD: EarHairWork = { came: null, borne: null, left: null };

/** What was said the last time hair was taken out of an ear. */
export type LastEarHair = EarHairWork & { readonly daysAgo: number };

/** What is on record of the hair of one ear. */
export interface EarHairRecord {
  /** Hair in this canal as it was seen; null: nobody looked, the breed's guess stands. */
  readonly hair: CanalHair | null;
  readonly lastHair: LastEarHair | null;
}
export const NO_HAIR_RECORD: EarHairRecord = { hair: null, lastHair: null };

/** Visits that a staged ear still needs, this one not counted [house values]. */
export const VISITS_LEFT: Readonly<Record<HairLeft, number>> = { none: 0, some: 1, much: 2 };
