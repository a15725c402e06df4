import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addDays, day } from '../units';
import { randomBook } from './tests/books';
import {
  PLAN_COSTS,
  USUAL_WEEK,
  bestSlots,
  breaches,
  careFrom,
  daysOfPattern,
  daysOn,
  free,
  packTimes,
  planBookings,
  seriesDays,
  slotWords,
  weekTrouble,
  whoGains,
  workBlocks,
  type Book,
  type CareDue,
  type DogToBook,
} from '.';

const MONDAY = day('2026-11-02');
const bath: CareDue = { key: 'bath', ideal: 28, earliest: 21, latest: 35, last: -14, weight: 1 };
const dog = (change: Partial<DogToBook> = {}): DogToBook => ({
  id: 'Tansy',
  household: 'Okafor',
  care: [bath],
  lastVisit: -14,
  full: { name: 'full visit', covers: ['bath'], minutes: 90, uses: {} },
  short: null,
  needs: { where: 'salon', skills: [], people: null, slot: null, barredDays: [] },
  wishes: { days: null, part: null, person: null, coolDays: [] },
  standing: [],
  ...change,
});
const bookOf = (dogs: readonly DogToBook[], change: Partial<Book> = {}): Book => ({
  days: 42,
  dogs,
  people: [
    { id: 'Marit', skills: [] },
    { id: 'Ade', skills: [] },
  ],
  blocks: workBlocks(
    ['Marit', 'Ade'].map((id) => ({ id, week: USUAL_WEEK })),
    [],
    { first: MONDAY, days: 42 },
  ),
  shared: [],
  drive: {},
  ...change,
});

describe('hours', () => {
  test('five days with a break at noon; who is away, and closed days, are not there', () => {
    const blocks = workBlocks(
      ['Marit', 'Ade'].map((id) => ({ id, week: USUAL_WEEK })),
      [
        { person: 'Ade', from: addDays(MONDAY, 1), to: addDays(MONDAY, 1) },
        { person: null, from: addDays(MONDAY, 3), to: addDays(MONDAY, 4) },
      ],
      { first: MONDAY, days: 7 },
    );
    expect(blocks.map(({ person, day: on }) => `${on} ${person}`)).toEqual([
      '0 Marit',
      '0 Marit',
      '0 Ade',
      '0 Ade',
      '1 Marit',
      '1 Marit',
      '2 Marit',
      '2 Marit',
      '2 Ade',
      '2 Ade',
    ]);
    expect(blocks.slice(0, 2).map(({ isFirst, isLast }) => [isFirst, isLast])).toEqual([
      [true, false],
      [false, true],
    ]);
  });

  test('what is taken is cut out, and what is left is never taken', () => {
    const span = fc.tuple(fc.integer({ min: 0, max: 1400 }), fc.integer({ min: 1, max: 300 }));
    fc.assert(
      fc.property(fc.array(span, { maxLength: 6 }), (list) => {
        const taken = list.map(([from, length]) => ({ from, to: from + length }));
        const left = free({ from: 540, to: 1020 }, taken);
        for (const a of left) {
          expect(a.from).toBeGreaterThanOrEqual(540);
          expect(a.to).toBeLessThanOrEqual(1020);
          expect(a.to - a.from).toBeGreaterThanOrEqual(15);
          for (const b of taken) expect(a.to <= b.from || b.to <= a.from).toBe(true);
        }
      }),
    );
  });

  test.each([
    [[[{ from: 600, to: 540 }], [], [], [], [], [], []], /before it begins/],
    [
      [
        [
          { from: 540, to: 700 },
          { from: 690, to: 800 },
        ],
        [],
        [],
        [],
        [],
        [],
        [],
      ],
      /overlap/,
    ],
    [[[{ from: 540, to: 1500 }], [], [], [], [], [], []], /midnight/],
    [[[]], /seven/],
  ])('%j is told', (week, words) => {
    expect(weekTrouble(week.map((spans) => spans.map((each) => ({ ...each, where: 'salon' }))))).toMatch(words);
  });

  test('weekdays and patterns over a leap day, whatever day a week begins on', () => {
    const first = day('2028-02-21');
    expect(daysOn([1], first, 14).map((i) => addDays(first, i))).toEqual(['2028-02-22', '2028-02-29']);
    expect(daysOfPattern(day('2028-02-03'), 5, first, 70).map((i) => addDays(first, i))).toEqual([
      '2028-03-09',
      '2028-04-13',
    ]);
  });

  test('the same hours on the day the clocks change: minutes are those of the wall', () => {
    const sunday = [USUAL_WEEK[0]!, [], [], [], [], [], USUAL_WEEK[0]!];
    const blocks = workBlocks([{ id: 'Marit', week: sunday }], [], { first: day('2026-10-25'), days: 1 });
    expect(blocks.map(({ from, to }) => [from, to])).toEqual([
      [540, 750],
      [795, 1020],
    ]);
  });
});

describe('the best slots', () => {
  test('an empty book: the best day of its care, and why', () => {
    const { slots, lateBy } = bestSlots(
      { book: bookOf([dog()]), dog: 'Tansy', choice: 'full', together: [] },
      PLAN_COSTS,
    );
    expect(slots.length).toBeGreaterThanOrEqual(3);
    expect(slots[0]).toMatchObject({
      day: 14,
      over: 0,
      why: [
        { about: 'care', is: 'best' },
        { about: 'day', is: 'quiet' },
      ],
    });
    expect(slots[0]!.why.map(slotWords)).toEqual(['the best day for bath', 'a quiet day']);
    expect(lateBy).toBeNull();
  });

  test('where the household comes already, a day or two from the best one is better', () => {
    const { slots } = bestSlots({ book: bookOf([dog()]), dog: 'Tansy', choice: 'full', together: [16] }, PLAN_COSTS);
    expect(slots[0]).toMatchObject({
      day: 16,
      why: [
        { is: 'later', days: 2 },
        { about: 'whole', inside: 1, of: 1 },
        { about: 'trip', is: 'together' },
      ],
    });
  });

  test('no time inside the window is said first', () => {
    const book = bookOf([dog()]);
    const late = { ...book, blocks: book.blocks.filter((block) => block.day >= 28) };
    const { slots, lateBy } = bestSlots({ book: late, dog: 'Tansy', choice: 'full', together: [] }, PLAN_COSTS);
    expect([slots[0]?.day, lateBy]).toEqual([28, 7]);
    expect(slots[0]!.why.map(slotWords)[0]).toBe('14 days after the best day for bath, past its window');
  });

  test('after a booking that stands its clock begins anew', () => {
    const standing = [{ id: 'b', day: 14, person: 'Marit', choice: 'full', isFixed: true }] as const;
    const { slots } = bestSlots(
      { book: bookOf([dog({ standing })], { days: 60 }), dog: 'Tansy', choice: 'full', together: [] },
      PLAN_COSTS,
    );
    // The last open day of the book is three days before the best one.
    expect(slots[0]).toMatchObject({
      day: 39,
      why: [{ about: 'care', is: 'sooner', days: 3 }, { about: 'whole', inside: 1, of: 1 }, { about: 'day' }],
    });
  });

  test('two dogs of a household come on a day that suits both, as near to each other as can be', () => {
    const { slots: single } = bestSlots(
      { book: bookOf([dog()]), dog: 'Tansy', choice: 'full', together: [] },
      PLAN_COSTS,
    );
    const other = dog({ id: 'Wren', care: [{ ...bath, last: -10 }], lastVisit: -10 });
    const both = { dog: 'Tansy', choice: 'full', others: [{ dog: 'Wren', choice: 'full' }], together: [] } as const;
    const { slots } = bestSlots({ book: bookOf([dog(), other]), ...both }, PLAN_COSTS);
    expect(single[0]).toMatchObject({ day: 14, from: 540, to: 630, along: [] });
    // Tansy is best on day 14, Wren on day 18 (a Friday): it is a day between.
    expect(slots[0]!.day).toBeGreaterThan(14);
    expect(slots[0]!.day).toBeLessThanOrEqual(18);
    // Two people work: both at once.
    for (const { from, to, person, along } of slots)
      expect(along).toEqual([{ dog: 'Wren', person: person === 'Ade' ? 'Marit' : 'Ade', from, to }]);
    const barred = { ...other, needs: { ...other.needs, people: ['Ade'] } };
    const alone = bookOf([dog({ needs: barred.needs }), barred]);
    // One person has both: one after the other.
    const { slots: inTurn } = bestSlots({ book: alone, ...both }, PLAN_COSTS);
    expect(
      inTurn.map(({ person, from, along: [wren] }) => [person, wren!.person, Math.abs(wren!.from - from)]),
    ).toEqual(inTurn.map(() => ['Ade', 'Ade', 90]));
  });

  test('two that fit into no half day come before and after noon; a day with room for one only is none', () => {
    const long = (id: string) => dog({ id, full: { name: 'full visit', covers: ['bath'], minutes: 180, uses: {} } });
    const marit = { where: 'salon', skills: [], people: ['Marit'], slot: null, barredDays: [] };
    const two = [long('Tansy'), long('Wren')].map((each) => ({ ...each, needs: marit }));
    const both = { dog: 'Tansy', choice: 'full', others: [{ dog: 'Wren', choice: 'full' }], together: [] } as const;
    const { slots } = bestSlots({ book: bookOf(two), ...both }, PLAN_COSTS);
    expect(slots[0]!.to <= 750).not.toBe(slots[0]!.along[0]!.to <= 750);
    const book = bookOf(two);
    const mornings = { ...book, blocks: book.blocks.filter(({ to }) => to <= 750) };
    expect(bestSlots({ book: mornings, ...both }, PLAN_COSTS).slots).toEqual([]);
  });

  test('no hours, or a dog longer than a day: no slot, and no crash', () => {
    const none = bookOf([dog()], { blocks: [] });
    const long = bookOf([dog({ full: { name: 'full visit', covers: ['bath'], minutes: 1500, uses: {} } })]);
    for (const book of [none, long])
      expect(bestSlots({ book, dog: 'Tansy', choice: 'full', together: [] }, PLAN_COSTS)).toEqual({
        slots: [],
        lateBy: null,
        cost: Infinity,
      });
  });

  test('random books: three to five where there is room, at most two a day and an hour apart, inside free time', () => {
    fc.assert(
      fc.property(fc.nat(5000), fc.boolean(), (seed, rich) => {
        const book = randomBook({ dogs: 6, days: 35, people: 2, fill: 1, seed, rich });
        const { slots } = bestSlots({ book, dog: 'dog 0', choice: 'full', together: [] }, PLAN_COSTS);
        expect(slots.length).toBeGreaterThanOrEqual(3);
        expect(slots.length).toBeLessThanOrEqual(5);
        expect(slots.map(({ over }) => over)).toEqual(slots.map(({ over }) => over).toSorted((a, b) => a - b));
        for (const slot of slots) {
          const inside = book.blocks.some(
            ({ person, day: on, from, to }) =>
              person === slot.person && on === slot.day && from <= slot.from && slot.to <= to,
          );
          expect(inside).toBe(true);
          const same = slots.filter((each) => each !== slot && each.day === slot.day);
          expect(same.length).toBeLessThan(2);
          for (const each of same) expect(Math.abs(each.from - slot.from)).toBeGreaterThanOrEqual(60);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('a time that came free', () => {
  const slot = { person: 'Marit', day: 2, from: 540, to: 660, where: 'salon', isFirst: true, isLast: false };

  test('who is late gains most; who was here last week gains nothing', () => {
    const late = dog({ id: 'Rook', household: 'Ito', care: [{ ...bath, last: -45 }], lastVisit: -45 });
    const due = dog({ id: 'Quill', household: 'Silva', care: [{ ...bath, last: -32 }], lastVisit: -32 });
    const fresh = dog({ id: 'Wren', household: 'Haddad', care: [{ ...bath, last: -5 }], lastVisit: -5 });
    const kept = Object.fromEntries(Array.from({ length: 42 }, (_, i) => [`${i} salon `, 0.05]));
    const gains = whoGains(bookOf([fresh, due, late]), slot, PLAN_COSTS, kept);
    expect(gains.map((each) => each.dog)).toEqual(['Rook', 'Quill']);
    expect(gains[0]).toMatchObject({ lateBy: 12, insteadOf: null, choice: 'full' });
  });

  test('a dog that is booked later gives that up; one that does not fit is not asked', () => {
    const standing = [{ id: 'later', day: 20, person: 'Ade', choice: 'full', isFixed: true }] as const;
    const booked = dog({ id: 'Rook', care: [{ ...bath, last: -40 }], lastVisit: -40, standing });
    const long = dog({ id: 'Umber', care: [{ ...bath, last: -60 }], full: { ...dog().full, minutes: 150 } });
    expect(whoGains(bookOf([booked, long]), slot, PLAN_COSTS)).toMatchObject([{ dog: 'Rook', insteadOf: 'later' }]);
  });
});

describe('times of a plan', () => {
  test('no two visits of a person at once, all inside the block they were planned in', () => {
    fc.assert(
      fc.property(fc.nat(1000), fc.boolean(), (seed, rich) => {
        const book = randomBook({ dogs: 20, days: 21, people: 2, fill: 1.1, seed, rich });
        const planned = planBookings(book).next().value;
        if (!planned) throw new Error('No plan.');
        const plan = planned.plan();
        expect(breaches(book, plan)).toEqual([]);
        const times = packTimes(book, plan, (_, on) => (on % 2 ? { from: 600, to: 690 } : null));
        expect(times.length).toBe(plan.filter(({ block }) => block !== null).length);
        for (const a of times) {
          const block = book.blocks[a.block]!;
          expect(a.from >= block.from && a.to <= block.to).toBe(true);
          for (const b of times)
            if (a !== b && a.block === b.block) expect(a.to <= b.from || b.to <= a.from).toBe(true);
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe('a series', () => {
  const time = { from: 600, to: 690 };
  test('every five weeks until March, moved where that time is taken', () => {
    const taken = new Set(['2026-12-03', '2027-01-07', '2027-01-06']);
    const days = seriesDays({
      first: day('2026-10-29'),
      everyWeeks: 5,
      until: day('2027-03-01'),
      time,
      isFree: (on) => !taken.has(on),
    });
    expect(days).toEqual([
      { asked: '2026-12-03', day: '2026-12-02' },
      { asked: '2027-01-07', day: '2027-01-08' },
      { asked: '2027-02-11', day: '2027-02-11' },
    ]);
  });

  test('never more than sixty, and a day that has no near one is said', () => {
    const days = seriesDays({ first: MONDAY, everyWeeks: 1, until: day('2199-01-01'), time, isFree: () => false });
    expect(days).toHaveLength(59);
    expect(days.every((each) => each.day === null)).toBe(true);
    expect(() => seriesDays({ first: MONDAY, everyWeeks: 0, until: MONDAY, time, isFree: () => true })).toThrow(
      RangeError,
    );
  });
});

test('care is counted from the day its window is counted from, never after the horizon begins', () => {
  const dated = { key: 'bath', ideal: 28, earliest: 21, latest: 35, last: day('2026-11-05'), weight: 1 };
  expect(careFrom([dated], day('2026-11-20'))).toMatchObject([{ last: -15 }]);
  expect(careFrom([dated], MONDAY)).toMatchObject([{ last: 0 }]);
});
