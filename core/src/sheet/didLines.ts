import { stopsAtLeast } from '../findings';
import { SIDES, placeKey, samePlace, type Place } from '../places';
import { sameReason, type Reason } from '../reasons';
import type { BarAt } from '../stops';
import { TASKS, type Task } from '../tasks';
import { contactsCutShort, doneOf, elapsedSeconds, neededNothing, type TimerState } from '../visit';
import { caresFor, type Step, type StepTitle } from '../steps';
import type { Incident } from '../events';
import { fillIn, listed, placeWords, say, sayAll, sentence, type SentenceKey, type Wording } from '../wording';
import {
  because,
  clippedLine,
  earHairLines,
  isFirstPlace,
  leftPieces,
  nailsLine,
  neededNothingLine,
  small,
  type Worked,
} from './pieceLines';
import type { SheetInput, SheetLine } from './sheet';
import type { PlacedLine } from './together';

/** What was done, left alone, cut short or went wrong, from the steps and events of the visit. */
export function didLines(input: Worked, missing: readonly Place[]): PlacedLine[] {
  const { state, steps, wording } = input;
  const done = steps.flatMap((step) => doneOf(state, step) ?? []);
  const isDone = (stage: Step['stage']) => done.some((step) => step.stage === stage);
  const plain = (when: boolean, key: string, sentence: PlainSentence): SheetLine[] =>
    when ? [{ key, words: wording.sentences[sentence] }] : [];
  const lines: PlacedLine[] = [
    ...bathLine(input, isDone('wash 1')),
    ...done.flatMap((step) => padsLine(input, step)),
    ...cleanedLine(input, done),
    ...onlyWiped(input, done),
    ...plain(
      done.some(({ title }) => title.id === 'nose'),
      'nose',
      'noseBalm',
    ),
    ...earHairLines(input),
    ...clippedLine(input, done),
    ...plain(isDone('nails'), 'nails', 'nailsDone'),
    ...nailsLine(input),
    ...plain(isDone('brush-out'), 'brush-out', 'brushedOut'),
    ...plain(isDone('teeth'), 'teeth', 'teethDone'),
    ...plain(isDone('comb and tidy'), 'tidied', 'tidied'),
    ...finishedWith(input),
    ...alsoDone(input, done),
    ...neededNothingLine(input),
    ...leftAlone(input),
    ...steps.flatMap((step) => skippedLine(input, step)),
    ...steps.flatMap((step) => leftPieces(input, step)),
    ...SIDES.filter((side) => state.plugs[side] === 'not found').map((side) => ({
      key: `plug ${side}`,
      words: sentence(wording, 'plugNotFound', { side: wording.earSides[side] }),
    })),
    ...contactsCutShort(state.timers).map((timer) => contactLine(input, timer)),
    ...state.mats.map((mat, i) => ({ key: `mat ${i} ${placeKey(mat.place)}`, words: matWords(input, mat) })),
    ...state.incidents.map((incident, i) => ({
      key: `incident ${i} ${incident.kind}`,
      words: incidentWords(input, incident),
    })),
    ...(state.away
      ? [{ key: 'away', words: sentence(wording, 'wentHome', { because: because(wording, state.away.because) }) }]
      : []),
    ...plain(state.closed === 'ended early', 'ended early', 'endedEarly'),
    ...(missing.length > 0
      ? [{ key: 'not looked at', words: sentence(wording, 'notLookedAt', { places: listed(wording, missing) }) }]
      : []),
  ];
  // Two washes cut short alike are told once.
  return lines.filter(({ words }, i) => lines.findIndex((each) => each.words === words) === i);
}

function finishedWith({ state, wording }: Worked): SheetLine[] {
  const products = state.used.filter(({ ml, tasks }) => ml > 0 && tasks?.length === 0).map(({ name }) => name);
  return products.length === 0
    ? []
    : [{ key: 'finished', words: sentence(wording, 'finishedWith', { products: products.join(', ') }) }];
}

/** What was added in words of its own, as it was typed. */
function alsoDone({ wording }: Worked, done: readonly Step[]): SheetLine[] {
  const typed = done.flatMap(({ title }) => (title.id === 'typed' ? [title.words] : []));
  return typed.length === 0 ? [] : [{ key: 'also', words: sentence(wording, 'alsoDone', { what: typed.join(', ') }) }];
}

type PlainSentence = Extract<
  SentenceKey,
  'nailsDone' | 'brushedOut' | 'teethDone' | 'tidied' | 'noseBalm' | 'endedEarly'
>;

function bathLine({ state, wording }: Worked, bathed: boolean): SheetLine[] {
  if (!bathed) return [];
  // What finished a step was for no part of the bath.
  const products = state.used
    .filter(({ tasks }) => tasks?.length !== 0)
    .map(({ name }) => name)
    .join(', ');
  const words = products === '' ? wording.sentences.bathedPlain : sentence(wording, 'bathed', { products });
  return [{ key: 'bath', words }];
}

/** Pads that came out dirty, of an ear that was cleaned; none: null. */
function dirtyPads({ state }: Worked, { stage, counts, sides: [side] }: Step): number | null {
  return stage === 'ears, first pass' && counts === 'pads' && side && state.pads[side].dirty > 0
    ? state.pads[side].dirty
    : null;
}

const ONE_EACH = ['cleanedOnePadEach', 'cleanedPadsEach'] as const;

function padsLine(input: Worked, step: Step): PlacedLine[] {
  const { wording } = input;
  const count = dirtyPads(input, step);
  if (count === null || step.place === null) return [];
  const again = step.sides.some((side) => input.state.pads[side].rounds > 1);
  const say = (place: string, ears: number) => {
    const [one, more] = ears === 1 ? (['cleanedOnePad', 'cleanedPads'] as const) : ONE_EACH;
    const words =
      count === 1 ? sentence(wording, one, { place }) : sentence(wording, more, { place, count: String(count) });
    return again ? `${words} ${wording.sentences.filledTwice}` : words;
  };
  const words = say(placeWords(wording, step.place), 1);
  return [{ key: step.id, words, at: { place: step.place, joins: 'its other side', say } }];
}

/** All else that was cleaned, in one line. */
function cleanedLine(input: Worked, done: readonly Step[]): SheetLine[] {
  const places = done.flatMap((step) => {
    const { stage, place, counts } = step;
    const cleaned =
      stage === 'eyes, on the table' || stage === 'folds' || (stage === 'ears, first pass' && counts !== null);
    return cleaned && place && caresFor(step, place) && dirtyPads(input, step) === null ? [place] : [];
  });
  return places.length > 0
    ? [{ key: 'cleaned', words: sentence(input.wording, 'cleaned', { places: listed(input.wording, places) }) }]
    : [];
}

/** Steps that come short of cleaning a place, and how that is told. */
const SHORT_OF_CLEANING = [
  // The flap alone: nothing was counted, as nothing went in.
  ['wipedOutside', ({ id, counts }) => id.startsWith('ears, first pass') && counts === null],
  ['wipedAround', ({ title }) => title.id === 'eye around'],
  ['pattedDry', ({ title }) => title.id === 'fold dry'],
] as const satisfies readonly (readonly [SentenceKey, (step: Step) => boolean])[];

const onlyWiped = ({ wording }: Worked, done: readonly Step[]): SheetLine[] =>
  SHORT_OF_CLEANING.flatMap(([said, isSo]) => {
    const places = done.filter(isSo).flatMap(({ place }) => place ?? []);
    return places.length === 0
      ? []
      : [{ key: said, words: sentence(wording, said, { places: listed(wording, places) }) }];
  });

function contactLine({ wording }: Worked, timer: TimerState): SheetLine {
  const stood = timer.stopped ? (elapsedSeconds(timer, timer.stopped) ?? 0) : 0;
  const minutes = { stood: String(Math.floor(stood / 60)), asked: String(Math.ceil(timer.seconds / 60)) };
  return { key: timer.timer, words: sentence(wording, 'contactShort', minutes) };
}

const MAT_SENTENCES = { 'brushed out': 'matBrushed', shaved: 'matShaved', left: 'matLeft' } as const;

function matWords({ wording }: Worked, { place, way, beneath }: SheetInput['state']['mats'][number]): string {
  const said = sentence(wording, MAT_SENTENCES[way], { place: placeWords(wording, place) });
  return beneath === null ? said : `${said} ${sentence(wording, 'beneath', { what: because(wording, beneath) })}`;
}

function incidentWords({ wording }: Worked, { kind, place, done }: Incident): string {
  const what = wording.incidents[kind];
  return (
    place
      ? sentence(wording, 'incidentAt', { what, place: placeWords(wording, place), done })
      : sentence(wording, 'incident', { what, done })
  ).trim();
}

interface BarredStep {
  readonly bar: BarAt;
  readonly step: Step;
  readonly at: Place | null;
}

/** Bars that kept hands off what was not done, each once; what was done before a bar came was done. */
function barredSteps({ steps, state }: Worked): BarredStep[] {
  const all = steps.flatMap((step) => {
    const mark = state.steps[step.id];
    // What a later find took away of a finished step was no loss; what was skipped has its own reason.
    if (mark !== undefined && step.barred) return [];
    const bars = step.barred?.bars ?? step.leavesOut.flatMap((each) => (each.productOnly ? [] : each.bars));
    // What was said of the whole dog is told at the place of the step it took away.
    return bars.map((bar) => ({ bar, step, at: bar.at ?? (step.barred ? step.place : null) }));
  });
  const same = (a: BarredStep, b: BarredStep) =>
    sameReason(a.bar.reason, b.bar.reason) && (a.at === null ? b.at === null : b.at !== null && samePlace(a.at, b.at));
  return all.filter((each, i) => all.findIndex((other) => same(other, each)) === i);
}

/**
 * Places that a stop kept us off, once each, with all that barred them, the worst first; then tasks that were not done
 * for a reason of the whole dog. A habit of the business, and the nature of a coat, are no news to an owner.
 */
function leftAlone(input: Worked): PlacedLine[] {
  const { wording, state } = input;
  const barred = barredSteps(input).filter(({ bar }) => bar.stop !== 'S3' && !isSettledMat(bar.reason, state.mats));
  const places = barred.flatMap(({ at }) => (at === null ? [] : [at])).filter(isFirstPlace);
  const atPlaces = places.flatMap((place): PlacedLine[] => {
    const here = barred.filter(({ at }) => at !== null && samePlace(at, place)).map(({ bar }) => bar);
    // "Nothing greasy", "not combed before the mat is out": such small things are not a place left alone.
    if (!here.some((bar) => stopsAtLeast(bar.stop, 'S1') || bar.rank !== 'safety' || isWhole(barred, bar))) return [];
    const words = sayAll(
      here.map(({ reason }) => reason),
      wording,
      'owner',
    );
    if (words === null) return [];
    const say = (all: string) => sentence(wording, 'leftAlone', { place: all, because: words });
    const key = `left ${placeKey(place)}`;
    return [{ key, words: say(placeWords(wording, place)), at: { place, joins: 'any', say } }];
  });
  return [...atPlaces, ...notDone(wording, barred)];
}

/** A bar without a stop that took a whole step away: a damp ear is not plucked. */
const isWhole = (barred: readonly BarredStep[], bar: BarAt): boolean =>
  barred.some((each) => each.bar === bar && each.step.barred !== null && !each.step.id.startsWith('mat '));

/** What became of a mat is told by itself. */
const isSettledMat = (reason: Reason, mats: Worked['state']['mats']): boolean =>
  reason.kind === 'signs' &&
  reason.seen.every(({ sign }) => sign.endsWith('mat')) &&
  mats.some((mat) => samePlace(mat.place, reason.place));

/** Tasks of the whole dog that were not done, each once, by all that forbade it. */
function notDone(wording: Wording, barred: readonly BarredStep[]): SheetLine[] {
  const because = new Map<Task, Set<string>>();
  for (const { bar, step, at } of barred) {
    if (at !== null || bar.rank === 'default' || step.barred === null) continue;
    const words = say(bar.reason, wording, 'owner');
    const task = taskOf(step);
    if (words !== null && task !== null) because.set(task, (because.get(task) ?? new Set()).add(words));
  }
  return [...because].map(([task, reasons]) => ({
    key: `not done ${task}`,
    words: sentence(wording, 'skipped', { step: small(wording.tasks[task]), because: [...reasons].join('; ') }),
  }));
}

/** The task a step belongs to, where it has one that owners know. */
function taskOf({ stage }: Step): Task | null {
  if (BATHING.has(stage)) return 'bath';
  return stage in TASKS ? (stage as Task) : null;
}
const BATHING: ReadonlySet<string> = new Set([
  'wet',
  'wash 1',
  'face',
  'rinse 1',
  'wash 2',
  'last rinse',
  'water off',
  'dry',
]);

const titleIn = (wording: Wording, title: StepTitle, place: string): string =>
  title.id === 'typed' ? title.words : fillIn(wording.titles[title.id], { place, count: String(title.count ?? '') });

function skippedLine({ state, wording }: Worked, step: Step): PlacedLine[] {
  const { id, title } = step;
  const mark = state.steps[id];
  if (mark?.kind !== 'skipped' || neededNothing(state, step)) return [];
  const why = because(wording, mark.because);
  const say = (place: string) =>
    sentence(wording, 'skipped', { step: small(titleIn(wording, title, place)), because: why });
  const at = title.id === 'typed' ? null : title.place;
  const words = say(at ? placeWords(wording, at) : '');
  return [{ key: `skipped ${id}`, words, ...(at ? { at: { place: at, joins: 'its other side' as const, say } } : {}) }];
}
