import type { NewVisitEvent } from '@dewpond/contract';
import { eq } from 'drizzle-orm';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { refusedEvent, visit } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { book } from './shelfSide';
import { addDog, app, businessEditOf, clock, databases, openSalon, type Salon } from './salon';
import { begin, eventsOf } from './tableSide';

const WEDNESDAY = clock.now;
let salon: Salon;
let dogId: string;
beforeAll(async () => {
  salon = await openSalon();
  ({ dogId } = await addDog(salon));
});
beforeEach(() => {
  clock.now = WEDNESDAY;
});

const visitsOf = (id: string) =>
  inTenant(databases, salon.businessId, (tx) => tx.select().from(visit).where(eq(visit.id, id)));
const start = (body: object) => salon.call('POST /api/visits', { body: { appointmentId: null, dogId, ...body } });

describe('a visit is of the day on which it was begun', () => {
  const DAY = 86_400_000;
  test.each<[string, { at: number; offset: number | null } | undefined, string]>([
    ['begun yesterday without a network', { at: WEDNESDAY, offset: 0 }, '2026-11-25'],
    ['by a clock that is two days fast, and knows it', { at: WEDNESDAY + 2 * DAY, offset: -2 * DAY }, '2026-11-25'],
    ['by a clock that is fast and does not know it', { at: WEDNESDAY + 400 * DAY, offset: null }, '2026-11-26'],
    ['by a clock that begins in 1970', { at: 0, offset: null }, '2026-11-26'],
    ['by a device of before, that does not say', undefined, '2026-11-26'],
  ])('%s', async (_, begun, day) => {
    clock.now = WEDNESDAY + DAY;
    const id = v7();
    expect((await start({ id, ...(begun ? { begun } : {}) })).status).toBe(201);
    expect((await visitsOf(id))[0]?.day).toBe(day);
    // Sent again by a device that says it otherwise: it is the same visit.
    expect((await start({ id })).status).toBe(201);
  });
});

test('twenty devices begin one booking at once: one visit, and all hear which', async () => {
  const booked = (await book(salon, dogId, 15)).body as { id: string };
  const ids = Array.from({ length: 20 }, () => v7());
  const answers = await Promise.all(ids.map((id) => start({ id, appointmentId: booked.id })));
  const rows = await inTenant(databases, salon.businessId, (tx) =>
    tx.select().from(visit).where(eq(visit.appointmentId, booked.id)),
  );
  expect(rows).toHaveLength(1);
  expect(answers.filter(({ status }) => status === 201)).toHaveLength(1);
  for (const { status, body } of answers)
    if (status === 409) expect(body.error.current).toMatchObject({ id: rows[0]?.id });
});

describe('what no table can hold', () => {
  const events = (visitId: string, list: readonly unknown[]) =>
    salon.call('POST /api/visits/:id/events', { id: visitId, body: { events: list } });
  const note = (words: string, counter: number): NewVisitEvent => ({
    ...(eventsOf([{ type: 'opened' }])[0] as NewVisitEvent),
    id: v7(),
    counter,
    what: { type: 'note', words } as never,
  });

  test('one event that cannot be kept holds up no other of its batch', async () => {
    const visitId = await begin(salon, dogId);
    const [good] = eventsOf([{ type: 'opened' }]);
    if (!good) throw new Error('an event');
    const bad = [
      note('NUL \u0000 in it', 2),
      note('half \ud800 a pair', 3),
      { ...note('deep', 4), what: 'DEEP' },
      { ...note('counter', 5), counter: 2 ** 31 },
      { ...note('when', 6), at: 1e300 },
    ];
    // Written by hand: no library writes it so deep.
    const text = JSON.stringify({ events: [...bad, good] }).replace(
      '"DEEP"',
      `${'['.repeat(20_000)}${']'.repeat(20_000)}`,
    );
    const sent = await request(app)
      .post(`/api/visits/${visitId}/events`)
      .set('Cookie', salon.cookie)
      .set('Content-Type', 'application/json')
      .send(text);
    const { status } = sent;
    const body = sent.body as { taken: string[]; refused: { id: string }[] };
    expect([status, body.taken]).toEqual([201, [good.id]]);
    expect(body.refused.map(({ id }) => id).toSorted()).toEqual(bad.map(({ id }) => id).toSorted());
    const kept = await inTenant(databases, salon.businessId, (tx) => tx.select().from(refusedEvent));
    for (const { id } of bad) expect(kept.find((row) => row.id === id)?.content).toBeTruthy();
  });

  test('of two contents under one id the refused one is kept, and of a long one its beginning', async () => {
    const visitId = await begin(salon, dogId);
    const [first] = eventsOf([{ type: 'opened' }]);
    if (!first) throw new Error('an event');
    const other = { ...first, counter: 9 };
    const long = { ...note('x'.repeat(30_000), 3) };
    await events(visitId, [first, other, long]);
    const kept = await inTenant(databases, salon.businessId, (tx) => tx.select().from(refusedEvent));
    expect(kept.find(({ id }) => id === first.id)?.content).toMatchObject({ counter: 9 });
    expect(kept.find(({ id }) => id === long.id)?.content).toMatchObject({
      beginning: expect.stringContaining('xxx') as string,
    });
  });

  test.each([
    ['NUL', 'Te\u0000asel'],
    ['half a surrogate pair', 'Te\ud83dasel'],
  ])('%s in a name is refused at its field', async (_, name) => {
    const { status, body } = await salon.call('POST /api/clients', { body: { id: v7(), name } });
    expect([status, body.error.fields?.[0]?.path]).toEqual([422, 'name']);
  });

  test('nested without end, a number beyond all bounds, days before and after time', async () => {
    const deep = `{"id":${'['.repeat(20_000)}${']'.repeat(20_000)}}`;
    const sent = await request(app)
      .post('/api/clients')
      .set('Cookie', salon.cookie)
      .set('Content-Type', 'application/json')
      .send(deep);
    expect(sent.status).toBe(422);
    const vast = await salon.call('PUT /api/products/:id', { id: salon.productId, body: { version: 2 ** 40 } });
    expect(vast.status).toBe(422);
    for (const day of ['0000-01-01', '10000-01-01'])
      expect((await salon.call('GET /api/today', { query: { day } })).status).toBe(422);
  });

  test.each(['/api/dogs/%00', '/api/calendars/%00', '/api/export/%00.csv', '/api/dogs/%ff', '/api/photos/%'])(
    '%s is no fault of ours',
    async (path) => {
      expect((await request(app).get(path).set('Cookie', salon.cookie)).status).toBeLessThan(500);
    },
  );

  test.each(['', 'a b', '\u00ff', '[::1', 'x:99999999'])('a strange Host (%j) is no fault of ours', async (host) => {
    const { status } = await request(app).get('/api/business').set('Cookie', salon.cookie).set('Host', host);
    expect(status).toBeLessThan(500);
  });
});

test('a change that changed nothing is no success: two managers at once, one is told how it stands', async () => {
  const business = await businessEditOf(salon);
  const edit = (kg: number) => salon.call('PUT /api/business', { body: { ...business, liftAloneKg: kg } });
  const answers = await Promise.all([edit(21), edit(22), edit(23), edit(24)]);
  expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
  for (const { status, body } of answers)
    if (status !== 200) expect([status, body.error.current]).toMatchObject([409, {}]);
  const businessProfile = (await salon.call('GET /api/profile')).body;
  const { mayEdit: _, name, ...rest } = businessProfile as never as Record<string, unknown> & { name: string };
  const write = (words: string) => salon.call('PUT /api/profile', { body: { ...rest, name: words } });
  const both = await Promise.all([write(name), write(`${name} `), write(`${name}.`)]);
  expect(both.filter(({ status }) => status === 200).length).toBeLessThanOrEqual(1);
});
