import type { BodyOf } from '@dewpond/contract';
import { USUAL_VAN } from '@dewpond/core/route';
import { v7 } from 'uuid';
import { beforeEach, describe, expect, test } from 'vitest';
import { addDog, clock, openSalon, type Salon } from './salon';

/** Wednesday 25 November 2026, nine o'clock, is the morning of the tests. */
let salon: Salon;
beforeEach(async () => {
  clock.now = Date.UTC(2026, 10, 25, 9);
  salon = await openSalon();
});

async function booked(at: string, minutes = 60) {
  const { dogId } = await addDog(salon);
  const id = v7();
  const startsAt = `2026-11-26T${at}:00.000Z`;
  const body = { id, dogId, memberId: salon.memberId, kind: 'full visit', startsAt, minutes } as const;
  expect((await salon.call('POST /api/appointments', { body })).status).toBe(201);
  return { id, dogId, startsAt };
}
const round = async (query = {}) =>
  (await salon.call('GET /api/round', { query: { day: '2026-11-26', ...query } })).body;
const take = (visits: BodyOf<'PUT /api/round'>['visits']) => salon.call('PUT /api/round', { body: { visits } });

describe('a round', () => {
  test('has the bookings of one person with where they are', async () => {
    const { id } = await booked('10:00');
    const { visits, memberId, van } = await round();
    expect(memberId).toBe(salon.memberId);
    expect(visits.map(({ appointment }) => appointment.id)).toEqual([id]);
    expect(visits[0]).toMatchObject({ at: null, weightKg: expect.any(Number) });
    expect(van).toEqual(USUAL_VAN);
  });

  test('is that of whoever works outside the salon that day, unless another is asked for', async () => {
    const van = [{ from: 540, to: 1020, where: 'islets' }];
    const week = [van, van, van, van, van, [], []];
    await salon.call('PUT /api/members/:id/week', { id: salon.memberId, body: { week } });
    const { people } = await round();
    expect(people.find(({ id }) => id === salon.memberId)?.drives).toBe(true);
  });

  test('is that of the next day on which somebody is out, unless another is asked for', async () => {
    const [van, shop] = [[{ from: 540, to: 1020, where: 'islets' }], [{ from: 540, to: 1020, where: 'salon' }]];
    // Today is a Wednesday; out on Fridays.
    const week = [shop, shop, shop, shop, van, [], []];
    await salon.call('PUT /api/members/:id/week', { id: salon.memberId, body: { week } });
    expect((await salon.call('GET /api/round', { query: {} })).body.day).toBe('2026-11-27');
    expect((await salon.call('GET /api/round', { query: { day: '2026-11-25' } })).body.day).toBe('2026-11-25');
  });

  test('two bookings change places at once, and each keeps its length', async () => {
    const [one, two] = [await booked('10:00', 60), await booked('11:00', 60)];
    const swapped = await take([
      { id: one.id, version: 1, startsAt: two.startsAt },
      { id: two.id, version: 1, startsAt: one.startsAt },
    ]);
    expect(swapped.status).toBe(200);
    const { visits } = await round();
    expect(visits.map(({ appointment }) => [appointment.id, appointment.startsAt, appointment.version])).toEqual([
      [two.id, one.startsAt, 2],
      [one.id, two.startsAt, 2],
    ]);
  });

  test('all or none: where another booking is in the way, or one was changed, nothing moves', async () => {
    const [one, two] = [await booked('10:00'), await booked('11:00')];
    const over = '2026-11-26T11:30:00.000Z';
    expect((await take([{ id: one.id, version: 1, startsAt: over }])).status).toBe(409);
    expect(
      (
        await take([
          { id: one.id, version: 1, startsAt: over },
          { id: two.id, version: 7, startsAt: over },
        ])
      ).status,
    ).toBe(409);
    expect(
      (
        await take([
          { id: one.id, version: 1, startsAt: over },
          { id: two.id, version: 1, startsAt: over },
        ])
      ).status,
    ).toBe(409);
    expect((await take([{ id: v7(), version: 1, startsAt: over }])).status).toBe(404);
    const { visits } = await round();
    expect(visits.map(({ appointment }) => appointment.startsAt)).toEqual([one.startsAt, two.startsAt]);
  });
});

test('a round is a day: no booking leaves it', async () => {
  const { id, startsAt } = await booked('10:00');
  const refused = await take([{ id, version: 1, startsAt: '2026-11-27T10:00:00.000Z' }]);
  expect([refused.status, (await round()).visits[0]?.appointment.startsAt]).toEqual([422, startsAt]);
});

describe('days away, several at once', () => {
  const absence = (name: string, from: string) => ({ id: v7(), memberId: null, from, to: from, name });
  const away = async () => (await salon.call('GET /api/hours')).body.away.map(({ name }) => name);

  test('are kept once, however often they are sent, and all or none', async () => {
    const absences = [absence('Boat show', '2026-12-24'), absence('Fair', '2026-12-28')];
    for (let i = 0; i < 2; i++)
      expect((await salon.call('POST /api/absences', { body: { absences } })).status).toBe(201);
    expect(await away()).toEqual(['Boat show', 'Fair']);
    const other = [absence('New', '2026-12-30'), { ...absences[0]!, name: 'Another' }];
    expect((await salon.call('POST /api/absences', { body: { absences: other } })).status).toBe(409);
    const nobody = [{ ...absence('Course', '2026-12-30'), memberId: v7() }];
    expect((await salon.call('POST /api/absences', { body: { absences: nobody } })).status).toBe(422);
    expect(await away()).toEqual(['Boat show', 'Fair']);
  });

  test('are a manager’s to say', async () => {
    const bather = await openSalon('bather');
    const body = { absences: [absence('Fair', '2026-12-28')] };
    expect((await bather.call('POST /api/absences', { body })).status).toBe(403);
  });
});

describe('the van', () => {
  const home = { latitude: 50.34, longitude: -4.11 };

  test('is kept, and of two hands the second is told', async () => {
    const { version } = await round();
    const van = { ...USUAL_VAN, home, tank: 120 };
    expect((await salon.call('PUT /api/van', { body: { version, van } })).status).toBe(200);
    expect((await round()).van).toEqual(van);
    expect((await salon.call('PUT /api/van', { body: { version, van } })).status).toBe(409);
  });

  test.each([
    ['a table with a hole', { table: { names: ['Home', 'Mill'], minutes: [[0, 3]] } }],
    [
      'a negative drive',
      {
        table: {
          names: ['Home', 'Mill'],
          minutes: [
            [0, -3],
            [3, 0],
          ],
        },
      },
    ],
    ['a speed of nothing', { roads: { factor: 1.3, speeds: Array.from({ length: 24 }, () => 0) } }],
    ['a lunch that ends before it begins', { lunch: { between: { from: 800, to: 700 }, minutes: 30 } }],
    ['a place that is none', { home: { latitude: 95, longitude: 0 } }],
  ])('%s is refused', async (_, wrong) => {
    const body = { version: 1, van: { ...USUAL_VAN, ...wrong } };
    expect((await salon.call('PUT /api/van', { body })).status).toBe(422);
  });

  test('is a manager’s to say', async () => {
    const bather = await openSalon('bather');
    expect((await bather.call('PUT /api/van', { body: { version: 1, van: USUAL_VAN } })).status).toBe(403);
  });
});

describe('what planning weighs', () => {
  const hours = async () => (await salon.call('GET /api/hours')).body;

  test('and what the salon has is kept, shown to the day, and guarded', async () => {
    const { places, costs, version } = await hours();
    const body = { version, places: { ...places, tables: 3 }, costs: { ...costs, wish: 4 } };
    expect((await salon.call('PUT /api/planning', { body })).status).toBe(200);
    expect(await hours()).toMatchObject({ places: { tables: 3 }, costs: { wish: 4 }, version: version + 1 });
    expect((await salon.call('GET /api/today')).body.places.table).toBe(3);
    expect((await salon.call('PUT /api/planning', { body })).status).toBe(409);
  });

  test.each([
    ['no tables', { places: { tables: 0, tubs: 1, dryers: 1, crates: 1 } }],
    ['half a tub', { places: { tables: 1, tubs: 0.5, dryers: 1, crates: 1 } }],
    ['a weight below nothing', { costs: { late: -1 } }],
  ])('%s is refused', async (_, wrong) => {
    const { places, costs, version } = await hours();
    const body = {
      version,
      places: { ...places, ...('places' in wrong ? wrong.places : {}) },
      costs: { ...costs, ...('costs' in wrong ? wrong.costs : {}) },
    };
    expect((await salon.call('PUT /api/planning', { body })).status).toBe(422);
  });
});
