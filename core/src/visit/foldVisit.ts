import { PAD_SHOWS, finding, worsePad, type Finding } from '../findings';
import { placeKey, type Side } from '../places';
import { mergeEvents, type Happening, type VisitEvent } from './events';
import { EMPTY_VISIT, type PadCount, type PlugState, type VisitState } from './state';

/** The one reducer: any order and any duplication of the same events gives the same state. Runs in browser and server alike. */
export function foldVisit(events: readonly VisitEvent[]): VisitState {
  return mergeEvents(events).reduce(apply, EMPTY_VISIT);
}

function apply(state: VisitState, event: VisitEvent): VisitState {
  const next = happen(state, event.what, event);
  const late = state.closed !== null && event.what.type !== 'closed';
  return late ? { ...next, cameInLater: [...next.cameInLater, event.id] } : next;
}

function happen(state: VisitState, what: Happening, event: VisitEvent): VisitState {
  switch (what.type) {
    case 'opened':
      return { ...state, opened: true };
    case 'step done':
      return { ...state, steps: { ...state.steps, [what.step]: { kind: 'done' } } };
    case 'step skipped':
      return { ...state, steps: { ...state.steps, [what.step]: { kind: 'skipped', because: what.because } } };
    case 'step undone':
      return {
        ...state,
        steps: Object.fromEntries(Object.entries(state.steps).filter(([step]) => step !== what.step)),
      };
    case 'timer started':
      return {
        ...state,
        timers: [
          ...state.timers.filter(({ timer }) => timer !== what.timer),
          { timer: what.timer, step: what.step, seconds: what.seconds, started: event, stopped: null },
        ],
      };
    case 'timer stopped':
      return {
        ...state,
        timers: state.timers.map((each) => (each.timer === what.timer ? { ...each, stopped: event } : each)),
      };
    case 'looked clear': {
      const key = placeKey(what.place);
      return {
        ...state,
        lookedClear: state.lookedClear.includes(key) ? state.lookedClear : [...state.lookedClear, key],
        findings: state.findings.filter((found) => placeKey(found.place) !== key),
      };
    }
    case 'found':
      return addFinding(state, what.finding);
    case 'taken back':
      return {
        ...state,
        findings: state.findings.filter(
          (found) => !(found.sign === what.sign && placeKey(found.place) === placeKey(what.place)),
        ),
      };
    case 'plug in':
      return withPlug(state, what.side, 'in');
    case 'plug out':
      return withPlug(state, what.side, `out, ${what.came}`);
    case 'plug not found':
      return withPlug(state, what.side, 'not found');
    case 'pad dirty':
      return dirtyPad(state, what);
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
    case 'answered':
      return { ...state, answers: { ...state.answers, [what.question]: what.answer } };
    case 'noted':
      return { ...state, notes: [...state.notes, what.text] };
    case 'closed':
      return { ...state, closed: state.closed ?? what.how };
  }
}

/** The later mark of a sign at a place replaces the earlier one; the place is then no longer "clear". */
function addFinding(state: VisitState, found: Finding): VisitState {
  const key = placeKey(found.place);
  return {
    ...state,
    lookedClear: state.lookedClear.filter((clear) => clear !== key),
    findings: [...state.findings.filter((each) => !(each.sign === found.sign && placeKey(each.place) === key)), found],
  };
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
function dirtyPad(state: VisitState, { side, colour }: Extract<Happening, { type: 'pad dirty' }>): VisitState {
  const before = state.pads[side];
  const worst = before.worst === null ? colour : worsePad(before.worst, colour);
  const counted = withPads(state, side, { dirty: before.dirty + 1, worst, clean: false });
  const sign = PAD_SHOWS[colour];
  const place = { site: 'ear', side } as const;
  if (sign === null || state.findings.some((each) => each.sign === sign && placeKey(each.place) === placeKey(place)))
    return counted;
  return addFinding(counted, finding(place, sign, 1));
}
