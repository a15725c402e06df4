import type { BenchView, NewVisitEvent } from '@dewpond/contract';
import { sql } from 'drizzle-orm';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import request from 'supertest';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { inTenant } from '../db/tenant';
import { rebuildProjections } from '../rebuildProjections';
import { addDog, app, clock, databases, openSalon, type KeptDog, type Salon } from './salon';
import { begin, eventsOf, visitDog, wholeVisit } from './tableSide';

const DAY = 86_400_000;
const START = clock.now;
beforeEach(() => {
  clock.now = START;
});

/** A product as typed; the house's other products are untouched. */
const typed = (more: object = {}) => ({
  name: 'Harbour wash',
  kind: 'cleansing' as const,
  label: '24:1',
  waterParts: '24',
  contact: null,
  suppliedBy: 'house' as const,
  containerMl: 5000,
  price: 155,
  pumpId: null,
  ...more,
});

async function addProduct(salon: Salon, more: object = {}): Promise<string> {
  const id = v7();
  const { status, body } = await salon.call('POST /api/products', { body: { id, ...typed(more) } });
  if (status !== 201) throw new Error(JSON.stringify(body));
  return id;
}
const enter = (salon: Salon, productId: string, kind: string, ml: number, more: object = {}) =>
  salon.call('POST /api/stock', { body: { id: v7(), productId, kind, ml, ...more } });
const stockOf = async (salon: Salon, productId: string) =>
  (await salon.call('GET /api/products/:id/ledger', { id: productId })).body.stock;
const book = (salon: Salon, dogId: string, hour: number, more: object = {}) =>
  salon.call('POST /api/appointments', {
    body: {
      id: v7(),
      dogId,
      memberId: salon.memberId,
      kind: 'bath only',
      startsAt: new Date(START - 9 * 3_600_000 + hour * 3_600_000).toISOString(),
      minutes: 60,
      ...more,
    },
  });
const bench = async (salon: Salon): Promise<BenchView> => (await salon.call('GET /api/bench')).body;
const bottleOf = async (salon: Salon) => (await salon.call('GET /api/house')).body.bottles[0]?.id ?? '';
const mixBody = (productId: string, bottleId: string, more: object = {}) => ({
  id: v7(),
  productId,
  waterParts: '24',
  bottleId,
  strokes: 4,
  productMl: 20,
  totalMl: 500,
  forDogId: null,
  lotIds: [],
  ...more,
});
const makeMix = (salon: Salon, body: object) => salon.call('POST /api/mixes', { body });

describe('a product', () => {
  let salon: Salon;
  beforeAll(async () => {
    salon = await openSalon();
  });

  test('comes back as it was typed, with what follows', async () => {
    const id = await addProduct(salon, {
      name: 'Oat wash',
      label: '10:1 to 32:1',
      waterParts: '32',
      purposes: [{ purpose: 'very dirty', waterParts: '10' }],
      cautions: ['eyes'],
      ingredients: ['Hydrolysed oats'],
      contact: { least: 5, most: 10 },
    });
    const { body } = await salon.call('GET /api/house');
    expect(body.products.find((each) => each.id === id)).toMatchObject({
      strength: '32:1',
      range: { strongest: '10:1', weakest: '32:1' },
      price: 155,
      costPerMl: 0.031,
      contactMinutes: 5,
      cautions: ['eyes'],
      purposes: [{ purpose: 'very dirty', waterParts: '10' }],
    });
  });

  test.each([
    [{ label: 'two squirts' }, 'label', /no ratio we know/],
    [{ label: '0:1' }, 'label', /zero/],
    [{ waterParts: '32' }, 'waterParts', /cannot be read as that/],
    [{ waterParts: '0' }, 'waterParts', /More than 0/],
    [{ waterParts: null }, 'waterParts', /ready to use/],
    [{ label: 'ready to use' }, 'waterParts', /never diluted/],
    [{ label: '10:1 to 32:1', waterParts: '40' }, 'waterParts', /cannot be read/],
    [
      { label: '10:1 to 32:1', waterParts: '32', purposes: [{ purpose: 'strong', waterParts: '4' }] },
      'purposes.0.waterParts',
      /Outside/,
    ],
    [{ containerMl: 0 }, 'containerMl', /More than 0/],
    [{ containerMl: null }, 'containerMl', /how many ml/],
    [{ contact: { least: 10, most: 5 } }, 'contact.most', /less than the least/],
    [{ pumpId: v7() }, 'pumpId', /no such pump/],
    [{ name: 'OAT GENTLE WASH' }, 'name', /of that name/],
  ])('%j is refused at %s', async (more, path, words) => {
    const { status, body } = await salon.call('POST /api/products', { body: { id: v7(), ...typed(more) } });
    expect(status).toBe(422);
    expect(body.error.fields?.find((field) => field.path === path)?.message).toMatch(words);
  });

  test('1:50 may be read either way; a "%" of a medicated one as whatever the vet says', async () => {
    for (const waterParts of ['50', '49'])
      await addProduct(salon, { name: `Either ${waterParts}`, label: '1:50', waterParts });
    await addProduct(salon, { name: 'Strong stuff', kind: 'medicated', label: '2 %', waterParts: '9' });
  });

  test('of a kind one is the usual one', async () => {
    const first = await addProduct(salon, { name: 'Usual A', usual: true });
    const second = await addProduct(salon, { name: 'Usual B', usual: true });
    const { products } = (await salon.call('GET /api/house')).body;
    expect(products[0]?.id).toBe(second);
    expect(products.find((each) => each.id === first)?.usual).toBe(false);
  });

  test('edits carry a version; one that a vet prescribed is not put away', async () => {
    const id = await addProduct(salon, { name: 'Prescribed wash' });
    const edit = { version: 1, ...typed({ name: 'Prescribed wash', price: 200 }) };
    expect((await salon.call('PUT /api/products/:id', { id, body: edit })).body).toEqual({ version: 2 });
    const stale = await salon.call('PUT /api/products/:id', { id, body: edit });
    expect(stale.status).toBe(409);
    const { dogId } = await addDog(salon, { name: 'Sorrel' });
    await salon.call('POST /api/dogs/:id/instructions', {
      id: dogId,
      body: {
        id: v7(),
        by: 'vet',
        who: 'Dr Oyelaran',
        place: null,
        says: { kind: 'bath product', productId: id, contactMinutes: 10, nothingElse: false },
        from: '2026-11-01',
        until: '2026-12-24',
      },
    });
    const away = await salon.call('PUT /api/products/:id/shelf', { id, body: { version: 2, archived: true } });
    expect([away.status, away.body.error.message]).toEqual([
      409,
      'Dr Oyelaran wants it used on Sorrel until Thu 24 Dec. End that instruction first.',
    ]);
  });

  test('put away while a bottle of it stands: the mix stays, with its name, and it can be taken out again', async () => {
    const id = await addProduct(salon, { name: 'Going wash' });
    const mix = mixBody(id, await bottleOf(salon));
    expect((await makeMix(salon, mix)).status).toBe(201);
    await salon.call('PUT /api/products/:id/shelf', { id, body: { version: 1, archived: true } });
    expect((await bench(salon)).standing.find((each) => each.id === mix.id)?.product.name).toBe('Going wash');
    const { body } = await salon.call('GET /api/house');
    expect(body.putAway.map(({ name }) => name)).toContain('Going wash');
    expect(
      (await salon.call('PUT /api/products/:id/shelf', { id, body: { version: 2, archived: false } })).status,
    ).toBe(200);
    await salon.call('PUT /api/mixes/:id', { id: mix.id, body: { version: 1, step: 'used up' } });
  });
});

describe('pumps and bottles', () => {
  let salon: Salon;
  beforeAll(async () => {
    salon = await openSalon();
  });

  test('ten strokes calibrate a pump; scatter is refused with its figure; none take it back', async () => {
    const id = v7();
    await salon.call('POST /api/pumps', { body: { id, name: 'Red pump' } });
    const calibrate = (version: number, strokes: number[]) =>
      salon.call('PUT /api/pumps/:id/calibration', { id, body: { version, strokes } });
    const bad = await calibrate(1, [4, 6, 4, 6, 4, 6, 4, 6, 4, 6]);
    expect([bad.status, bad.body.error.fields?.[0]?.message]).toEqual([422, expect.stringMatching(/scatter 21 %/)]);
    expect((await calibrate(1, [5, 5, 5.2, 4.8, 5, 5, 5, 5, 5, 5])).status).toBe(200);
    const pump = async () => (await salon.call('GET /api/house')).body.pumps.find((each) => each.id === id);
    expect(await pump()).toMatchObject({ strokeMl: 5, calibratedOn: '2026-11-25', calibratedBy: 'Ines' });
    await calibrate(2, []);
    expect(await pump()).toMatchObject({ strokeMl: null, calibratedOn: null });
  });

  test('a product whose pump has no calibration is measured in ml', async () => {
    const pumpId = v7();
    await salon.call('POST /api/pumps', { body: { id: pumpId, name: 'New pump' } });
    await addProduct(salon, { name: 'Pumped wash', usual: true, pumpId });
    const { dogId } = await addDog(salon);
    await book(salon, dogId, 11);
    expect((await bench(salon)).batches[0]?.bottles[0]).toMatchObject({ by: 'millilitres', strokes: null });
    const busy = await salon.call('PUT /api/pumps/:id/shelf', { id: pumpId, body: { version: 1, archived: true } });
    expect([busy.status, busy.body.error.message]).toEqual([409, expect.stringMatching(/sits on Pumped wash/)]);
  });

  test.each([
    [{ brim: 0 }, 'brim'],
    [{ line: 600 }, 'line'],
    [{ graduation: 501 }, 'graduation'],
    [{ count: 0 }, 'count'],
  ])('a bottle with %j is refused at %s', async (more, path) => {
    const shape = { id: v7(), name: 'B', brim: 550, line: 500, graduation: 50, count: 1, ...more };
    const { status, body } = await salon.call('POST /api/bottles', { body: shape });
    expect([status, body.error.fields?.[0]?.path]).toEqual([422, path]);
  });

  test('a bottle that holds a mix is not put away, nor made fewer than its number', async () => {
    const id = await addProduct(salon, { name: 'Bottled wash' });
    const bottleId = await bottleOf(salon);
    const mixes = [mixBody(id, bottleId), mixBody(id, bottleId)];
    for (const mix of mixes) expect((await makeMix(salon, mix)).status).toBe(201);
    const third = await makeMix(salon, mixBody(id, bottleId));
    expect([third.status, third.body.error.message]).toEqual([409, expect.stringMatching(/All 2 of Litre bottle/)]);
    const shelf = await salon.call('PUT /api/bottles/:id/shelf', {
      id: bottleId,
      body: { version: 1, archived: true },
    });
    expect(shelf.status).toBe(409);
    const fewer = { version: 1, name: 'Litre bottle', brim: 1080, line: 1000, graduation: 50, count: 1 };
    expect((await salon.call('PUT /api/bottles/:id', { id: bottleId, body: fewer })).status).toBe(422);
    for (const { id: mixId } of mixes)
      await salon.call('PUT /api/mixes/:id', { id: mixId, body: { version: 1, step: 'used up' } });
    expect((await salon.call('PUT /api/bottles/:id', { id: bottleId, body: fewer })).status).toBe(200);
  });
});

describe('the morning mix', () => {
  let salon: Salon;
  let teasel: KeptDog;
  let umber: KeptDog;
  beforeAll(async () => {
    salon = await openSalon();
    teasel = await addDog(salon, { name: 'Teasel' });
    umber = await addDog(salon, { name: 'Umber', weightKg: 20 });
    await book(salon, teasel.dogId, 10);
    await book(salon, umber.dogId, 11);
  });

  test('from the day’s bookings to bottles; made, watered, and nothing more to mix', async () => {
    const before = await bench(salon);
    const [batch] = before.batches;
    if (!batch) throw new Error('no batch');
    expect(batch.product.name).toBe('Oat gentle wash');
    expect(batch.bottles.flatMap(({ pours }) => pours.map(({ dog }) => dog)).toSorted()).toContain('Umber');
    expect(batch.wanted).toBeCloseTo(batch.need * 1.1, 6);
    for (const fill of batch.bottles) {
      const made = await makeMix(
        salon,
        mixBody(batch.product.id, fill.bottle.id, {
          waterParts: batch.waterParts,
          strokes: fill.strokes,
          productMl: fill.product,
          totalMl: fill.total,
        }),
      );
      expect(made.status).toBe(201);
    }
    const after = await bench(salon);
    expect(after.batches[0]?.wanted).toBe(0);
    expect(after.standing).toHaveLength(batch.bottles.length);
    const [mix] = after.standing;
    await salon.call('PUT /api/mixes/:id', { id: mix?.id ?? '', body: { version: 1, step: 'watered' } });
    expect((await bench(salon)).standing[0]?.wateredAt).toBe(new Date(clock.now).toISOString());
  });

  test('a dog added late: only what is missing; a dog cancelled: nothing is thrown away', async () => {
    const stood = (await bench(salon)).standing.length;
    const wren = await addDog(salon, { name: 'Wren', weightKg: 30 });
    await book(salon, wren.dogId, 13);
    const more = await bench(salon);
    expect(more.batches[0]?.wanted).toBeGreaterThan(0);
    const { items } = (await salon.call('GET /api/appointments', { query: { from: '2026-11-25', to: '2026-11-25' } }))
      .body;
    const its = items.find((each) => each.dogId === wren.dogId);
    if (!its) throw new Error('not booked');
    await salon.call('PUT /api/appointments/:id', { id: its.id, body: { change: 'cancel', version: its.version } });
    const fewer = await bench(salon);
    expect(fewer.batches[0]?.wanted).toBe(0);
    expect(fewer.standing).toHaveLength(stood);
  });

  test('a dog that must not have what the wash lists gets another, or a person decides', async () => {
    const shop = await openSalon();
    const { dogId } = await addDog(shop, { name: 'Rook' });
    await book(shop, dogId, 10);
    await addProduct(shop, { name: 'Tea tree wash', usual: true, ingredients: ['Tea tree oil'] });
    expect((await bench(shop)).batches[0]?.product.name).toBe('Tea tree wash');
    const avoid = (ingredient: string) =>
      shop.call('POST /api/dogs/:id/instructions', {
        id: dogId,
        body: {
          id: v7(),
          by: 'owner',
          who: 'Folake Adeyemi',
          place: null,
          says: { kind: 'avoid', ingredient },
          from: '2026-11-01',
          until: null,
        },
      });
    expect((await avoid('tea tree')).status).toBe(201);
    expect((await bench(shop)).batches[0]?.product.name).toBe('Oat gentle wash');
    const oat = (await shop.call('GET /api/house')).body.products.find(({ name }) => name === 'Oat gentle wash');
    await shop.call('PUT /api/products/:id', {
      id: oat?.id ?? '',
      body: { version: 1, ...typed({ name: 'Oat gentle wash', ingredients: ['oats'] }) },
    });
    await avoid('oat');
    const stuck = await bench(shop);
    expect(stuck.batches).toEqual([]);
    expect(stuck.trouble[0]).toMatchObject({
      dog: 'Rook',
      words: expect.stringMatching(/Tea tree oil.*no other/) as string,
    });
  });
});

describe('a mix', () => {
  let salon: Salon;
  let bottleId: string;
  let washId: string;
  let vetWashId: string;
  let teasel: KeptDog;
  beforeAll(async () => {
    salon = await openSalon();
    teasel = await addDog(salon);
    bottleId = await bottleOf(salon);
    await salon.call('PUT /api/bottles/:id', {
      id: bottleId,
      body: { version: 1, name: 'Litre bottle', brim: 1080, line: 1000, graduation: 50, count: 20 },
    });
    washId = await addProduct(salon);
    vetWashId = await addProduct(salon, {
      name: 'Antiseptic',
      kind: 'medicated',
      label: '9:1',
      waterParts: '9',
      suppliedBy: 'vet',
    });
  });

  test.each([
    [() => mixBody(washId, bottleId, { productMl: 0 }), 'productMl'],
    [() => mixBody(washId, bottleId, { totalMl: 0 }), 'totalMl'],
    [() => mixBody(washId, bottleId, { productMl: 500 }), 'productMl'],
    [() => mixBody(washId, bottleId, { totalMl: 1200, productMl: 48 }), 'totalMl'],
    [() => mixBody(washId, bottleId, { waterParts: 'strong' }), 'waterParts'],
    [() => mixBody(washId, v7()), 'bottleId'],
    [() => mixBody(v7(), bottleId), 'productId'],
    [() => mixBody(vetWashId, bottleId, { waterParts: '9', productMl: 50 }), 'forDogId'],
    [() => mixBody(vetWashId, bottleId, { waterParts: '9', productMl: 60, forDogId: teasel.dogId }), 'productMl'],
  ])('bad input %# is refused at %s', async (body, path) => {
    const answer = await makeMix(salon, body());
    expect([answer.status, answer.body.error.fields?.[0]?.path]).toEqual([422, path]);
  });

  test('is written once however often it is sent, and draws the ledger once', async () => {
    await enter(salon, washId, 'delivery', 5000);
    const mix = mixBody(washId, bottleId);
    const first = await makeMix(salon, mix);
    expect((await makeMix(salon, mix)).body).toEqual(first.body);
    expect((await makeMix(salon, { ...mix, totalMl: 510 })).status).toBe(409);
    expect(await stockOf(salon, washId)).toBe(4980);
  });

  test('taken back: the ledger gets it back; once a dog had it, it was made', async () => {
    const mix = mixBody(washId, bottleId);
    await makeMix(salon, mix);
    const before = await stockOf(salon, washId);
    await salon.call('PUT /api/mixes/:id', { id: mix.id, body: { version: 1, step: 'taken back' } });
    expect(await stockOf(salon, washId)).toBe((before ?? 0) + 20);
    const kept = mixBody(washId, bottleId);
    await makeMix(salon, kept);
    await take(salon, teasel.dogId, kept.id, washId);
    const back = await salon.call('PUT /api/mixes/:id', { id: kept.id, body: { version: 1, step: 'taken back' } });
    expect([back.status, back.body.error.message]).toEqual([409, expect.stringMatching(/Teasel had some/)]);
  });

  test('past its discard time: not without a reason, medicated not at all, another dog’s never', async () => {
    const wash = mixBody(washId, bottleId);
    const own = mixBody(vetWashId, bottleId, { waterParts: '9', productMl: 50, forDogId: teasel.dogId });
    for (const mix of [wash, own]) expect((await makeMix(salon, mix)).status).toBe(201);
    const rook = await addDog(salon, { name: 'Rook' });
    const words = async (...given: Parameters<typeof take>) => (await take(...given)).body.refused[0]?.words ?? 'taken';
    expect(await words(salon, rook.dogId, own.id, vetWashId)).toMatch(/another dog’s name/);
    expect(await words(salon, teasel.dogId, own.id, vetWashId)).toBe('taken');
    clock.now = START + DAY;
    expect(await words(salon, teasel.dogId, wash.id, washId)).toMatch(/past its discard time/);
    expect(await words(salon, teasel.dogId, own.id, vetWashId, 'the vet said so')).toMatch(/discard time/);
    expect(await words(salon, rook.dogId, wash.id, washId, 'nothing else left')).toBe('taken');
    const { body } = await salon.call('GET /api/trace', { query: { of: 'mix', id: wash.id } });
    expect(body.dogs).toMatchObject([{ dog: 'Rook', phone: '01632 960114', override: 'nothing else left' }]);
  });

  test('labels: what a bottle must say, as text on a 62 mm roll', async () => {
    const plain = mixBody(washId, bottleId);
    const own = mixBody(vetWashId, bottleId, { waterParts: '9', productMl: 50, forDogId: teasel.dogId });
    for (const mix of [plain, own]) await makeMix(salon, mix);
    const { body, headers } = await request(app)
      .get(`/api/mixes/labels.pdf?ids=${plain.id},${own.id}`)
      .set('Cookie', salon.cookie)
      .buffer()
      .parse((response, done) => {
        const parts: Buffer[] = [];
        response.on('data', (part: Buffer) => parts.push(part));
        response.on('end', () => done(null, Buffer.concat(parts)));
      });
    expect(headers['content-type']).toBe('application/pdf');
    const pdf = await getDocument({ data: new Uint8Array(body as Buffer), verbosity: 0 }).promise;
    const pages = await Promise.all(
      Array.from({ length: pdf.numPages }, async (_, i) => {
        const page = await pdf.getPage(i + 1);
        const text = (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ');
        return { text, wide: page.getViewport({ scale: 1 }).width };
      }),
    );
    expect(pages).toHaveLength(2);
    for (const { wide } of pages) expect(wide).toBeCloseTo((62 / 25.4) * 72, 1);
    const medicated = pages.find(({ text }) => text.includes('Antiseptic'))?.text ?? '';
    expect(medicated).toMatch(/9:1.*ONLY FOR Teasel.*Mixed Wed 25 Nov, 09:00.*Discard by Wed 25 Nov, end of day/s);
    expect(pages.find(({ text }) => text.includes('Harbour wash'))?.text).not.toMatch(/ONLY FOR/);
    expect(pages[0]?.text).toMatch(/Keep from children/);
    const none = await request(app).get('/api/mixes/labels.pdf?ids=nonsense').set('Cookie', salon.cookie);
    expect(none.status).toBe(422);
  });
});

/** A visit in which this mix is poured over the dog; all of it is used up as measured. */
async function take(salon: Salon, dogId: string, mix: string, product: string, override: string | null = null) {
  const id = await begin(salon, dogId);
  return salon.call('POST /api/visits/:id/events', {
    id,
    body: {
      events: eventsOf([
        { type: 'opened' },
        { type: 'mix taken', mix, product, override },
        { type: 'used', product, name: 'Wash', ml: 300, planned: 300, how: 'as planned' },
      ]),
    },
  });
}

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
    expect((await bench(salon)).standing[0]).toMatchObject({ leftMl: 200, had: ['Teasel'] });
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
    const { products } = (await salon.call('GET /api/house')).body;
    const oat = products.find(({ name }) => name === 'Oat gentle wash')?.id ?? '';
    const mix = mixBody(oat, await bottleOf(salon), { productMl: 40, totalMl: 1000, strokes: 8 });
    await makeMix(salon, mix);
    const visitId = await begin(salon, dogId);
    const { body: view } = await salon.call('GET /api/visits/:id', { id: visitId });
    const happened = wholeVisit(view, [{ type: 'mix taken', mix: mix.id, product: oat, override: null }]);
    await salon.call('POST /api/visits/:id/events', { id: visitId, body: { events: eventsOf(happened) } });
    const planned = view.mixes.find(({ product }) => product.id === oat)?.mix.need ?? 0;
    expect((await bench(salon)).standing[0]?.leftMl).toBeCloseTo(1000 - planned, 6);
    expect((await salon.call('GET /api/dogs/:id', { id: dogId })).body.amounts).toEqual({ factor: 1, lessons: 0 });
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
    await rebuildProjections(databases);
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
      tx.query.stockEntry.findMany({ where: (entry, { eq: is }) => is(entry.productId, id) }),
    );
    expect(entries.map(({ number }) => number).toSorted((a, b) => a - b)).toEqual(accepted.map((_, i) => i + 1));
  }, 60_000);
});

describe('the stock ahead', () => {
  test('booked and due visits draw it down; the last day to order keeps lead time and safety stock', async () => {
    const salon = await openSalon();
    const { dogId } = await addDog(salon);
    const { products } = (await salon.call('GET /api/house')).body;
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
    const visits = Math.round(line.takes / each);
    expect(line.takes).toBeCloseTo(visits * each, 6);
    expect(visits).toBeGreaterThan(0);
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

test('each person reads in units of their own; nothing stored changes', async () => {
  const salon = await openSalon();
  const units = async () => (await salon.call('GET /api/session')).body;
  expect(await units()).toMatchObject({ units: 'metric', ownUnits: null });
  const before = (await salon.call('GET /api/house')).body.bottles;
  await salon.call('PUT /api/me', { body: { units: 'US' } });
  expect(await units()).toMatchObject({ units: 'US', ownUnits: 'US', business: { units: 'metric' } });
  expect((await salon.call('GET /api/house')).body.bottles).toEqual(before);
});
