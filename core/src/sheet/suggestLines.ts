import type { DueLine } from '../due';
import { ALL_MEANWHILE, LEVELS, atLeast, meanwhileAt } from '../findings';
import { homeTasks, nextHomeDay } from '../homecare';
import { placeKey } from '../places';
import { showDay, type Day } from '../units';
import {
  everyWordsIn,
  fillIn,
  homeCareName,
  listed,
  minuteWords,
  placeWords,
  sentence,
  type Wording,
} from '../wording';
import { aftercareLines } from './aftercare';
import { capital } from './sawLines';
import type { HomeCareLine, Saw, SheetInput, SheetLine } from './sheet';

/** What the owner is asked to do, most urgent first, one sentence a place; what is normal after today; the next visit. */
export const suggestLines = (input: SheetInput, saw: readonly Saw[]): SheetLine[] => [
  ...advice(input, saw),
  ...meanwhile(input),
  ...cameBack(input),
  ...aftercareLines(input),
  nextLine(input),
];

function advice({ judged, wording }: SheetInput, saw: readonly Saw[]): SheetLine[] {
  const byUrgency = saw
    .filter(({ level }) => atLeast(level, 'watch'))
    .toSorted((a, b) => LEVELS.indexOf(b.level) - LEVELS.indexOf(a.level));
  const said = byUrgency.flatMap(({ place, level }): SheetLine[] => {
    const sentence = wording.advice[level];
    return sentence === null
      ? []
      : [{ key: `advice ${placeKey(place)}`, words: fillIn(sentence, { place: placeWords(wording, place) }) }];
  });
  // Whom a vet has told already is not asked to go and ask.
  const vetForTears = Object.values(judged).some((each) =>
    each.matched.some(({ row, asAlways }) => row.id === 'eye: stain' && !asAlways),
  );
  const all = [...said, ...(vetForTears ? [{ key: 'eye vet', words: wording.sentences.eyeVet }] : [])];
  // An emergency is told once, wherever it was seen.
  return all.filter(({ words }, i) => all.findIndex((each) => each.words === words) === i);
}

/** What the owner does and leaves meanwhile, once for all places of which it is true. */
function meanwhile({ judged, wording }: SheetInput): SheetLine[] {
  const at = Object.values(judged).map(({ place, matched }) => ({ place, ids: meanwhileAt(matched) }));
  return ALL_MEANWHILE.flatMap((id): SheetLine[] => {
    const places = at.filter(({ ids }) => ids.includes(id)).map(({ place }) => place);
    if (places.length === 0) return [];
    const words = fillIn(wording.meanwhile[id], { places: capital(listed(wording, places)) });
    return [{ key: `meanwhile ${id}`, words }];
  });
}

const cameBack = ({ often, wording }: SheetInput): SheetLine[] =>
  often.map(({ place, times }) => ({
    key: `often ${placeKey(place)}`,
    words: capital(sentence(wording, 'cameBackOften', { place: placeWords(wording, place), count: String(times) })),
  }));

function nextLine({ nextBooked, nextSuggested, day, wording }: SheetInput): SheetLine {
  const words =
    nextBooked === null
      ? sentence(wording, 'nextVisit', { day: showDay(nextSuggested ?? day, wording.language) })
      : sentence(wording, 'booked', { day: showDay(nextBooked, wording.language) });
  return { key: 'next', words };
}

/** What the owner does between visits: each task once, with the places it is for. */
export const homeCareLines = (due: readonly DueLine[], wording: Wording, visit: Day): HomeCareLine[] =>
  homeTasks(due).map((home) => ({
    key: `home ${home.key}`,
    task: home.task,
    words: sentence(wording, 'homeCare', {
      what: homeCareName(wording, home),
      every: everyWordsIn(wording, home.everyDays),
      day: showDay(nextHomeDay(home, visit, visit), wording.language),
      how: wording.homeHows[home.how],
      minutes: minuteWords(wording, home.minutes),
    }),
  }));
