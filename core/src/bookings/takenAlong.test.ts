import { describe, expect, test } from 'vitest';
import { addDays, day } from '../units';
import { seeded } from '../tests/seeded';
import {
  PLAN_COSTS,
  USUAL_WEEK,
  bookOf,
  carryOver,
  evaluatePlan,
  planBookings,
  planInTime,
  proposedWeeks,
  takenAlong,
  type BookedVisit,
  type DogOfWeeks,
  type PlanAnswer,
  type ProposedWeeks,
  type Weeks,
} from '.';

const MONDAY = day('2026-11-02');

/** A dog whose care was last done so many days ago. */
function dogDue(id: string, ago: number, ideal: number, minutes: number): DogOfWeeks {
  const last = addDays(MONDAY, -ago);
  const care = [{ key: 'bath', ideal, earliest: ideal - 7, latest: ideal + 7, last, weight: 1 }];
  const full = { name: 'full visit', covers: ['bath'], minutes, uses: {} };
  const its = { care, full, short: null, lastVisit: last, byTwo: false, atHome: [], coolHours: false };
  return { id, household: id, its, wishes: null, needs: null };
}

/** A small book that is crowded, most of it booked, and most of that free to move. */
function crowded(seed: number): Weeks {
  const random = seeded(seed);
  const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
  const dogs = Array.from({ length: 14 }, (_, i) => dogDue(`dog ${i}`, whole(5, 60), whole(21, 42), 30 * whole(3, 7)));
  const booked: BookedVisit[] = [];
  for (const { id, its } of dogs.slice(0, 11)) {
    const on = addDays(MONDAY, 7 * whole(0, 3) + whole(0, 4));
    const from = random() < 0.5 ? 540 : 795;
    const visit = { id: `booked ${id}`, dog: id, person: 'Marit', day: on, from, to: from + its.full.minutes } as const;
    if (visit.to > (from === 540 ? 750 : 1020)) continue;
    if (booked.some((each) => each.day === on && each.from < visit.to && visit.from < each.to)) continue;
    booked.push({ ...visit, choice: 'full', mayMove: random() < 0.85 });
  }
  return {
    ...{ first: MONDAY, days: 28, over: 0, away: [], dogs, booked, drive: {} },
    ...{ people: [{ id: 'Marit', week: USUAL_WEEK, skills: [] }], tables: 2, tubs: 1, dryers: 2, warm: [] },
  };
}

function planned(weeks: Weeks): ReturnType<typeof proposedWeeks> {
  let last;
  for (const at of planBookings(bookOf(weeks), { costs: PLAN_COSTS })) {
    last = at;
    if (at.round === 12) break;
  }
  if (!last) throw new Error('No plan.');
  return proposedWeeks(weeks, last.plan(), PLAN_COSTS, last.prices());
}

/** The book once these proposals are taken. */
function after(weeks: Weeks, taken: ProposedWeeks['proposals']): BookedVisit[] {
  const gone = new Set(taken.map(({ insteadOf }) => insteadOf));
  const fresh = taken.map(({ dog, person, day: on, from, to, insteadOf }): BookedVisit => {
    const id = insteadOf ?? `new ${dog} ${on}`;
    return { id, dog, person, day: on, from, to, choice: 'full', mayMove: true };
  });
  return [...weeks.booked.filter(({ id }) => !gone.has(id)), ...fresh];
}

const clashes = (booked: readonly BookedVisit[]): string[] =>
  booked.flatMap((a, i) =>
    booked
      .slice(i + 1)
      .filter((b) => a.person === b.person && a.day === b.day && a.from < b.to && b.from < a.to)
      .map((b) => `${a.id} and ${b.id}`),
  );

describe('proposals of a plan that moves bookings', () => {
  const books = Array.from({ length: 25 }, (_, seed) => {
    const weeks = crowded(seed + 1);
    return { weeks, plan: planned(weeks) };
  });
  const inTheWay = books.flatMap(({ weeks, plan: { proposals } }) =>
    proposals.filter((each) => takenAlong([each], proposals, weeks.booked).length > 1),
  );

  test('any one of them can be taken, with what gives way to it, and no person has two dogs', () => {
    // Else this would say nothing.
    expect(inTheWay.length).toBeGreaterThan(10);
    for (const { weeks, plan } of books) {
      expect(clashes(weeks.booked)).toEqual([]);
      for (const each of plan.proposals) {
        const taken = takenAlong([each], plan.proposals, weeks.booked);
        expect(taken[0]).toBe(each);
        expect(clashes(after(weeks, taken))).toEqual([]);
      }
    }
  });

  test('what is booked gets another day once, or stands: what wanted its time has no place then', () => {
    for (const { weeks, plan } of books) {
      const moved = plan.proposals.flatMap(({ insteadOf }) => insteadOf ?? []);
      expect(new Set(moved).size).toBe(moved.length);
      expect(clashes(after(weeks, plan.proposals))).toEqual([]);
    }
    const gaveWay = books.filter(({ plan }) => plan.gaveWay !== null);
    expect(gaveWay.length).toBeGreaterThan(0);
    for (const { weeks, plan } of gaveWay) {
      const comes = new Set(plan.gaveWay?.map(({ dog }) => dog));
      for (const { dog } of weeks.booked) expect(comes).toContain(dog);
      for (const { dog } of plan.unplaced) expect(comes).not.toContain(dog);
    }
  });

  test('what is told to cost is the plan that is left, and no less than the bound', () => {
    let gaveWay = 0;
    for (const { weeks } of books) {
      const [first] = planBookings(bookOf(weeks), { costs: PLAN_COSTS, kept: {} });
      if (!first) throw new Error('No plan.');
      const { gaveWay: left } = proposedWeeks(weeks, first.plan(), PLAN_COSTS, first.prices());
      const told: PlanAnswer[] = [];
      planInTime(
        { weeks, costs: PLAN_COSTS, kept: {}, seconds: 0 },
        () => 0,
        (answer) => told.push(answer),
      );
      expect(told.at(-1)?.cost).toBe(left ? evaluatePlan(bookOf(weeks), left, PLAN_COSTS).total : first.cost);
      expect(told.at(-1)?.cost).toBeGreaterThanOrEqual(first.bound);
      if (left) gaveWay += 1;
    }
    expect(gaveWay).toBeGreaterThan(0);
  });

  test('two that change places are taken together; what stands elsewhere is left', () => {
    const at = (dog: string, from: number, insteadOf: string | null) => ({
      ...{ dog, person: 'Marit', day: MONDAY, from, to: from + 60, insteadOf },
    });
    const stands = (dog: string, from: number): BookedVisit => ({
      ...{ id: dog, dog, person: 'Marit', day: MONDAY, from, to: from + 60, choice: 'full', mayMove: true },
    });
    const plan = [at('Wren', 600, 'Wren'), at('Rook', 540, 'Rook'), at('Otter', 900, 'Otter'), at('Tansy', 780, null)];
    const booked = [stands('Wren', 540), stands('Rook', 600), stands('Otter', 840)];
    const names = (chosen: typeof plan) => takenAlong(chosen, plan, booked).map(({ dog }) => dog);
    expect(names([plan[0]!])).toEqual(['Wren', 'Rook']);
    expect(names([plan[2]!])).toEqual(['Otter']);
    expect(names([plan[3]!])).toEqual(['Tansy']);
  });

  test('one at the time of a booking that moves stays in the plan as long as that move does', () => {
    for (const { weeks, plan } of books) {
      const known = new Set(weeks.booked.map(({ id }) => id));
      const all = { ...plan, days: [] };
      expect(carryOver(all, known, weeks).proposals).toEqual(plan.proposals);
      // A move that is no longer to be had takes what builds on it with it, and nothing else.
      for (const lost of plan.proposals.filter(({ insteadOf }) => insteadOf !== null)) {
        const rest = weeks.booked.filter(({ id }) => id !== lost.insteadOf);
        const stays = { ...weeks.booked.find(({ id }) => id === lost.insteadOf)!, id: 'anew' };
        const then = { ...weeks, booked: [...rest, stays] };
        const left = carryOver(all, new Set([...known, 'anew']), then).proposals;
        for (const each of left) expect(clashes(after(then, takenAlong([each], left, then.booked)))).toEqual([]);
        const dropped = plan.proposals.filter((each) => !left.includes(each));
        for (const each of dropped) expect(takenAlong([each], plan.proposals, weeks.booked).includes(lost)).toBe(true);
      }
    }
  });
});
