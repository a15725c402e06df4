import { addMonths } from '../units';
import { samePlace, type Place } from '../places';
import type { Day } from '../units';
import type { Finding } from './finding';
import { atLeast, type Level } from './levels';
import { areaOf, isKnownSign, mayBeAt, signWords, type Sign } from './signs';
import type { KnownSign, Look } from './look';

/** How long a vet's judgement holds, months; shorter for the eyes of flat faces [house values]. */
const HOLDS_MONTHS = 12;
const HOLDS_MONTHS_FLAT_EYE = 6;

/**
 * Findings that are "as always": slight, judged by a vet not too long ago, and nothing new beside them. Never pain,
 * smell, blood, pus or black debris. A rise, a new sign or the end of the time ends it.
 * @param here the findings of this place.
 */
export function asAlways(look: Look, here: readonly Finding[]): ReadonlySet<Finding> {
  const known = here.filter((found) => found.grade === 1 && isKnown(look, found));
  const isOld = ({ sign }: Finding) =>
    look.lastTime.some((then) => then.sign === sign && samePlace(then.place, look.place));
  const isNewBeside = here.some((found) => !known.includes(found) && !isOld(found));
  return new Set(isNewBeside ? [] : known);
}

function isKnown(look: Look, { place, sign, more }: Finding): boolean {
  if (!isKnownSign(sign) || signWords(sign).alwaysNew) return false;
  const flatEye = look.dog.flatFaceOrProminentEyes && areaOf(place.site) === 'eye';
  const until = (on: Day) => addMonths(on, flatEye ? HOLDS_MONTHS_FLAT_EYE : HOLDS_MONTHS);
  const days = [
    ...(more?.vetKnew === undefined ? [] : [more.vetKnew]),
    ...look.known.filter((each) => each.sign === sign && samePlace(each.place, place)).map(({ on }) => on),
  ];
  return days.some((on) => on <= look.today && look.today <= until(on));
}

/** A finding of an earlier visit, with the level it reached. */
export interface PastFinding extends Pick<Finding, 'place' | 'sign' | 'grade'> {
  readonly day: Day;
  readonly level: Level;
}

/**
 * What vets have judged and earlier visits did not contradict: a rise of the sign since, or another sign there that
 * was to be told to the owner and had not been seen before, ends it until a vet says it again.
 */
export const stillKnown = (known: readonly KnownSign[], past: readonly PastFinding[]): KnownSign[] =>
  known.filter(({ place, sign, on }) => {
    const here = past.filter((found) => samePlace(found.place, place));
    const before = new Set(here.filter(({ day }) => day <= on).map((found) => found.sign));
    return here.every((found) => {
      if (found.day <= on) return true;
      if (found.sign === sign) return found.grade === 1;
      return before.has(found.sign) || !atLeast(found.level, 'tell');
    });
  });

/** Why a sign at a place can never be "as always", to whoever writes down that a vet knows it; null: it can. */
export function knowsRefused(sign: Sign, place: Place): string | null {
  if (!mayBeAt(sign, place.site)) return 'That sign is not seen at that place.';
  return signWords(sign).alwaysNew
    ? 'Pain, smell, blood, pus and black debris are new each time: no word makes them “as always”.'
    : null;
}
