import { v7 } from 'uuid';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { START, addProduct, mixing, book, bottleOf, makeMix, mixBody, typed } from './shelfSide';
import { addDog, clock, openSalon, type Salon } from './salon';

beforeEach(() => {
  clock.now = START;
});

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
    const { body } = await salon.call('GET /api/business');
    expect(body.products.find((each) => each.id === id)).toMatchObject({
      strength: '32:1',
      range: { strongest: '10', weakest: '32' },
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
    [{ label: '2:100', waterParts: null }, 'waterParts', /ready to use/],
    [{ label: '2:100', waterParts: '1/50' }, 'waterParts', /cannot mean that/],
    [{ waterParts: '32' }, 'waterParts', /cannot mean that/],
    [{ waterParts: '0' }, 'waterParts', /More than 0/],
    [{ waterParts: null }, 'waterParts', /ready to use/],
    [{ label: 'ready to use' }, 'waterParts', /never diluted/],
    [{ label: '10:1 to 32:1', waterParts: '40' }, 'waterParts', /cannot mean that/],
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
    const exact = await addProduct(salon, { name: 'Exact', kind: 'medicated', label: '2 %', waterParts: '5/4' });
    const { products } = (await salon.call('GET /api/business')).body;
    expect(products.find(({ id }) => id === exact)).toMatchObject({ waterParts: '5/4', range: null });
    const range = await addProduct(salon, {
      name: 'Either range',
      label: '1:10 to 1:32',
      waterParts: '24',
      range: { strongest: '9', weakest: '31' },
    });
    const after = (await salon.call('GET /api/business')).body.products;
    expect(after.find(({ id }) => id === range)?.range).toEqual({ strongest: '9', weakest: '31' });
    for (const waterParts of ['50', '49'])
      await addProduct(salon, { name: `Either ${waterParts}`, label: '1:50', waterParts });
    await addProduct(salon, { name: 'Strong stuff', kind: 'medicated', label: '2 %', waterParts: '9' });
  });

  test('of a kind one is the usual one', async () => {
    const first = await addProduct(salon, { name: 'Usual A', usual: true });
    const second = await addProduct(salon, { name: 'Usual B', usual: true });
    const { products } = (await salon.call('GET /api/business')).body;
    expect(products[0]?.id).toBe(second);
    expect(products.find((each) => each.id === first)?.usual).toBe(false);
  });

  test('edits carry a version; one that a vet prescribed is not archived', async () => {
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

  test('archived while a bottle of it stands: the mix stays, with its name, and it can be brought back', async () => {
    const id = await addProduct(salon, { name: 'Going wash' });
    const mix = mixBody(id, await bottleOf(salon));
    expect((await makeMix(salon, mix)).status).toBe(201);
    await salon.call('PUT /api/products/:id/shelf', { id, body: { version: 1, archived: true } });
    expect((await mixing(salon)).openMixes.find((each) => each.id === mix.id)?.product.name).toBe('Going wash');
    const { body } = await salon.call('GET /api/business');
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
    const pump = async () => (await salon.call('GET /api/business')).body.pumps.find((each) => each.id === id);
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
    expect((await mixing(salon)).batches[0]?.bottles[0]).toMatchObject({ by: 'millilitres', strokes: null });
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

  test('a bottle that holds a mix is not archived, nor made fewer than its number', async () => {
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

test('each person reads in units of their own; nothing stored changes', async () => {
  const salon = await openSalon();
  const units = async () => (await salon.call('GET /api/session')).body;
  expect(await units()).toMatchObject({ units: 'metric', ownUnits: null });
  const before = (await salon.call('GET /api/business')).body.bottles;
  await salon.call('PUT /api/me', { body: { units: 'US' } });
  expect(await units()).toMatchObject({ units: 'US', ownUnits: 'US', business: { units: 'metric' } });
  expect((await salon.call('GET /api/business')).body.bottles).toEqual(before);
});
