import { SIDES, SITES, isWhole, type Place } from '../places';

/** Every place that has a name of its own: with a side and without. */
export const NAMED_PLACES: readonly Place[] = SITES.flatMap((site) =>
  (['none', ...SIDES] as const)
    .map((side): Place => ({ site, side }))
    .filter((place) => place.side === 'none' || isWhole(place)),
);
