import { isWithin, labelMeaning, exactRange, readLabel, strengthOf, type ExactRange } from '@dewpond/core/dilution';
import type { HouseWays } from '@dewpond/core/ways';
import { badField } from '../../platform/http/problem';

interface Printed {
  readonly label: string;
  readonly kind: string;
  readonly waterParts: string | null;
  readonly range: ExactRange | null;
  readonly purposes: readonly { readonly purpose: string; readonly waterParts: string }[];
}

/**
 * Holds what was typed against what is printed: the strength must be one that the label can be read as, within its
 * range, by the business's habit or the other. Throws a refusal at the field; returns the range to keep, exact.
 */
export function validateReading(printed: Printed, ways: HouseWays, strokeMl: number | null): ExactRange | null {
  const { label, kind, waterParts, range } = printed;
  const read = readLabel(label, { medicated: kind === 'medicated', oneToN: ways.readsOneTo, strokeMl });
  const meaning = labelMeaning(read, waterParts === null ? null : { waterParts, range });
  if (meaning.kind === 'ready to use') return null;
  if (meaning.kind === 'refused') throw badField(meaning.at, meaning.why);
  if (meaning.kind === 'to be said' || waterParts === null)
    throw badField('waterParts', 'Say what it is mixed to, or write "ready to use".');
  const its = meaning.dilution.range;
  if (!its) return null;
  const stray = printed.purposes.findIndex((each) => !isWithin(its, strengthOf(each.waterParts)));
  if (stray >= 0) throw badField(`purposes.${stray}.waterParts`, `Outside ${label}.`);
  return exactRange(its);
}
