import type { AheadView, Appointment, BodyOf, OwnerAnswerView, SlotsView } from '@dewpond/contract';
import { PLAN_COSTS, USUAL_WEEK, daysInUse } from '@dewpond/core/bookings';
import type { OwnVisitKind, VisitKind } from '@dewpond/core/steps';
import { addDays, day as day0 } from '@dewpond/core/units';
import type { Role } from '@dewpond/core/rights';
import { screen, waitFor, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { minuteOf } from '../../browser/times';
import { makeStale } from '../../data/stale';
import { DOG_ID, MEMBER, TODAY, booking, business, dogView, listed, sessionOf } from '../../tests/demoDog';
import { RefusedAnswer, openServer, show } from '../../tests/server';
import { AheadScreen } from './AheadScreen';
import type { PlanAnswer, PlanQuestion } from '@dewpond/core/bookings';
import { choose } from '../../tests/choose';

const BEACH_RINSE: OwnVisitKind = { id: v7(), name: 'Beach rinse', parts: ['bath', 'ears'], minutes: 45 };

/** Another dog of Radish's owner. */
const BOBBIN = v7();

/** The best times as the server has them: the day after tomorrow at nine, and a day later. */
const slotsFor = (kind: VisitKind, along: string | null = null): SlotsView => {
  const minutes = kind === 'lesson' ? 20 : 105;
  const then = (startsAt: string) =>
    along === null ? [] : [{ dogId: along, memberId: MEMBER.id, memberName: MEMBER.name, startsAt, minutes: 60 }];
  const slot = { memberId: MEMBER.id, memberName: MEMBER.name, minutes };
  return {
    kind,
    minutes,
    lateBy: null,
    everyWeeks: 4,
    visits: [
      { dogId: DOG_ID, name: 'Radish', kind, minutes },
      ...(along === null ? [] : [{ dogId: along, name: 'Bobbin', kind: 'full visit' as const, minutes: 60 }]),
    ],
    household: [{ id: BOBBIN, name: 'Bobbin', sameOwner: true, booked: null }],
    noShows: 1,
    lateCancellations: 0,
    slots: [
      {
        ...slot,
        day: addDays(TODAY, 2),
        startsAt: '2026-11-27T09:00:00.000Z',
        along: then('2026-11-27T10:45:00.000Z'),
        over: 0,
        why: ['the best day for bath'],
      },
      {
        ...slot,
        day: addDays(TODAY, 5),
        startsAt: '2026-11-30T13:15:00.000Z',
        along: then('2026-11-30T09:00:00.000Z'),
        over: 1.4,
        why: ['3 days after it'],
      },
      ...(along === null
        ? []
        : [
            {
              ...slot,
              day: addDays(TODAY, 6),
              startsAt: '2026-12-01T10:00:00.000Z',
              along: then('2026-12-01T10:00:00.000Z'),
              over: 1.9,
              why: ['4 days after it'],
            },
          ]),
    ],
  };
};

/** The form of a booking at any time. */
async function byHand(person: ReturnType<typeof show>['person']): Promise<void> {
  await person.click(await screen.findByRole('button', { name: 'Book' }));
  await person.click(await screen.findByRole('button', { name: 'Another time' }));
  await screen.findByText('Nothing yet.');
}

function openWeeks(
  first: readonly Appointment[] = [],
  clash = false,
  said: readonly OwnerAnswerView[] = [],
  night: AheadView['night'] = null,
  role: Role = 'manager',
) {
  const held = { list: [...first], answers: [...said], waiting: 0 };
  const change = (id: string, with_: Partial<Appointment>) => {
    held.list = held.list.map((each) => (each.id === id ? { ...each, version: each.version + 1, ...with_ } : each));
    return { version: held.list.find((each) => each.id === id)?.version ?? 0 };
  };
  const server = openServer({
    'GET /api/session': () => sessionOf(role),
    'GET /api/members': () => ({ items: [MEMBER] }),
    'GET /api/business': () => business({ visitKinds: [BEACH_RINSE] }),
    'GET /api/dogs': () => ({
      items: [listed({ nextBooked: held.list.find((each) => each.state === 'booked')?.startsAt ?? null })],
      after: null,
    }),
    'GET /api/dogs/:id': () => dogView(),
    'GET /api/ahead': () => {
      const view = aheadOf(held.list);
      return { ...view, waiting: held.waiting, night: night && { ...night, days: daysInUse(view.weeks) } };
    },
    'GET /api/dogs/:id/slots': ({ query }) =>
      slotsFor((query.get('kind') ?? 'full visit') as VisitKind, query.get('with')),
    'GET /api/appointments': ({ query }) => ({
      items: held.list.filter(
        ({ startsAt }) =>
          startsAt.slice(0, 10) >= (query.get('from') ?? '') && startsAt.slice(0, 10) <= (query.get('to') ?? ''),
      ),
    }),
    'POST /api/appointments': ({ body }) => {
      if (clash)
        throw new RefusedAnswer(409, { kind: 'conflict', message: 'Ines Okafor is taken then: Teasel, 9:00–11:00.' });
      const endsAt = new Date(Date.parse(body.startsAt) + body.minutes * 60_000).toISOString();
      held.list.push(booking({ ...body, endsAt }));
      return { id: body.id };
    },
    'GET /api/appointments/:id/gap': () => ({
      memberId: MEMBER.id,
      memberName: MEMBER.name,
      day: day0('2026-11-26'),
      startsAt: '2026-11-26T09:00:00.000Z',
      minutes: 120,
      isFree: true,
      gains: [
        {
          dogId: DOG_ID,
          dog: 'Radish',
          clientId: v7(),
          owner: 'Amara Nwosu',
          phone: '01632 960114',
          kind: 'full visit',
          minutes: 105,
          gain: 4.2,
          lateBy: 3,
          insteadOf: null,
        },
      ],
    }),
    'GET /api/dogs/:id/draft': ({ query }) => ({
      owner: 'Amara Nwosu',
      language: 'en-GB',
      reach: [{ channel: 'e-mail', to: 'amara@thornmere.example', whyNot: null }],
      subject: query.get('kind') ?? '',
      words: `${query.get('kind')}: ${query.get('day')} at ${query.get('time')}${query.has('with') ? ', both' : ''}`,
    }),
    'POST /api/messages': ({ body }) => ({ id: body.id }),
    'GET /api/answers': () => ({ items: held.answers }),
    'PUT /api/answers/:id': ({ id, body }) => {
      held.answers = body.seen ? held.answers.filter((each) => each.id !== id) : [...said];
      return {};
    },
    'POST /api/ahead': ({ body: { visits, moved = [], cancelled = [] } }) => {
      for (const { id } of cancelled) change(id, { state: 'cancelled' });
      for (const { id, startsAt, minutes } of moved)
        change(id, { startsAt, endsAt: new Date(Date.parse(startsAt) + minutes * 60_000).toISOString() });
      const versions = moved.map(({ id, version }) => ({ id, version: version + 1 }));
      return { booked: visits.map(({ id }) => id), moved: versions, refused: [] };
    },
    'PUT /api/ahead': () => ({}),
    'POST /api/series': () => ({ booked: [addDays(TODAY, 30), addDays(TODAY, 58)], left: [day0('2027-02-19')] }),
    'PUT /api/appointments/:id': ({ id, body }) =>
      change(
        id,
        body.change === 'move'
          ? {
              startsAt: body.startsAt,
              endsAt: new Date(Date.parse(body.startsAt) + body.minutes * 60_000).toISOString(),
            }
          : { state: body.change === 'cancel' ? 'cancelled' : 'booked' },
      ),
  });
  return { server, held, ...show(<AheadScreen />) };
}
/** All that weeks are planned from, with Radish in it. */
function aheadOf(list: readonly Appointment[]): AheadView {
  const care = { key: 'bath', ideal: 28, earliest: 21, latest: 35, last: addDays(TODAY, -26), weight: 1 };
  return {
    weeks: {
      first: TODAY,
      days: 56,
      over: 0,
      people: [{ id: MEMBER.id, week: USUAL_WEEK, skills: [] }],
      away: [],
      dogs: [
        {
          id: DOG_ID,
          household: v7(),
          its: {
            care: [care],
            full: { name: 'full visit', covers: ['bath'], minutes: 105, uses: {} },
            short: null,
            lastVisit: addDays(TODAY, -26),
            byTwo: false,
            atHome: [],
            coolHours: false,
          },
          wishes: null,
          needs: null,
        },
      ],
      booked: list
        .filter(({ state }) => state === 'booked')
        .map(({ id, dogId, memberId, startsAt, endsAt, mayMove }) => ({
          id,
          dog: dogId,
          person: memberId,
          day: day0(startsAt.slice(0, 10)),
          from: minuteOf(startsAt, 'Europe/London'),
          to: minuteOf(endsAt, 'Europe/London'),
          choice: 'full',
          mayMove,
        })),
      drive: {},
      tables: 2,
      tubs: 1,
      dryers: 2,
      warm: [],
    },
    names: { [DOG_ID]: 'Radish', [BOBBIN]: 'Bobbin' },
    night: null,
    versions: {},
    prices: {},
    costs: PLAN_COSTS,
    waiting: 0,
  };
}
const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name);
const day = (name: string) => screen.getByRole('region', { name });
/** Chooses a day of the weeks, and looks at it. */
async function openDay(person: ReturnType<typeof show>['person'], name: string): Promise<void> {
  await person.click(await screen.findByRole('button', { name: new RegExp(`^${name}: `) }));
  await screen.findByRole('region', { name });
}

describe('the best times', () => {
  test('one tap books the best; the same again every four weeks is offered', async () => {
    const { person, server } = openWeeks();
    await person.click(await screen.findByRole('button', { name: 'Book' }));
    const best = await screen.findByRole('button', { name: /Fri 27 Nov, 9:00–10:45.*the best day for bath.*best/ });
    expect(screen.getByRole('dialog')).toHaveWords(/In two years: did not come once/);
    await person.click(best);
    await screen.findByText('Radish is booked for Fri 27 Nov at 9:00.');
    expect(server.sent.at(-1)).toMatchObject([
      'POST /api/appointments',
      { startsAt: '2026-11-27T09:00:00.000Z', minutes: 105, memberId: MEMBER.id, kind: 'full visit' },
    ]);
    expect(field('Every so many weeks').value).toBe('4');
    await person.clear(field('Until'));
    await person.type(field('Until'), '1 mar');
    await person.click(screen.getByRole('button', { name: 'Book the series' }));
    await waitFor(() =>
      expect(server.sent.at(-1)).toMatchObject([
        'POST /api/series',
        { everyWeeks: 4, until: '2027-03-01', minutes: 105 },
      ]),
    );
    expect(await screen.findByText('2 more visits are booked. No time was free near Fri 19 Feb.')).toBeTruthy();
  });

  test('with the keyboard: Enter opens, 2 takes the second, and it can be undone', async () => {
    const { person, server, held } = openWeeks();
    (await screen.findByRole('button', { name: 'Book' })).focus();
    await person.keyboard('{Enter}');
    await screen.findByRole('button', { name: /best day for bath/ });
    await person.keyboard('2');
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ startsAt: '2026-11-30T13:15:00.000Z' }));
    await person.keyboard('{Enter}');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await person.click(await screen.findByText('Undo'));
    await waitFor(() => expect(held.list.at(-1)?.state).toBe('cancelled'));
  });
});

describe('the weeks ahead', () => {
  test('a dog that is due is booked for the day the plan suggests, in the business’s own time', async () => {
    const { person, server } = openWeeks();
    await byHand(person);
    expect(field('Day').value).toBe('27 Nov 2026');
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Book' }));
    await openDay(person, 'Fri 27 Nov');
    await waitFor(() => expect(day('Fri 27 Nov')).toHaveWords(/1 h 45.*Radish.*9:00–10:45 Ines/));
    expect(server.sent.at(-1)).toMatchObject([
      'POST /api/appointments',
      { startsAt: '2026-11-27T09:00:00.000Z', minutes: 105, memberId: MEMBER.id, kind: 'full visit' },
    ]);
    expect(await screen.findByText('Every dog has its next visit.')).toBeTruthy();
  });

  test('a clash is told in words and the form keeps what was typed', async () => {
    const { person } = openWeeks([], true);
    await byHand(person);
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Book' }));
    expect(await screen.findByText(/Ines Okafor is taken then/)).toBeTruthy();
    expect(field('Time').value).toBe('9:00');
  });

  test('a lesson is booked short, with what the dog minds in sight', async () => {
    const { person, server } = openWeeks();
    await byHand(person);
    expect(await screen.findByText('no neck loop')).toBeTruthy();
    await choose(person, field('What'), 'lesson');
    expect(field('Minutes').value).toBe('20');
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Book' }));
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ kind: 'lesson', minutes: 20 }));
  });

  test('a visit is mixed part by part, with its minutes and a note for the table', async () => {
    const { person, server } = openWeeks();
    await byHand(person);
    const chips = within(screen.getByRole('group', { name: 'What is in it' }));
    for (const part of ['brush-out', 'cut and tidy', 'eyes and folds', 'teeth'])
      await person.click(chips.getByText(part));
    expect(screen.getByLabelText('What')).toHaveWords(/as agreed/);
    expect(field('Minutes').value).toBe('90');
    await person.type(field('Note for the table'), 'cut in December');
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Book' }));
    const agreed = { name: '', parts: ['bath', 'ears', 'nails'] };
    await waitFor(() =>
      expect(server.sent.at(-1)?.[1]).toMatchObject({
        kind: 'as agreed',
        agreed,
        minutes: 90,
        note: 'cut in December',
      }),
    );
  });

  test('nothing in it is refused; a kind of the business’s own is booked by its name', async () => {
    const { person, server } = openWeeks();
    await byHand(person);
    await choose(person, field('What'), 'ears and nails');
    const chips = within(screen.getByRole('group', { name: 'What is in it' }));
    for (const part of ['ears', 'eyes and folds', 'nails', 'teeth']) await person.click(chips.getByText(part));
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Book' }));
    expect(await screen.findByText('Nothing is done at that visit.')).toBeTruthy();
    expect(server.sent).toEqual([]);
    await choose(person, field('What'), 'Beach rinse');
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Book' }));
    const agreed = { name: 'Beach rinse', parts: ['bath', 'ears'] };
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ kind: 'as agreed', agreed, minutes: 45 }));
  });

  test('a visit of five minutes is refused at its field', async () => {
    const { person, server } = openWeeks();
    await byHand(person);
    await person.clear(field('Minutes'));
    await person.type(field('Minutes'), '5');
    const form = screen.getByRole('dialog').querySelector('form') as HTMLFormElement;
    form.noValidate = true;
    await person.click(within(form).getByRole('button', { name: 'Book' }));
    expect(await screen.findByText('At least 15 minutes.')).toBeTruthy();
    expect(server.sent).toEqual([]);
  });

  test('a booking is moved an hour later', async () => {
    const { person, server } = openWeeks([booking()]);
    await openDay(person, 'Thu 26 Nov');
    await person.click(await screen.findByRole('button', { name: /^Radish, 9:00/ }));
    expect(screen.getByText(/9:00–11:00 Radish/)).toBeTruthy();
    await person.clear(field('Time'));
    await person.type(field('Time'), '10:00');
    await person.click(screen.getByRole('button', { name: 'Move' }));
    await waitFor(() => expect(day('Thu 26 Nov')).toHaveWords(/10:00–12:00 Ines/));
    expect(server.sent.at(-1)?.[1]).toMatchObject({ change: 'move', startsAt: '2026-11-26T10:00:00.000Z', version: 1 });
  });

  test('one is cancelled at once, and brought back', async () => {
    const { person, held } = openWeeks([booking()]);
    await openDay(person, 'Thu 26 Nov');
    await person.click(await screen.findByRole('button', { name: /^Radish, 9:00/ }));
    await person.click(screen.getByRole('button', { name: 'Cancel this booking' }));
    await waitFor(() => expect(held.list[0]?.state).toBe('cancelled'));
    await waitFor(() => expect(day('Thu 26 Nov')).toHaveWords(/Radish cancelled/));
    await person.click(await screen.findByText('Undo'));
    await waitFor(() => expect(day('Thu 26 Nov')).toHaveWords(/Radish, full visit/));
  });

  test('arrows go from day to day, over days on which nobody works', async () => {
    const { person } = openWeeks();
    await openDay(person, 'Fri 27 Nov');
    await person.keyboard('{ArrowDown}');
    expect(document.activeElement).toHaveWords(/30/);
    await person.keyboard('{ArrowRight}{Enter}');
    expect(await screen.findByRole('region', { name: 'Mon 7 Dec' })).toBeTruthy();
  });

  test('a time that came free: who gains is rung, and has it at the first yes', async () => {
    const { person, server } = openWeeks([booking({ state: 'cancelled' })]);
    await openDay(person, 'Thu 26 Nov');
    await person.click(await screen.findByRole('button', { name: 'Who gains' }));
    expect(await screen.findByText(/full visit, 105 min; 3 days late by then; saves 4.2/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Said yes' }));
    await waitFor(() =>
      expect(server.sent.at(-1)).toMatchObject([
        'POST /api/appointments',
        { startsAt: '2026-11-26T09:00:00.000Z', minutes: 105, kind: 'full visit' },
      ]),
    );
  });
});

test('two dogs of a house are booked together, one after the other, or not at all; back by one notice', async () => {
  const { person, server } = openWeeks();
  await person.click(await screen.findByRole('button', { name: 'Book' }));
  await person.click(await screen.findByRole('button', { name: 'Bobbin' }));
  expect(await screen.findByText('Radish 105 + Bobbin 60 min of hands')).toBeTruthy();
  await person.click(screen.getByRole('button', { name: /Fri 27 Nov/ }));
  await waitFor(() => expect(server.sent.at(-1)?.[0]).toBe('POST /api/ahead'));
  const { together, visits } = server.sent.at(-1)?.[1] as BodyOf<'POST /api/ahead'>;
  expect([together, visits.map(({ dogId, startsAt }) => [dogId, startsAt.slice(11, 16)])]).toEqual([
    true,
    [
      [DOG_ID, '09:00'],
      [BOBBIN, '10:45'],
    ],
  ]);
  expect(await screen.findByText('Radish and Bobbin are booked for Fri 27 Nov at 9:00.')).toBeTruthy();
  await person.click(screen.getByRole('button', { name: 'Undo' }));
  const both = visits.map(({ id }) => ({ id, version: 1 }));
  await waitFor(() => expect(server.sent.at(-1)).toMatchObject(['POST /api/ahead', { visits: [], cancelled: both }]));
});

describe('what is written around a visit', () => {
  const words = async () => (await screen.findByRole<HTMLTextAreaElement>('textbox', { name: 'Text' })).value;

  test('a dog that is due: with the best time there is', async () => {
    const { person } = openWeeks();
    await person.click(await screen.findByRole('button', { name: 'Write to Amara Nwosu about Radish' }));
    await person.click(await screen.findByRole('button', { name: 'Offer 2 times' }));
    expect(await words()).toBe('time to come: 2026-11-27 at 09:00');
  });

  test('the owner’s other dog along: one message, one yes for both, one after the other', async () => {
    const { person, server } = openWeeks();
    await person.click(await screen.findByRole('button', { name: 'Write to Amara Nwosu about Radish' }));
    await person.click(await screen.findByRole('button', { name: 'Bobbin' }));
    await person.click(await screen.findByRole('button', { name: /^Mon 30 Nov, Bobbin 9:00, Radish 13:15/ }));
    await person.click(await screen.findByRole('button', { name: /^Tue 1 Dec, Radish and Bobbin 10:00/ }));
    await person.click(await screen.findByRole('button', { name: 'Offer this time' }));
    const text = await screen.findByRole('textbox', { name: 'Text' });
    expect(await words()).toBe('time to come: 2026-11-27 at 09:00, both');
    await person.type(text, ' {{link}');
    await person.click(screen.getByRole('button', { name: 'Send by e-mail' }));
    await waitFor(() => expect(server.sent.at(-1)?.[0]).toBe('POST /api/messages'));
    const { withDogs, offers } = server.sent.at(-1)?.[1] as BodyOf<'POST /api/messages'>;
    expect(withDogs).toEqual([BOBBIN]);
    expect(offers?.map(({ dogId, startsAt, minutes }) => [dogId, startsAt.slice(0, 16), minutes])).toEqual([
      [DOG_ID, '2026-11-27T09:00', 105],
      [BOBBIN, '2026-11-27T10:45', 60],
    ]);
    expect(new Set(offers?.map(({ setId }) => setId)).size).toBe(1);
  });

  test('sent again after an answer that never came, the same times are offered, each once', async () => {
    const { person, server } = openWeeks();
    await person.click(await screen.findByRole('button', { name: 'Write to Amara Nwosu about Radish' }));
    await person.click(await screen.findByRole('button', { name: 'Offer 2 times' }));
    await person.type(await screen.findByRole('textbox', { name: 'Text' }), ' {{link}');
    server.loses = 4;
    await person.click(screen.getByRole('button', { name: 'Send by e-mail' }));
    const again = await screen.findByRole('button', { name: 'Send by e-mail' }, { timeout: 9000 });
    // Somebody books meanwhile: all is drawn anew, and the times keep their ids.
    await makeStale(['POST /api/appointments']);
    await person.click(again);
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull(), { timeout: 9000 });
    const bodies = server.sent.filter(([key]) => key === 'POST /api/messages').map(([, body]) => body);
    expect(bodies.length).toBeGreaterThan(4);
    expect(new Set(bodies.map((body) => JSON.stringify(body))).size).toBe(1);
  }, 30_000);

  test('two dogs of an owner on a day are reminded of once', async () => {
    const { person } = openWeeks([
      booking(),
      booking({
        dogId: BOBBIN,
        dogName: 'Bobbin',
        startsAt: '2026-11-26T11:00:00.000Z',
        endsAt: '2026-11-26T12:00:00.000Z',
      }),
    ]);
    await openDay(person, 'Thu 26 Nov');
    // From whichever of them: the hour is that of the first.
    await person.click(await screen.findByRole('button', { name: 'Remind Amara Nwosu of Bobbin' }));
    expect(await words()).toBe('before you come: 2026-11-26 at 09:00, both');
  });

  test('a dog that is booked: reminded of its day and hour; not of what is over', async () => {
    const { person } = openWeeks([booking()]);
    await openDay(person, 'Thu 26 Nov');
    await person.click(await screen.findByRole('button', { name: 'Remind Amara Nwosu of Radish' }));
    expect(await words()).toBe('before you come: 2026-11-26 at 09:00');
  });

  test('a place that came free: to whoever gains', async () => {
    const { person } = openWeeks([booking({ state: 'cancelled' })]);
    await openDay(person, 'Thu 26 Nov');
    await person.click(await screen.findByRole('button', { name: 'Who gains' }));
    await person.click(await screen.findByRole('button', { name: 'Write to Amara Nwosu about Radish' }));
    expect(await words()).toBe('a gap: 2026-11-26 at 09:00');
  });
});

test('a series by the calendar, and an ear that is due sooner since: said, and moved from there', async () => {
  const late = booking({ startsAt: '2026-12-21T09:00:00.000Z', endsAt: '2026-12-21T11:00:00.000Z', mayMove: true });
  const { person, server } = openWeeks([late]);
  expect(await screen.findByText('Booked later than it is due')).toBeTruthy();
  expect(screen.getByText(/Booked Mon 21 Dec: 17 days too late for bath, due by Fri 4 Dec/)).toBeTruthy();
  await person.click(screen.getByRole('button', { name: 'Sooner: Radish' }));
  await person.click(await screen.findByRole('button', { name: /Fri 27 Nov/ }));
  await waitFor(() =>
    expect(server.sent.at(-1)).toMatchObject([
      'PUT /api/appointments/:id',
      { change: 'move', startsAt: '2026-11-27T09:00:00.000Z' },
    ]),
  );
});

describe('what owners answered', () => {
  const told = (more: Partial<OwnerAnswerView>): OwnerAnswerView => ({
    ...{ id: v7(), dogId: DOG_ID, dog: 'Radish', owner: 'Amara Nwosu', phone: '01632 960114', says: 'comes' },
    ...{ note: '', toldAt: '2026-11-25T08:00:00.000Z', booking: null },
    ...more,
  });
  const cancelled = told({
    says: 'cannot come',
    booking: { id: v7(), startsAt: '2026-11-26T09:00:00.000Z', endsAt: '2026-11-26T11:00:00.000Z' },
  });

  test('what was noticed at home says what follows: a day that moved, or a look and a call', async () => {
    openWeeks([], false, [told({ says: 'nails click' }), told({ says: 'an ear smells', note: 'The left one' })]);
    const clicks = await screen.findByRole('link', { name: /^Nails.*: due from that day$/ });
    expect(clicks.getAttribute('href')).toBe(`/dogs/${DOG_ID}`);
    expect(screen.getByText('the nails click on a hard floor')).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Look, then ring' })).toBeTruthy();
    expect(screen.getAllByRole('link', { name: '01632 960114' })).toHaveLength(2);
    expect(screen.getByText('“The left one”')).toBeTruthy();
  });

  test('stands there until it is seen; back by the notice', async () => {
    const { person } = openWeeks([], false, [told({ says: 'none suits', note: 'Fridays only' })]);
    expect(await screen.findByText('“Fridays only”')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Seen: Radish: none of the times suits' }));
    await waitFor(() => expect(screen.queryByText('Owners answered')).toBeNull());
    await person.click(await screen.findByRole('button', { name: 'Undo' }));
    expect(await screen.findByText('“Fridays only”')).toBeTruthy();
  });

  test('a visit that an owner cancelled: who gains from its time, in one tap', async () => {
    const { person } = openWeeks([], false, [cancelled]);
    await person.click(await screen.findByRole('button', { name: 'Who gains from the time of Radish' }));
    expect(await screen.findByRole('dialog', { name: 'Thu 26 Nov, 9:00–11:00 is free' })).toBeTruthy();
    expect(await screen.findByText(/saves 4.2/)).toBeTruthy();
  });
});

describe('a plan of the weeks', () => {
  afterEach(() => {
    vi.unstubAllGlobals();
  });

  /** In the worker's place: it answers with one proposal, as it would. */
  class PlansAtOnce {
    onmessage: ((event: { readonly data: PlanAnswer }) => void) | null = null;
    terminate(): void {}
    postMessage({ weeks }: PlanQuestion): void {
      const proposal = {
        dog: DOG_ID,
        person: MEMBER.id,
        day: addDays(TODAY, 2),
        from: 540,
        to: 645,
        kind: 'full visit',
        why: ['the best day for bath'],
        toMove: 1.3,
        insteadOf: null,
        atHome: [{ name: 'brushing', times: 2 }],
      };
      const days = daysInUse(weeks).map((use) => (use.day === proposal.day ? { ...use, proposed: 105 } : use));
      this.onmessage?.({
        data: {
          proposals: [proposal],
          unplaced: [],
          days,
          cost: 10.2,
          bound: 10,
          prices: { '2 salon ': 0.1 },
          progress: 1,
        },
      });
    }
  }

  test('is begun by p, shown in its day, and booked with one press', async () => {
    vi.stubGlobal('Worker', PlansAtOnce);
    const { person, server } = openWeeks();
    await openDay(person, 'Fri 27 Nov');
    await person.keyboard('p');
    expect(await screen.findByText(/at most 2.0 % from the best/)).toBeTruthy();
    expect(server.sent).toContainEqual([
      'PUT /api/ahead',
      expect.objectContaining({ first: TODAY, prices: { '2 salon ': 0.1 } }),
    ]);
    expect(screen.getByRole('button', { name: /^Fri 27 Nov: .*1.8 h proposed/ })).toBeTruthy();
    expect(day('Fri 27 Nov')).toHaveWords(
      /Radish, full visit 9:00–10:45.*the best day for bath. Another day costs 1.3 more/,
    );
    await person.click(screen.getByRole('button', { name: 'Book all 1' }));
    await waitFor(() =>
      expect(server.sent.at(-1)).toMatchObject([
        'POST /api/ahead',
        { visits: [{ dogId: DOG_ID, startsAt: '2026-11-27T09:00:00.000Z', minutes: 105, mayMove: true }] },
      ]),
    );
    expect(await screen.findByText('One visit is booked.')).toBeTruthy();
  });

  test('not before what is due of every dog is worked out: the bar says so, and p waits', async () => {
    vi.stubGlobal('Worker', PlansAtOnce);
    const { person, held } = openWeeks();
    await openDay(person, 'Fri 27 Nov');
    held.waiting = 12;
    void makeStale(['POST /api/appointments']);
    expect(await screen.findByText('What is due is still being worked out for 12 dogs.')).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Plan 8 weeks' }).disabled).toBe(true);
    await person.keyboard('p');
    expect(screen.queryByText(/from the best/)).toBeNull();
  });

  test('made by the server in the night, it stands there in the morning, with what falls to home care', async () => {
    const proposal = {
      ...{ dog: DOG_ID, person: MEMBER.id, day: addDays(TODAY, 2), from: 540, to: 645, kind: 'full visit' },
      ...{ why: ['the best day for bath'], toMove: 0, insteadOf: null, atHome: [{ name: 'brushing', times: 2 }] },
    };
    const night = { proposals: [proposal], unplaced: [], days: [], cost: 10.1, bound: 10 };
    const { person } = openWeeks([], false, [], night);
    await openDay(person, 'Fri 27 Nov');
    expect(await screen.findByText(/at most 1.0 % from the best/)).toBeTruthy();
    expect(day('Fri 27 Nov')).toHaveWords(/At home until then: brushing 2×/);
    expect(screen.getByRole('button', { name: 'Plan again' })).toBeTruthy();
  });

  test('one at the time of a booking that moves: says what moves, takes it along, and gives all of it back', async () => {
    const at = (hour: number) => `2026-11-27T${String(hour).padStart(2, '0')}:00:00.000Z`;
    const otter = { dogId: BOBBIN, dogName: 'Bobbin', startsAt: at(9), endsAt: at(10), mayMove: true };
    const standing = booking({ ...otter, version: 4 });
    const radish = {
      ...{ dog: DOG_ID, person: MEMBER.id, day: addDays(TODAY, 2), from: 540, to: 645, kind: 'full visit' },
      ...{ why: ['the best day for bath'], toMove: 0, insteadOf: null, atHome: [] },
    };
    const bobbin = { ...radish, dog: BOBBIN, day: addDays(TODAY, 5), from: 600, to: 660, insteadOf: standing.id };
    const night = { proposals: [radish, bobbin], unplaced: [], days: [], cost: 10.1, bound: 10 };
    const { person, server, held } = openWeeks([standing], false, [], night);
    await openDay(person, 'Mon 30 Nov');
    expect(day('Mon 30 Nov')).toHaveWords(/Bobbin, full visit 10:00–11:00.*moved from Fri 27 Nov/);
    await openDay(person, 'Fri 27 Nov');
    expect(day('Fri 27 Nov')).toHaveWords(/Radish.*Out of its way: Bobbin to Mon 30 Nov\./);
    server.loses = 1;
    await person.click(screen.getByRole('button', { name: 'Book Radish' }));
    await waitFor(() => expect(held.list.map(({ startsAt }) => startsAt)).toEqual(['2026-11-30T10:00:00.000Z']));
    expect(await screen.findByText('2 visits are booked.', {}, { timeout: 5000 })).toBeTruthy();
    // Sent again after an answer that never came, it is the same booking.
    const sent = server.sent.flatMap(([key, body]) => (key === 'POST /api/ahead' ? [JSON.stringify(body)] : []));
    expect([sent.length, new Set(sent).size]).toEqual([2, 1]);
    await person.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(held.list.map(({ startsAt }) => startsAt)).toEqual([at(9)]));
    const { visits } = JSON.parse(sent[0]!) as BodyOf<'POST /api/ahead'>;
    expect(server.sent.at(-1)?.[1]).toMatchObject({ cancelled: visits.map(({ id }) => ({ id, version: 1 })) });
  });

  test('what of it still holds stays when somebody books meanwhile, and how good it is is no longer said', async () => {
    vi.stubGlobal('Worker', PlansAtOnce);
    const { person, held } = openWeeks();
    await openDay(person, 'Fri 27 Nov');
    await person.keyboard('p');
    expect(await screen.findByText(/at most 2.0 % from the best/)).toBeTruthy();
    const at = (hour: number) => `2026-11-27T${hour}:00:00.000Z`;
    held.list.push(booking({ dogId: v7(), dogName: 'Otter', startsAt: at(13), endsAt: at(14) }));
    void makeStale(['POST /api/appointments']);
    await waitFor(() => expect(day('Fri 27 Nov')).toHaveWords(/Otter/));
    expect(day('Fri 27 Nov')).toHaveWords(/Radish, full visit 9:00–10:45/);
    expect(screen.getByRole('button', { name: /^Fri 27 Nov: .*1 h booked, 1.8 h proposed/ })).toBeTruthy();
    expect(screen.queryByText(/from the best/)).toBeNull();
  });
});

test('whoever may not book reads the weeks: no plan to begin, nothing to take hold of, nothing to press', async () => {
  const { person, server } = openWeeks([], false, [], null, 'trainee');
  const legend = await screen.findByText(/Water is booked/);
  await expect.poll(() => screen.queryByRole('button', { name: /^Plan / })).toBeNull();
  expect(legend.textContent).not.toMatch(/Drag a dog/);
  for (const name of [/^Take .* to a day$/, 'Book', /^Write to /])
    expect(screen.queryByRole('button', { name })).toBeNull();
  await person.keyboard('p');
  expect(server.sent).toEqual([]);
});
