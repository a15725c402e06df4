import { TASKS, type DueLine, type HomeCare, type Task } from '../careplan';
import { LEVELS, atLeast } from '../findings';
import { namePlace, placeKey, type Place } from '../places';
import { everyWords, showDay } from '../units';
import { fillIn } from './sentences';
import type { HomeCareLine, Saw, SheetInput, SheetLine } from './sheet';
import { say, type Wording } from './wording';

/** What the owner is asked to do, most urgent first, one sentence a place; then the next visit. */
export const suggestLines = (input: SheetInput, saw: readonly Saw[]): SheetLine[] => [
  ...advice(input, saw),
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
      : [{ key: `advice ${placeKey(place)}`, words: fillIn(sentence, { place: namePlace(place) }) }];
  });
  const vetForTears = Object.values(judged).some((each) => each.rows.some((row) => row.id === 'eye: stain'));
  const all = [...said, ...(vetForTears ? [{ key: 'eye vet', words: wording.sentences.eyeVet }] : [])];
  // An emergency is told once, wherever it was seen.
  return all.filter(({ words }, i) => all.findIndex((each) => each.words === words) === i);
}

function nextLine({ nextBooked, nextSuggested, day, wording }: SheetInput): SheetLine {
  const words =
    nextBooked === null
      ? say(wording, 'nextVisit', { day: showDay(nextSuggested ?? day) })
      : say(wording, 'booked', { day: showDay(nextBooked) });
  return { key: 'next', words };
}

/** What the owner does between visits: each task once, with the places it is for. */
export function homeCareLines(due: readonly DueLine[], wording: Wording): HomeCareLine[] {
  const asked = new Map<string, { task: Task; home: HomeCare; places: Place[] }>();
  for (const { line } of due) {
    if (!line.home) continue;
    const key = [line.task, line.home.everyDays, line.home.how].join('|');
    const known = asked.get(key) ?? { task: line.task, home: line.home, places: [] };
    asked.set(key, { ...known, places: [...known.places, ...(line.place ? [line.place] : [])] });
  }
  return [...asked.values()].map(({ task, home, places }) => ({
    key: ['home', task, ...places.map(placeKey)].join(' '),
    task,
    words: say(wording, 'homeCare', {
      what: `${TASKS[task].name}${whereAtHome(places)}`,
      every: everyWords(home.everyDays),
      how: home.how,
      minutes: home.minutes === 1 ? '1 minute' : `${home.minutes} minutes`,
    }),
  }));
}
/** Which of several places is meant: folds by name, and one side only where the other must be left alone. */
function whereAtHome(places: readonly Place[]): string {
  const bySite = [...new Set(places.map(({ site }) => site))].map((site) =>
    places.filter((each) => each.site === site),
  );
  const names = bySite.flatMap((sides) => {
    const [first] = sides;
    if (!first) return [];
    if (sides.length === 1 && first.side !== 'none') return [`${namePlace(first)} only`];
    return first.site.startsWith('fold') ? [namePlace({ ...first, side: 'none' })] : [];
  });
  return names.length === 0 ? '' : ` (${names.join(', ')})`;
}
