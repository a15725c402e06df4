import { PAD_SHOWS, finding, worseAnswer, worsePad, type Finding, type FindingDetails, type Sign } from '../findings';
import { placeKey, type Place, type Side } from '../places';
import { clashesOf } from './clashes';
import { mergeEvents, saw, type Happening, type VisitEvent, type PlugState } from '../events';
import { EMPTY_VISIT, type PadCount, type TimerState, type VisitState } from './state';

/** A finding as one device marked it. */
interface Mark {
  readonly found: Finding;
  readonly by: VisitEvent;
}

/**
 * The state so far, and the marks behind each finding: those that no later maker had before their eyes. A mark only
 * replaces what its maker had seen; of several made apart the worse grade and the worse answer hold.
 */
interface Folding {
  state: VisitState;
  readonly marks: Map<string, readonly Mark[]>;
}

/** The one reducer: any order and any duplication of the same events gives the same state. Runs in browser and server alike. */
export function foldVisit(events: readonly VisitEvent[]): VisitState {
  const all = mergeEvents(events);
  const folding: Folding = { state: EMPTY_VISIT, marks: new Map() };
  for (const event of all) folding.state = happen(folding, event.what, event);
  const close = all.find(({ what }) => what.type === 'closed');
  return {
    ...folding.state,
    clashes: clashesOf(all),
    cameInLater: close
      ? all.filter((event) => event.what.type !== 'closed' && !saw(close, event)).map(({ id }) => id)
      : [],
  };
}

function happen(folding: Folding, what: Happening, event: VisitEvent): VisitState {
  const { state } = folding;
  switch (what.type) {
    case 'opened':
      return { ...state, opened: true };
    case 'step done':
      return withStopped(
        { ...state, steps: { ...state.steps, [what.step]: { kind: 'done', by: event } } },
        event,
        (timer) => timer.step === what.step || (RINSES.has(what.step) && timer.timer.startsWith('contact')),
      );
    case 'step skipped':
      return {
        ...state,
        steps: { ...state.steps, [what.step]: { kind: 'skipped', because: what.because, by: event } },
      };
    case 'step undone':
      return {
        ...state,
        steps: Object.fromEntries(Object.entries(state.steps).filter(([step]) => step !== what.step)),
      };
    case 'step added':
    case 'step moved': {
      const { type, ...change } = what;
      const kind = type === 'step added' ? 'added' : 'moved';
      return {
        ...state,
        stepChanges: [...state.stepChanges, { kind, ...change } as VisitState['stepChanges'][number]],
      };
    }
    case 'checked': {
      const before = state.checked[what.step] ?? [];
      return before.includes(what.part)
        ? state
        : { ...state, checked: { ...state.checked, [what.step]: [...before, what.part] } };
    }
    case 'caution overridden': {
      const { type: _, ...told } = what;
      return { ...state, overridden: [...state.overridden, { ...told, by: event }] };
    }
    case 'timer started':
      return {
        ...state,
        timers: [
          ...state.timers.filter(({ timer }) => timer !== what.timer),
          {
            timer: what.timer,
            step: what.step,
            seconds: what.seconds,
            most: what.most ?? null,
            started: event,
            stopped: null,
          },
        ],
      };
    case 'timer stopped':
      return withStopped(state, event, (timer) => timer.timer === what.timer);
    case 'looked clear':
      return lookClear(folding, what.place, event);
    case 'found':
      return addFinding(folding, what.finding, event);
    case 'taken back':
      return withMarks(folding, what.place, what.sign, (marks) => marks.filter(({ by }) => !saw(event, by)));
    case 'photo taken': {
      const { type: _, ...photo } = what;
      return { ...state, photos: [...state.photos.filter((each) => each.photo !== what.photo), photo] };
    }
    case 'photo removed':
      return { ...state, photos: state.photos.filter(({ photo }) => photo !== what.photo) };
    case 'plug in':
      return withPlug(state, what.side, 'in');
    case 'plug out':
      return withPlug(state, what.side, `out, ${what.came}`);
    case 'plug not found':
      return withPlug(state, what.side, 'not found');
    case 'pad dirty':
      return dirtyPad(folding, what, event);
    case 'pad clean':
      return withPads(state, what.side, { ...state.pads[what.side], clean: true });
    case 'used': {
      const { type: _, ...used } = what;
      return { ...state, used: [...state.used.filter((each) => each.product !== what.product), used] };
    }
    case 'mix taken': {
      const { type: _, ...taken } = what;
      return { ...state, mixes: [...state.mixes.filter(({ mix }) => mix !== what.mix), taken] };
    }
    case 'mix put back':
      return { ...state, mixes: state.mixes.filter(({ mix }) => mix !== what.mix) };
    case 'tool used':
      return { ...state, tools: { ...state.tools, [what.part]: what.tool } };
    case 'owner asked': {
      const { type: _, ...told } = what;
      return { ...state, asked: [...state.asked, { ...told, by: event }] };
    }
    case 'mat settled': {
      const { type: _, ...told } = what;
      return {
        ...state,
        mats: [...state.mats.filter((each) => placeKey(each.place) !== placeKey(what.place)), told],
      };
    }
    case 'incident':
      return { ...state, incidents: [...state.incidents, { ...what.incident, by: event }] };
    case 'went home':
      return { ...state, away: { because: what.because, back: what.back } };
    case 'came back':
      return { ...state, away: null };
    case 'answered':
      return { ...state, answers: { ...state.answers, [what.question]: what.answer } };
    case 'noted':
      return { ...state, notes: [...state.notes, what.text] };
    case 'closed':
      return { ...state, closed: state.closed ?? what.how };
    default:
      // Written by a newer Dewpond: what it means is not known here. It is kept and told of, and nothing else is lost for it.
      return { ...state, newer: [...state.newer, event.id] };
  }
}

/** Rinsing ends every contact time, whether somebody stopped the clock or not. */
const RINSES: ReadonlySet<string> = new Set(['rinse 1', 'last rinse']);

const withStopped = (state: VisitState, by: VisitEvent, which: (timer: TimerState) => boolean): VisitState => ({
  ...state,
  timers: state.timers.map((each) => (each.stopped === null && which(each) ? { ...each, stopped: by } : each)),
});

const markKey = (place: Place, sign: Sign): string => `${placeKey(place)} ${sign}`;

/** Marks made apart of one sign at one place, as one finding: the worse grade, the worse answer. */
const together = (marks: readonly Mark[]): Finding | null =>
  marks.reduce<Finding | null>((worst, { found }) => {
    if (worst === null) return found;
    const grade = worst.grade >= found.grade ? worst.grade : found.grade;
    const { vetKnew, ...more } = { ...worst.more, ...found.more };
    // "As always" is the milder word: it holds only where everybody said it.
    const known = worst.more?.vetKnew !== undefined && found.more?.vetKnew !== undefined;
    const details: FindingDetails = known && vetKnew !== undefined ? { ...more, vetKnew } : more;
    return {
      ...found,
      grade,
      answer: worseAnswer(found.sign, worst.answer, found.answer),
      ...(Object.keys(details).length > 0 ? { more: details } : {}),
    };
  }, null);

/** Changes the marks of a sign at a place, and with them what counts as found there. */
function withMarks(
  folding: Folding,
  place: Place,
  sign: Sign,
  change: (marks: readonly Mark[]) => readonly Mark[],
): VisitState {
  const { state, marks } = folding;
  const key = markKey(place, sign);
  const after = change(marks.get(key) ?? []);
  marks.set(key, after);
  const others = state.findings.filter((each) => markKey(each.place, each.sign) !== key);
  const found = together(after);
  return { ...state, findings: found ? [...others, found] : others };
}

/** "Clear" takes away what its maker had seen there; what another device found meanwhile stays. */
function lookClear(folding: Folding, place: Place, event: VisitEvent): VisitState {
  const key = placeKey(place);
  for (const { sign } of folding.state.findings.filter((found) => placeKey(found.place) === key))
    folding.state = withMarks(folding, place, sign, (marks) => marks.filter(({ by }) => !saw(event, by)));
  const { state } = folding;
  const contradicted = state.findings.some((found) => placeKey(found.place) === key);
  const known = state.lookedClear.includes(key) || contradicted;
  return { ...state, lookedClear: known ? state.lookedClear : [...state.lookedClear, key] };
}

/** A place with a finding is no longer "clear". The later mark of a sign replaces those its maker had seen. */
function addFinding(folding: Folding, found: Finding, event: VisitEvent): VisitState {
  const state = withMarks(folding, found.place, found.sign, (marks) => [
    ...marks.filter(({ by }) => !saw(event, by)),
    { found, by: event },
  ]);
  const key = placeKey(found.place);
  return { ...state, lookedClear: state.lookedClear.filter((clear) => clear !== key) };
}

const withPlug = (state: VisitState, side: Side, plug: PlugState): VisitState => ({
  ...state,
  plugs: { ...state.plugs, [side]: plug },
});
const withPads = (state: VisitState, side: Side, pads: PadCount): VisitState => ({
  ...state,
  pads: { ...state.pads, [side]: pads },
});

/** A pad counts, and a colour that is a sign of its own becomes a finding of that ear. */
function dirtyPad(
  folding: Folding,
  { side, colour }: Extract<Happening, { type: 'pad dirty' }>,
  event: VisitEvent,
): VisitState {
  const before = folding.state.pads[side];
  const worst = before.worst === null ? colour : worsePad(before.worst, colour);
  folding.state = withPads(folding.state, side, { dirty: before.dirty + 1, worst, clean: false });
  const sign = PAD_SHOWS[colour];
  const known = folding.state.findings.some(
    (each) => each.sign === sign && each.place.site === 'ear' && each.place.side === side,
  );
  return sign === null || known ? folding.state : addFinding(folding, finding({ site: 'ear', side }, sign, 1), event);
}
