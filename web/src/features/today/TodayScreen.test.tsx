import type { MixingView, TodayView } from '@dewpond/contract';
import { makePlan } from '@dewpond/core/careplan';
import { readVisit } from '@dewpond/core/visit';
import { groupsOf } from '@dewpond/core/lineup';
import { screen, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { mixingView, madeMix } from '../../tests/demoMixing';
import { answers, ownWork } from '../../data/device';
import { TODAY, booking, facts, session, visitView } from '../../tests/demoDog';
import { openServer, show } from '../../tests/server';
import { TodayScreen } from './TodayScreen';

const JONAH = v7();

function today(more: Partial<TodayView> = {}): TodayView {
  const pug = facts();
  const visit = { kind: 'full visit', facts: pug, plan: makePlan(pug), contactMinutes: 0, lastFindings: [] } as const;
  const appointment = booking({ startsAt: '2026-11-25T09:00:00Z', endsAt: '2026-11-25T11:00:00Z' });
  return {
    day: TODAY,
    returning: [],
    unbooked: [],
    zone: 'Europe/London',
    dogs: [
      {
        appointment,
        words: 'Pug, 8 kg',
        groups: groupsOf(readVisit(visit, []).steps),
        household: v7(),
        begun: false,
        keepsPerson: false,
        shortStay: false,
        coolHours: true,
        helper: false,
        lift: false,
        mindsDogs: false,
        notWith: [],
        walkIn: false,
        isOut: false,
        maySpread: false,
        byHand: null,
      },
    ],
    people: [
      { id: appointment.memberId, name: 'Ines Castellano', hours: [{ from: 540, to: 1020 }], isAway: false },
      { id: JONAH, name: 'Jonah Adeyemi', hours: [{ from: 540, to: 1020 }], isAway: false },
    ],
    places: { table: 2, tub: 1, dryer: 2, crate: 4 },
    watch: [
      { mark: 'handle', dog: 'Radish', words: 'no neck loop.' },
      { mark: 'vet', dog: 'Radish', words: 'left ear: musty smell. No word from a vet yet, nothing there.' },
    ],
    ...more,
  };
}
function openToday(view = today(), units: 'metric' | 'US' = 'metric', bench: Partial<MixingView> = {}) {
  const begun = { id: v7() };
  const server = openServer({
    'GET /api/session': () => session(units),
    'GET /api/today': () => view,
    'GET /api/mixing': () => mixingView(bench),
    'POST /api/visits': () => begun,
  });
  return { server, ...show(<TodayScreen />) };
}
const card = (title: string) => screen.getByRole('heading', { name: title }).closest('section') as HTMLElement;

describe('a visit without a booking', () => {
  test('stands on Today until it is closed, also one that only this device knows of', async () => {
    await ownWork.storage.clear();
    const [theirs, mine] = [v7(), v7()];
    const waiting = { id: mine, person: 'p', dogId: v7(), appointmentId: null, refused: null };
    await ownWork.storage.visits.put(waiting);
    await answers.put(`visit ${mine}`, { ...visitView(), id: mine, dog: { ...visitView().dog, name: 'Driftwood' } });
    openToday(today({ unbooked: [{ visitId: theirs, dogId: v7(), dog: 'Pocket' }] }));
    const list = within(await screen.findByRole('list', { name: 'At the table without a booking' }));
    expect(await list.findByText('Driftwood')).toBeTruthy();
    expect(list.getByRole('link', { name: 'Driftwood: go on' }).getAttribute('href')).toBe(`/visits/${mine}`);
    expect(list.getByRole('link', { name: 'Pocket: go on' }).getAttribute('href')).toBe(`/visits/${theirs}`);
    await ownWork.storage.clear();
  });

  test('there is none: no list stands there', async () => {
    openToday();
    await screen.findByText(/1 dog · .* of work left/);
    expect(screen.queryByRole('list', { name: 'At the table without a booking' })).toBeNull();
  });
});

describe('who is out with the van', () => {
  const [first] = today().dogs;
  if (!first) throw new Error('No dog today.');
  const out = { ...first, isOut: true, appointment: { ...first.appointment, id: v7(), dogName: 'Nettle' } };

  test('is in no line-up of the salon: where and when stands beside it, with the way to the round', async () => {
    openToday(today({ dogs: [...today().dogs, out] }));
    expect(await screen.findByRole('group', { name: 'Line-up by dog, 1 dog' })).toBeTruthy();
    const card = screen.getByRole('heading', { name: /is out with the van$/ }).closest('section') as HTMLElement;
    expect(within(card).getByText('Nettle')).toBeTruthy();
    expect(within(card).getByRole('link', { name: 'The round' }).getAttribute('href')).toMatch(
      /^\/round\?day=.*member=/,
    );
  });

  test('all of them: there is no line-up at all', async () => {
    openToday(today({ dogs: [out] }));
    expect(await screen.findByText('Nettle')).toBeTruthy();
    expect(screen.queryByRole('group', { name: /^Line-up/ })).toBeNull();
  });
});

describe('today', () => {
  test('says how many dogs and how much work is left, and draws its stages', async () => {
    openToday();
    expect(await screen.findByText(/1 dog · 1 h \d\d of work left/)).toBeTruthy();
    expect(screen.getByRole('group', { name: 'Line-up by dog, 1 dog' }).textContent).toContain('bath');
  });

  test('says what to mix: product, strokes, mark and bottle, and for whom', async () => {
    openToday();
    await screen.findByText('4 strokes');
    expect(card('Mix this morning')).toHaveWords(
      /Deep clean concentrate 24:1.*4 strokes.*to 500 ml, half-litre bottle.*Radish/,
    );
  });

  test('a mix past its time is struck out before anything else', async () => {
    const past = madeMix({ discardAt: '2026-11-25T00:00:00Z' });
    openToday(today(), 'metric', { openMixes: [past] });
    expect(await screen.findByText(/is past its time: pour it away/)).toHaveWords(/^Half-litre bottle 1/);
    expect(card('Mix this morning').querySelector('s')).toHaveWords(/Deep clean concentrate/);
  });

  test('in US units the mix is in fluid ounces', async () => {
    openToday(today(), 'US');
    await screen.findByText(/to 16\.9 fl oz/);
    expect(card('Mix this morning')).toHaveWords(/4 strokes/);
  });

  test('what to watch out for stands dog by dog, the gravest first, and a bite is never folded away', async () => {
    const [bites, fits, rash] = ['bites when its feet are held', 'has fits', 'redness at the ear'];
    const watch = [
      ...Array.from({ length: 7 }, (_, i) => ({ mark: 'ask' as const, dog: `Dog ${i}`, words: 'ask.' })),
      { mark: 'handle' as const, dog: 'Rook', words: bites },
      { mark: 'short' as const, dog: 'Otter', words: fits },
      { mark: 'ask' as const, dog: 'Rook', words: 'ask for the lead' },
      { mark: 'vet' as const, dog: 'Wren', words: rash },
    ];
    openToday(today({ watch }));
    await screen.findByRole('heading', { name: 'Watch out' });
    const list = within(card('Watch out')).getAllByRole('list')[0] as HTMLElement;
    const dogs = [...list.children] as HTMLElement[];
    expect(dogs).toHaveLength(10);
    expect(dogs[0]).toHaveWords(/^Wren.*redness at the ear/);
    expect(dogs[1]).toHaveWords(/^Rook.*bites when its feet are held.*ask for the lead/);
    expect(dogs[2]).toHaveWords(/^Otter.*has fits/);
  });

  test('a dog goes to the table from here', async () => {
    const { person, server } = openToday();
    await person.click(await screen.findByRole('button', { name: /: to the table/ }));
    expect(await screen.findByText('another screen')).toBeTruthy();
    expect(server.sent[0]?.[0]).toBe('POST /api/visits');
  });

  test('an empty day says what to do', async () => {
    openToday(today({ dogs: [], watch: [] }));
    expect(await screen.findByText('No dog is booked today.')).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Book one' })).toBeTruthy();
  });
});
