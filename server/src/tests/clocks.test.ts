import { afterEach, expect, test } from 'vitest';
import { addDog, clock, openSalon, signIn, PASSWORD, type Salon } from './salon';
import { DAY, START, book, bottleOf, makeMix, mixBody, enter, stockOf } from './shelfSide';
import { begin, eventsOf, wholeVisit } from './tableSide';

/* A clock that is wrong by a day, on the tablet or on the server: told where it can be, and nothing is lost. */

afterEach(() => {
  clock.now = START;
});

/** What a tablet sends whose clock is so far ahead; `offset` is what it has measured of it. */
const fromTablet = (happened: Parameters<typeof eventsOf>[0], ahead: number, offset: number | null, device: string) =>
  eventsOf(happened, 1, device).map((event) => ({ ...event, at: event.at + ahead, offset }));

async function visitBy(salon: Salon, ahead: number, offset: number | null) {
  const { dogId } = await addDog(salon);
  const id = await begin(salon, dogId);
  const { body: view } = await salon.call('GET /api/visits/:id', { id });
  const events = fromTablet(wholeVisit(view, []), ahead, offset, `tablet ${ahead}`);
  const { status, body } = await salon.call('POST /api/visits/:id/events', { id, body: { events } });
  return { dogId, id, events, status, body };
}

test.each([
  ['a day ahead, as it has measured', DAY, -DAY],
  ['a day behind, as it has measured', -DAY, DAY],
  ['a day ahead, and it does not know', DAY, null],
  ['a day behind, and it does not know', -DAY, null],
])('a tablet %s: all it did is taken, on the day it was done', async (_, ahead, offset) => {
  const salon = await openSalon();
  const { dogId, id, events, status, body } = await visitBy(salon, ahead, offset);
  expect([status, body.refused]).toEqual([201, []]);
  expect(body.taken).toHaveLength(events.length);
  const { body: sheet } = await salon.call('GET /api/visits/:id/sheet', { id });
  expect(sheet.sheet.day).toBe('2026-11-25');
  const { body: history } = await salon.call('GET /api/dogs/:id/history', { id: dogId });
  expect(new Set(history.items.map(({ day }) => day))).toEqual(new Set(['2026-11-25']));
  const { body: dog } = await salon.call('GET /api/dogs/:id', { id: dogId });
  // Care counts from the day it was done: nothing is due sooner or later for a wrong clock.
  const right = await visitBy(salon, 0, 0);
  const { body: other } = await salon.call('GET /api/dogs/:id', { id: right.dogId });
  const windows = ({ due }: typeof dog) => due.map(({ line, window }) => [line.task, window]);
  expect(windows(dog)).toEqual(windows(other));
  expect(dog.due.length).toBeGreaterThan(4);
});

test('two tablets, one a day wrong, at one dog: the order is that of what they had seen, not of their clocks', async () => {
  const salon = await openSalon();
  const { dogId } = await addDog(salon);
  const id = await begin(salon, dogId);
  const place = { site: 'ear', side: 'left' } as const;
  const found = { type: 'found', finding: { place, sign: 'ear dark wax', grade: 2, answer: false } } as const;
  const send = (events: readonly object[]) => salon.call('POST /api/visits/:id/events', { id, body: { events } });
  const [opened, seen] = fromTablet([{ type: 'opened' }, found], DAY, null, 'wrong');
  expect((await send([opened!, seen!])).body.taken).toHaveLength(2);
  // The other tablet has seen both, and takes the finding back: its clock is right, and so an earlier one.
  const [taken] = eventsOf([{ type: 'looked clear', place }], 3, 'right');
  expect((await send([taken!])).body.taken).toHaveLength(1);
  const { body } = await salon.call('GET /api/visits/:id', { id });
  expect(body.events.map(({ what }) => what.type)).toEqual(['opened', 'found', 'looked clear']);
});

test('the server’s clock jumps a day ahead and back: what was done in between stands, and everybody works on', async () => {
  const salon = await openSalon();
  const { dogId } = await addDog(salon);
  await enter(salon, salon.productId, 'delivery', 5000);
  clock.now = START + DAY;
  expect((await book(salon, dogId, 15)).status).toBe(201);
  const visit = await visitBy(salon, 0, 0);
  expect(visit.status).toBe(201);
  const mix = await makeMix(salon, mixBody(salon.productId, await bottleOf(salon)));
  expect(mix.status).toBe(201);
  const stock = await stockOf(salon, salon.productId);
  clock.now = START;
  expect((await salon.call('GET /api/session')).status).toBe(200);
  expect(await signIn(`${salon.businessId}@example.test`, PASSWORD)).not.toBe('');
  expect(await stockOf(salon, salon.productId)).toBe(stock);
  const { body: seen } = await salon.call('GET /api/visits/:id', { id: visit.id });
  expect(seen.events).toHaveLength(visit.events.length);
  expect((await salon.call('GET /api/today')).status).toBe(200);
  // The ledger goes on in its order, whatever day its lines bear.
  expect((await enter(salon, salon.productId, 'delivery', 100)).status).toBe(201);
  expect(await stockOf(salon, salon.productId)).toBe((stock ?? 0) + 100);
  expect(
    (await salon.call('PUT /api/mixes/:id', { id: mix.body.id, body: { version: 1, step: 'used up' } })).status,
  ).toBe(200);
});
