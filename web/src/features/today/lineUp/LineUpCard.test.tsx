import type { TodayDog, TodayView } from '@dewpond/contract';
import type { WorkGroup } from '@dewpond/core/lineup';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { TODAY, booking, session } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { LineUpCard } from './LineUpCard';

const [INES, JONAH] = [v7(), v7()];
const part = (name: WorkGroup['part'], minutes: number, rest = 0): WorkGroup => ({
  part: name,
  at: name === 'bath' ? ['tub'] : name === 'dry' ? ['table', 'dryer'] : ['table'],
  minutes,
  rest,
  stretches: [{ name, minutes, dwell: false }],
});
const WHOLE = [part('table', 30), part('bath', 25), part('dry', 20, 20), part('finish', 15)];

/** A booked dog, hours in UTC: the demo salon's winter. */
function dog(name: string, from: string, to: string, more: Partial<TodayDog> = {}): TodayDog {
  const appointment = booking({
    id: v7(),
    dogName: name,
    memberId: INES,
    startsAt: `2026-11-25T${from}:00Z`,
    endsAt: `2026-11-25T${to}:00Z`,
  });
  return {
    appointment,
    words: 'Pug, 8 kg',
    groups: WHOLE,
    household: v7(),
    begun: false,
    keepsPerson: true,
    shortStay: false,
    coolHours: false,
    helper: false,
    lift: false,
    mindsDogs: false,
    notWith: [],
    walkIn: false,
    isOut: false,
    maySpread: false,
    byHand: null,
    ...more,
  };
}

const HOURS = [
  { from: 540, to: 750 },
  { from: 795, to: 1020 },
];
const day = (dogs: readonly TodayDog[]): TodayView => ({
  day: TODAY,
  zone: 'Europe/London',
  dogs,
  people: [
    { id: INES, name: 'Ines Castellano', hours: HOURS, isAway: false },
    { id: JONAH, name: 'Jonah Adeyemi', hours: HOURS, isAway: false },
  ],
  places: { table: 2, tub: 1, dryer: 2, crate: 4 },
  returning: [],
  unbooked: [],
  watch: [],
});

function openDay(dogs: readonly TodayDog[], now = '08:30') {
  const server = openServer({
    'GET /api/session': () => session('metric'),
    'PUT /api/appointments/:id': () => ({ version: 2 }),
  });
  const today = day(dogs);
  return { server, ...show(<LineUpCard today={today} clockNow={Date.parse(`2026-11-25T${now}:00Z`)} />) };
}
const bars = () =>
  screen.getAllByRole('button', { name: /, \d+:\d\d to \d+:\d\d/ }).map((bar) => bar.getAttribute('aria-label'));
const asks = () => screen.getByRole('list', { name: 'What the day asks for' });

describe('the line-up of a day', () => {
  test('says of each part when it is and whose hands it has; the towel of one is the time of the other', () => {
    openDay([dog('Wren', '09:00', '11:30'), dog('Otter', '09:30', '12:00', { groups: [part('table', 20)] })]);
    expect(bars()).toEqual([
      'Wren, table, 9:00 to 9:30, Ines Castellano',
      'Wren, bath, 9:30 to 9:55, Ines Castellano',
      'Wren, dry, 10:15 to 10:35, Ines Castellano',
      'Wren, finish, 10:35 to 10:50, Ines Castellano',
      'Otter, table, 9:55 to 10:15, Ines Castellano',
    ]);
    expect(screen.queryByRole('list', { name: 'What the day asks for' })).toBeNull();
  });

  test('one person with two dogs at once: who waits, for whom, and whose owner is told', async () => {
    const { person } = openDay([dog('Wren', '09:00', '11:00'), dog('Rook', '09:00', '10:30', { keepsPerson: true })]);
    expect(asks()).toHaveWords(/waits \d\d min for Ines Castellano, who has (Wren|Rook) until \d+:\d\d/);
    await person.click(
      within(asks()).getByRole('button', { name: /^Tell .*: Rook is ready around 1\d:\d\d, booked until 10:30/ }),
    );
    expect(await screen.findByRole('dialog', { name: /ready/i })).toBeTruthy();
  });

  test('by person: hands, breaks, and who helps', async () => {
    const { person } = openDay([dog('Umber', '09:00', '11:30', { helper: true })]);
    await person.click(screen.getByRole('button', { name: 'By person' }));
    const lanes = screen.getByRole('group', { name: 'Line-up by person, 2 people' });
    expect(lanes).toHaveWords(/holds Umber/);
    expect(bars()[0]).toBe('Umber, table, 9:00 to 9:30, Ines Castellano, Jonah Adeyemi helps');
    expect(screen.getAllByText('1 h 30 on dogs')).toHaveLength(2);
  });

  test('by person: a bar has the whole name, or shares it with the dog’s bars beside it, or has none', async () => {
    const long = 'Bartholomew of the Old Salt Marsh';
    const { person } = openDay([
      dog(long, '09:00', '09:30', { groups: [part('table', 10), part('bath', 10)] }),
      dog('Wren', '10:00', '11:00', { groups: [part('table', 20), part('bath', 20)] }),
      dog('Otter', '13:00', '15:00', { groups: [part('table', 60), part('bath', 60)] }),
    ]);
    await person.click(screen.getByRole('button', { name: 'By person' }));
    const lanes = screen.getByRole('group', { name: 'Line-up by person, 2 people' });
    const words = within(lanes)
      .getAllByText(/^(Bar|Wren|Otter)/, { selector: 'text' })
      .map(({ textContent }) => textContent);
    expect(words).toEqual(['Otter', 'Otter, bath', 'Wren']);
  });

  test('who lends a hand to lift a heavy dog, in and out, is said', async () => {
    const { person } = openDay([dog('Umber', '09:00', '11:30', { lift: true })]);
    expect(bars()).toContain(
      'Umber, bath, 9:30 to 9:55, Ines Castellano, Jonah Adeyemi lifts at 9:30, Jonah Adeyemi lifts at 9:50',
    );
    await person.click(screen.getByRole('button', { name: 'By person' }));
    expect(screen.getByRole('group', { name: 'Line-up by person, 2 people' })).toHaveWords(/lifts Umber, 9:30/);
  });

  test('late in the day all that is left begins now; a dog that is done takes no time', () => {
    const done = dog('Quill', '09:00', '10:00', { groups: [] });
    openDay(
      [
        { ...done, appointment: { ...done.appointment, state: 'done' } },
        dog('Wren', '09:00', '11:00', { begun: true, groups: WHOLE.slice(1) }),
        dog('Otter', '10:00', '11:00', { groups: [part('table', 20)] }),
      ],
      '10:31',
    );
    expect(bars()).toEqual([
      'Wren, bath, 10:30 to 10:55, Ines Castellano',
      'Wren, dry, 11:15 to 11:35, Ines Castellano',
      'Wren, finish, 11:35 to 11:50, Ines Castellano',
      'Otter, table, 10:55 to 11:15, Ines Castellano',
    ]);
    expect(
      within(asks()).getByRole('button', { name: /: Wren is ready around 11:50, booked until 11:00/ }),
    ).toBeTruthy();
  });

  test('a dog that needs two and finds one is named', () => {
    const view = day([dog('Umber', '09:00', '11:30', { helper: true })]);
    openServer({ 'GET /api/session': () => session('metric') });
    show(
      <LineUpCard today={{ ...view, people: view.people.slice(0, 1) }} clockNow={Date.parse('2026-11-25T08:30:00Z')} />,
    );
    expect(asks()).toHaveWords(/Umber finds no time today: nobody is there to hold it/);
  });

  test('who is away has nobody: her dogs are with another, or it is said why they find no time', () => {
    const view = day([dog('Otter', '09:00', '11:00', { keepsPerson: false }), dog('Rook', '09:00', '11:00')]);
    const people = view.people.map((each) => (each.id === INES ? { ...each, hours: [], isAway: true } : each));
    openServer({ 'GET /api/session': () => session('metric') });
    show(<LineUpCard today={{ ...view, people }} clockNow={Date.parse('2026-11-25T08:30:00Z')} />);
    expect(bars()[0]).toMatch(/^Otter.*Jonah Adeyemi$/);
    expect(asks()).toHaveWords(/Rook finds no time today: Ines Castellano is away/);
  });

  test('on a hot day the thick coat goes first', async () => {
    const { person } = openDay([
      dog('Larch', '09:00', '17:00'),
      dog('Bear', '09:00', '17:00', { coolHours: true }),
      dog('Rook', '09:00', '17:00'),
    ]);
    const bathOf = (name: string) =>
      Number(/(\d+):/.exec(bars().find((bar) => bar?.startsWith(`${name}, dry`)) ?? '')?.[1]);
    await person.click(screen.getByRole('button', { name: 'Hot day' }));
    expect(bathOf('Bear')).toBeLessThan(11);
  });
});

describe('by hand, with keys', () => {
  test('a part is moved along the day, kept, and the way back is there', async () => {
    const { person, server } = openDay([dog('Otter', '09:00', '12:00', { groups: [part('table', 20)] })]);
    screen.getByRole('button', { name: /^Otter, table/ }).focus();
    await person.keyboard(' ');
    await waitFor(() => expect(screen.getByText('Taken hold of.')).toBeTruthy());
    await person.keyboard('{ArrowRight}');
    await person.keyboard('{ArrowRight}');
    await person.keyboard(' ');
    await waitFor(() =>
      expect(server.sent.at(-1)).toMatchObject([
        'PUT /api/appointments/:id',
        { change: 'line up', byHand: { person: null, pins: [{ part: 'table', from: 550 }] } },
      ]),
    );
    expect(await screen.findByText('Otter is set by hand; the rest makes room.')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() =>
      expect(server.sent.at(-1)).toMatchObject(['PUT /api/appointments/:id', { version: 2, byHand: null }]),
    );
  });

  /** Takes hold of Otter in the lanes, moves it by these keys, lets go. */
  async function moveInLanes(person: ReturnType<typeof show>['person'], ...keys: readonly string[]) {
    await person.click(screen.getByRole('button', { name: 'By person' }));
    screen.getByRole('button', { name: /^Otter, table/ }).focus();
    await person.keyboard(' ');
    await waitFor(() => expect(screen.getByText('Taken hold of.')).toBeTruthy());
    for (const key of keys) await person.keyboard(`{${key}}`);
    await person.keyboard(' ');
  }
  const otter = (more: Partial<TodayDog> = {}) =>
    dog('Otter', '09:00', '12:00', { groups: [part('table', 20)], keepsPerson: false, ...more });

  test('to another person: she has it', async () => {
    const { person, server } = openDay([otter()]);
    await moveInLanes(person, 'ArrowDown');
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ byHand: { person: JONAH, pins: [] } }));
  });

  test('back to whoever was booked: that is by hand, too', async () => {
    const { person, server } = openDay([otter({ byHand: { person: JONAH, pins: [] } })]);
    await moveInLanes(person, 'ArrowUp');
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ byHand: { person: INES } }));
  });

  test('to a person who has another dog then: it comes after that, nothing is forbidden', async () => {
    const begun = dog('Wren', '09:00', '11:00', { begun: true, groups: [part('table', 30)] });
    const jonahs = { ...begun, appointment: { ...begun.appointment, memberId: JONAH } };
    const { person, server } = openDay([otter(), jonahs]);
    await moveInLanes(person, 'ArrowDown');
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ byHand: { person: JONAH, pins: [] } }));
  });

  test('along the day nobody is chosen: only the time is', async () => {
    const { person, server } = openDay([otter()]);
    await moveInLanes(person, 'ArrowRight');
    await waitFor(() =>
      expect(server.sent.at(-1)?.[1]).toMatchObject({ byHand: { person: null, pins: [{ part: 'table', from: 545 }] } }),
    );
  });

  test('what forbids it is said, and nothing is kept', async () => {
    const { person, server } = openDay([dog('Otter', '09:00', '12:00', { groups: [part('table', 20)] })]);
    screen.getByRole('button', { name: /^Otter, table/ }).focus();
    await person.keyboard(' ');
    await waitFor(() => expect(screen.getByText('Taken hold of.')).toBeTruthy());
    await person.keyboard('{ArrowLeft}');
    await person.keyboard(' ');
    expect(await screen.findByText('Otter is not here before 9:00.')).toBeTruthy();
    expect(server.sent).toEqual([]);
  });

  test('all that was set by hand is let go at once, told once, and comes back whole', async () => {
    const set = { byHand: { person: JONAH, pins: [] } };
    const { person, server } = openDay([dog('Otter', '09:00', '12:00', set), dog('Rook', '09:00', '12:00', set)]);
    expect(bars()[0]).toMatch(/Jonah Adeyemi$/);
    await person.click(screen.getByRole('button', { name: 'As it fits best' }));
    await waitFor(() => expect(server.sent).toHaveLength(2));
    expect(server.sent.map(([, body]) => body)).toMatchObject([{ byHand: null }, { byHand: null }]);
    expect(await screen.findByText('2 dogs stand wherever they fit best.')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(server.sent.slice(2).map(([, body]) => body)).toMatchObject([set, set]));
  });
});
