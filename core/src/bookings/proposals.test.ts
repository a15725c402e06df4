import { describe, expect, test } from 'vitest';
import { warmMonths } from '../dog';
import { addDays, day } from '../units';
import {
  PLAN_COSTS,
  USUAL_WEEK,
  bookOf,
  bookedTooLate,
  breaches,
  carryOver,
  daysInUse,
  evaluatePlan,
  planBookings,
  proposedWeeks,
  type DogInWeeks,
  type DogNeeds,
  type DogOfWeeks,
  type ProposedWeeks,
  type Weeks,
} from '.';

const MONDAY = day('2026-11-02');
const care = { key: 'bath', ideal: 28, earliest: 21, latest: 35, last: day('2026-10-19'), weight: 1 };
const its = (change: Partial<DogInWeeks> = {}): DogInWeeks => ({
  care: [care],
  full: { name: 'full visit', covers: ['bath'], minutes: 90, uses: { tub: 20, table: 70 } },
  short: null,
  lastVisit: day('2026-10-19'),
  byTwo: false,
  atHome: [],
  coolHours: false,
  ...change,
});
const dog = (id: string, change: Partial<DogInWeeks> = {}, more: Partial<DogOfWeeks> = {}): DogOfWeeks => ({
  id,
  household: `${id}'s`,
  its: its(change),
  wishes: null,
  needs: null,
  ...more,
});
const needs = (change: Partial<DogNeeds>): DogNeeds => ({
  ...{ slot: null, memberId: null, weekdays: [], where: null, skills: [], notWith: [] },
  ...change,
});
const weeksOf = (dogs: readonly DogOfWeeks[], change: Partial<Weeks> = {}): Weeks => ({
  first: MONDAY,
  days: 42,
  over: 0,
  people: ['Marit', 'Ade'].map((id) => ({ id, week: USUAL_WEEK, skills: [] })),
  away: [],
  dogs,
  booked: [],
  drive: {},
  tables: 2,
  tubs: 1,
  dryers: 2,
  warm: [],
  ...change,
});
function proposed(weeks: Weeks): ProposedWeeks {
  let last;
  for (const at of planBookings(bookOf(weeks))) {
    last = at;
    if (at.round === 30) break;
  }
  if (!last) throw new Error('No plan.');
  expect(breaches(bookOf(weeks), last.plan())).toEqual([]);
  const { gaveWay: _, ...told } = proposedWeeks(weeks, last.plan(), PLAN_COSTS, last.prices());
  return told;
}

describe('what is proposed', () => {
  test('a dog on its best day, with why and what another day would cost', () => {
    const { proposals, unplaced, days } = proposed(weeksOf([dog('Tansy')]));
    expect(proposals[0]).toMatchObject({
      dog: 'Tansy',
      day: '2026-11-16',
      kind: 'full visit',
      why: [{ about: 'care', key: 'bath', is: 'best' }],
      insteadOf: null,
    });
    expect(proposals[0]!.toMove).toBeGreaterThan(0);
    expect(unplaced).toEqual([]);
    expect(days[14]).toMatchObject({ day: '2026-11-16', open: 870, booked: 0, proposed: 90 });
    expect(days[5]).toMatchObject({ open: 0 });
  });

  test('a household comes on one day, and that is said', () => {
    const other = { care: [{ ...care, last: day('2026-10-21') }] };
    const two = [dog('Tansy', {}, { household: 'Okafor' }), dog('Quill', other, { household: 'Okafor' })];
    const { proposals } = proposed(weeksOf(two));
    expect(new Set(proposals.slice(0, 2).map((each) => each.day)).size).toBe(1);
    expect(proposals[0]?.why).toContainEqual({ about: 'trip', is: 'together' });
  });

  test('a booking that is fixed is not proposed again, one that may move and stays well keeps its time', () => {
    const booked = {
      id: 'b1',
      dog: 'Tansy',
      person: 'Ade',
      day: day('2026-11-16'),
      from: 600,
      to: 690,
      choice: 'full',
    } as const;
    const fixed = proposed(weeksOf([dog('Tansy')], { booked: [{ ...booked, mayMove: false }] }));
    expect(fixed.proposals.filter((each) => each.day === '2026-11-16')).toEqual([]);
    expect(fixed.days[14]).toMatchObject({ booked: 90, proposed: 0 });
    const kept = proposed(weeksOf([dog('Tansy')], { booked: [{ ...booked, mayMove: true }] }));
    expect(kept.proposals.filter((each) => each.day === '2026-11-16')).toEqual([]);
  });

  test('one that may move goes to a better day, and says which booking it replaces', () => {
    const booked = {
      id: 'b1',
      dog: 'Tansy',
      person: 'Ade',
      day: day('2026-11-27'),
      from: 600,
      to: 690,
      choice: 'full',
      mayMove: true,
    } as const;
    const { proposals } = proposed(weeksOf([dog('Tansy')], { booked: [booked] }));
    expect(proposals[0]).toMatchObject({ day: '2026-11-16', insteadOf: 'b1' });
  });
});

test('of today what is left begins at a quarter of an hour: 14:07 is 14:15', () => {
  const { blocks } = bookOf(weeksOf([], { over: 14 * 60 + 7 }));
  expect(blocks.filter((each) => each.day === 0).map(({ from, to }) => [from, to])).toEqual([
    [855, 1020],
    [855, 1020],
  ]);
});

test('no more people work at once than there are tables and tubs', () => {
  const people = ['Marit', 'Ade', 'Noa', 'Ines'].map((id) => ({ id, week: USUAL_WEEK, skills: [] }));
  // Nine to five: eight hours at two tables and a tub, though four people have seven and a quarter each.
  expect(daysInUse(weeksOf([], { people }))[0]).toMatchObject({ open: 3 * 480 });
  expect(daysInUse(weeksOf([], { people, tables: 4 }))[0]).toMatchObject({ open: 4 * 435 });
});

test('a dog with a fixed booking: what another day would cost is a number, and is told as one', () => {
  const fixed = {
    ...{ id: 'b', dog: 'Tansy', person: 'Marit', day: addDays(MONDAY, 42), from: 540, to: 1020 },
    ...{ choice: 'full' as const, mayMove: false },
  };
  // Whoever has it that day has no time left: the day is full, and its booking stands all the same.
  const people = [{ id: 'Marit', week: USUAL_WEEK, skills: [] }];
  const { proposals } = proposed(weeksOf([dog('Tansy')], { days: 84, booked: [fixed], people }));
  expect(proposals.length).toBeGreaterThan(0);
  for (const { toMove } of proposals) expect(Number.isFinite(toMove)).toBe(true);
  // It is proposed for its best day, four weeks before that booking.
  expect(proposals[0]!.toMove).toBeGreaterThan(0);
});

describe('dogs that the van comes to, and what people are good at', () => {
  const out = (week: readonly number[]) =>
    USUAL_WEEK.map((spans, i) => (week.includes(i) ? spans.map((span) => ({ ...span, where: 'islets' })) : spans));
  const people = [
    { id: 'Marit', week: out([1]), skills: ['nervous dogs'] },
    { id: 'Ade', week: USUAL_WEEK, skills: [] },
  ];
  const farm = (id: string, more: Partial<DogOfWeeks> = {}) =>
    dog(id, {}, { needs: needs({ where: 'islets' }), ...more });

  test('a farm’s dog is planned on a van day, by who drives; it takes nothing of table and tub', () => {
    const weeks = weeksOf([farm('Tansy'), dog('Otter')], { people, tables: 1 });
    const [tansy] = proposed(weeks).proposals.filter((each) => each.dog === 'Tansy');
    expect([tansy!.person, new Date(tansy!.day).getUTCDay()]).toEqual(['Marit', 2]);
    const { dogs, shared } = bookOf(weeks);
    expect(dogs.map(({ full }) => full.uses)).toEqual([{}, its().full.uses]);
    // On a van day one person works at the salon, and the table is there for as long.
    expect(shared.find(({ name }) => name === 'table')!.minutes.slice(0, 2)).toEqual([480, 480]);
  });

  test('driving is time of its block, and not of its booking: two visits leave room for it', () => {
    // One van morning of three and a half hours, two visits of an hour, both due.
    const [morning] = people[0]!.week[1]!;
    const one = [{ ...people[0]!, week: USUAL_WEEK.map((_, i) => (i === 1 ? [morning!] : [])) }];
    const full = { ...its().full, minutes: 60 };
    const due = { full, care: [{ ...care, last: day('2026-10-05') }] };
    const two = ['Tansy', 'Otter'].map((id) => dog(id, due, { needs: needs({ where: 'islets' }) }));
    const drive = { "Tansy's": 25, "Otter's": 25 };
    const { proposals } = proposed(weeksOf(two, { people: one, drive, days: 7 }));
    const [first, second] = proposals.toSorted((a, b) => a.from - b.from);
    expect([first!.day, second!.day]).toEqual(['2026-11-03', '2026-11-03']);
    expect([first!.to - first!.from, second!.to - second!.from]).toEqual([60, 60]);
    expect(second!.from - first!.to).toBeGreaterThanOrEqual(25);
  });

  test('who needs somebody good at something is booked with nobody else', () => {
    const shy = ['Tansy', 'Otter', 'Rook'].map((id) => dog(id, {}, { needs: needs({ skills: ['nervous dogs'] }) }));
    const persons = proposed(weeksOf(shy, { people })).proposals.map(({ person }) => person);
    expect(persons).toEqual(['Marit', 'Marit', 'Marit']);
  });

  test('drive is paid for where the business says so', () => {
    const weeks = weeksOf([farm('Tansy')], { people, drive: { "Tansy's": 30 } });
    const [free, dear] = [0, 0.1].map((drive) => {
      const [first] = [...planBookings(bookOf(weeks), { costs: { ...PLAN_COSTS, drive } })].slice(0, 1);
      return evaluatePlan(bookOf(weeks), first!.plan(), { ...PLAN_COSTS, drive });
    });
    expect([free!.drive, dear!.drive > 0]).toEqual([0, true]);
  });

  test('what falls to home care until a visit is told with it', () => {
    const atHome = [
      { name: 'brushing', everyDays: 3 },
      { name: 'check the ears', everyDays: 60 },
    ];
    const [tansy] = proposed(weeksOf([dog('Tansy', { atHome })])).proposals;
    const days = Math.floor((Date.parse(tansy!.day) - Date.parse(MONDAY)) / 86_400_000);
    expect(tansy!.atHome).toEqual([{ name: 'brushing', times: Math.floor(days / 3) }]);
  });
});

describe('warm months and few dryers', () => {
  test('a dog that minds the heat comes before eleven in a warm month, and whenever it likes in another', () => {
    const flat = (id: string) => dog(id, { coolHours: true });
    const dogs = ['Radish', 'Dumpling', 'Puddle', 'Otter'].map(flat);
    const startsIn = (warm: readonly number[]) =>
      proposed(weeksOf(dogs, { warm })).proposals.map(({ from }) => from < 11 * 60);
    // November and December.
    expect(startsIn([11, 12]).every(Boolean)).toBe(true);
    const [book, mild] = [
      [11, 12],
      [6, 7, 8],
    ].map((warm) => bookOf(weeksOf(dogs, { warm })));
    expect(book!.dogs[0]!.wishes.coolDays).toHaveLength(42);
    expect(mild!.dogs[0]!.wishes.coolDays).toEqual([]);
  });

  test('dryers are scarce where there are fewer than tables, and no matter otherwise', () => {
    const names = (dryers: number) =>
      bookOf(weeksOf([dog('Tansy')], { tables: 2, dryers })).shared.map(({ name }) => name);
    expect([names(1), names(2), names(3)]).toEqual([
      ['table', 'tub', 'dryer'],
      ['table', 'tub'],
      ['table', 'tub'],
    ]);
    const wet = { full: { ...its().full, uses: { dryer: 240 } } };
    const dogs = Array.from({ length: 6 }, (_, i) => dog(`dog ${i}`, wet));
    const most = (dryers: number) => {
      const byDay = new Map<string, number>();
      for (const { day: on } of proposed(weeksOf(dogs, { tables: 2, dryers })).proposals)
        byDay.set(on, (byDay.get(on) ?? 0) + 1);
      return Math.max(...byDay.values());
    };
    // Eight hours of one dryer are two dogs of four hours.
    expect(most(1)).toBeLessThanOrEqual(2);
    expect(most(2)).toBeGreaterThan(2);
  });

  test.each([
    ['Europe/London', 0, 60, [6, 7, 8]],
    ['Pacific/Auckland', 780, 720, [12, 1, 2]],
    ['no summer time', 330, 330, [6, 7, 8]],
  ])('the warm months of %s', (_, january, july, months) => {
    expect(warmMonths(january, july)).toEqual(months);
  });
});

describe('a booking that what was found has made too late', () => {
  const care = (key: string, last: string, weight = 1) => ({
    ...{ key, ideal: 28, earliest: 21, latest: 35, last: day(last), weight },
  });
  const full = { name: 'full visit', covers: ['bath', 'ear cleaning@ear/left'], minutes: 90, uses: {} };
  const booked = (on: string, change: Partial<Weeks['booked'][number]> = {}) => ({
    ...{
      id: on,
      dog: 'Tansy',
      person: 'Marit',
      day: day(on),
      from: 540,
      to: 630,
      choice: 'full' as const,
      mayMove: true,
    },
    ...change,
  });
  const told = (cares: DogInWeeks['care'], bookings: Weeks['booked']) =>
    bookedTooLate(weeksOf([dog('Tansy', { care: cares, full })], { booked: bookings })).map(
      ({ booking, key, closes, lateBy }) => [booking.id, key, closes, lateBy],
    );

  // Monday 2 November is today; 35 days after 5 October are the ninth of November.
  test.each([
    ['inside its window: nothing', [care('bath', '2026-10-05')], [booked('2026-11-09')], []],
    ['six days after it: not worth a call', [care('bath', '2026-10-05')], [booked('2026-11-15')], []],
    [
      'seven days after it',
      [care('bath', '2026-10-05')],
      [booked('2026-11-16')],
      [['2026-11-16', 'bath', '2026-11-09', 7]],
    ],
    [
      'three days after it, of an ear',
      [care('ear cleaning@ear/left', '2026-10-05', 1.5)],
      [booked('2026-11-12')],
      [['2026-11-12', 'ear cleaning@ear/left', '2026-11-09', 3]],
    ],
    [
      'its window is long past: counted from today',
      [care('bath', '2026-08-01')],
      [booked('2026-11-30')],
      [['2026-11-30', 'bath', '2026-11-02', 28]],
    ],
    [
      'another booking comes first, and is in time',
      [care('bath', '2026-10-05')],
      [booked('2026-12-14'), booked('2026-11-09')],
      [],
    ],
    ['a lesson does no care', [care('bath', '2026-10-05')], [booked('2026-11-30', { choice: null })], []],
    ['it comes today', [care('bath', '2026-08-01')], [booked('2026-11-02')], []],
  ] as const)('%s', (_, cares, bookings, expected) => {
    expect(told(cares, bookings)).toEqual(expected);
  });
});

describe('who finds no place is told why', () => {
  test.each([
    ['nobody works on the only days it may come', dog('Tansy', {}, { needs: needs({ weekdays: [6] }) }), 'no hours'],
    ['the van goes nowhere near it', dog('Tansy', {}, { needs: needs({ where: 'islets' }) }), 'not there'],
    ['nobody is good at what it needs', dog('Tansy', {}, { needs: needs({ skills: ['cats'] }) }), 'no skill'],
    [
      'it takes longer than anybody works without a break',
      dog('Tansy', { full: { ...its().full, minutes: 300 } }),
      'too long',
    ],
    ['held by two, and one works at a time', dog('Tansy', { byTwo: true }), 'no hours'],
  ])('%s', (_, one, because) => {
    const [mornings, afternoons] = [USUAL_WEEK.map((spans) => spans.slice(0, 1)), USUAL_WEEK.map(() => [])];
    const people = [
      { id: 'Marit', week: mornings, skills: ['hand-stripping'] },
      { id: 'Ade', week: afternoons, skills: [] },
    ];
    const { proposals, unplaced } = proposed(weeksOf([one], { people }));
    expect(proposals).toEqual([]);
    expect(unplaced).toEqual([{ dog: 'Tansy', because, closes: '2026-11-23' }]);
  });

  test('3,000 dogs due on one day: the best of it is planned, the rest is told', () => {
    const late = { care: [{ ...care, last: day('2026-09-20') }] };
    const weeks = weeksOf(
      Array.from({ length: 3000 }, (_, i) => dog(`dog ${i}`, late)),
      { days: 14 },
    );
    const first = planBookings(bookOf(weeks)).next().value;
    if (!first) throw new Error('No plan.');
    const { proposals, unplaced } = proposedWeeks(weeks, first.plan(), PLAN_COSTS, first.prices());
    expect(proposals.length).toBeGreaterThan(60);
    expect(proposals.length + unplaced.length).toBe(3000);
    expect(unplaced.every(({ because }) => because === 'full')).toBe(true);
  });
});

describe('what still holds of a plan when the book has changed', () => {
  const before = weeksOf([dog('Tansy'), dog('Otter')]);
  const plan = proposed(before);
  const [tansy, otter] = ['Tansy', 'Otter'].map((id) => plan.proposals.find((each) => each.dog === id)!);
  const booked = (change: Partial<Weeks['booked'][number]>): Weeks => ({
    ...before,
    booked: [{ ...otter!, id: 'new', choice: 'full', mayMove: false, ...change }],
  });
  const idsOf = (weeks: Weeks) => new Set(weeks.booked.map(({ id }) => id));
  const left = (weeks: Weeks) =>
    carryOver(plan, idsOf(before), weeks)
      .proposals.map((each) => each.dog)
      .toSorted();

  test('all of it, where nothing that matters has', () => {
    expect(left({ ...before, over: 30 })).toEqual(['Otter', 'Tansy']);
    expect(carryOver(plan, idsOf(before), before)).toEqual(plan);
  });

  test('what was accepted is booked, and no longer proposed; the other dog’s is', () => {
    const after = booked({});
    expect(left(after)).toEqual(['Tansy']);
    const use = carryOver(plan, idsOf(before), after).days.find(({ day: on }) => on === otter!.day)!;
    expect(use.booked).toBe(otter!.to - otter!.from);
  });

  test('what was accepted may move, and takes nothing off what is still proposed for that day', () => {
    const both = { ...otter!, day: tansy!.day, person: 'Ade', from: 900, to: 960 };
    const use = carryOver(plan, idsOf(before), booked({ ...both, dog: 'Otter', mayMove: true })).days;
    expect(use.find(({ day: on }) => on === tansy!.day)!.proposed).toBe(tansy!.to - tansy!.from);
  });

  test('a booking that was to be moved: while it stands, and its new time is free', () => {
    const old = { ...tansy!, id: 'old', day: addDays(tansy!.day, 1), choice: 'full', mayMove: true } as const;
    const moving = { ...plan, proposals: [{ ...tansy!, insteadOf: 'old' }] };
    const then = { ...before, booked: [old] };
    const still = (more: Weeks['booked'], standing: Weeks['booked'] = [old]) =>
      carryOver(moving, idsOf(then), { ...then, booked: [...standing, ...more] }).proposals.length;
    expect(still([])).toBe(1);
    expect(still([], [])).toBe(0);
    expect(still([{ ...tansy!, id: 'new', dog: 'Rook', choice: 'full', mayMove: false }])).toBe(0);
    // By a quarter of an hour on its own day: it is in its own way, and that is no matter.
    const shifted = { ...old, day: tansy!.day, from: tansy!.from + 15, to: tansy!.to + 15 };
    expect(
      carryOver(moving, idsOf({ ...then, booked: [shifted] }), { ...then, booked: [shifted] }).proposals.length,
    ).toBe(1);
  });

  test('not where its time was taken by somebody else, or its person is away', () => {
    const { day: on, person, from, to } = tansy!;
    expect(left(booked({ dog: 'Rook', day: on, person, from, to }))).toEqual(['Otter']);
    expect(left({ ...before, away: [{ person, from: on, to: on }] })).not.toContain('Tansy');
  });

  test('not for a dog that is gone, nor one booked some days from it', () => {
    expect(left({ ...before, dogs: [dog('Tansy')] })).toEqual(['Tansy']);
    expect(left(booked({ day: addDays(otter!.day, 3), person: 'Ade', from: 900, to: 960 }))).toEqual(['Tansy']);
  });

  test('a booking far off takes nothing away', () => {
    expect(left(booked({ day: addDays(otter!.day, 14), from: 900, to: 960 }))).toContain('Otter');
  });
});
