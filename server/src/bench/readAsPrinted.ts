import { readLabel, strengthOf, type LabelReading } from '@dewpond/core/dilution';
import type { HouseWays } from '@dewpond/core/ways';
import { badField } from '../http/problem';

interface Printed {
  readonly label: string;
  readonly kind: string;
  readonly waterParts: string | null;
  readonly purposes: readonly { readonly purpose: string; readonly waterParts: string }[];
}

/** The range of a label in exact fractions, as it is kept; null where it gives none. */
export type KeptRange = { readonly strongest: string; readonly weakest: string } | null;

/**
 * Holds what was typed against what is printed: the strength must be one that the label can be read as, within its
 * range, by the house's habit or the other. Throws a refusal at the field; returns the range to keep.
 */
export function refuseMisread(printed: Printed, ways: HouseWays): KeptRange {
  const { label, kind, waterParts } = printed;
  const read = readLabel(label, { medicated: kind === 'medicated', oneToN: ways.readsOneTo });
  if (read.kind === 'unreadable') throw badField('label', read.why);
  if (read.kind === 'ready to use') {
    if (waterParts !== null) throw badField('waterParts', 'Ready to use is never diluted.');
    return null;
  }
  if (waterParts === null) throw badField('waterParts', 'Say what it is mixed to, or write "ready to use".');
  if (!mayBe(read, waterParts)) throw badField('waterParts', `"${label}" cannot be read as that.`);
  if (read.kind !== 'range') return null;
  const stray = printed.purposes.findIndex((each) => !mayBe(read, each.waterParts));
  if (stray >= 0) throw badField(`purposes.${stray}.waterParts`, `Outside ${label}.`);
  return {
    strongest: read.strongest.strength.water.toFraction(),
    weakest: read.weakest.strength.water.toFraction(),
  };
}

function mayBe(read: LabelReading, waterParts: string): boolean {
  const { water } = strengthOf(waterParts);
  switch (read.kind) {
    case 'read':
      return read.reading.strength.water.equals(water);
    case 'ask which':
      return read.readings.some(({ strength }) => strength.water.equals(water));
    case 'range':
      return water.compare(read.strongest.strength.water) >= 0 && water.compare(read.weakest.strength.water) <= 0;
    case 'ask for the dilution':
      return true;
    case 'ready to use':
    case 'unreadable':
      return false;
  }
}
