import type { Driving, VanRound } from '../round';

/**
 * What the best of all orders costs, each tried with lunch and water at every place: told forwards, minute by minute,
 * sharing nothing with the search.
 */
export function bestOfAllOrders(round: VanRound, driving: Driving): number {
  const count = round.stops.length;
  const firstRefill = 2 + count;
  let best = Infinity;
  const go = (
    place: number,
    time: number,
    paid: number,
    used: number,
    lunched: boolean,
    left: readonly number[],
  ): void => {
    if (time - round.leaves + paid >= best) return;
    if (!lunched && round.lunch) {
      const begins = Math.max(time, round.lunch.between.from);
      const late = Math.max(0, begins - round.lunch.between.to);
      go(place, begins + round.lunch.minutes, paid + 5 * late, used, true, left);
    }
    if (left.length === 0) {
      if (!lunched) return;
      const minutes = driving.minutes(place, 1, time);
      best = Math.min(best, time + minutes - round.leaves + paid + minutes);
      return;
    }
    for (const stop of left) {
      const { litres, window, service } = round.stops[stop]!;
      const rest = left.filter((each) => each !== stop);
      const to = (from: number, at: number, soFar: number, water: number) => {
        const minutes = driving.minutes(from, 2 + stop, at);
        const begins = Math.max(at + minutes, window?.from ?? 0);
        const late = window ? Math.max(0, begins - window.to) : 0;
        go(2 + stop, begins + service, soFar + minutes + 5 * late, water + litres, lunched, rest);
      };
      if (round.tank === null || used + litres <= round.tank) to(place, time, paid, used);
      if (round.tank !== null && used > 0)
        for (const [r, refill] of round.refills.entries()) {
          const minutes = driving.minutes(place, firstRefill + r, time);
          to(firstRefill + r, time + minutes + refill.minutes, paid + minutes, 0);
        }
    }
  };
  go(0, round.leaves, 0, 0, round.lunch === null, [...round.stops.keys()]);
  return best;
}
