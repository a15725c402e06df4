import type { DueLine } from '../due';
import { ALL_MEANWHILE, LEVELS, atLeast, meanwhileAt } from '../findings';
import { homeTasks, nextHomeDay } from '../homecare';
import { placeKey } from '../places';
import { showDay, type Day } from '../units';
import { fillIn, homeCareName, homeOften, listed, minuteWords, placeWords, sentence, type Wording } from '../wording';
import { aftercareLines } from './aftercare';
import { capital } from './sawLines';
import type { HomeCareLine, Saw, SheetInput, SheetLine } from './sheet';
import type { PlacedLine } from './together';

/** Whom the owner asks, most urgent first, one sentence a place; the next visit. */
export const suggestLines = (input: SheetInput, saw: readonly Saw[]): PlacedLine[] => [
  ...advice(input, saw),
  ...cameBack(input),
  ...nextLine(input),
];

/** What the owner does until it is clear, and what is normal after today. */
export const careLines = (input: SheetInput): SheetLine[] => [...meanwhile(input), ...aftercareLines(input)];

function advice({ judged, wording }: SheetInput, saw: readonly Saw[]): PlacedLine[] {
  const byUrgency = saw
    .filter(({ level }) => atLeast(level, 'watch'))
    .toSorted((a, b) => LEVELS.indexOf(b.level) - LEVELS.indexOf(a.level));
  const said = byUrgency.flatMap(({ place, level }): PlacedLine[] => {
    const sentence = wording.advice[level];
    if (sentence === null) return [];
    const say = (places: string) => fillIn(sentence, { place: places });
    const key = `advice ${placeKey(place)}`;
    return [{ key, words: say(placeWords(wording, place)), at: { place, joins: 'any', say } }];
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

const cameBack = ({ often, wording }: SheetInput): PlacedLine[] =>
  often.map(({ place, times }) => {
    const say = (places: string) =>
      capital(sentence(wording, 'cameBackOften', { place: places, count: String(times) }));
    return {
      key: `often ${placeKey(place)}`,
      words: say(placeWords(wording, place)),
      at: { place, joins: 'any', say },
    };
  });

function nextLine({ next: { booked, suggested }, wording }: SheetInput): SheetLine[] {
  const shown = (day: Day) => showDay(day, wording.language);
  if (booked !== null && suggested !== null)
    return [{ key: 'next', words: sentence(wording, 'bookedLate', { day: shown(booked), sooner: shown(suggested) }) }];
  if (booked !== null) return [{ key: 'next', words: sentence(wording, 'booked', { day: shown(booked) }) }];
  // Where nothing recurs there is no day to suggest.
  return suggested === null ? [] : [{ key: 'next', words: sentence(wording, 'nextVisit', { day: shown(suggested) }) }];
}

/** What the owner does between visits: each task once, with the places it is for. */
export const homeCareLines = (due: readonly DueLine[], wording: Wording, visit: Day): HomeCareLine[] =>
  homeTasks(due).map((home) => ({
    key: `home ${home.key}`,
    task: home.task,
    words: sentence(wording, 'homeCare', {
      what: homeCareName(wording, home),
      every: homeOften(wording, home),
      day: showDay(nextHomeDay(home, visit, visit), wording.language),
      how: wording.homeHows[home.how],
      minutes: minuteWords(wording, home.minutes),
    }),
  }));
