import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  USUAL_ROADS,
  drivingByRoad,
  drivingByTable,
  greatCircle,
  planRound,
  roundInOrder,
  type Driving,
  type PlannedRound,
  type VanRound,
} from '.';
import { bestOfAllOrders } from './tests/everyOrder';
import { randomRound, type RoundShape } from './tests/rounds';

const DEEP = process.env['DEWPOND_DEEP'] !== undefined;

describe('driving', () => {
  test('great circles: a published example, from memory', () => {
    // Rosetta Code, "Haversine formula": 2887.26 km on a sphere of 6372.8 km (value from memory).
    const km = greatCircle({ latitude: 36.12, longitude: -86.67 }, { latitude: 33.94, longitude: -118.4 });
    expect((km * 6372.8) / 6371.0088).toBeCloseTo(2887.26, 2);
    // A quarter of a meridian, by the definition of the sphere.
    expect(greatCircle({ latitude: 0, longitude: 0 }, { latitude: 90, longitude: 0 })).toBeCloseTo(
      (Math.PI / 2) * 6371.0088,
      6,
    );
    expect(greatCircle({ latitude: 10, longitude: 20 }, { latitude: 10, longitude: 20 })).toBe(0);
  });

  const two: VanRound = {
    ...randomRound({ stops: 1, seed: 1 }),
    start: { latitude: 51, longitude: -9 },
    end: { latitude: 51.3, longitude: -9 },
  };

  test('by hand: 33.4 km as the crow flies, 45.0 on the road, 40 an hour', () => {
    expect(drivingByRoad(two).minutes(0, 1, 10 * 60)).toBeCloseTo(
      (60 * 1.35 * greatCircle(two.start, two.end)) / 40,
      6,
    );
    expect(greatCircle(two.start, two.end)).toBeCloseTo(33.36, 2);
  });

  test('whoever leaves later never arrives sooner, also where the rush ends', () => {
    const driving = drivingByRoad(two);
    const arrivals = Array.from({ length: 24 * 60 }, (_, leaving) => leaving + driving.minutes(0, 1, leaving));
    expect(arrivals.every((each, i) => i === 0 || each >= arrivals[i - 1]!)).toBe(true);
    expect(driving.minutes(0, 1, 8 * 60)).toBeGreaterThan(driving.minutes(0, 1, 10 * 60));
  });

  test.each([
    ['too few hours', [40]],
    ['a speed of nothing', Array.from({ length: 24 }, () => 0)],
  ])('%s is refused', (_, speeds) => {
    expect(() => drivingByRoad(two, { ...USUAL_ROADS, speeds })).toThrow(RangeError);
  });
});

describe('a round', () => {
  const open: RoundShape = { stops: 6, seed: 4 };

  test('every stop once, each begun within its window or told late, home at the end', () => {
    fc.assert(
      fc.property(
        fc.record({
          stops: fc.integer({ min: 0, max: 9 }),
          seed: fc.nat(),
          windows: fc.boolean(),
          lunch: fc.boolean(),
          tank: fc.boolean(),
        }),
        (shape) => {
          const round = randomRound(shape);
          const driving = drivingByRoad(round);
          const planned = planRound(round, driving);
          expect(planned.order.toSorted((a, b) => a - b)).toEqual([...round.stops.keys()]);
          expect(faults(round, planned, driving)).toEqual([]);
        },
      ),
      { numRuns: DEEP ? 500 : 40 },
    );
  });

  test('lunch is begun in its time, and water is taken before the tank is dry', () => {
    const round = randomRound({ stops: 8, seed: 9, lunch: true, tank: true });
    const { steps } = planRound(round, drivingByRoad(round));
    const lunch = steps.find(({ kind }) => kind === 'lunch');
    expect(lunch).toMatchObject({ kind: 'lunch' });
    expect(steps.some(({ kind }) => kind === 'refill')).toBe(true);
  });

  test('an order chosen by hand costs no less than the best', () => {
    const round = randomRound({ ...open, windows: true });
    const driving = drivingByRoad(round);
    const best = planRound(round, driving);
    expect(roundInOrder(round, driving, best.order).cost).toBeCloseTo(best.cost, 6);
    expect(roundInOrder(round, driving, best.order.toReversed()).cost).toBeGreaterThanOrEqual(best.cost);
  });

  test('no stops: straight home; a stop that takes more water than the tank holds is named', () => {
    const none = randomRound({ stops: 0, seed: 1, lunch: true });
    expect(planRound(none, drivingByRoad(none))).toMatchObject({ order: [], late: 0 });
    const thirsty = randomRound({ stops: 3, seed: 1, tank: true });
    const round = { ...thirsty, stops: thirsty.stops.map((stop, i) => (i === 1 ? { ...stop, litres: 200 } : stop)) };
    expect(planRound(round, drivingByRoad(round)).tooMuchWater).toEqual([1]);
  });

  test('a window that nobody can meet is paid for and told, not left out', () => {
    const base = randomRound({ stops: 2, seed: 2 });
    const round = { ...base, stops: base.stops.map((stop) => ({ ...stop, window: { from: 300, to: 330 } })) };
    expect(planRound(round, drivingByRoad(round)).late).toBeGreaterThan(0);
  });
});

/** What a told round gets wrong, driven once more from its beginning. */
function faults(round: VanRound, { steps, home, late }: PlannedRound, driving: Driving): string[] {
  const wrong: string[] = [];
  let [place, time, used, lateness] = [0, round.leaves, 0, 0];
  const differs = (a: number, b: number) => Math.abs(a - b) > 1e-6;
  for (const step of steps) {
    if (step.kind === 'lunch') {
      if (step.begins < time - 1e-6 || step.begins < round.lunch!.between.from) wrong.push('lunch too early');
      time = step.ends;
      continue;
    }
    const to = step.kind === 'stop' ? 2 + step.stop : 2 + round.stops.length + step.place;
    if (differs(time + driving.minutes(place, to, time), step.arrives)) wrong.push('arrives at another time');
    [place, time] = [to, step.ends];
    if (step.kind === 'refill') used = 0;
    else {
      const { window, litres, service } = round.stops[step.stop]!;
      if (step.begins < step.arrives - 1e-6 || (window && step.begins < window.from)) wrong.push('begins too early');
      if (differs(step.begins + service, step.ends)) wrong.push('another length');
      lateness += window ? Math.max(0, step.begins - window.to) : 0;
      used += litres;
      if (round.tank !== null && used > round.tank) wrong.push('more water than the tank holds');
    }
  }
  if (differs(time + driving.minutes(place, 1, time), home)) wrong.push('home at another time');
  if (differs(lateness, late)) wrong.push('another lateness');
  if (round.lunch && !steps.some(({ kind }) => kind === 'lunch')) wrong.push('no lunch');
  return wrong;
}

describe('beside exact answers', () => {
  test('every order of up to eight stops: none is cheaper', () => {
    for (let seed = 0; seed < (DEEP ? 60 : 12); seed++) {
      const rich = seed % 3 === 0;
      const round = randomRound({
        stops: rich ? 5 : 6 + (seed % 3),
        seed,
        windows: seed % 2 === 0,
        lunch: rich,
        tank: rich,
      });
      const driving = drivingByRoad(round);
      expect(planRound(round, driving).cost, `seed ${seed}`).toBeCloseTo(bestOfAllOrders(round, driving), 6);
    }
  });

  test('burma14 of TSPLIB: the best tour is 3323 (coordinates and length from memory)', () => {
    const table = BURMA.map((a) => BURMA.map((b) => geo(a, b)));
    const places = [0, 0, ...Array.from({ length: 13 }, (_, i) => i + 1)];
    const minutes = places.map((a) => places.map((b) => (a === b ? 0 : table[a]![b]!)));
    const stop = (i: number) => ({
      id: `${i}`,
      name: `${i}`,
      at: { latitude: 0, longitude: 0 },
      service: 0,
      window: null,
      litres: 0,
      wattHours: 0,
    });
    const round: VanRound = {
      start: { latitude: 0, longitude: 0 },
      end: { latitude: 0, longitude: 0 },
      leaves: 0,
      stops: Array.from({ length: 13 }, (_, i) => stop(i)),
      lunch: null,
      tank: null,
      refills: [],
    };
    expect(planRound(round, drivingByTable(minutes)).driving).toBe(3323);
  });

  test('beyond the exact limit: the search, tried on rounds it can be held against, is within 1 %', () => {
    const over = Array.from({ length: DEEP ? 20 : 4 }, (_, seed) => {
      const round = randomRound({ stops: 12, seed: 70 + seed, windows: true });
      const driving = drivingByRoad(round);
      const best = planRound(round, driving).cost;
      // Fifteen stops, three of them at the start, take no time: the same round, too large for the exact way.
      const idle = { ...round.stops[0]!, at: round.start, service: 0, window: null, litres: 0 };
      const large = { ...round, stops: [...round.stops, idle, idle, idle] };
      return planRound(large, drivingByRoad(large)).cost / best - 1;
    });
    console.log(
      `rounds beyond the exact limit: ${over.map((each) => `${(100 * each).toFixed(2)} %`).join(', ')} over the best`,
    );
    expect(Math.max(...over)).toBeLessThanOrEqual(0.01);
    expect(Math.min(...over)).toBeGreaterThanOrEqual(-1e-9);
  }, 120_000);
});

/** Places of burma14, degrees and minutes as TSPLIB writes them ("16.47" is 16° 47′); from memory. */
const BURMA: readonly (readonly [number, number])[] = [
  [16.47, 96.1],
  [16.47, 94.44],
  [20.09, 92.54],
  [22.39, 93.37],
  [25.23, 97.24],
  [22.0, 96.05],
  [20.47, 97.02],
  [17.2, 96.29],
  [16.3, 97.38],
  [14.05, 98.12],
  [16.53, 97.38],
  [21.52, 95.59],
  [19.41, 97.13],
  [20.09, 94.55],
];

/** TSPLIB's own distance GEO: degrees and minutes, pi cut short, a radius of 6378.388 km, whole kilometres. */
function geo([latA, lonA]: readonly [number, number], [latB, lonB]: readonly [number, number]): number {
  const PI = 3.141592;
  const angle = (value: number) => {
    const degrees = Math.trunc(value);
    return (PI * (degrees + (5 * (value - degrees)) / 3)) / 180;
  };
  const q1 = Math.cos(angle(lonA) - angle(lonB));
  const q2 = Math.cos(angle(latA) - angle(latB));
  const q3 = Math.cos(angle(latA) + angle(latB));
  return Math.trunc(6378.388 * Math.acos(0.5 * ((1 + q1) * q2 - (1 - q1) * q3)) + 1);
}
