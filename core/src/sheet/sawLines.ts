import { countsAt, signWords, worstRipples, type Finding, type Sign } from '../findings';
import { lookedAtWith, placeKey, placeOf, type Grade, type Place } from '../places';
import { daysBetween, showMonth, type Day } from '../units';
import type { Saw, SheetInput, SheetLine } from './sheet';
import type { PlacedLine } from './together';
import { listed, placeWords, sentence, signAsOwnerReads, type Wording } from '../wording';

export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** What was seen, place by place as it was looked at; a nail is told by its own name, after its paw. */
export const sawLines = (input: SheetInput, looked: readonly Place[]): SawHere[] =>
  [...looked, ...atNails(input.state.findings)].map((place) => sawAt(input, place));

function atNails(findings: readonly Finding[]): Place[] {
  const nails = findings.filter(({ place }) => lookedAtWith(place) !== place).map(({ place }) => placeKey(place));
  return [...new Set(nails)].map(placeOf);
}

/** So many clear places are named beside what was found. */
const NAMED_CLEAR = 3;

/**
 * All clear places in one line, "Both ears, left eye: clear."; null when none is. Where something was found and much is clear,
 * nobody reads the names: what was not looked at is told by itself.
 */
export function clearLine(saw: readonly Saw[], wording: Wording): SheetLine | null {
  const places = saw.filter(({ grade }) => grade === 0).map(({ place }) => place);
  if (places.length === 0) return null;
  const names = listed(wording, places);
  const isRest = places.length < saw.length && names.split(', ').length > NAMED_CLEAR;
  return {
    key: 'clear',
    words: isRest ? wording.sentences.restIsClear : sentence(wording, 'placeClear', { places: capital(names) }),
  };
}

type SawHere = Saw & PlacedLine;

function sawAt(input: SheetInput, place: Place): SawHere {
  const { wording } = input;
  const here = input.state.findings.filter((found) => countsAt(found.place, place));
  const key = `saw ${placeKey(place)}`;
  const level = input.judged[placeKey(place)]?.level ?? 'none';
  const name = capital(placeWords(wording, place));
  if (here.length === 0) {
    return { key, place, grade: 0, level, words: sentence(wording, 'placeClear', { places: name }) };
  }
  const signs = here
    .map(({ sign, grade }) =>
      signWords(sign).graded
        ? sentence(wording, 'graded', { sign: signAsOwnerReads(wording, sign), grade: wording.grades[grade] ?? '' })
        : signAsOwnerReads(wording, sign),
    )
    .join('; ');
  const matched = input.judged[placeKey(place)]?.matched ?? [];
  // What a vet knows and what has not changed is not measured against last time.
  const asAlways = matched.some((each) => each.asAlways);
  const compared = asAlways ? wording.sentences.asAlways : compare(input, place);
  const say = (places: string) =>
    compared === null
      ? sentence(wording, 'place', { place: capital(places), signs })
      : sentence(wording, 'placeCompared', { place: capital(places), signs, compared });
  const at = { place, joins: 'its other side', say } as const;
  return { key, place, grade: worstRipples(here), level, words: say(name), at };
}

/** "Last time" is well remembered for this many days; after that the month is named. */
const REMEMBERED_DAYS = 28;

function compare({ lastTime, state, wording, day }: SheetInput, place: Place): string | null {
  if (lastTime === null) return null;
  const { sentences } = wording;
  const then = gradesAt(lastTime.findings, place);
  const now = gradesAt(state.findings, place);
  if ([...now.keys()].every((sign) => !then.has(sign)))
    // A nail is looked at with its paw.
    return lastTime.looked.includes(placeKey(lookedAtWith(place))) ? sentences.new : null;
  const key = change(then, now);
  const month = monthOfLast(lastTime.day, day, wording.language);
  return month === null ? sentences[key] : sentence(wording, `${key}Since`, { month });
}

function gradesAt(findings: readonly Finding[], place: Place): Map<Sign, Grade> {
  const grades = new Map<Sign, Grade>();
  for (const { sign, grade, place: at } of findings)
    if (countsAt(at, place)) grades.set(sign, Math.max(grade, grades.get(sign) ?? 0) as Grade);
  return grades;
}

/** Sign by sign, the worst change first: less wax beside blood is not "less than last time". */
function change(then: ReadonlyMap<Sign, Grade>, now: ReadonlyMap<Sign, Grade>): 'more' | 'less' | 'same' {
  const changes = [...new Set([...then.keys(), ...now.keys()])].map(
    (sign) => (now.get(sign) ?? 0) - (then.get(sign) ?? 0),
  );
  return changes.some((by) => by > 0) ? 'more' : changes.some((by) => by < 0) ? 'less' : 'same';
}

const monthOfLast = (last: Day, day: Day, language: string): string | null =>
  daysBetween(last, day) <= REMEMBERED_DAYS || last.slice(0, 7) === day.slice(0, 7)
    ? null
    : showMonth(last, day, language);
