import fc from 'fast-check';
import highsLoader from 'highs';
import { describe, expect, test } from 'vitest';
import {
  afterHours,
  lineUp,
  readyTimes,
  toTell,
  troubles,
  whyLater,
  workDayOf,
  type BookedDog,
  type DogOfDay,
  type PlacedGroup,
  type WorkDay,
} from '.';
import { cheaperDay } from './tests/branchAndBound';
import { randomDay } from './tests/days';
import { exactDayCost } from './tests/exactDay';

const DEEP = process.env['DEWPOND_DEEP'] !== undefined;

const minute = (clock: string): number => {
  const [hours, minutes] = clock.split(':').map(Number);
  return 60 * hours! + minutes!;
};
const clock = (at: number): string => `${Math.floor(at / 60)}:${String(at % 60).padStart(2, '0')}`;

const bathed = (id: string, arrives: string, more: Partial<DogOfDay> = {}): DogOfDay => ({
  id,
  name: id,
  person: 'Ines',
  keepsPerson: true,
  arrives: minute(arrives),
  begun: false,
  promised: null,
  groups: [
    { part: 'table', at: ['table'], minutes: 30, stretches: [], rest: 0 },
    { part: 'bath', at: ['tub'], minutes: 25, stretches: [], rest: 0 },
    { part: 'dry', at: ['table', 'dryer'], minutes: 20, stretches: [], rest: 20 },
    { part: 'finish', at: ['table'], minutes: 15, stretches: [], rest: 0 },
  ],
  shortStay: false,
  coolHours: false,
  helper: false,
  lift: false,
  last: false,
  notWith: [],
  pins: [],
  ...more,
});
const nails = (id: string, arrives: string, more: Partial<DogOfDay> = {}): DogOfDay =>
  bathed(id, arrives, { groups: [{ part: 'table', at: ['table'], minutes: 20, stretches: [], rest: 0 }], ...more });

const HOURS = [
  { from: minute('9:00'), to: minute('12:30') },
  { from: minute('13:15'), to: minute('17:00') },
];
const dayOf = (dogs: readonly DogOfDay[], more: Partial<WorkDay> = {}): WorkDay => ({
  people: [{ id: 'Ines', name: 'Ines', hours: HOURS, isAway: false }],
  dogs,
  places: { table: 2, tub: 1, dryer: 2, crate: 4 },
  hot: null,
  ...more,
});
const both = [
  { id: 'Ines', name: 'Ines', hours: HOURS, isAway: false },
  { id: 'Jonah', name: 'Jonah', hours: HOURS, isAway: false },
];
/** "Wren: table 9:00, bath 9:30" */
const told = (day: WorkDay, options = {}) => {
  const { placed } = lineUp(day, options);
  expect(troubles(day, placed)).toEqual([]);
  return day.dogs.map(
    ({ id, groups }) =>
      `${id}: ${placed
        .filter(({ dog }) => dog === id)
        .map(({ group, from }) => `${groups[group]!.part} ${clock(from)}`)
        .join(', ')}`,
  );
};

describe('a day', () => {
  test('the towel of one dog is the time of the next', () => {
    const day = dayOf([bathed('Wren', '9:00'), nails('Otter', '9:30')]);
    expect(told(day)).toEqual(['Wren: table 9:00, bath 9:30, dry 10:15, finish 10:35', 'Otter: table 9:55']);
  });

  test('nobody works through a break: what does not end before it begins after it', () => {
    const day = dayOf([nails('Otter', '12:15')]);
    expect(told(day)).toEqual(['Otter: table 13:15']);
  });

  test('one tub: the second dog waits for it, with two people and two tables', () => {
    const day = dayOf([bathed('Wren', '9:00'), bathed('Rook', '9:00', { person: 'Jonah' })], { people: both });
    const [wren, rook] = told(day);
    expect(wren).toBe('Wren: table 9:00, bath 9:30, dry 10:15, finish 10:35');
    expect(rook).toBe('Rook: table 9:00, bath 9:55, dry 10:40, finish 11:00');
  });

  test('what may spread comes after all others, whenever it was brought', () => {
    const day = dayOf([nails('Fleas', '9:00', { last: true }), nails('Otter', '9:00'), nails('Rook', '10:00')]);
    expect(told(day)).toEqual(['Fleas: table 10:20', 'Otter: table 9:00', 'Rook: table 10:00']);
  });

  test('a dog held by two takes both; without a second person it cannot be done', () => {
    const day = dayOf([nails('Big', '9:00', { helper: true }), nails('Otter', '9:00', { person: 'Jonah' })], {
      people: both,
    });
    const { placed } = lineUp(day);
    expect(placed.find(({ dog }) => dog === 'Big')).toMatchObject({ person: 'Ines', helper: 'Jonah' });
    expect(troubles(day, placed)).toEqual([]);
    expect(lineUp(dayOf([nails('Big', '9:00', { helper: true })])).unplaced).toEqual(['Big']);
  });

  test('whoever is away neither works nor helps: another takes her dogs, or it is said that they find no time', () => {
    const away = both.map((each) => (each.id === 'Ines' ? { ...each, hours: [], isAway: true } : each));
    const free = dayOf([nails('Otter', '9:00', { keepsPerson: false })], { people: away });
    expect(lineUp(free).placed.map(({ person }) => person)).toEqual(['Jonah']);
    expect(lineUp(dayOf([nails('Otter', '9:00')], { people: away })).unplaced).toEqual(['Otter']);
    const held = dayOf([nails('Big', '9:00', { person: 'Jonah', helper: true })], { people: away });
    expect(lineUp(held).unplaced).toEqual(['Big']);
    const otter = {
      dog: 'Otter',
      group: 0,
      person: 'Ines',
      helper: null,
      lifts: [],
      from: minute('9:00'),
      to: minute('9:20'),
    };
    expect(troubles(free, [otter])).toEqual(['Ines is away.']);
  });

  test('whoever has the day off may come for her own dog, and holds nobody else’s', () => {
    const off = both.map((each) => (each.id === 'Ines' ? { ...each, hours: [] } : each));
    expect(lineUp(dayOf([nails('Otter', '9:00')], { people: off })).unplaced).toEqual([]);
    const held = dayOf([nails('Big', '9:00', { person: 'Jonah', helper: true })], { people: off });
    expect(lineUp(held).unplaced).toEqual(['Big']);
  });

  test('two that cannot meet are never out at the same time', () => {
    const day = dayOf(
      [nails('Rook', '9:00', { notWith: ['Wren'] }), nails('Wren', '9:00', { person: 'Jonah', notWith: ['Rook'] })],
      {
        people: both,
      },
    );
    expect(told(day).toSorted()).toEqual(['Rook: table 9:00', 'Wren: table 9:20']);
  });

  test('of two that wait, the old one waits less', () => {
    const day = dayOf([nails('Young', '9:00'), nails('Old', '9:00', { shortStay: true })]);
    expect(told(day)).toEqual(['Young: table 9:20', 'Old: table 9:00']);
  });

  test('an old dog that takes two people is not the one that waits, though two others could be done meanwhile', () => {
    const hour = (id: string, more: Partial<DogOfDay>) =>
      nails(id, '9:00', {
        groups: [{ part: 'table', at: ['table'], minutes: 60, stretches: [], rest: 0 }],
        promised: minute('10:00'),
        ...more,
      });
    const day = dayOf(
      [
        hour('Old', { shortStay: true, helper: true }),
        hour('Wren', {}),
        hour('Rook', { person: 'Jonah' }),
        hour('Otter', {}),
        hour('Larch', { person: 'Jonah' }),
      ],
      { people: both },
    );
    expect(told(day)[0]).toBe('Old: table 9:00');
  });

  test('on a hot day the flat-faced dog is bathed in the morning', () => {
    const dogs = [bathed('Larch', '9:00'), bathed('Pug', '9:00', { coolHours: true })];
    const hot = { from: minute('11:00'), to: minute('16:00') };
    const baths = (day: WorkDay) => lineUp(day).placed.find(({ dog, group }) => dog === 'Pug' && group === 1)!.from;
    expect(baths(dayOf(dogs, { hot }))).toBeLessThan(minute('10:00'));
  });

  test('another person takes a dog where that ends the day sooner, and never one that keeps its own', () => {
    const dogs = [bathed('Wren', '9:00'), bathed('Rook', '9:00'), nails('Otter', '9:00')].map((dog) => ({
      ...dog,
      keepsPerson: false,
    }));
    const people = (day: WorkDay) => new Set(lineUp(day).placed.map(({ person }) => person));
    expect(people(dayOf(dogs, { people: both })).size).toBe(2);
    expect(
      people(
        dayOf(
          dogs.map((dog) => ({ ...dog, keepsPerson: true })),
          { people: both },
        ),
      ).size,
    ).toBe(1);
  });

  test('what has begun goes on first; all else follows from now', () => {
    const now = minute('11:00');
    const day = dayOf([
      nails('Otter', '11:00'),
      { ...bathed('Wren', '11:00', { begun: true }), groups: bathed('', '9:00').groups.slice(1) },
    ]);
    expect(now).toBe(minute('11:00'));
    expect(told(day)).toEqual(['Otter: table 11:25', 'Wren: bath 11:00, dry 11:45, finish 12:05']);
  });

  test('more than fits goes past the hours, and says so; the break is kept', () => {
    const day = dayOf(Array.from({ length: 6 }, (_, i) => bathed(`Dog ${i}`, '9:00')));
    const { placed, unplaced } = lineUp(day);
    expect(unplaced).toEqual([]);
    expect(troubles(day, placed)).toEqual([]);
    expect(afterHours(day, placed)).toEqual([{ person: 'Ines', minutes: expect.any(Number) }]);
  });

  test.each([
    ['no dogs', dayOf([])],
    ['no people', dayOf([nails('Otter', '9:00')], { people: [] })],
    [
      'nobody works today',
      dayOf([nails('Otter', '9:00')], { people: [{ id: 'Ines', name: 'Ines', hours: [], isAway: false }] }),
    ],
    [
      'a dog longer than a day',
      dayOf([{ ...nails('Otter', '9:00'), groups: [{ ...nails('', '9:00').groups[0]!, minutes: 1500 }] }]),
    ],
    ['a dog with nothing left', dayOf([{ ...nails('Otter', '9:00'), groups: [] }])],
  ])('%s: every dog has its time or is named', (_, day) => {
    const { placed, unplaced } = lineUp(day);
    expect(troubles(day, placed)).toEqual([]);
    for (const { id, groups } of day.dogs)
      expect(groups.length === 0 || unplaced.includes(id) || placed.some(({ dog }) => dog === id)).toBe(true);
  });
});

describe('a dog that two lift', () => {
  const big = (more: Partial<DogOfDay> = {}) => bathed('Big', '9:00', { lift: true, ...more });
  const bathOf = (placed: readonly PlacedGroup[], day: WorkDay) =>
    placed.find(({ dog, group }) => dog === 'Big' && day.dogs[0]!.groups[group]!.part === 'bath')!;

  test('a second person has a hand free as it goes into the tub, and as it comes out', () => {
    const day = dayOf([big(), nails('Otter', '9:00', { person: 'Jonah' })], { people: both });
    const { placed, unplaced } = lineUp(day);
    expect([unplaced, troubles(day, placed)]).toEqual([[], []]);
    const bath = bathOf(placed, day);
    expect(bath.lifts).toEqual([
      { person: 'Jonah', from: bath.from },
      { person: 'Jonah', from: bath.to - 5 },
    ]);
    // Between the two his hands are his own.
    expect(placed.filter(({ dog }) => dog !== 'Big').every(({ lifts }) => lifts.length === 0)).toBe(true);
  });

  test('whoever works alone lifts as she always has; one that is in the tub is only lifted out', () => {
    const alone = dayOf([big()]);
    expect(bathOf(lineUp(alone).placed, alone).lifts).toEqual([]);
    const { groups } = big();
    const inTub = dayOf([big({ begun: true, groups: groups.slice(groups.findIndex(({ part }) => part === 'bath')) })], {
      people: both,
    });
    const { placed } = lineUp(inTub);
    expect(bathOf(placed, inTub).lifts.map(({ from }) => from)).toEqual([bathOf(placed, inTub).to - 5]);
    expect(troubles(inTub, placed)).toEqual([]);
  });

  test('a time at which nobody has a hand free is refused for that reason', () => {
    const day = dayOf([big(), nails('Otter', '9:00', { person: 'Jonah' })], { people: both });
    const at = (dog: string, group: number, person: string, from: string, to: string): PlacedGroup => ({
      ...{ dog, group, person, helper: null, lifts: [], from: minute(from), to: minute(to) },
    });
    const placed = [
      at('Big', 0, 'Ines', '9:00', '9:30'),
      at('Otter', 0, 'Jonah', '9:30', '9:50'),
      at('Big', 1, 'Ines', '9:50', '10:15'),
    ];
    expect(whyLater(day, placed, { dog: 'Big', part: 'bath', from: minute('9:30') })).toEqual({ kind: 'lift' });
  });
});

describe('from bookings', () => {
  const booked = (more: Partial<BookedDog> = {}): BookedDog => ({
    ...{
      id: 'Otter',
      name: 'Otter',
      household: 'h',
      person: 'Ines',
      keepsPerson: false,
      from: 600,
      to: 660,
      begun: false,
    },
    ...{
      shortStay: false,
      coolHours: false,
      helper: false,
      lift: false,
      mindsDogs: false,
      maySpread: false,
      byHand: null,
    },
    ...{ dogId: 'dog Otter', notWith: [] },
    groups: nails('', '9:00').groups,
    ...more,
  });
  const house = { people: both, places: { table: 2, tub: 1, dryer: 2, crate: 4 } };
  const dogsOf = (dogs: readonly BookedDog[], now: number | null = null) =>
    workDayOf(dogs, house, { now, hot: null }).dogs;

  test('who was set by hand keeps the dog; who is not there any more does not', () => {
    expect(dogsOf([booked({ byHand: { person: 'Jonah', pins: [] } })])[0]).toMatchObject({
      person: 'Jonah',
      keepsPerson: true,
    });
    expect(dogsOf([booked({ byHand: { person: 'Ines', pins: [] } })])[0]).toMatchObject({
      person: 'Ines',
      keepsPerson: true,
    });
    expect(dogsOf([booked({ byHand: { person: 'Gone', pins: [] } })])[0]).toMatchObject({
      person: 'Ines',
      keepsPerson: false,
    });
  });

  test('two that mind other dogs, or may spread something, cannot meet; dogs of one household can', () => {
    const two = (more: Partial<BookedDog>, other: Partial<BookedDog> = {}) =>
      dogsOf([booked(more), booked({ id: 'Rook', household: 'g', ...more, ...other })]).map(({ notWith }) => notWith);
    expect(two({ mindsDogs: true })).toEqual([['Rook'], ['Otter']]);
    expect(two({ maySpread: true })).toEqual([['Rook'], ['Otter']]);
    expect(two({ mindsDogs: true }, { household: 'h' })).toEqual([[], []]);
    expect(two({ mindsDogs: true }, { mindsDogs: false })).toEqual([[], []]);
  });

  test('two of which somebody said that they do not meet, of one house as well; said of one it holds for both', () => {
    const pair = (household: string) =>
      dogsOf([
        booked({ notWith: ['dog Rook'] }),
        booked({ id: 'Rook', dogId: 'dog Rook', household }),
        booked({ id: 'Wren', dogId: 'dog Wren', household: 'g' }),
      ]).map(({ notWith }) => notWith);
    expect(pair('g')).toEqual([['Rook'], ['Otter'], []]);
    expect(pair('h')).toEqual([['Rook'], ['Otter'], []]);
  });

  test('late in the day nothing that is left begins before now', () => {
    expect(dogsOf([booked(), booked({ id: 'Rook', begun: true })], 640).map(({ arrives }) => arrives)).toEqual([
      640, 640,
    ]);
    expect(dogsOf([booked()], 540).map(({ arrives }) => arrives)).toEqual([600]);
  });
});

describe('by hand', () => {
  const at = (from: string, more: Partial<DogOfDay> = {}) => ({
    pins: [{ part: 'table' as const, from: minute(from) }],
    ...more,
  });
  const why = (day: WorkDay, dog: string, from: string) =>
    whyLater(day, lineUp(day).placed, { dog, part: 'table', from: minute(from) });

  test('a dog that is set to a time comes then, and the others make room', () => {
    const day = dayOf([nails('Otter', '9:00'), nails('Rook', '9:00', at('9:10')), nails('Wren', '9:00')]);
    expect(told(day)[1]).toBe('Rook: table 9:10');
    expect(why(day, 'Rook', '9:10')).toBeNull();
  });

  test.each([
    ['before it comes', [nails('Rook', '10:00', at('9:30'))], { kind: 'comes', at: minute('10:00') }],
    [
      'into the break',
      [nails('Rook', '9:00', at('12:20'))],
      { kind: 'no work', person: 'Ines', until: minute('13:15') },
    ],
    ['before work', [nails('Rook', '8:00', at('8:10'))], { kind: 'no work', person: 'Ines', until: minute('9:00') }],
    [
      'while another has begun',
      [nails('Otter', '9:00', { begun: true }), nails('Rook', '9:00', at('9:00'))],
      { kind: 'hands', person: 'Ines', dog: 'Otter', until: minute('9:20') },
    ],
    [
      'first, with what may spread',
      [nails('Otter', '9:00'), nails('Rook', '9:00', at('9:00', { last: true }))],
      { kind: 'last' },
    ],
  ])('%s: what forbids it is said', (_, dogs, obstacle) => {
    const pin = dogs.find(({ pins }) => pins.length > 0)!.pins[0]!;
    expect(why(dayOf(dogs), 'Rook', clock(pin.from))).toEqual(obstacle);
  });

  test('the drying before the towel has done its work', () => {
    const day = dayOf([bathed('Wren', '9:00', { pins: [{ part: 'dry', from: minute('9:30') }] })]);
    const { placed } = lineUp(day);
    expect(whyLater(day, placed, { dog: 'Wren', part: 'dry', from: minute('9:30') })).toEqual({
      kind: 'own part',
      part: 'bath',
      until: minute('9:55'),
      rest: 20,
    });
  });
});

test('whose owner is told that it is later: the worst first, a few minutes are not told', () => {
  const day = dayOf([
    nails('Otter', '9:00', { begun: true, promised: minute('9:15') }),
    nails('Rook', '9:00', { promised: minute('9:20') }),
    nails('Wren', '9:20', { promised: null }),
  ]);
  const { placed } = lineUp(day);
  expect(readyTimes(day, placed).map(({ dog }) => dog)).toEqual(['Otter', 'Rook', 'Wren']);
  expect(toTell(day, placed).map(({ dog, ready }) => [dog, clock(ready)])).toEqual([['Rook', '9:40']]);
});

describe('whatever the day', () => {
  const anyShape = fc.record({
    dogs: fc.integer({ min: 0, max: 9 }),
    people: fc.integer({ min: 1, max: 4 }),
    seed: fc.nat(),
  });

  test('no hard rule is broken, and every dog has its time or is named', () => {
    fc.assert(
      fc.property(anyShape, (shape) => {
        const day = randomDay({ ...shape, rich: true });
        const { placed, unplaced } = lineUp(day, { tries: 150 });
        expect(troubles(day, placed)).toEqual([]);
        for (const { id, groups } of day.dogs)
          if (!unplaced.includes(id)) expect(placed.filter(({ dog }) => dog === id)).toHaveLength(groups.length);
        // Somebody to hold, somebody to do it, and hours enough: then nobody is left.
        const isEasy = day.dogs.length <= 4 * day.people.length && day.people.every(({ isAway }) => !isAway);
        if (isEasy && day.dogs.every(({ helper }) => !helper)) expect(unplaced).toEqual([]);
      }),
      { numRuns: DEEP ? 2000 : 60 },
    );
  });

  test('the same seed gives the same day, and more tries never a dearer one', () => {
    const day = randomDay({ dogs: 8, people: 3, seed: 5, rich: true });
    expect(lineUp(day)).toEqual(lineUp(day));
    expect(lineUp(day).cost).toBeLessThanOrEqual(lineUp(day, { tries: 0 }).cost);
  });

  test('a judge that cannot see faults would pass anything: it sees each of them', () => {
    const day = dayOf([nails('Otter', '9:00'), bathed('Rook', '9:00', { helper: true, notWith: ['Otter'] })], {
      people: both,
    });
    const { placed } = lineUp(day);
    const otter = placed.find(({ dog }) => dog === 'Otter')!;
    const wrong = [
      { ...otter, from: minute('8:00'), to: minute('8:20') },
      { ...otter, from: minute('12:20'), to: minute('12:40') },
      { ...otter, to: otter.to + 5 },
      ...placed.filter(({ dog }) => dog === 'Rook').map((rook) => ({ ...otter, from: rook.from, to: rook.from + 20 })),
    ];
    for (const each of wrong)
      expect(troubles(day, [...placed.filter(({ dog }) => dog !== 'Otter'), each])).not.toEqual([]);
    expect(
      troubles(
        day,
        placed.filter(({ group }) => group !== 1),
      ),
    ).not.toEqual([]);
    expect(
      troubles(
        day,
        placed.map((each) => ({ ...each, helper: null })),
      ),
    ).not.toEqual([]);
    const heavy = dayOf([bathed('Rook', '9:00', { lift: true })], { people: both });
    const lifted = lineUp(heavy).placed;
    expect(troubles(heavy, lifted)).toEqual([]);
    const by = (change: (lifts: PlacedGroup['lifts']) => PlacedGroup['lifts']) =>
      troubles(
        heavy,
        lifted.map((each) => ({ ...each, lifts: change(each.lifts) })),
      );
    expect(by(() => [])).toEqual(['Rook is lifted by one.']);
    expect(by((lifts) => lifts.slice(0, 1))).toEqual(['Rook is lifted by one.']);
    // By whoever has it already.
    expect(by((lifts) => lifts.map((lift) => ({ ...lift, person: 'Ines' })))).not.toEqual([]);
  });
});

describe('beside exact answers', () => {
  test('three dogs, by HiGHS: the same cost; and our branch and bound finds nothing cheaper either', async () => {
    const solver = await highsLoader();
    const seeds = Array.from({ length: DEEP ? 20 : 3 }, (_, i) => 300 + i);
    for (const seed of seeds) {
      const day = randomDay({ dogs: 3, people: 1 + (seed % 2), seed });
      const { cost, placed } = lineUp(day);
      const until = Math.max(...placed.map(({ to }) => to)) / 5 + 3;
      const best = exactDayCost(solver, day, until);
      expect(cost).toBeCloseTo(best, 4);
      expect(cheaperDay(day, cost, 1e6)).toEqual({ cost: null, isProved: true });
      // From far above it finds the same best.
      expect(cheaperDay(day, cost + 50, 1e6).cost).toBeCloseTo(best, 4);
    }
  }, 120_000);

  const COUNT = DEEP ? 100 : 20;
  test(`five dogs, by branch and bound: the best in at least 95 of 100 of ${COUNT} days`, () => {
    const equal = Array.from({ length: COUNT }, (_, seed) => {
      const day = randomDay({ dogs: 5, people: 2, seed });
      const { cost, isProved } = cheaperDay(day, lineUp(day).cost, 1e6);
      return isProved && cost === null;
    }).filter(Boolean).length;
    console.log(`line-up of five dogs: the best in ${equal} of ${COUNT}`);
    expect(equal / COUNT).toBeGreaterThanOrEqual(0.95);
  }, 300_000);
});
