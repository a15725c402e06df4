import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import {
  DAY,
  START,
  addProduct,
  mixing,
  book,
  bottleOf,
  enter,
  makeMix,
  mixBody,
  stockOf,
  take,
  typed,
} from './shelfSide';
import { addDog, app, clock, openSalon, type KeptDog, type Salon } from './salon';

beforeEach(() => {
  clock.now = START;
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
    const before = await mixing(salon);
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
    const after = await mixing(salon);
    expect(after.batches[0]?.wanted).toBe(0);
    expect(after.openMixes).toHaveLength(batch.bottles.length);
    const [mix] = after.openMixes;
    await salon.call('PUT /api/mixes/:id', { id: mix?.id ?? '', body: { version: 1, step: 'watered' } });
    expect((await mixing(salon)).openMixes[0]?.wateredAt).toBe(new Date(clock.now).toISOString());
  });

  test('a dog added late: only what is missing; a dog cancelled: nothing is thrown away', async () => {
    const stood = (await mixing(salon)).openMixes.length;
    const wren = await addDog(salon, { name: 'Wren', weightKg: 30 });
    await book(salon, wren.dogId, 13);
    const more = await mixing(salon);
    expect(more.batches[0]?.wanted).toBeGreaterThan(0);
    const { items } = (await salon.call('GET /api/appointments', { query: { from: '2026-11-25', to: '2026-11-25' } }))
      .body;
    const its = items.find((each) => each.dogId === wren.dogId);
    if (!its) throw new Error('not booked');
    await salon.call('PUT /api/appointments/:id', { id: its.id, body: { change: 'cancel', version: its.version } });
    const fewer = await mixing(salon);
    expect(fewer.batches[0]?.wanted).toBe(0);
    expect(fewer.openMixes).toHaveLength(stood);
  });

  test('a dog that must not have what the wash lists gets another, or a person decides', async () => {
    const shop = await openSalon();
    const { dogId } = await addDog(shop, { name: 'Rook' });
    await book(shop, dogId, 10);
    await addProduct(shop, { name: 'Tea tree wash', usual: true, ingredients: ['Tea tree oil'] });
    expect((await mixing(shop)).batches[0]?.product.name).toBe('Tea tree wash');
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
    expect((await mixing(shop)).batches[0]?.product.name).toBe('Oat gentle wash');
    const oat = (await shop.call('GET /api/business')).body.products.find(({ name }) => name === 'Oat gentle wash');
    await shop.call('PUT /api/products/:id', {
      id: oat?.id ?? '',
      body: { version: 1, ...typed({ name: 'Oat gentle wash', ingredients: ['oats'] }) },
    });
    await avoid('oat');
    const stuck = await mixing(shop);
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
