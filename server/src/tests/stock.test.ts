import type { NewVisitEvent } from '@dewpond/contract';
import { comings } from '@dewpond/core/stock';
import { eq, sql } from 'drizzle-orm';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeEach, describe, expect, test } from 'vitest';
import { dogDue, stockEntry } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { rebuildBusiness } from '../commands/rebuildProjections';
import { DAY, START, addProduct, mixing, bottleOf, enter, makeMix, mixBody, stockOf, take, typed } from './shelfSide';
import { addDog, app, clock, databases, openSalon, type Salon } from './salon';
import { begin, eventsOf, visitDog, wholeVisit } from './tableSide';

beforeEach(() => {
  clock.now = START;
});

describe('the ledger', () => {
  let salon: Salon;
  let id: string;
  beforeEach(async () => {
    salon = await openSalon();
    id = await addProduct(salon);
  });

  test('deliveries, counts, waste and corrections, with lots; never below nothing without a reason', async () => {
    const lot = { id: v7(), number: 'A-1', expires: '2027-03-01' };
    expect((await enter(salon, id, 'delivery', 500, { lot })).body).toMatchObject({ ml: 500, afterMl: 500 });
    expect((await enter(salon, id, 'count', 450)).body).toMatchObject({ ml: -50, afterMl: 450 });
    const tooMuch = await enter(salon, id, 'waste', 460);
    expect([tooMuch.status, tooMuch.body.error.fields?.[0]]).toEqual([
      422,
      { path: 'reason', message: expect.stringMatching(/knows of 450 ml only/) as string },
    ]);
    expect((await enter(salon, id, 'waste', 460, { reason: 'split can' })).body.afterMl).toBe(-10);
    expect((await enter(salon, id, 'correction', 10)).body.error.fields?.[0]?.path).toBe('reason');
    expect((await enter(salon, id, 'delivery', 0)).body.error.fields?.[0]?.path).toBe('ml');
    const { body } = await salon.call('GET /api/products/:id/ledger', { id });
    expect(body.entries.map(({ kind, ml }) => [kind, ml])).toEqual([
      ['waste', -460],
      ['count', -50],
      ['delivery', 500],
    ]);
    expect(body.lots).toMatchObject([{ number: 'A-1', openedOn: null }]);
  });

  test('the same entry sent twice is one; other content under its id is refused', async () => {
    const body = { id: v7(), productId: id, kind: 'delivery', ml: 100 };
    await salon.call('POST /api/stock', { body });
    await salon.call('POST /api/stock', { body });
    expect(await stockOf(salon, id)).toBe(100);
    expect((await salon.call('POST /api/stock', { body: { ...body, ml: 200 } })).status).toBe(409);
  });

  test.each([
    [{ number: 'A-1', expires: '2026-11-01' }, /expired already/],
    [{ number: '', expires: null }, /missing/],
  ])('a delivery of lot %j is refused and nothing is entered', async (lot, words) => {
    const answer = await enter(salon, id, 'delivery', 100, { lot: { id: v7(), ...lot } });
    expect(answer.body.error.fields?.[0]?.message).toMatch(words);
    expect(await stockOf(salon, id)).toBeNull();
  });

  test('two open lots: one says which; an expired one is never mixed', async () => {
    const lots = ['A-1', 'A-2'].map((number) => ({ id: v7(), number, expires: '2026-11-30' }));
    for (const lot of lots) await enter(salon, id, 'delivery', 100, { lot });
    const bottleId = await bottleOf(salon);
    for (const lot of lots)
      await salon.call('PUT /api/lots/:id', {
        id: lot.id,
        body: { version: 1, number: lot.number, expires: lot.expires, openedOn: '2026-11-20', emptiedOn: null },
      });
    const which = await makeMix(salon, mixBody(id, bottleId));
    expect(which.body.error.fields?.[0]).toMatchObject({
      path: 'lotIds',
      message: 'Two lots are open, A-1 and A-2: say which you took.',
    });
    const mix = mixBody(id, bottleId, { lotIds: [lots[1]?.id] });
    expect((await makeMix(salon, mix)).status).toBe(201);
    const { dogId } = await addDog(salon);
    await take(salon, dogId, mix.id, id);
    const traced = await salon.call('GET /api/trace', { query: { of: 'lot', id: lots[1]?.id ?? '' } });
    expect(traced.body.dogs.map(({ dog, owner, phone }) => [dog, owner, phone])).toEqual([
      ['Teasel', 'Folake Adeyemi', '01632 960114'],
    ]);
    expect((await salon.call('GET /api/trace', { query: { of: 'lot', id: lots[0]?.id ?? '' } })).body.dogs).toEqual([]);
    const touched = await salon.call('GET /api/dogs/:id/touched', { id: dogId });
    expect(touched.body.items[0]).toMatchObject({
      product: 'Harbour wash',
      lots: [{ number: 'A-2' }],
      strength: '24:1',
    });
    clock.now = START + 10 * DAY;
    const late = await makeMix(salon, mixBody(id, bottleId, { lotIds: [lots[0]?.id] }));
    expect(late.body.error.fields?.[0]?.message).toMatch(/Lot A-1 expired on Mon 30 Nov/);
  });

  test('traced by bottle: every mix that stood in it; what was taken back was never made', async () => {
    const bottleId = await bottleOf(salon);
    const { dogId } = await addDog(salon);
    const slip = mixBody(id, bottleId);
    await makeMix(salon, slip);
    await salon.call('PUT /api/mixes/:id', { id: slip.id, body: { version: 1, step: 'taken back' } });
    const mix = mixBody(id, bottleId);
    await makeMix(salon, mix);
    await take(salon, dogId, mix.id, id);
    const traced = (no: string) => salon.call('GET /api/trace', { query: { of: 'bottle', id: bottleId, no } });
    expect((await traced('1')).body).toMatchObject({
      title: 'Litre bottle 1',
      words: '1 mix stood in it, 1 dog had of them.',
      dogs: [{ dog: 'Teasel', what: 'Litre bottle 1 of Wed 25 Nov' }],
    });
    expect((await traced('2')).body.dogs).toEqual([]);
    const starts = (await salon.call('GET /api/trace/starts')).body;
    expect(starts.mixes.map((each) => each.id)).toEqual([mix.id]);
    expect((await salon.call('GET /api/trace', { query: { of: 'mix', id: v7() } })).status).toBe(404);
  });

  test('mixes and uses leave as files: what became of a bottle, what a visit used and cost', async () => {
    await enter(salon, id, 'delivery', 1000);
    const { dogId } = await addDog(salon);
    const mix = mixBody(id, await bottleOf(salon));
    await makeMix(salon, mix);
    await take(salon, dogId, mix.id, id);
    await salon.call('PUT /api/mixes/:id', { id: mix.id, body: { version: 1, step: 'poured away', leftMl: 150 } });
    const file = async (name: string) =>
      (await request(app).get(`/api/export/${name}`).set('Cookie', salon.cookie)).text;
    expect(await file('mixes.csv')).toContain('2026-11-25,Harbour wash,24,Litre bottle,1,20,500,,poured away,150,Ines');
    // 300 of 500 ml with 20 ml of product in it are 12 ml, at 0.031 a ml.
    expect(await file('product-use.csv')).toContain('2026-11-25,Teasel,Folake Adeyemi,Harbour wash,300,12,0.372');
    expect(await file('stock.csv')).toContain('Harbour wash,2026-11-25,mixed,-20,980,');
  });

  test('what a visit uses goes out by itself, once, and follows a change', async () => {
    const { dogId } = await addDog(salon);
    await enter(salon, id, 'delivery', 1000);
    const visitId = await begin(salon, dogId);
    const used = (ml: number, counter: number): NewVisitEvent[] =>
      eventsOf([{ type: 'used', product: id, name: 'Wash', ml, planned: 500, how: 'measured' }], counter);
    const send = (events: NewVisitEvent[]) =>
      salon.call('POST /api/visits/:id/events', { id: visitId, body: { events } });
    const first = used(500, 2);
    await send(first);
    await send(first);
    // 500 ml at 24:1 holds 20 ml.
    expect(await stockOf(salon, id)).toBeCloseTo(980, 9);
    await send(used(250, 3));
    expect(await stockOf(salon, id)).toBeCloseTo(990, 9);
  });

  test('from the bench it went out when it was mixed, not again at the visit; what was thrown away is told', async () => {
    await enter(salon, id, 'delivery', 1000);
    const { dogId } = await addDog(salon);
    const mix = mixBody(id, await bottleOf(salon));
    await makeMix(salon, mix);
    await take(salon, dogId, mix.id, id);
    expect(await stockOf(salon, id)).toBe(980);
    expect((await mixing(salon)).openMixes[0]).toMatchObject({ leftMl: 200, had: ['Teasel'] });
    await salon.call('PUT /api/mixes/:id', { id: mix.id, body: { version: 1, step: 'poured away', leftMl: 200 } });
    const { body } = await salon.call('GET /api/costs', { query: { from: '2026-11-01', to: '2026-11-30' } });
    // 20 ml were mixed, 200/500 of it thrown away: 8 ml at 0.031 a ml; the dog's 300 ml held 12 ml.
    expect(body.waste).toMatchObject([{ month: '2026-11', mixed: 20, thrown: 8 }]);
    expect(body.waste[0]?.cost).toBeCloseTo(0.248, 9);
    expect(body.dogs).toMatchObject([{ name: 'Teasel', visits: 1 }]);
    expect(body.months[0]?.cost).toBeCloseTo(12 * 0.031, 9);
  });

  test('a bottle taken and nothing told: at the close what was planned is taken off it, and teaches nothing', async () => {
    const { dogId } = await addDog(salon);
    const { products } = (await salon.call('GET /api/business')).body;
    const oat = products.find(({ name }) => name === 'Oat gentle wash')?.id ?? '';
    const mix = mixBody(oat, await bottleOf(salon), { productMl: 40, totalMl: 1000, strokes: 8 });
    await makeMix(salon, mix);
    const visitId = await begin(salon, dogId);
    const { body: view } = await salon.call('GET /api/visits/:id', { id: visitId });
    const happened = wholeVisit(view, [{ type: 'mix taken', mix: mix.id, product: oat, override: null }]);
    await salon.call('POST /api/visits/:id/events', { id: visitId, body: { events: eventsOf(happened) } });
    const planned = view.mixes.find(({ product }) => product.id === oat)?.mix.need ?? 0;
    expect((await mixing(salon)).openMixes[0]?.leftMl).toBeCloseTo(1000 - planned, 6);
    expect((await salon.call('GET /api/dogs/:id', { id: dogId })).body.amounts).toMatchObject({
      factor: 1,
      lessons: 0,
    });
  });

  test('making the tables anew from the events changes neither the stock nor what a visit cost', async () => {
    await enter(salon, id, 'delivery', 1000);
    const { dogId } = await addDog(salon);
    const mix = mixBody(id, await bottleOf(salon));
    await makeMix(salon, mix);
    await take(salon, dogId, mix.id, id);
    const visitId = await begin(salon, dogId);
    await salon.call('POST /api/visits/:id/events', {
      id: visitId,
      body: {
        events: eventsOf([{ type: 'used', product: id, name: 'Wash', ml: 250, planned: 250, how: 'as planned' }], 2),
      },
    });
    const told = async () => [
      (await salon.call('GET /api/products/:id/ledger', { id })).body,
      (await salon.call('GET /api/costs', { query: { from: '2026-11-01', to: '2026-11-30' } })).body,
      (await salon.call('GET /api/dogs/:id/touched', { id: dogId })).body,
    ];
    const before = await told();
    await salon.call('PUT /api/products/:id', { id, body: { version: 1, ...typed({ price: 500 }) } });
    await rebuildBusiness(databases, salon.businessId);
    expect(await told()).toEqual(before);
  });

  test('no ledger, no stock: a product never counted is not known, and does not go below nothing', async () => {
    const { dogId } = await addDog(salon);
    await visitDog(salon, dogId);
    expect(await stockOf(salon, id)).toBeNull();
    const { body } = await salon.call('GET /api/stock');
    expect(body.lines.find((line) => line.productId === id)).toMatchObject({ stock: null, state: 'not counted' });
  });

  test('200 writers at once: the stock is the sum of what was accepted, and the entries stand in one order', async () => {
    const writes = Array.from({ length: 200 }, (_, i) =>
      i % 3 === 0 ? enter(salon, id, 'delivery', 10 + i) : enter(salon, id, 'waste', 7 + (i % 5)),
    );
    const answers = await Promise.all(writes);
    const accepted = answers.filter(({ status }) => status === 201);
    expect(answers.filter(({ status }) => status !== 201 && status !== 422)).toEqual([]);
    const sum = accepted.reduce((all, { body }) => all + body.ml, 0);
    expect(await stockOf(salon, id)).toBeCloseTo(sum, 6);
    const lows = accepted.map(({ body }) => body.afterMl);
    expect(Math.min(...lows)).toBeGreaterThanOrEqual(0);
    const entries = await inTenant(databases, salon.businessId, async (tx) =>
      tx.select().from(stockEntry).where(eq(stockEntry.productId, id)),
    );
    expect(entries.map(({ number }) => number).toSorted((a, b) => a - b)).toEqual(accepted.map((_, i) => i + 1));
  }, 60_000);
});

describe('the stock ahead', () => {
  test('booked and due visits draw it down; the last day to order keeps lead time and safety stock', async () => {
    const salon = await openSalon();
    const { dogId } = await addDog(salon);
    const { products } = (await salon.call('GET /api/business')).body;
    const oat = products.find(({ name }) => name === 'Oat gentle wash');
    if (!oat) throw new Error('no product');
    await visitDog(salon, dogId);
    await enter(salon, oat.id, 'count', 60);
    const { body } = await salon.call('GET /api/stock');
    const line = body.lines.find(({ productId }) => productId === oat.id);
    const taken = (await salon.call('GET /api/dogs/:id/mix', { id: dogId })).body.mixes[0];
    if (!line || !taken) throw new Error('nothing reckoned');
    // At 24:1 a visit takes a twenty-fifth of its mix; several visits in twelve weeks outlast 60 ml or do not.
    const each = taken.mix.need / 25;
    await salon.call('POST /api/book/reckon', { body: {} });
    const [{ every, due } = { every: null, due: null }] = (
      await inTenant(databases, salon.businessId, (tx) => tx.select({ takes: dogDue.takes }).from(dogDue))
    ).flatMap(({ takes }) => takes ?? []);
    const { mean } = comings({ booked: [], every, due }, body.today, 84);
    expect(mean.at(-1)).toBeGreaterThan(0.5);
    expect(line.takes).toBeCloseTo((mean.at(-1) ?? 0) * each, 6);
    expect(body.longAway).toEqual([]);
    expect(line.runsOut === null).toBe(line.takes <= 60);
    expect(line.points).toHaveLength(13);
    expect(body.dogs).toBe(1);
  });
});

test('a stock entry cannot be changed: the role of the application may only add', async () => {
  const salon = await openSalon();
  await expect(
    inTenant(databases, salon.businessId, (tx) => tx.execute(sql`update dewpond.stock_entry set ml = 0`)),
  ).rejects.toMatchObject({ cause: { code: '42501' } });
});

test('what finishes a visit is drawn from the shelf and told by itself, and teaches nothing of the bath', async () => {
  const salon = await openSalon();
  const { dogId } = await addDog(salon);
  const mist = await addProduct(salon, { name: 'Reed mist', kind: 'finish', label: 'Ready to use', waterParts: null });
  await enter(salon, mist, 'delivery', 100);
  const used = { product: mist, name: 'Reed mist', ml: 5, planned: 5, how: 'as planned', tasks: [] } as const;
  const id = await visitDog(salon, dogId, [{ type: 'used', ...used }]);
  expect(await stockOf(salon, mist)).toBe(95);
  const { body } = await salon.call('GET /api/visits/:id/sheet', { id });
  const did = body.sheet.did.map(({ words }) => words);
  expect(did).toContain('Finished with Reed mist.');
  expect(did.find((words) => words.startsWith('Bathed'))).not.toMatch(/Reed mist/);
  const { body: dog } = await salon.call('GET /api/dogs/:id', { id: dogId });
  expect(dog.amounts.factor).toBe(1);
});
