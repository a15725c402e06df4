import type { Claim } from '../careplan';
import type { PlanDifference } from '../changes';
import { namePlace, placeKey, samePlace, nameBoth, mirror, type Place } from '../places';
import type { Reason } from '../reasons';
import type { BarAt, LeftOut } from '../stops';
import { showDay } from '../units';
import { ENGLISH } from './english';
import { say, sayAll } from './say';
import { fillIn } from './sentences';

/** A reason as one groomer says it to another. */
export const reasonTold = (reason: Reason): string => say(reason, ENGLISH, 'groomer') ?? '';

/** Several of them in one line, each once. */
export const reasonsTold = (reasons: readonly Reason[]): string => sayAll(reasons, ENGLISH, 'groomer') ?? '';

/** Places in one line as a groomer says them; both sides of a site as one. */
export function placesTold(places: readonly Place[]): string {
  const told = places.map((place) =>
    place.side !== 'none' && places.some((each) => samePlace(each, mirror(place)))
      ? nameBoth(place.site)
      : namePlace(place),
  );
  return [...new Set(told)].join(', ');
}

/** A bar's reason; with its place where it comes from another one than those it is told of. */
function reasonAt(bar: BarAt, places: readonly Place[]): string {
  const words = reasonTold(bar.reason);
  const { at } = bar;
  return at === null || places.some((place) => placeKey(place) === placeKey(at)) ? words : `${namePlace(at)}: ${words}`;
}

/** A bar in one line, with who lifted it and for what; its place where it is another than those it is told at. */
export function barTold(bar: BarAt, places: readonly Place[] = []): string {
  const words = reasonAt(bar, places);
  const { lifted } = bar;
  return lifted === null
    ? words
    : `${words}: lifted by ${lifted.by.join(', ')}, to ${lifted.procedure}, until ${showDay(lifted.until)}`;
}

/** What to say to the owner, of the worst of these bars that asks for something. */
export function tellOwner(bars: readonly BarAt[]): string | null {
  const [worst] = bars.filter(({ at, level }) => at !== null && ENGLISH.advice[level] !== null);
  if (!worst?.at) return null;
  return fillIn(ENGLISH.advice[worst.level] ?? '', { place: namePlace(worst.at) });
}

/** "left eye (squinting)", "face product at both eyes (Nothing else on the skin: Dr Oyelaran)": one line for one thing left out. */
export function leftOutWords({ places, bars, productOnly }: LeftOut): string {
  const why = [...new Set(bars.map((bar) => reasonAt(bar, places)))].join('; ');
  return `${productOnly ? 'product at ' : ''}${placesTold(places)} (${why})`;
}

/** How one line of a plan differs from another, as a groomer reads it. */
export function differenceWords(difference: PlanDifference): string {
  switch (difference.kind) {
    case 'barred':
      return `barred: ${reasonTold(difference.reason)}`;
    case 'no longer barred':
      return `no longer barred: ${reasonTold(difference.reason)}`;
    case 'ear hair':
      return `${difference.is.way} instead of ${difference.was.way}: ${reasonTold(difference.is.reason)}`;
    case 'words':
      return difference.words;
  }
}

const span = ({ interval: { least, most } }: Claim): string =>
  least === most ? `${most} days` : `${least}–${most} days`;

/** Claims of one rank that do not meet, and which was taken. */
export const disagreementWords = (claims: readonly Claim[], taken: Claim | undefined, safer: string): string =>
  `They disagree: ${claims
    .map((claim) => `${reasonTold(claim.reason)}: ${span(claim)}`)
    .join('; ')}.${taken ? ` Taken: ${span(taken)}, as ${safer} is safer here.` : ''}`;
