import type { LabelReading } from '@dewpond/core/dilution';
import type { UnitSystem } from '@dewpond/core/units';

const MEASURED: Readonly<Record<UnitSystem, string>> = { metric: '20 ml/l', US: '4 oz/gal' };

/** Ways a label may be printed, as a business's own labels are; no "%" where it would be an active substance. */
export function ratioHint(units: UnitSystem, medicated: boolean, read: LabelReading): string {
  const percent = medicated || read.kind === 'ask for the dilution' ? '' : '2 %, ';
  return `50:1, 1 in 50, ${percent}${MEASURED[units]}, 10:1 to 32:1, ready to use`;
}
