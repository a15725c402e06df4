import { DONE_AT, type Procedure, type SignArea, type Stop } from '../findings';

/** What to do in place of what a stop takes away, and what that does at the place. */
export interface Instead {
  readonly words: string;
  readonly does: readonly Procedure[];
}

const LOOK: Instead = { words: 'Look only.', does: ['look'] };
const all = (area: SignArea): readonly Procedure[] => DONE_AT[area].filter((procedure) => procedure !== 'look');

/**
 * What S1 takes away, by kind of place; what is not named stays. docs/trade.md, "Grades, levels, stops" [house value].
 * Ear: nothing goes in, no water comes to it; the flap may be wiped, clipped, combed, dried from outside.
 * Eye: plain water around it on a cloth, nothing else. Fold: patted dry from outside. Of the rest of the dog no sign
 * has S1; a sign of a newer version does, and then no product and no blade comes there.
 */
const S1: Readonly<Record<SignArea, readonly Procedure[]>> = {
  ear: ['clean', 'fill', 'massage', 'pluck', 'plug', 'trim', 'wash', 'rinse', 'protect'],
  eye: ['clean', 'wash', 'rinse', 'clip', 'comb', 'blow', 'protect', 'trim'],
  fold: ['clean', 'wash', 'rinse', 'comb', 'blow', 'protect'],
  nose: ['clean', 'wash', 'protect'],
  skin: ['wash', 'clip', 'comb', 'protect', 'trim'],
  paw: ['wash', 'clip', 'comb', 'protect', 'trim'],
  nail: ['clip', 'trim'],
  mouth: ['clean', 'wash', 'protect'],
  rear: ['wash', 'clip', 'comb', 'protect', 'trim'],
  body: ['protect'],
};

/** S2: look only. S3: the visit ends. */
export const STOP_TABLE: Readonly<Record<Exclude<Stop, 'S0'>, Readonly<Record<SignArea, readonly Procedure[]>>>> = {
  S1,
  S2: byArea(all),
  S3: byArea(all),
};

function byArea<T>(of: (area: SignArea) => T): Readonly<Record<SignArea, T>> {
  return Object.fromEntries((Object.keys(DONE_AT) as SignArea[]).map((area) => [area, of(area)])) as Record<
    SignArea,
    T
  >;
}

/** What stands in, by kind of place, gentlest last; the first that no bar forbids is said. */
export const INSTEAD: Readonly<Record<SignArea, readonly Instead[]>> = {
  ear: [{ words: 'Outer flap by damp pad only.', does: ['towel'] }, LOOK],
  eye: [{ words: 'Around it only, plain water on a soft cloth.', does: ['towel'] }, LOOK],
  fold: [{ words: 'Pat it dry from outside, nothing in it.', does: ['towel'] }, LOOK],
  nose: [LOOK],
  skin: [{ words: 'Plain water and a soft towel only.', does: ['rinse', 'towel'] }, LOOK],
  paw: [{ words: 'Plain water and a soft towel only.', does: ['rinse', 'towel'] }, LOOK],
  nail: [LOOK],
  mouth: [LOOK],
  rear: [{ words: 'Plain water and a soft towel only.', does: ['rinse', 'towel'] }, LOOK],
  body: [LOOK],
};

/** Where an ear keeps water off the head on its side. */
export const DRY_HEAD: Instead = { words: 'By damp cloth, no water above the neck on this side.', does: ['towel'] };
/** Where the step itself is left out, and nothing stands in. */
export const LEAVE_IT: Instead = { words: 'Leave it.', does: [] };
/** Product off and dry are never taken away: around a place that may not be touched they are done by cloth. */
export const AROUND_BY_CLOTH: Instead = { words: 'By cloth, around the place.', does: [] };
/** A product is kept off, the work goes on without it. */
export const PLAIN_WATER: Instead = { words: 'Plain water instead.', does: [] };
