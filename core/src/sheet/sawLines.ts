import { SIGNS, countsAt, type Finding } from '../findings';
import { lookedAtWith, placeKey, placeOf, type Grade, type Place } from '../places';
import { daysBetween, showMonth, type Day } from '../units';
import type { Saw, SheetInput, SheetLine } from './sheet';
import { listed, placeWords, say, type Wording } from './wording';

export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** What was seen, place by place as it was looked at; a nail is told by its own name, after its paw. */
export const sawLines = (input: SheetInput, looked: readonly Place[]): Saw[] =>
  [...looked, ...atNails(input.state.findings)].map((place) => sawAt(input, place));

function atNails(findings: readonly Finding[]): Place[] {
  const nails = findings.filter(({ place }) => lookedAtWith(place) !== place).map(({ place }) => placeKey(place));
  return [...new Set(nails)].map(placeOf);
}

/** All clear places in one line, "Both ears, left eye: clear."; null when none is. */
export function clearLine(saw: readonly Saw[], wording: Wording): SheetLine | null {
  const places = saw.filter(({ grade }) => grade === 0).map(({ place }) => place);
  return places.length === 0
    ? null
    : { key: 'clear', words: say(wording, 'placeClear', { places: capital(listed(wording, places)) }) };
}

const worstAt = (findings: readonly Finding[], place: Place): Grade =>
  Math.max(0, ...findings.filter((found) => countsAt(found.place, place)).map((found) => found.grade)) as Grade;

function sawAt(input: SheetInput, place: Place): Saw {
  const { wording } = input;
  const here = input.state.findings.filter((found) => countsAt(found.place, place));
  const key = `saw ${placeKey(place)}`;
  const level = input.judged[placeKey(place)]?.level ?? 'none';
  const name = capital(placeWords(wording, place));
  if (here.length === 0) {
    return { key, place, grade: 0, level, words: say(wording, 'placeClear', { places: name }) };
  }
  const signs = here
    .map(({ sign, grade }) =>
      SIGNS[sign].graded
        ? say(wording, 'graded', { sign: wording.signs[sign], grade: wording.grades[grade] ?? '' })
        : wording.signs[sign],
    )
    .join('; ');
  const compared = compare(input, place);
  const words =
    compared === null
      ? say(wording, 'place', { place: name, signs })
      : say(wording, 'placeCompared', { place: name, signs, compared });
  return { key, place, grade: worstAt(here, place), level, words };
}

/** "Last time" is well remembered for this many days; after that the month is named. */
const REMEMBERED_DAYS = 28;

function compare({ lastTime, state, wording, day }: SheetInput, place: Place): string | null {
  if (lastTime === null) return null;
  const then = worstAt(lastTime.findings, place);
  const { sentences } = wording;
  // A nail is looked at with its paw.
  if (then === 0) return lastTime.looked.includes(placeKey(lookedAtWith(place))) ? sentences.new : null;
  const now = worstAt(state.findings, place);
  const key = now > then ? 'more' : now < then ? 'less' : 'same';
  const month = monthOfLast(lastTime.day, day, wording.language);
  return month === null ? sentences[key] : say(wording, `${key}Since`, { month });
}

const monthOfLast = (last: Day, day: Day, language: string): string | null =>
  daysBetween(last, day) <= REMEMBERED_DAYS || last.slice(0, 7) === day.slice(0, 7)
    ? null
    : showMonth(last, day, language);
