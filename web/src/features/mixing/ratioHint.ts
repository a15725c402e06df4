import type { UnitSystem } from '@dewpond/core/units';

/** Ways a label may be printed, as a house's own labels are. */
export const RATIO_HINT: Readonly<Record<UnitSystem, string>> = {
  metric: '50:1, 1 in 50, 2 %, 20 ml/l, 10:1 to 32:1, ready to use',
  US: '50:1, 1 in 50, 2 %, 4 oz/gal, 10:1 to 32:1, ready to use',
};
