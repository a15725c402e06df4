import { mirror, type Grade, type Place } from '../places';
import type { Day } from '../units';
import { SIGNS, mayBeAt, type Sign } from './signs';

/** One thing seen, smelled or felt at one place. A grade of 0 is not a finding: the place is then "looked clear". */
export interface Finding {
  readonly place: Place;
  readonly sign: Sign;
  readonly grade: Exclude<Grade, 0>;
  /** Answer to the sign's question, where it has one. `null` = not answered, taken as the more careful answer. */
  readonly answer: boolean | null;
  readonly more?: FindingDetails;
}

/** What is said of a finding besides sign and grade; all of it optional; of it the table hears only what a vet knows. */
export interface FindingDetails {
  readonly colour?: (typeof FINDING_COLOURS)[number];
  readonly smell?: (typeof FINDING_SMELLS)[number];
  /** Largest size across, mm. */
  readonly mm?: number;
  /** The owner knows of it. */
  readonly known?: boolean;
  /** The day on which a vet judged it; unchanged since, it is "as always" (see `asAlways`). */
  readonly vetKnew?: Day;
  readonly painful?: boolean;
  /** In the groomer's own words. */
  readonly words?: string;
}

/** Colours and smells in the words that are used of them at the table. */
export const FINDING_COLOURS = ['pale', 'pink', 'red', 'brown', 'yellow', 'green', 'black'] as const;
export const FINDING_SMELLS = ['none', 'musty', 'sour', 'sweet', 'foul'] as const;

/**
 * Throws `RangeError` when the sign is not one of that place.
 * @example
 * finding({ site: 'ear', side: 'left' }, 'ear damp', 2).answer // null
 */
export function finding(place: Place, sign: Sign, grade: Exclude<Grade, 0>, answer: boolean | null = null): Finding {
  if (!mayBeAt(sign, place.site)) {
    throw new RangeError(`"${SIGNS[sign].name}" is not something seen at the ${place.site}.`);
  }
  return { place, sign, grade, answer };
}

export const mirrorFinding = (found: Finding): Finding => ({ ...found, place: mirror(found.place) });

/** Mats, wherever they are. */
export const isMat = ({ sign }: Pick<Finding, 'sign'>): boolean =>
  sign === 'mat' || sign === 'ear mat' || sign === 'eye mat';
/** Down to the skin, or not said: the careful way. */
export const isToTheSkin = (found: Pick<Finding, 'sign' | 'answer'>): boolean => isMat(found) && found.answer !== false;
