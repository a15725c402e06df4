import { HOME_HOWS, PLAN_BARS } from '../careplan';
import { ALL_SIGNS, EAR_CONDITIONS, SIGNS, type Sign } from '../findings';
import { SIDES, SITES, isWhole, namePlace, placeKey, type Place, type PlaceKey } from '../places';
import { isDay, showDay } from '../units';
import { STEP_TITLES } from '../visit';
import { fillIn } from './sentences';
import type { Wording } from './wording';

/** Every place by its name, with a side and without. */
export const NAMED_PLACES: readonly Place[] = SITES.flatMap((site) =>
  (['none', ...SIDES] as const)
    .map((side): Place => ({ site, side }))
    .filter((place) => place.side === 'none' || isWhole(place)),
);

/** Reasons of a plan that are made with a word of this dog in them. */
const MADE_REASONS = [
  'Nothing here until a vet has answered: {what}',
  'Nothing goes into this ear: {what}',
  'Nothing else on the skin: {what}',
  'Not done: {what}',
  'Not done until {day}: {what}',
  'damp',
];

/** The single reasons in a line of them. */
const reasonsIn = (because: string): string[] => because.split('; ').map((each) => each.replace(/\.$/, ''));

/** What steps, stops and home care say to owners, once each; a wording has another word for every one of them. */
export const PHRASES: readonly string[] = [
  ...new Set([...STEP_TITLES, ...HOME_HOWS, ...PLAN_BARS.flatMap(reasonsIn), ...EAR_CONDITIONS, ...MADE_REASONS]),
];

const SIGN_OF = new Map(ALL_SIGNS.map((sign): [string, Sign] => [SIGNS[sign].name, sign]));
const PLACE_OF = new Map(NAMED_PLACES.map((place): [string, PlaceKey] => [namePlace(place), placeKey(place)]));

/** Phrases with slots, as they are met in a text; the longest first, so that the nearest is found. */
const PATTERNS = PHRASES.filter((each) => each.includes('{'))
  .toSorted((a, b) => b.length - a.length)
  .map((english) => ({
    english,
    met: new RegExp(`^${english.replaceAll(/[.?*+^$()[\]\\|]/g, '\\$&').replaceAll(/\{(\w+)\}/g, '(?<$1>.+)')}$`),
  }));

/** What the application says in English, in the words of a wording. What somebody typed stays as it is. */
export function inWords(wording: Wording, english: string): string {
  const sign = SIGN_OF.get(english);
  if (sign) return wording.signs[sign];
  if (isDay(english)) return showDay(english, wording.language);
  const place = PLACE_OF.get(english);
  if (place) return wording.places[place] ?? english;
  const known = wording.phrases[english];
  if (known !== undefined) return known;
  for (const { english: phrase, met } of PATTERNS) {
    const slots = met.exec(english)?.groups;
    if (!slots) continue;
    const words = Object.entries(slots).map(([slot, said]) => [slot, inWords(wording, said)]);
    return fillIn(wording.phrases[phrase] ?? phrase, Object.fromEntries(words) as Record<string, string>);
  }
  return english;
}

/** Why something was left alone, in an owner's words: signs as they read them. */
export const reasonWords = (wording: Wording, because: string): string =>
  reasonsIn(because)
    .map((each) => inWords(wording, each))
    .join('; ');
