import { NOTHING_FOUND, stepList } from '@dewpond/core/steps';
import type { VisitEvent } from '@dewpond/core/events';
import { LEVELS, PROCEDURES, finding, mayBeAt, triage, type PadColour, type Sign } from '@dewpond/core/findings';
import { placeKey, placeOf, type PlaceKey } from '@dewpond/core/places';
import { judgeLookOver, type BeforeVisit, type VisitReading } from '@dewpond/core/visit';
import { barsOf } from '@dewpond/core/careplan';
import { stopAt } from '@dewpond/core/stops';

/**
 * A visit read by a hand-tuned loop over typed arrays: what `readVisit` is measured against. Events are numbers in
 * columns, what a sign comes to at a place and what it takes away stand in tables made beforehand, and the answer is
 * numbers. It knows the kinds of events that {@link encode} knows, and one dog.
 */
const KINDS = ['opened', 'looked clear', 'found', 'step done', 'step undone', 'pad dirty', 'checked', 'noted'] as const;
const PADS: readonly PadColour[] = ['pale', 'brown'];
const MOST_DEVICES = 4;

/** Columns, a row an event. */
export interface Columns {
  readonly length: number;
  readonly kind: Uint8Array;
  readonly device: Uint8Array;
  readonly counter: Int32Array;
  /** The highest counter of each device that its maker had seen. */
  readonly seen: Int32Array;
  /** Place, step or side. */
  readonly at: Int32Array;
  readonly sign: Int32Array;
  readonly grade: Uint8Array;
}

export interface Tables {
  readonly places: readonly PlaceKey[];
  readonly signs: readonly Sign[];
  readonly steps: readonly string[];
  /** Level of a sign of a grade at a place. */
  readonly levels: Uint8Array;
  /** Procedures it takes away at that place, as bits. */
  readonly takes: Int32Array;
  /** Touches of each step, one after the other, as place and procedure. */
  readonly touchPlace: Int16Array;
  readonly touchProcedure: Int8Array;
  readonly touchesEnd: Int32Array;
}

export interface Answer {
  /** 1 + the row that marked it done; 0: open. */
  readonly steps: Int32Array;
  readonly clear: Uint8Array;
  /** Worst grade of each sign at each place. */
  readonly grades: Uint8Array;
  readonly levels: Uint8Array;
  readonly barred: Uint8Array;
  readonly clashes: Uint8Array;
  readonly dirtyPads: Int32Array;
  readonly notes: number;
}

export function encode(events: readonly VisitEvent[], before: BeforeVisit, signs: readonly Sign[]) {
  const judged = judgeLookOver(before.facts, [], []);
  const places = Object.keys(judged) as PlaceKey[];
  const list = stepList({ ...before, bars: [], found: NOTHING_FOUND, plugs: { left: 'none', right: 'none' } });
  const steps = list.map(({ id }) => id);
  const devices = [...new Set(events.map(({ device }) => device))].toSorted();
  const row = ({ what }: VisitEvent): readonly [at: number, sign: number, grade: number] => {
    switch (what.type) {
      case 'looked clear':
        return [places.indexOf(placeKey(what.place)), 0, 0];
      case 'found':
        return [places.indexOf(placeKey(what.finding.place)), signs.indexOf(what.finding.sign), what.finding.grade];
      case 'step done':
      case 'step undone':
      case 'checked':
        return [steps.indexOf(what.step), 0, 0];
      case 'pad dirty':
        return [places.indexOf(`ear/${what.side}`), PADS.indexOf(what.colour), 0];
      default:
        return [0, 0, 0];
    }
  };
  const columns: Columns = {
    length: events.length,
    kind: Uint8Array.from(events, ({ what }) => KINDS.indexOf(what.type as (typeof KINDS)[number])),
    device: Uint8Array.from(events, ({ device }) => devices.indexOf(device)),
    counter: Int32Array.from(events, ({ counter }) => counter),
    seen: Int32Array.from(
      events.flatMap(({ seen }) => Array.from({ length: MOST_DEVICES }, (_, d) => seen?.[devices[d] ?? ''] ?? 0)),
    ),
    at: Int32Array.from(events, (event) => row(event)[0]),
    sign: Int32Array.from(events, (event) => row(event)[1]),
    grade: Uint8Array.from(events, (event) => row(event)[2]),
  };
  const cells = places.flatMap((key) =>
    signs.flatMap((sign) =>
      ([0, 1, 2, 3] as const).map((grade) => {
        const place = placeOf(key);
        if (grade === 0 || !mayBeAt(sign, place.site)) return [0, 0] as const;
        const seen = triage({
          place,
          findings: [finding(place, sign, grade)],
          lastTime: [],
          known: [],
          dog: { flatFaceOrProminentEyes: false, grassSeedMonth: false },
          today: before.facts.today,
        });
        const bars = barsOf(before.facts, { judged: [seen], lookedClear: [], matsGone: [], brokeOffPlucking: false });
        const takes = PROCEDURES.reduce(
          (bits, procedure, i) => (stopAt(bars, { place, procedure, product: null }).isOpen ? bits : bits | (1 << i)),
          0,
        );
        return [LEVELS.indexOf(seen.level), takes] as const;
      }),
    ),
  );
  const touches = list.map(({ pieces }) => pieces.flatMap((piece) => piece.touches));
  const tables: Tables = {
    places,
    signs,
    steps,
    levels: Uint8Array.from(cells, ([level]) => level),
    takes: Int32Array.from(cells, ([, takes]) => takes),
    touchPlace: Int16Array.from(touches.flat(), ({ place }) => places.indexOf(placeKey(place))),
    touchProcedure: Int8Array.from(touches.flat(), ({ procedure }) => PROCEDURES.indexOf(procedure)),
    touchesEnd: Int32Array.from(touches.map((_, i) => touches.slice(0, i + 1).flat().length)),
  };
  return { columns, tables };
}

export function readVisitLoop(c: Columns, tables: Tables): Answer {
  const [P, S, T] = [tables.places.length, tables.signs.length, tables.steps.length];
  const order = inOrder(c);
  const marks = new Int32Array(P * S * MOST_DEVICES);
  // Signs that were ever marked at each place: all others are not looked at.
  const marked = new Int16Array(P * S);
  const many = new Int16Array(P);
  const steps = new Int32Array(T);
  const clear = new Uint8Array(P);
  const dirtyPads = new Int32Array(P);
  const checked = new Uint8Array(T);
  let notes = 0;
  const sawIt = (later: number, earlier: number) =>
    c.device[later] === c.device[earlier]
      ? c.counter[later]! > c.counter[earlier]!
      : c.seen[later * MOST_DEVICES + c.device[earlier]!]! >= c.counter[earlier]!;
  const wipe = (cell: number, event: number): boolean => {
    let left = false;
    for (let m = cell * MOST_DEVICES; m < (cell + 1) * MOST_DEVICES; m++) {
      if (marks[m] === 0) continue;
      if (sawIt(event, marks[m]! - 1)) marks[m] = 0;
      else left = true;
    }
    return left;
  };
  for (const e of order) {
    const at = c.at[e]!;
    switch (c.kind[e]) {
      case 1: {
        let left = false;
        for (let i = 0; i < many[at]!; i++) left = wipe(at * S + marked[at * S + i]!, e) || left;
        if (!left) clear[at] = 1;
        break;
      }
      case 2:
        wipe(at * S + c.sign[e]!, e);
        if (!marked.subarray(at * S, at * S + many[at]!).includes(c.sign[e]!))
          marked[at * S + many[at]!++] = c.sign[e]!;
        marks[(at * S + c.sign[e]!) * MOST_DEVICES + c.device[e]!] = e + 1;
        clear[at] = 0;
        break;
      case 3:
        steps[at] = e + 1;
        break;
      case 4:
        steps[at] = 0;
        break;
      case 5:
        dirtyPads[at]! += 1;
        break;
      case 6:
        checked[at] = 1;
        break;
      case 7:
        notes += 1;
        break;
      default:
    }
  }
  const grades = new Uint8Array(P * S);
  const levels = new Uint8Array(P);
  const bits = new Int32Array(P);
  for (let place = 0; place < P; place++) {
    for (let i = 0; i < many[place]!; i++) {
      const cell = place * S + marked[place * S + i]!;
      let worst = 0;
      for (let m = cell * MOST_DEVICES; m < (cell + 1) * MOST_DEVICES; m++)
        if (marks[m]! > 0) worst = Math.max(worst, c.grade[marks[m]! - 1]!);
      grades[cell] = worst;
      levels[place] = Math.max(levels[place]!, tables.levels[cell * 4 + worst]!);
      bits[place]! |= tables.takes[cell * 4 + worst]!;
    }
  }
  const barred = new Uint8Array(T);
  for (let t = 0, touch = 0; t < T; t++)
    for (; touch < tables.touchesEnd[t]!; touch++) {
      const place = tables.touchPlace[touch]!;
      if (place >= 0 && bits[place]! & (1 << tables.touchProcedure[touch]!)) barred[t] = 1;
    }
  return { steps, clear, grades, levels, barred, clashes: clashes(c, order, P, T, sawIt), dirtyPads, notes };
}

/** Rows by counter, then device. */
function inOrder(c: Columns): Uint32Array {
  const keys = new Float64Array(c.length);
  for (let e = 0; e < c.length; e++) keys[e] = (c.counter[e]! * MOST_DEVICES + c.device[e]!) * 65_536 + e;
  keys.sort();
  const order = new Uint32Array(c.length);
  for (let i = 0; i < c.length; i++) order[i] = keys[i]! % 65_536;
  return order;
}

/** Places and steps that two devices marked apart and differently; at most 32 marks stand beside each other. */
function clashes(
  c: Columns,
  order: Uint32Array,
  P: number,
  T: number,
  sawIt: (later: number, earlier: number) => boolean,
): Uint8Array {
  const standing = new Int32Array((P + T) * 32);
  const count = new Uint8Array(P + T);
  for (const e of order) {
    const kind = c.kind[e]!;
    if (kind < 1 || kind > 3) continue;
    const about = kind === 3 ? P + c.at[e]! : c.at[e]!;
    let left = 0;
    for (let i = 0; i < count[about]!; i++) {
      const other = standing[about * 32 + i]!;
      const adds = kind === 2 && c.kind[other] === 2 && c.sign[e] !== c.sign[other];
      if (!sawIt(e, other) || adds) standing[about * 32 + left++] = other;
    }
    standing[about * 32 + left++] = e;
    count[about] = left;
  }
  const clash = new Uint8Array(P + T);
  for (let about = 0; about < P + T; about++)
    for (let i = 0; i < count[about]!; i++)
      for (let j = 0; j < i; j++) {
        const [a, b] = [standing[about * 32 + i]!, standing[about * 32 + j]!];
        if (sawIt(a, b) || sawIt(b, a) || c.kind[a] === 3) continue;
        if (c.kind[a] === 2 && c.kind[b] === 2 && (c.sign[a] !== c.sign[b] || c.grade[a] === c.grade[b])) continue;
        if (c.kind[a] === 1 && c.kind[b] === 1) continue;
        clash[about] = 1;
      }
  return clash;
}

/** What differs between the loop's answer and the reading of the core; empty: nothing. */
export function differences(
  answer: Answer,
  { tables, columns }: ReturnType<typeof encode>,
  reading: VisitReading,
  events: readonly VisitEvent[],
): string[] {
  const { state, judged } = reading;
  const wrong: string[] = [];
  const hold = (what: string, ours: unknown, theirs: unknown) => {
    if (JSON.stringify(ours) !== JSON.stringify(theirs))
      wrong.push(`${what}: ${JSON.stringify(ours)} / ${JSON.stringify(theirs)}`);
  };
  tables.steps.forEach((step, t) => {
    const by = state.steps[step]?.by;
    hold(step, by === undefined ? 0 : events.indexOf(by) + 1, answer.steps[t]);
  });
  tables.places.forEach((place, p) => {
    hold(`${place} clear`, state.lookedClear.includes(place) ? 1 : 0, answer.clear[p]);
    hold(`${place} level`, LEVELS.indexOf(judged[place]?.level ?? 'none'), answer.levels[p]);
    hold(`${place} clash`, state.clashes.some(({ about }) => about === `place ${place}`) ? 1 : 0, answer.clashes[p]);
    tables.signs.forEach((sign, s) => {
      const found = state.findings.find((each) => placeKey(each.place) === place && each.sign === sign);
      hold(`${place} ${sign}`, found?.grade ?? 0, answer.grades[p * tables.signs.length + s]);
    });
  });
  hold('notes', state.notes.length, answer.notes);
  hold('events', events.length, columns.length);
  return wrong;
}
