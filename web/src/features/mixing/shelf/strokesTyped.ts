import { strokesFromGrams, strokesFromReadings } from '@dewpond/core/dilution';
import type { Millilitres } from '@dewpond/core/units';
import { typedNumber } from '../../../forms/typedNumber';

/** How ten strokes may be written down. */
export const HOW_MEASURED = {
  'grams each': 'weighed, grams of each',
  'grams standing': 'jug left on the scale, what it shows after each',
  'volume each': 'measured, volume of each',
  'volume standing': 'into one jug, what it reads after each',
} as const;
export type HowMeasured = keyof typeof HOW_MEASURED;

export type StrokesTyped =
  | { readonly kind: 'strokes'; readonly strokes: readonly Millilitres[] }
  | { readonly kind: 'no strokes'; readonly why: string };

const none = (why: string): StrokesTyped => ({ kind: 'no strokes', why });

/** Strokes in ml from what was typed; `volume` turns a typed volume into ml. Trouble comes back in words. */
export function strokesTyped(
  typed: readonly string[],
  how: HowMeasured,
  volume: (value: number) => Millilitres,
): StrokesTyped {
  const given = typed.filter((each) => each.trim() !== '').map(typedNumber);
  const wrong = given.find((each) => !Number.isFinite(each) || each < 0);
  if (wrong !== undefined) return none('Numbers only, none below 0.');
  try {
    const weighed = how.startsWith('grams');
    const each = how.endsWith('standing') ? strokesFromReadings(given) : given;
    return { kind: 'strokes', strokes: weighed ? strokesFromGrams(each) : each.map((value) => volume(value)) };
  } catch {
    return none('A reading is lower than the one before: it only ever rises.');
  }
}
