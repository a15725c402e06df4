import { COMING, HORIZON_WEEKS, STRAYS, expectDraws, forecastStock, type Coming } from '..';
import { addDays, daysBetween, type Day } from '../../units';

/**
 * Salons lived through dog by dog and day by day, sharing no formula with the forecast: every dog draws its gaps, stays away
 * or leaves, every visit its amount, every house its own error.
 */
export function share80(dogs: number, salons: number, today: Day, random: () => number): Record<number, number> {
  const inside: Record<number, number> = { 14: 0, 28: 0, 56: 0, 84: 0 };
  for (let salon = 0; salon < salons; salon++) {
    const book = Array.from({ length: dogs }, () => aDog(today, random));
    const seen = expectDraws(
      book.map(({ coming }) => coming),
      today,
    ).get('p');
    if (!seen) throw new Error('no draw');
    const { points } = forecastStock({ stock: 1e6, draw: seen, today, leadDays: 0, safety: 0, container: null });
    const salon = Math.exp(STRAYS.house * normal(random) - STRAYS.house ** 2 / 2);
    const days = book.flatMap(({ coming, leftBefore, elapsed }) =>
      visitsOf(coming, leftBefore, elapsed, today, random),
    );
    for (const by of [14, 28, 56, 84]) {
      const used = days.filter(({ at }) => at <= by).reduce((sum, { ml }) => sum + ml * salon, 0);
      const point = points[by];
      if (point && 1e6 - used >= point.low && 1e6 - used <= point.high) inside[by] = (inside[by] ?? 0) + 1;
    }
  }
  return Object.fromEntries(Object.entries(inside).map(([by, n]) => [by, n / salons]));
}

const normal = (random: () => number) => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

function gap(every: number, random: () => number): number {
  const [usual, long] = COMING.gaps;
  const { middle, spread } = random() < usual.share ? usual : long;
  return Math.max(1, Math.round(every * middle * Math.exp(spread * normal(random))));
}

/** A dog in the middle of its rhythm; a third are booked. Some have stayed away long, and some of those have left. */
function aDog(today: Day, random: () => number) {
  const every = 14 + Math.floor(random() * 60);
  const uses = [{ productId: 'p', ml: 5 + random() * 60 }];
  for (;;) {
    const leaves = random() < COMING.leaves;
    const its = gap(every, random);
    // Looked at on a day within two years since its last visit.
    const elapsed = 1 + Math.floor(random() * 4 * every);
    if (!leaves && its < elapsed) continue;
    const due = addDays(today, every - elapsed);
    const booked = !leaves && random() < 0.3 ? [addDays(today, its - elapsed)] : [];
    const coming: Coming = { booked, due, every, uses };
    return { coming, leftBefore: leaves, elapsed, its };
  }
}

function visitsOf(
  { booked, every, uses }: Coming,
  leftBefore: boolean,
  elapsed: number,
  today: Day,
  random: () => number,
): { at: number; ml: number }[] {
  const ml = uses[0]?.ml ?? 0;
  const amount = () => ml * Math.exp(STRAYS.visit * normal(random) - STRAYS.visit ** 2 / 2);
  if (leftBefore) return [];
  const visits: { at: number; ml: number }[] = [];
  let at: number;
  const [appointment] = booked;
  if (appointment) at = daysBetween(today, appointment) + (random() < COMING.noShow ? COMING.comesAfter : 0);
  else {
    let first = gap(every ?? 1, random);
    while (first < elapsed) first = gap(every ?? 1, random);
    at = first - elapsed;
  }
  while (at <= HORIZON_WEEKS * 7) {
    visits.push({ at, ml: amount() });
    if (random() < COMING.leaves) break;
    at += gap(every ?? 1, random);
  }
  return visits;
}
