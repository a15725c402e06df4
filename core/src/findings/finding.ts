import { mirror, type Grade, type Place } from '../places';
import { SIGNS, areaOf, type Sign } from './signs';

/** One thing seen, smelled or felt at one place. A grade of 0 is not a finding: the place is then "looked clear". */
export interface Finding {
  readonly place: Place;
  readonly sign: Sign;
  readonly grade: Exclude<Grade, 0>;
  /** Answer to the sign's question, where it has one. `null` = not answered, taken as the more careful answer. */
  readonly answer: boolean | null;
}

/** Throws `RangeError` when the sign is not one of that place. */
export function finding(place: Place, sign: Sign, grade: Exclude<Grade, 0>, answer: boolean | null = null): Finding {
  if (SIGNS[sign].area !== areaOf(place.site)) {
    throw new RangeError(`"${SIGNS[sign].name}" is not something seen at the ${place.site}.`);
  }
  return { place, sign, grade, answer };
}

export const mirrorFinding = (found: Finding): Finding => ({ ...found, place: mirror(found.place) });
