import type { HomeBathView } from '@dewpond/contract';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { v7 } from 'uuid';
import { beforeAll, expect, test } from 'vitest';
import request from 'supertest';
import { addDog, app, clock, guest, openSalon, type Salon } from './salon';
import { addProduct } from './shelfSide';
import { visitDog } from './tableSide';

let salon: Salon;
let oats: string;
let vets: string;
beforeAll(async () => {
  salon = await openSalon();
  oats = await addProduct(salon, { name: 'Meadowsweet wash', kind: 'gentle wash', label: '24:1' });
  vets = await addProduct(salon, { name: 'Wash from the vet', kind: 'medicated', suppliedBy: 'vet' });
});
const bathOf = async (id: string): Promise<HomeBathView> =>
  (await salon.call('GET /api/dogs/:id/home-bath', { id })).body;
const agree = (id: string, version: number, agreed: object | null) =>
  request(app).put(`/api/dogs/${id}/home-bath`).set('Cookie', salon.cookie).send({ version, agreed });
const label = (id: string) =>
  request(app).get(`/api/dogs/${id}/home-bath/label.pdf`).set('Cookie', salon.cookie).responseType('blob');
const filled = () => ({ bottle: { kind: 'filled', productId: oats }, everyDays: 14 });
const homeOf = async (id: string) => (await salon.call('GET /api/dogs/:id/home', { id })).body;

test('a small bottle is agreed: in the week, on the owner’s page, with its label; taken back, all of it goes', async () => {
  const { dogId } = await addDog(salon);
  await visitDog(salon, dogId);
  const before = await bathOf(dogId);
  expect(before).toMatchObject({ agreed: null, told: null, filling: null, prescribed: null });
  expect((await label(dogId)).status).toBe(404);
  expect((await agree(dogId, before.version, filled())).status).toBe(200);
  const { told, filling, version } = await bathOf(dogId);
  expect(told).toMatchObject({ kind: 'ready', product: 'Meadowsweet wash', parts: '1 part shampoo to 24 parts water' });
  expect(filling?.ml).toBeGreaterThan(0);
  expect((await homeOf(dogId)).tasks).toContainEqual(expect.objectContaining({ task: 'bath', everyDays: 14 }));
  expect((await salon.call('GET /api/dogs/:id', { id: dogId })).body.homeCareChangedOn).toBe('2026-11-25');
  const { body: link } = await salon.call('POST /api/links', { body: { id: v7(), dogId, days: 30 } });
  const page = await request(app)
    .get('/api/owner')
    .set(guest(link.url.split('#')[1] ?? ''));
  expect((page.body as { home: { bath: unknown } }).home.bath).toEqual(told);
  const paper = await label(dogId);
  expect([paper.status, paper.headers['content-type']]).toEqual([200, 'application/pdf']);
  const pdf = await getDocument({ data: new Uint8Array(paper.body as Buffer) }).promise;
  const { items } = await (await pdf.getPage(1)).getTextContent();
  const printed = items.map((item) => ('str' in item ? item.str : '')).join(' ');
  expect(pdf.numPages).toBe(1);
  for (const words of ['Meadowsweet wash', 'ONLY FOR', 'Never use it unmixed', 'Throw the rest away', '24 parts water'])
    expect(printed).toContain(words);
  expect((await agree(dogId, version, null)).status).toBe(200);
  expect((await homeOf(dogId)).tasks.map(({ task }) => task)).not.toContain('bath');
});

test('what cannot be mixed, is medicated, or was changed meanwhile is refused in words', async () => {
  const { dogId } = await addDog(salon);
  const { version } = await bathOf(dogId);
  const own = (text: string) => ({
    bottle: { kind: 'own', name: 'Meadow dog wash', label: text, said: null },
    everyDays: 14,
  });
  for (const [bad, path] of [
    [{ ...filled(), everyDays: 1 }, 'agreed.everyDays'],
    [{ bottle: { kind: 'filled', productId: vets }, everyDays: 14 }, 'agreed.bottle'],
    [{ bottle: { kind: 'filled', productId: v7() }, everyDays: 14 }, 'agreed.bottle'],
    [{ bottle: { kind: 'prescribed' }, everyDays: 14 }, 'agreed.bottle'],
    [own('smells of oats'), 'agreed.bottle.label'],
    [own(''), 'agreed.bottle.label'],
  ] as const) {
    const { status, body } = await agree(dogId, version, bad);
    const { error } = body as { error: { fields: { path: string; message: string }[] } };
    expect([status, error.fields[0]?.path]).toEqual([422, path]);
    expect(error.fields[0]?.message).toMatch(/\w/);
  }
  expect((await agree(dogId, version, own('10:1'))).status).toBe(200);
  expect((await agree(dogId, version, filled())).status).toBe(409);
  expect((await bathOf(dogId)).told).toMatchObject({ product: 'Meadow dog wash' });
  // Nothing is filled where the owner has a bottle.
  expect((await label(dogId)).status).toBe(404);
});

test('a vet’s wash takes the place of what was agreed, with its time; a vet’s no ends baths at home', async () => {
  const { dogId } = await addDog(salon);
  const { version } = await bathOf(dogId);
  expect((await agree(dogId, version, filled())).status).toBe(200);
  const tell = (says: object) =>
    request(app)
      .post(`/api/dogs/${dogId}/instructions`)
      .set('Cookie', salon.cookie)
      .send({ id: v7(), by: 'vet', who: 'Dr Oyelaran', place: null, from: '2026-11-01', until: null, says });
  await tell({ kind: 'bath product', productId: vets, contactMinutes: 10, nothingElse: true });
  expect(await bathOf(dogId)).toMatchObject({
    told: { kind: 'ready', product: 'Wash from the vet', contactMinutes: 10, nothingElse: true },
    prescribed: 'Dr Oyelaran',
    filling: null,
  });
  expect((await label(dogId)).status).toBe(404);
  await tell({ kind: 'bar', task: 'bath' });
  expect((await bathOf(dogId)).told).toMatchObject({ kind: 'not now' });
  expect((await homeOf(dogId)).tasks.map(({ task }) => task)).not.toContain('bath');
});

test('what is kept again as it was is no change of home care: the rhythm goes on learning', async () => {
  const { dogId } = await addDog(salon);
  const changedOn = async () => (await salon.call('GET /api/dogs/:id', { id: dogId })).body.homeCareChangedOn;
  expect((await agree(dogId, (await bathOf(dogId)).version, null)).status).toBe(200);
  expect(await changedOn()).toBeNull();
  expect((await agree(dogId, (await bathOf(dogId)).version, filled())).status).toBe(200);
  const on = await changedOn();
  expect(on).not.toBeNull();
  clock.now += 86_400_000;
  expect((await agree(dogId, (await bathOf(dogId)).version, filled())).status).toBe(200);
  expect(await changedOn()).toBe(on);
  clock.now -= 86_400_000;
});

test('another business’s dog has no bath here', async () => {
  const { dogId } = await addDog(salon);
  const stranger = await openSalon();
  expect((await stranger.call('GET /api/dogs/:id/home-bath', { id: dogId })).status).toBe(404);
  const its = request(app).get(`/api/dogs/${dogId}/home-bath/label.pdf`).set('Cookie', stranger.cookie);
  expect((await its).status).toBe(404);
});
