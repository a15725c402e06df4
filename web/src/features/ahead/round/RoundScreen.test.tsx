import type { RoundView, RoundVisit } from '@dewpond/contract';
import { USUAL_VAN } from '@dewpond/core/route';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { v7 } from 'uuid';
import { TODAY, booking, session } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { RoundScreen } from './RoundScreen';

const NOOR = v7();
const HOME = { latitude: 50.33, longitude: -4.12 };

function visit(owner: string, from: string, at: RoundVisit['at'], mayMove = true): RoundVisit {
  const [hours, minutes] = from.split(':').map(Number);
  const startsAt = new Date(Date.UTC(2026, 10, 25, hours, minutes)).toISOString();
  const endsAt = new Date(Date.parse(startsAt) + 3_600_000).toISOString();
  const appointment = booking({
    id: v7(),
    ownerName: owner,
    dogName: `${owner}’s dog`,
    memberId: NOOR,
    startsAt,
    endsAt,
    mayMove,
  });
  return { appointment, clientId: v7(), street: `${owner} Farm`, at, weightKg: 20 };
}
/** North of home, so many kilometres. */
const north = (km: number) => ({ latitude: HOME.latitude + km / 111.2, longitude: HOME.longitude });

const round = (more: Partial<RoundView> = {}): RoundView => ({
  day: TODAY,
  zone: 'Europe/London',
  memberId: NOOR,
  people: [{ id: NOOR, name: 'Noor Haddad', drives: true }],
  van: { ...USUAL_VAN, home: HOME, lunch: null },
  version: 3,
  mayEdit: true,
  visits: [visit('Far', '9:00', north(12)), visit('Near', '10:30', north(2))],
  ...more,
});

function openRound(view = round()) {
  const server = openServer({
    'GET /api/session': () => session('metric'),
    'GET /api/round': () => view,
    'GET /api/dogs/:id/draft': ({ query }) => ({
      owner: 'Far',
      language: 'en-GB',
      reach: [{ channel: 'e-mail', to: 'far@thornmere.example', whyNot: null }],
      subject: 'On our way',
      words: `${query.get('kind')} around ${query.get('time')}`,
    }),
    'PUT /api/round': () => ({}),
    'PUT /api/van': () => ({ version: 4 }),
  });
  return { server, ...show(<RoundScreen />) };
}
const stops = async () =>
  within(await screen.findByRole('list', { name: 'Stop by stop' }))
    .getAllByRole('listitem')
    .map((each) => each.textContent);

describe('a round', () => {
  test('an owner is told that the van is on its way, and when it is there', async () => {
    const { person } = openRound();
    const listed = await stops();
    await person.click(await screen.findByRole('button', { name: 'Tell Far: on our way' }));
    const hour = (await screen.findByRole<HTMLInputElement>('textbox', { name: 'There around' })).value;
    expect(listed.find((each) => /\d\. Far/.test(each ?? ''))).toContain(hour);
    expect(await screen.findByRole('textbox', { name: 'Text' })).toHaveProperty(
      'value',
      `on our way around ${hour.padStart(5, '0')}`,
    );
  });

  test('stands in its order with times, roads and what differs from the bookings', async () => {
    openRound();
    expect(await screen.findByRole('img', { name: 'Map of the round, 2 stops' })).toBeTruthy();
    const lines = await stops();
    expect(lines[0]).toMatch(/8:00\s*leaves/);
    expect(lines.at(-1)).toMatch(/home/);
    expect(screen.getByRole('region', { name: 'The round in short' })).toHaveWords(
      /2 stops, \d+ min on the road, home at/,
    );
  });

  test('a stop that keeps its time is waited for; opened, it comes when it suits the road', async () => {
    const view = round({ visits: [visit('Far', '9:00', north(12), false), visit('Near', '10:30', north(2), false)] });
    const { person } = openRound(view);
    const keeps = await screen.findByRole('button', { name: 'Near keeps its time' });
    expect(keeps.getAttribute('aria-pressed')).toBe('true');
    expect(screen.queryByRole('button', { name: 'Take these times' })).toBeNull();
    await person.click(keeps);
    expect(keeps.textContent).toBe('any time');
    expect(screen.getByRole('button', { name: 'Take these times' })).toBeTruthy();
  });

  test('its times are taken by the bookings, all at once, and the way back is there', async () => {
    const view = round();
    const { person, server } = openRound(view);
    await person.click(await screen.findByRole('button', { name: 'Take these times' }));
    await waitFor(() => expect(server.sent.at(-1)?.[0]).toBe('PUT /api/round'));
    const { visits } = server.sent.at(-1)?.[1] as { visits: { id: string; version: number; startsAt: string }[] };
    expect(visits.map(({ id }) => id).toSorted()).toEqual(
      view.visits.map(({ appointment }) => appointment.id).toSorted(),
    );
    expect(visits.every(({ startsAt }) => Date.parse(startsAt) % 300_000 === 0)).toBe(true);
    await person.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() =>
      expect(server.sent.at(-1)).toMatchObject([
        'PUT /api/round',
        {
          visits: expect.arrayContaining([expect.objectContaining({ startsAt: view.visits[0]!.appointment.startsAt })]),
        },
      ]),
    );
  });

  test('who is not on the map is named, with the way to their card', async () => {
    openRound(round({ visits: [visit('Near', '9:00', north(2)), visit('Lost', '11:00', null)] }));
    expect((await screen.findByRole('link', { name: 'Lost' })).getAttribute('href')).toMatch(/^\/owners\//);
  });

  test('water and battery: where it is taken, and from where on the dryer has none', async () => {
    const van = { ...round().van, tank: 25, refills: [{ name: 'Quay tap', at: north(1), minutes: 10 }], battery: 500 };
    openRound(round({ van }));
    expect(await screen.findByText(/Water at Quay tap/)).toBeTruthy();
    expect(screen.getByText(/From here on the battery does not last/)).toBeTruthy();
  });

  test('no stops: says so', async () => {
    openRound(round({ visits: [] }));
    expect(await screen.findByText('No stop is booked for this day.')).toBeTruthy();
  });

  test('no van yet: what to say first', async () => {
    const { person } = openRound(round({ van: USUAL_VAN }));
    await person.click(await screen.findByRole('button', { name: 'Say how the van works' }));
    expect(await screen.findByRole('dialog', { name: 'The van' })).toBeTruthy();
  });
});

describe('the van', () => {
  test('is kept as typed; what is wrong is told at its field', async () => {
    const { person, server } = openRound();
    await person.click(await screen.findByRole('button', { name: 'The van' }));
    const home = screen.getByLabelText('Starts and comes home at, latitude and longitude');
    await person.clear(home);
    await person.type(home, '95, 0');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    expect(await screen.findByText('Latitude and longitude, like 50.34, -4.11.')).toBeTruthy();
    await person.clear(home);
    await person.type(home, '50.4, -4.2');
    await person.type(screen.getByLabelText('Tank, litres'), '90');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() =>
      expect(server.sent.at(-1)).toMatchObject([
        'PUT /api/van',
        { version: 3, van: { home: { latitude: 50.4, longitude: -4.2 }, tank: 90, lunch: null } },
      ]),
    );
  });

  test('a table of driving times with a hole says where', async () => {
    const { person } = openRound();
    await person.click(await screen.findByRole('button', { name: 'The van' }));
    const file = new File(['minutes,Home,Near\nHome,0,\nNear,4,0'], 'times.csv', { type: 'text/csv' });
    await person.upload(screen.getByLabelText('Driving times from a file'), file);
    expect(await screen.findByText('From “Home” to “Near” is not filled in.')).toBeTruthy();
  });

  test('a table is used where it knows all stops, and says whom it does not know', async () => {
    const table = {
      names: ['Home', 'Near'],
      minutes: [
        [0, 5],
        [5, 0],
      ],
    };
    openRound(round({ van: { ...round().van, table } }));
    expect(await screen.findByText(/does not know Far/)).toBeTruthy();
  });
});

test('a round leaves as GPX and GeoJSON', async () => {
  const made: Blob[] = [];
  vi.stubGlobal(
    'URL',
    Object.assign(URL, {
      createObjectURL: (blob: Blob) => `blob:${made.push(blob)}`,
      revokeObjectURL: () => undefined,
    }),
  );
  const { person } = openRound();
  await person.click(await screen.findByRole('button', { name: 'GPX' }));
  await person.click(screen.getByRole('button', { name: 'GeoJSON' }));
  await person.click(screen.getByRole('button', { name: 'Driving times' }));
  const [gpx, json, csv] = await Promise.all(made.map((blob) => blob.text()));
  expect(new DOMParser().parseFromString(gpx!, 'application/xml').querySelectorAll('rtept')).toHaveLength(4);
  expect((JSON.parse(json!) as { features: unknown[] }).features).toHaveLength(5);
  expect(csv!.split('\r\n')[0]).toBe('minutes,Home,Far,Near');
  vi.unstubAllGlobals();
});
