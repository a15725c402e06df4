import type { DueLine } from '../due';
import { LEVELS, atLeast } from '../findings';
import { homeTasks, nextHomeDay } from '../homecare';
import { placeKey } from '../places';
import { showDay, type Day } from '../units';
import { everyWordsIn, fillIn, homeCareName, minuteWords, placeWords, sentence, type Wording } from '../wording';
import { afterEarHair } from './pieceLines';
import { capital } from './sawLines';
import type { HomeCareLine, Saw, SheetInput, SheetLine } from './sheet';

/** What the owner is asked to do, most urgent first, one sentence a place; then the next visit. */
export const suggestLines = (input: SheetInput, saw: readonly Saw[]): SheetLine[] => [
  ...advice(input, saw),
  ...cameBack(input),
  ...[afterEarHair(input)].flatMap((line) => line ?? []),
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
  const vetForTears = Object.values(judged).some((each) => each.matched.some(({ row }) => row.id === 'eye: stain'));
  const all = [...said, ...(vetForTears ? [{ key: 'eye vet', words: wording.sentences.eyeVet }] : [])];
  // An emergency is told once, wherever it was seen.
  return all.filter(({ words }, i) => all.findIndex((each) => each.words === words) === i);
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
