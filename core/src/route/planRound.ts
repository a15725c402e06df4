import { randomFrom } from '../seeds';
import { Extender, keepBest, type Label } from './extend';
import {
  FIRST_STOP,
  ROUND_COSTS,
  START,
  END,
  type Driving,
  type PlannedRound,
  type VanRound,
  type RoundCosts,
  type RoundStep,
} from './round';

/** With so many stops the best order is found for certain. */
export const EXACT_TO = 14;
/** Changes tried beyond that, for each stop; and before the exact way. */
const TRIES_PER_STOP = 600;
const TRIES_BEFORE_EXACT = 60;
const ROUNDS = 3;
/** How much dearer an order may be and still be gone on from: a share of the cost in the beginning, and what is left of it. */
const WARM = 25;
const COOL = 0.01;

export interface RoundOptions {
  readonly costs?: RoundCosts;
  readonly seed?: number;
}

/**
 * The best order of a round's stops: exact to {@link EXACT_TO}, very good beyond. Windows are met where they can be, and paid for where not;
 * lunch and water are put where they cost least. The same for the same seed. Time grows with 2ⁿ·n² to the exact limit
 * (14 stops take a tenth of a second to some seconds with lunch and water), with n² beyond.
 */
export function planRound(
  round: VanRound,
  driving: Driving,
  { costs = ROUND_COSTS, seed = 1 }: RoundOptions = {},
): PlannedRound {
  const extender = new Extender(round, driving, costs);
  const isExact = round.stops.length <= EXACT_TO;
  // For the exact way it is only what others must be better than.
  const found = byChanges(round, extender, seed, isExact ? TRIES_BEFORE_EXACT : TRIES_PER_STOP);
  const best = isExact ? exactly(round, extender, found) : found;
  return toldRound(round, best, driving, extender);
}

/** A round in an order that was chosen by hand. */
export function roundInOrder(
  round: VanRound,
  driving: Driving,
  order: readonly number[],
  costs: RoundCosts = ROUND_COSTS,
): PlannedRound {
  const extender = new Extender(round, driving, costs);
  return toldRound(round, alongOrder(extender, order), driving, extender);
}

/**
 * Labels by the set of stops that are done and the last of them, the smaller sets first (Held and Karp 1962, with labels).
 * What cannot come home for less than a round that is known already is let go (branch and bound).
 */
function exactly({ stops }: VanRound, extender: Extender, known: Label): Label {
  const count = stops.length;
  const most = extender.costOf(known) - 1e-9;
  const all = (1 << count) - 1;
  const labels: (Label[] | undefined)[] = [];
  const slot = (done: number, last: number) => done * count + last;
  const keep = (done: number, stop: number, found: readonly Label[]) => {
    const toDo = [...stops.keys()].filter((each) => (done & (1 << each)) === 0);
    const least = extender.leastLeft((each) => (done & (1 << each)) === 0);
    const hopeful = found.filter((label) => extender.boundOf(label, least, toDo) < most);
    if (hopeful.length === 0) return;
    const at = slot(done, stop);
    labels[at] = keepBest([...(labels[at] ?? []), ...hopeful]);
  };
  for (let stop = 0; stop < count; stop++) keep(1 << stop, stop, extender.toStop(extender.first, stop));
  for (let done = 1; done < all; done++)
    for (let last = 0; last < count; last++) {
      const here = labels[slot(done, last)];
      if (!here) continue;
      for (let stop = 0; stop < count; stop++) {
        if (done & (1 << stop)) continue;
        const found = here.flatMap((label) => extender.toStop(label, stop));
        keep(done | (1 << stop), stop, found);
      }
      labels[slot(done, last)] = undefined;
    }
  const home = Array.from({ length: count }, (_, last) => labels[slot(all, last)] ?? []).flat();
  return cheapest(extender, [known, ...home.flatMap((label) => extender.toEnd(label))]);
}

/** The best way through an order: where lunch and water go follows from it. With `most`, the most hopeful ways only. */
function alongOrder(extender: Extender, order: readonly number[], most = Infinity): Label {
  let here = [extender.first];
  for (const stop of order) here = keepBest(here.flatMap((label) => extender.toStop(label, stop))).slice(0, most);
  return cheapest(
    extender,
    here.flatMap((label) => extender.toEnd(label)),
  );
}

const cheapest = (extender: Extender, labels: readonly Label[]): Label =>
  labels.reduce((best, each) => (extender.costOf(each) < extender.costOf(best) ? each : best));

interface Tried {
  readonly order: readonly number[];
  readonly cost: number;
}

function shuffled(list: readonly number[], random: () => number): number[] {
  return list
    .map((each) => ({ each, by: random() }))
    .toSorted((a, b) => a.by - b.by)
    .map(({ each }) => each);
}

/** Ways through an order that are followed while orders are tried. */
const FOLLOWED = 2;

/**
 * Stops are put in one by one where they cost least; then pieces of the order are turned round or moved elsewhere, and a
 * dearer order is gone on from ever more seldom. That is done a few times, each from another start.
 */
function byChanges({ stops }: VanRound, extender: Extender, seed: number, perStop: number): Label {
  const random = randomFrom(seed);
  const costOf = (order: readonly number[]) => extender.costOf(alongOrder(extender, order, FOLLOWED));
  const inserted = (sequence: readonly number[]): Tried => {
    let order: number[] = [];
    for (const stop of sequence) {
      const ways = Array.from({ length: order.length + 1 }, (_, at) => order.toSpliced(at, 0, stop));
      const costs = ways.map(costOf);
      order = ways[costs.indexOf(Math.min(...costs))]!;
    }
    return { order, cost: costOf(order) };
  };
  const byWindow = [...stops.keys()].toSorted(
    (a, b) => (stops[a]!.window?.to ?? 1440) - (stops[b]!.window?.to ?? 1440),
  );
  let best = inserted(byWindow);
  if (stops.length < 2) return alongOrder(extender, best.order);
  const tries = Math.round((perStop * stops.length) / ROUNDS);
  for (let round = 0; round < ROUNDS; round++) {
    let current = round === 0 ? best : inserted(shuffled(byWindow, random));
    const warm = current.cost / WARM;
    for (let i = 0; i < tries; i++) {
      const order = changedOrder(current.order, random);
      const cost = costOf(order);
      const warmth = warm * COOL ** (i / tries);
      if (cost <= current.cost || random() < Math.exp((current.cost - cost) / warmth)) current = { order, cost };
      if (cost < best.cost - 1e-9) best = current;
    }
  }
  return alongOrder(extender, best.order);
}

/** A piece of an order turned round (2-opt), or up to three stops moved elsewhere (or-opt). */
function changedOrder(order: readonly number[], random: () => number): number[] {
  const pick = (count: number) => Math.min(count - 1, Math.floor(random() * count));
  const from = pick(order.length);
  if (random() < 0.4) {
    const to = pick(order.length);
    const [a, b] = from < to ? [from, to] : [to, from];
    return [...order.slice(0, a), ...order.slice(a, b + 1).toReversed(), ...order.slice(b + 1)];
  }
  const piece = order.slice(from, from + 1 + pick(3));
  const rest = order.toSpliced(from, piece.length);
  if (random() < 0.3) piece.reverse();
  return rest.toSpliced(pick(rest.length + 1), 0, ...piece);
}

/** A label read from its beginning: what is done when. */
function toldRound(round: VanRound, end: Label, driving: Driving, extender: Extender): PlannedRound {
  const path: Label[] = [];
  for (let at: Label | null = end; at !== null; at = at.from) path.unshift(at);
  let atTheWheel = 0;
  let late = 0;
  const steps = path.slice(1).flatMap((label, i): RoundStep[] => {
    const before = path[i]!;
    if (label.via.lunch) {
      const minutes = round.lunch!.minutes;
      return [{ kind: 'lunch', begins: label.time - minutes, ends: label.time }];
    }
    const minutes = driving.minutes(before.place, label.place, before.time);
    atTheWheel += minutes;
    const arrives = before.time + minutes;
    if (label.via.refill !== null) return [{ kind: 'refill', place: label.via.refill, arrives, ends: label.time }];
    if (label.place === END || label.place === START) return [];
    const stop = label.place - FIRST_STOP;
    const { service, window } = round.stops[stop]!;
    const begins = label.time - service;
    late += window ? Math.max(0, begins - window.to) : 0;
    return [{ kind: 'stop', stop, arrives, begins, ends: label.time }];
  });
  const { tank } = round;
  return {
    order: steps.flatMap((step) => (step.kind === 'stop' ? [step.stop] : [])),
    steps,
    home: end.time,
    driving: atTheWheel,
    late,
    tooMuchWater: tank === null ? [] : round.stops.flatMap(({ litres }, i) => (litres > tank ? [i] : [])),
    cost: extender.costOf(end),
  };
}
