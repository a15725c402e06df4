import { TASKS, type DueLine, type HomeCare, type Task } from '../careplan';
import { SENTENCES, fill } from './sentences';
import {
  ADVICE,
  LEVELS,
  SIGNS,
  atLeast,
  countsAt,
  higherLevel,
  type Finding,
  type Level,
  type Triage,
} from '../findings';
import {
  BODY_PLACES,
  GRADE_WORDS,
  SIDES,
  lookedAtWith,
  namePlace,
  placeKey,
  placeOf,
  type Grade,
  type Place,
  type PlaceKey,
} from '../places';
import { everyWords, showDay, type Day } from '../units';
import type { Incident, Step, TimerState, VisitState } from '../visit';
import { INCIDENTS, contactsCutShort, elapsedSeconds, inOwnersWords, notLookedAt } from '../visit';

/** What was seen at one place, for the drawing and the words. */
export interface Saw {
  readonly place: Place;
  readonly grade: Grade;
  readonly level: Level;
  readonly words: string;
}

/** One piece of home care, and the task it belongs to. */
export interface HomeCareLine {
  readonly task: Task;
  readonly words: string;
}

/** The owner's page in three parts kept apart: what we saw, what we did, what we suggest. */
export interface OwnerSheet {
  readonly dog: string;
  readonly day: Day;
  readonly saw: readonly Saw[];
  readonly did: readonly string[];
  readonly suggest: readonly string[];
  readonly homeCare: readonly HomeCareLine[];
  readonly next: string;
  /** The highest level of the visit. */
  readonly level: Level;
  /** Work came in after the close: look again. */
  readonly lookAgain: boolean;
}

export interface SheetInput {
  readonly dog: string;
  readonly day: Day;
  readonly state: VisitState;
  readonly steps: readonly Step[];
  readonly places: readonly Place[];
  readonly judged: Readonly<Partial<Record<PlaceKey, Triage>>>;
  /** Findings of the last salon inspection, and the places that were looked at then; null on a first visit. */
  readonly lastTime: { readonly findings: readonly Finding[]; readonly looked: readonly PlaceKey[] } | null;
  readonly due: readonly DueLine[];
  readonly nextSuggested: Day | null;
  readonly nextBooked: Day | null;
}

/** The owner sheet of a visit, from its events alone. Pure; the same visit gives the same words. */
export function makeSheet(input: SheetInput): OwnerSheet {
  const missing = notLookedAt(input.state, input.places);
  const looked = input.places.filter((place) => !missing.includes(place));
  const saw = [...looked, ...atNails(input.state.findings)].map((place) => sawAt(input, place));
  return {
    dog: input.dog,
    day: input.day,
    saw,
    did: [
      ...whatWeDid(input),
      ...(missing.length > 0 ? [fill(SENTENCES.notLookedAt, missing.map(namePlace).join(', '))] : []),
    ],
    suggest: advice(input, saw),
    homeCare: homeCareLines(input.due),
    next: nextWords(input),
    level: saw.reduce<Level>((level, each) => higherLevel(level, each.level), 'none'),
    lookAgain: input.state.cameInLater.length > 0,
  };
}

/** Nails something was found at: each is told by its own name, beside its paw. */
function atNails(findings: readonly Finding[]): Place[] {
  const nails = findings.filter(({ place }) => lookedAtWith(place) !== place).map(({ place }) => placeKey(place));
  return [...new Set(nails)].map(placeOf);
}

const OF_THE_BODY: ReadonlySet<PlaceKey> = new Set(BODY_PLACES.map(placeKey));

/**
 * All clear places in one line, "Right ear, left eye: clear."; null when none is. Body places are named apart only
 * where not all of them are clear: an owner reads four words, not twenty.
 */
export function clearWords(saw: readonly Saw[]): string | null {
  const places = saw.filter(({ grade }) => grade === 0).map(({ place }) => place);
  const body = places.filter((place) => OF_THE_BODY.has(placeKey(place)));
  const allOfIt = body.length === OF_THE_BODY.size;
  const clear = [
    ...places.filter((place) => !allOfIt || !body.includes(place)).map(namePlace),
    ...(allOfIt ? [SENTENCES.restClear] : []),
  ];
  return clear.length === 0 ? null : fill(SENTENCES.placeClear, capital(clear.join(', ')));
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
const worstAt = (findings: readonly Finding[], place: Place): Grade =>
  Math.max(0, ...findings.filter((found) => countsAt(found.place, place)).map((found) => found.grade)) as Grade;

function sawAt(input: SheetInput, place: Place): Saw {
  const here = input.state.findings.filter((found) => countsAt(found.place, place));
  const level = input.judged[placeKey(place)]?.level ?? 'none';
  const name = capital(namePlace(place));
  if (here.length === 0) return { place, grade: 0, level, words: fill(SENTENCES.placeClear, name) };
  const signs = here.map(({ sign, grade }) =>
    SIGNS[sign].graded ? `${SIGNS[sign].owner} (${GRADE_WORDS[grade]})` : SIGNS[sign].owner,
  );
  const compared = compare(input, place);
  const words =
    compared === null
      ? fill(SENTENCES.place, name, signs.join('; '))
      : fill(SENTENCES.placeCompared, name, signs.join('; '), compared);
  return { place, grade: worstAt(here, place), level, words };
}

function compare({ lastTime, state }: SheetInput, place: Place): string | null {
  if (lastTime === null) return null;
  const then = worstAt(lastTime.findings, place);
  if (then === 0) return lastTime.looked.includes(placeKey(place)) ? SENTENCES.new : null;
  const now = worstAt(state.findings, place);
  return now > then ? SENTENCES.more : now < then ? SENTENCES.less : SENTENCES.same;
}

function whatWeDid({ state, steps }: SheetInput): string[] {
  const isDone = (step: Step) => state.steps[step.id]?.kind === 'done';
  const bathed = steps.some((step) => step.stage === 'wash 1' && isDone(step));
  const used = state.used.map((each) => each.name).join(', ');
  const ears = steps.filter((step) => step.stage === 'ears, first pass' && step.counts === 'pads' && isDone(step));
  const cleaned = steps.flatMap((step) =>
    (step.stage === 'eyes, on the table' || step.stage === 'folds') && step.place && isDone(step)
      ? [namePlace(step.place)]
      : [],
  );
  const said = [
    ...(bathed ? [used === '' ? SENTENCES.bathedPlain : fill(SENTENCES.bathed, used)] : []),
    ...ears.map((step) => earWords(state, step)),
    ...(cleaned.length > 0 ? [fill(SENTENCES.cleaned, cleaned.join(', '))] : []),
    ...steps
      .filter((step) => (step.stage === 'nails' || step.stage === 'brush-out') && isDone(step))
      .map((step) => fill(SENTENCES.done, step.stage === 'nails' ? 'Nails and dewclaws done' : 'Brushed out')),
    ...leftAlone(steps),
    ...steps.flatMap((step) => skippedWords(state, step)),
    ...SIDES.filter((side) => state.plugs[side] === 'not found').map((side) => fill(SENTENCES.plugNotFound, side)),
    ...contactsCutShort(state.timers).map(contactWords),
    ...state.mats.map(matWords),
    ...state.incidents.map(incidentWords),
    ...(state.away ? [fill(SENTENCES.wentHome, state.away.because)] : []),
    ...(state.closed === 'ended early' ? [SENTENCES.endedEarly] : []),
  ];
  return [...new Set(said)];
}

function contactWords(timer: TimerState): string {
  const stood = timer.stopped ? (elapsedSeconds(timer, timer.stopped) ?? 0) : 0;
  return fill(SENTENCES.contactShort, String(Math.floor(stood / 60)), String(Math.ceil(timer.seconds / 60)));
}

const MAT_WORDS = {
  'brushed out': SENTENCES.matBrushed,
  shaved: SENTENCES.matShaved,
  left: SENTENCES.matLeft,
} as const;

function matWords({ place, way, beneath }: VisitState['mats'][number]): string {
  const said = fill(MAT_WORDS[way], namePlace(place));
  return beneath === '' ? said : `${said} ${fill(SENTENCES.beneath, beneath)}`;
}

const incidentWords = ({ kind, place, done }: Incident): string =>
  fill(SENTENCES.incident, INCIDENTS[kind].owner, place ? ` (${namePlace(place)})` : '', done).trim();

function earWords(state: VisitState, step: Step): string {
  const side = step.sides[0];
  const name = step.place ? namePlace(step.place) : 'ear';
  const dirty = side ? state.pads[side].dirty : 0;
  if (dirty === 0) return fill(SENTENCES.cleaned, name);
  return fill(SENTENCES.cleanedPads, name, dirty === 1 ? 'one dirty pad' : `${dirty} dirty pads`);
}

/** Places that a stop kept us off, once each, with the owner's words for what barred them. */
function leftAlone(steps: readonly Step[]): string[] {
  const barred = steps.flatMap((step) =>
    step.place && step.barred ? [{ name: namePlace(step.place), because: step.barred.because }] : [],
  );
  return barred.map(({ name, because }) => fill(SENTENCES.leftAlone, name, inOwnersWords(because)));
}

function skippedWords(state: VisitState, step: Step): string[] {
  const mark = state.steps[step.id];
  return mark?.kind === 'skipped' && step.barred === null
    ? [fill(SENTENCES.skipped, step.title.toLowerCase(), mark.because)]
    : [];
}

/** Most urgent first; one sentence a place. */
function advice({ judged }: SheetInput, saw: readonly Saw[]): string[] {
  const byUrgency = saw
    .filter(({ level }) => atLeast(level, 'watch'))
    .toSorted((a, b) => LEVELS.indexOf(b.level) - LEVELS.indexOf(a.level));
  const sentences = byUrgency.flatMap(({ place, level }) => {
    const sentence = ADVICE[level];
    if (sentence === null) return [];
    return sentence.includes('{}') ? [fill(sentence, namePlace(place))] : [sentence];
  });
  const vetForTears = Object.values(judged).some((each) => each.rows.some((row) => row.id === 'eye: stain'));
  return [...new Set([...sentences, ...(vetForTears ? ['Please ask an eye vet once why the eyes water.'] : [])])];
}

function homeCareLines(due: readonly DueLine[]): HomeCareLine[] {
  const asked = new Map<string, { task: Task; home: HomeCare; places: Place[] }>();
  for (const { line } of due) {
    if (!line.home) continue;
    const key = [line.task, line.home.everyDays, line.home.how].join('|');
    const known = asked.get(key) ?? { task: line.task, home: line.home, places: [] };
    asked.set(key, { ...known, places: [...known.places, ...(line.place ? [line.place] : [])] });
  }
  return [...asked.values()].map(({ task, home, places }) => ({
    task,
    words: fill(
      SENTENCES.homeCare,
      `${TASKS[task].name}${whereAtHome(places)}, ${everyWords(home.everyDays)}`,
      home.how,
      home.minutes === 1 ? '1 minute' : `${home.minutes} minutes`,
    ),
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

function nextWords({ nextBooked, nextSuggested, day }: SheetInput): string {
  if (nextBooked !== null) return fill(SENTENCES.booked, showDay(nextBooked));
  return fill(SENTENCES.nextVisit, showDay(nextSuggested ?? day));
}
