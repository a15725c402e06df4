import { SIDES, placeKey, type Place } from '../places';
import { contactsCutShort, elapsedSeconds, type Incident, type Step, type TimerState } from '../visit';
import type { SentenceKey } from './sentences';
import type { SheetInput, SheetLine } from './sheet';
import { inWords, reasonWords } from './phrases';
import { listed, placeWords, say } from './wording';

/** What a visit came to, and in whose words it is told. */
type Worked = Pick<SheetInput, 'state' | 'steps' | 'wording'>;

/** What was done, left alone, cut short or went wrong, from the steps and events of the visit. */
export function didLines(input: Worked, missing: readonly Place[]): SheetLine[] {
  const { state, steps, wording } = input;
  const isDone = (step: Step) => state.steps[step.id]?.kind === 'done';
  const plain = (when: boolean, key: string, sentence: PlainSentence): SheetLine[] =>
    when ? [{ key, words: wording.sentences[sentence] }] : [];
  const lines = [
    ...bathLine(
      input,
      steps.some((step) => step.stage === 'wash 1' && isDone(step)),
    ),
    ...steps.filter(isDone).flatMap((step) => padsLine(input, step)),
    ...cleanedLine(input, steps.filter(isDone)),
    ...plain(
      steps.some((step) => step.stage === 'nails' && isDone(step)),
      'nails',
      'nailsDone',
    ),
    ...plain(
      steps.some((step) => step.stage === 'brush-out' && isDone(step)),
      'brush-out',
      'brushedOut',
    ),
    ...leftAlone(input),
    ...steps.flatMap((step) => skippedLine(input, step)),
    ...SIDES.filter((side) => state.plugs[side] === 'not found').map((side) => ({
      key: `plug ${side}`,
      words: say(wording, 'plugNotFound', { side }),
    })),
    ...contactsCutShort(state.timers).map((timer) => contactLine(input, timer)),
    ...state.mats.map((mat, i) => ({ key: `mat ${i} ${placeKey(mat.place)}`, words: matWords(input, mat) })),
    ...state.incidents.map((incident, i) => ({
      key: `incident ${i} ${incident.kind}`,
      words: incidentWords(input, incident),
    })),
    ...(state.away
      ? [{ key: 'away', words: say(wording, 'wentHome', { because: reasonWords(wording, state.away.because) }) }]
      : []),
    ...plain(state.closed === 'ended early', 'ended early', 'endedEarly'),
    ...(missing.length > 0
      ? [{ key: 'not looked at', words: say(wording, 'notLookedAt', { places: listed(wording, missing) }) }]
      : []),
  ];
  // Two washes cut short alike are told once.
  return lines.filter(({ words }, i) => lines.findIndex((each) => each.words === words) === i);
}

const small = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

type PlainSentence = Extract<SentenceKey, 'nailsDone' | 'brushedOut' | 'endedEarly'>;

function bathLine({ state, wording }: Worked, bathed: boolean): SheetLine[] {
  if (!bathed) return [];
  const products = state.used.map(({ name }) => name).join(', ');
  const words = products === '' ? wording.sentences.bathedPlain : say(wording, 'bathed', { products });
  return [{ key: 'bath', words }];
}

/** Pads that came out dirty, of an ear that was cleaned; none: null. */
function dirtyPads({ state }: Worked, { stage, counts, sides: [side] }: Step): number | null {
  return stage === 'ears, first pass' && counts === 'pads' && side && state.pads[side].dirty > 0
    ? state.pads[side].dirty
    : null;
}

function padsLine(input: Worked, step: Step): SheetLine[] {
  const { wording } = input;
  const count = dirtyPads(input, step);
  if (count === null || step.place === null) return [];
  const place = placeWords(wording, step.place);
  const words =
    count === 1
      ? say(wording, 'cleanedOnePad', { place })
      : say(wording, 'cleanedPads', { place, count: String(count) });
  return [{ key: step.id, words }];
}

/** All else that was cleaned, in one line. */
function cleanedLine(input: Worked, done: readonly Step[]): SheetLine[] {
  const places = done.flatMap((step) => {
    const { stage, place, counts } = step;
    const cleaned =
      stage === 'eyes, on the table' || stage === 'folds' || (stage === 'ears, first pass' && counts === 'pads');
    return cleaned && place && dirtyPads(input, step) === null ? [place] : [];
  });
  return places.length > 0
    ? [{ key: 'cleaned', words: say(input.wording, 'cleaned', { places: listed(input.wording, places) }) }]
    : [];
}

function contactLine({ wording }: Worked, timer: TimerState): SheetLine {
  const stood = timer.stopped ? (elapsedSeconds(timer, timer.stopped) ?? 0) : 0;
  const minutes = { stood: String(Math.floor(stood / 60)), asked: String(Math.ceil(timer.seconds / 60)) };
  return { key: timer.timer, words: say(wording, 'contactShort', minutes) };
}

const MAT_SENTENCES = { 'brushed out': 'matBrushed', shaved: 'matShaved', left: 'matLeft' } as const;

function matWords({ wording }: Worked, { place, way, beneath }: SheetInput['state']['mats'][number]): string {
  const said = say(wording, MAT_SENTENCES[way], { place: placeWords(wording, place) });
  return beneath === '' ? said : `${said} ${say(wording, 'beneath', { what: beneath })}`;
}

function incidentWords({ wording }: Worked, { kind, place, done }: Incident): string {
  const what = wording.incidents[kind];
  return (
    place
      ? say(wording, 'incidentAt', { what, place: placeWords(wording, place), done })
      : say(wording, 'incident', { what, done })
  ).trim();
}

/** Places that a stop kept us off, once each, with the owner's words for what barred them. */
function leftAlone({ steps, wording }: Worked): SheetLine[] {
  return steps.flatMap(({ place, barred }) =>
    place && barred
      ? [
          {
            key: `left ${placeKey(place)}`,
            words: say(wording, 'leftAlone', {
              place: placeWords(wording, place),
              because: reasonWords(wording, barred.because),
            }),
          },
        ]
      : [],
  );
}

function skippedLine({ state, wording }: Worked, step: Step): SheetLine[] {
  const mark = state.steps[step.id];
  return mark?.kind === 'skipped' && step.barred === null
    ? [
        {
          key: `skipped ${step.id}`,
          words: say(wording, 'skipped', {
            step: small(inWords(wording, step.title)),
            because: reasonWords(wording, mark.because),
          }),
        },
      ]
    : [];
}
