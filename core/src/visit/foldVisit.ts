import {
  PAD_SHOWS,
  finding,
  worseAnswer,
  worsePad,
  type Finding,
  type FindingDetails,
  type Sign,
  isEarWax,
} from '../findings';
import { placeKey, type Place, type PlaceKey, type Side } from '../places';
import { clashesOf } from './clashes';
import { mergeEvents, saw, type Happening, type HappeningType, type PlugState, type VisitEvent } from '../events';
import { EMPTY_VISIT, type PadCount, type StepMark, type TimerState, type VisitState } from './state';

/** A finding as one device marked it. */
interface FindingMark {
  readonly found: Finding;
  readonly by: VisitEvent;
}

/** Gathered by key while events are folded, and put into the state at the end. */
type KeyedAtFirst = 'steps' | 'lookedClear' | 'findings';

/** The state while it is folded: fields are put in place of others, lists that grow are grown. */
type VisitDraft = {
  -readonly [
    Field in Exclude<keyof VisitState, 'notes' | 'newer' | 'plugs' | 'pads' | KeyedAtFirst>
  ]: VisitState[Field];
} & {
  readonly notes: string[];
  readonly newer: string[];
  readonly plugs: Record<Side, PlugState>;
  readonly pads: Record<Side, PadCount>;
};

/**
 * The state so far, and the marks behind each finding: those that no later maker had before their eyes. A mark only
 * replaces what its maker had seen; of several made apart the worse grade and the worse answer hold.
 */
interface Folding {
  readonly state: VisitDraft;
  readonly steps: Map<string, StepMark>;
  readonly clear: Set<PlaceKey>;
  readonly signs: Map<PlaceKey, Map<Sign, SignMarks>>;
  /** How often marks were changed so far. */
  changes: number;
}

/** The marks of a sign at a place. */
interface SignMarks {
  readonly marks: readonly FindingMark[];
  /** What they come to. */
  readonly finding: Finding | null;
  /** When they were last changed: findings are told in this order. */
  readonly change: number;
}

/** The one reducer: any order and any duplication of the same events gives the same state. Runs in browser and server alike. */
export function foldVisit(events: readonly VisitEvent[]): VisitState {
  const all = mergeEvents(events);
  const { plugs, pads } = EMPTY_VISIT;
  const state: VisitDraft = { ...EMPTY_VISIT, notes: [], newer: [], plugs: { ...plugs }, pads: { ...pads } };
  const folding: Folding = { state, steps: new Map(), clear: new Set(), signs: new Map(), changes: 0 };
  for (const event of all) happen(folding, event);
  const close = all.find(({ what }) => what.type === 'closed');
  state.clashes = clashesOf(all);
  state.cameInLater = close
    ? all.filter((event) => event.what.type !== 'closed' && !saw(close, event)).map(({ id }) => id)
    : [];
  const { steps, clear } = folding;
  return {
    ...state,
    steps: Object.fromEntries(steps),
    lookedClear: [...clear],
    findings: findingsOf(folding),
  };
}

function happen(folding: Folding, event: VisitEvent): void {
  const { what } = event;
  const fold = Object.hasOwn(HAPPENS, what.type) ? HAPPENS[what.type] : undefined;
  // Written by a newer Dewpond: what it means is not known here. It is kept and told of, and nothing else is lost for it.
  if (fold === undefined) folding.state.newer.push(event.id);
  else (fold as Happens<HappeningType>)(folding, what, event);
}

type HappeningOf<K extends HappeningType> = Extract<Happening, { type: K }>;
type Happens<K extends HappeningType> = (folding: Folding, what: HappeningOf<K>, event: VisitEvent) => void;

/** What each kind of event does to the state. */
const HAPPENS: { readonly [K in HappeningType]: Happens<K> } = {
  opened: ({ state }) => {
    state.opened = true;
  },
  'step done': ({ state, steps }, { step }, event) => {
    steps.set(step, { kind: 'done', by: event });
    stopTimers(state, event, (timer) => timer.step === step || (RINSES.has(step) && timer.timer.startsWith('contact')));
  },
  'step skipped': ({ state, steps }, { step, because }, event) => {
    steps.set(step, { kind: 'skipped', because, by: event });
    stopTimers(state, event, (timer) => timer.step === step);
  },
  'step undone': ({ steps }, { step }) => {
    steps.delete(step);
  },
  'piece settled': ({ state }, { step, piece, how, because }) => {
    const { [piece]: _, ...others } = state.pieces[step] ?? {};
    state.pieces = { ...state.pieces, [step]: how === 'done' ? others : { ...others, [piece]: { how, because } } };
  },
  'nails judged': ({ state }, { place, length }) => {
    state.nails = { ...state.nails, [placeKey(place)]: length };
  },
  'ear hair seen': ({ state }, { side, hair }) => {
    state.hairSeen = { ...state.hairSeen, [side]: hair };
  },
  'ear hair went': ({ state }, { side, came, borne, left }) => {
    state.earHair = { ...state.earHair, [side]: { came, borne, left } };
  },
  'step added': ({ state }, { type: _, ...change }) => {
    state.stepChanges = [...state.stepChanges, { kind: 'added', ...change }];
  },
  'step moved': ({ state }, { type: _, ...change }) => {
    state.stepChanges = [...state.stepChanges, { kind: 'moved', ...change }];
  },
  checked: ({ state }, { step, part }) => {
    const before = state.checked[step] ?? [];
    if (!before.includes(part)) state.checked = { ...state.checked, [step]: [...before, part] };
  },
  'caution overridden': ({ state }, { type: _, ...told }, event) => {
    state.overridden = [...state.overridden, { ...told, by: event }];
  },
  'timer started': ({ state }, { timer, step, seconds, most = null }, event) => {
    const others = state.timers.filter((each) => each.timer !== timer);
    state.timers = [...others, { timer, step, seconds, most, started: event, stopped: null }];
  },
  'timer stopped': ({ state }, { timer }, event) => stopTimers(state, event, (each) => each.timer === timer),
  'looked clear': lookClear,
  found: (folding, { finding: found }, event) => addFinding(folding, found, event),
  'taken back': (folding, { place, sign }, event) => changeMarks(folding, place, sign, unseenBy(event)),
  'photo taken': ({ state }, { type: _, ...photo }) => {
    state.photos = [...state.photos.filter((each) => each.photo !== photo.photo), { ...photo, colour: null }];
  },
  'photo removed': ({ state }, { photo }) => {
    state.photos = state.photos.filter((each) => each.photo !== photo);
  },
  'colour measured': ({ state }, { photo, colour }) => {
    state.photos = state.photos.map((each) => (each.photo === photo ? { ...each, colour } : each));
  },
  'plug in': ({ state }, { side }) => {
    state.plugs[side] = 'in';
  },
  'plug out': ({ state }, { side, came }) => {
    state.plugs[side] = `out, ${came}`;
  },
  'plug not found': ({ state }, { side }) => {
    state.plugs[side] = 'not found';
  },
  'pad dirty': addDirtyPad,
  'ear filled again': ({ state }, { side }) => {
    const before = state.pads[side];
    state.pads[side] = { ...before, clean: false, rounds: before.rounds + 1, inRound: 0 };
  },
  'pad clean': ({ state }, { side }) => {
    state.pads[side] = { ...state.pads[side], clean: true };
  },
  used: ({ state }, { type: _, ...used }) => {
    state.used = [...state.used.filter((each) => each.product !== used.product), used];
  },
  'mix taken': ({ state }, { type: _, ...taken }) => {
    state.mixes = [...state.mixes.filter(({ mix }) => mix !== taken.mix), taken];
  },
  'mix put back': ({ state }, { mix }) => {
    state.mixes = state.mixes.filter((each) => each.mix !== mix);
  },
  'tool used': ({ state }, { part, tool }) => {
    state.tools = { ...state.tools, [part]: tool };
  },
  'owner asked': ({ state }, { type: _, ...told }, event) => {
    state.asked = [...state.asked, { ...told, by: event }];
  },
  'mat settled': ({ state }, { type: _, ...told }) => {
    const others = state.mats.filter(({ place }) => placeKey(place) !== placeKey(told.place));
    state.mats = [...others, told];
  },
  incident: ({ state }, { incident }, event) => {
    state.incidents = [...state.incidents, { ...incident, by: event }];
  },
  'went home': ({ state }, { because, back }) => {
    state.away = { because, back };
  },
  'came back': ({ state }) => {
    state.away = null;
  },
  answered: ({ state }, { question, answer }) => {
    state.answers = { ...state.answers, [question]: answer };
  },
  noted: ({ state }, { text }) => {
    state.notes.push(text);
  },
  'owner said': ({ state }, { text }) => {
    state.ownerSaid = [...state.ownerSaid, text];
  },
  'shows today': ({ state }, { what, yes }) => {
    const others = state.shown.filter((each) => each !== what);
    state.shown = yes ? [...others, what] : others;
  },
  'mark kept': ({ state }, { what }) => {
    if (!state.marksKept.includes(what)) state.marksKept = [...state.marksKept, what];
  },
  'word told': ({ state }, { word }) => {
    state.told = [...state.told.filter(({ id }) => id !== word.id), word];
    state.ended = state.ended.filter((id) => id !== word.id);
  },
  'word ended': ({ state }, { word }) => {
    state.told = state.told.filter(({ id }) => id !== word);
    state.ended = [...state.ended.filter((id) => id !== word), word];
  },
  'bottle brought': ({ state }, { bottle }) => {
    state.bottles = [...state.bottles.filter(({ id }) => id !== bottle.id), bottle];
  },
  'cleaned with': ({ state }, { product, name }) => {
    state.cleanedWith = { product, name };
  },
  closed: ({ state }, { how }) => {
    state.closed ??= how;
  },
};

/** Rinsing ends every contact time, whether somebody stopped the clock or not. */
const RINSES: ReadonlySet<string> = new Set(['rinse 1', 'last rinse']);

function stopTimers(state: VisitDraft, by: VisitEvent, which: (timer: TimerState) => boolean): void {
  if (state.timers.length === 0) return;
  state.timers = state.timers.map((each) => (each.stopped === null && which(each) ? { ...each, stopped: by } : each));
}

/** Marks made apart of one sign at one place, as one finding: the worse grade, the worse answer. */
const together = (marks: readonly FindingMark[]): Finding | null =>
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

/** What counts as found, in the order in which it was last marked. */
function findingsOf({ signs }: Folding): Finding[] {
  const found: SignMarks[] = [];
  for (const here of signs.values()) for (const each of here.values()) if (each.finding !== null) found.push(each);
  return found.sort((a, b) => a.change - b.change).flatMap(({ finding: each }) => each ?? []);
}

/** Changes the marks of a sign at a place, and with them what counts as found there. */
function changeMarks(
  folding: Folding,
  place: Place,
  sign: Sign,
  change: (marks: readonly FindingMark[]) => readonly FindingMark[],
): void {
  const key = placeKey(place);
  let here = folding.signs.get(key);
  if (here === undefined) folding.signs.set(key, (here = new Map<Sign, SignMarks>()));
  const marks = change(here.get(sign)?.marks ?? []);
  folding.changes += 1;
  here.set(sign, { marks, finding: together(marks), change: folding.changes });
}

/** Takes away the marks that the maker of an event had seen. */
const unseenBy = (event: VisitEvent) => (marks: readonly FindingMark[]) => marks.filter(({ by }) => !saw(event, by));

/** "Clear" takes away what its maker had seen there; what another device found meanwhile stays. */
function lookClear(folding: Folding, { place }: { readonly place: Place }, event: VisitEvent): void {
  const key = placeKey(place);
  const here = folding.signs.get(key);
  let contradicted = false;
  if (here)
    for (const [sign, { finding: known }] of here) {
      if (known === null) continue;
      changeMarks(folding, place, sign, unseenBy(event));
      contradicted ||= here.get(sign)?.finding !== null;
    }
  if (!contradicted) folding.clear.add(key);
}

/** A place with a finding is no longer "clear". The later mark of a sign replaces those its maker had seen. */
function addFinding(folding: Folding, found: Finding, event: VisitEvent): void {
  const unseen = unseenBy(event);
  changeMarks(folding, found.place, found.sign, (marks) => [...unseen(marks), { found, by: event }]);
  folding.clear.delete(placeKey(found.place));
  const { side } = found.place;
  // Wax that was marked decides how deep from now on: pads before it say nothing of what comes.
  if (side !== 'none' && isEarWax(found.sign)) {
    const { pads } = folding.state;
    pads[side] = { ...pads[side], inRound: 0 };
  }
}

/** A pad counts, and a colour that is a sign of its own becomes a finding of that ear. */
function addDirtyPad(folding: Folding, { side, colour }: HappeningOf<'pad dirty'>, event: VisitEvent): void {
  const { state } = folding;
  const before = state.pads[side];
  const worst = before.worst === null ? colour : worsePad(before.worst, colour);
  state.pads[side] = { ...before, dirty: before.dirty + 1, inRound: before.inRound + 1, worst, clean: false };
  const sign = PAD_SHOWS[colour];
  if (sign === null) return;
  const place: Place = { site: 'ear', side };
  if (!folding.signs.get(placeKey(place))?.get(sign)?.finding) addFinding(folding, finding(place, sign, 1), event);
}
