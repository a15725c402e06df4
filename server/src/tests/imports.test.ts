import { beforeAll, describe, expect, test } from 'vitest';
import request from 'supertest';
import sharp from 'sharp';
import { v7 } from 'uuid';
import { SHIPPED } from '@dewpond/core/catalogue';
import { gather, matchBook, readCsv, readRows, readVcards, suggestMapping } from '@dewpond/core/importing';
import { day } from '@dewpond/core/units';
import { runImport } from '../features/imports/runImport';
import { addDog, app, openSalon, services, type Salon } from './salon';

let salon: Salon;
beforeAll(async () => {
  salon = await openSalon();
});

/** A file on its way into the book, as the browser sends it. */
function rowsOf(text: string) {
  const read = readCsv(text);
  if (read.kind === 'refused') throw new Error(read.words);
  const options = { catalogue: SHIPPED, weightUnit: 'kg', dayOrder: 'day first', today: day('2026-11-25') } as const;
  const rows = matchBook(readRows(read.table, suggestMapping(read.table.headings), options), []);
  return gather(rows).map(({ line, client, dogs }) => ({
    line,
    client: client.kind === 'new' ? { ...client, id: v7() } : client,
    dogs: dogs.map(({ marks, ...profile }) => ({ id: v7(), profile: { ...profile, handling: { marks } } })),
  }));
}
const FILE =
  'Owner,Phone,Dog,Breed,Weight,To mind\nWen Halloran,01632 960168,Plover,Whippet,12.1,Own towel; Treats\nWen Halloran,01632 960168,Otter,Border Collie,17,\nTove Lind,01632 960184,Bramble,Pug,7.4,\n';

const post = (rows: object[], of = salon, id = v7()) =>
  of.call('POST /api/imports', { body: { id, fileName: 'book.csv', rows } }).then((answer) => ({ id, ...answer }));
const viewOf = async (id: string, of = salon) => (await of.call('GET /api/imports/:id', { id })).body;
const step = (id: string, what: 'cancel' | 'undo', of = salon) =>
  of.call('PUT /api/imports/:id', { id, body: { step: what } });
const namesOf = async (of = salon) => (await of.call('GET /api/dogs')).body.items.map((dog) => dog.name);

describe('an import', () => {
  test('writes owners once with all their dogs, and is undone whole', async () => {
    const { id, status } = await post(rowsOf(FILE));
    expect(status).toBe(201);
    expect(await viewOf(id)).toMatchObject({ state: 'waiting', total: 2 });
    await runImport(services, salon.businessId, id);
    expect(await viewOf(id)).toMatchObject({ state: 'done', done: 2, report: { clients: 2, dogs: 3 } });
    expect(await namesOf()).toEqual(['Bramble', 'Otter', 'Plover']);
    const plover = (await salon.call('GET /api/dogs')).body.items.find(({ name }) => name === 'Plover');
    expect(plover).toMatchObject({ owner: 'Wen Halloran', handling: ['Own towel', 'Treats'] });
    await runImport(services, salon.businessId, id);
    expect(await namesOf()).toHaveLength(3);
    expect((await step(id, 'undo')).body.state).toBe('undone');
    expect(await namesOf()).toEqual([]);
    expect((await salon.call('GET /api/clients')).body.items).toEqual([]);
    expect((await step(id, 'undo')).status).toBe(200);
  });

  test('is not undone once a dog of it was booked: the record stays', async () => {
    const own = await openSalon();
    const { id } = await post(rowsOf(FILE), own);
    await runImport(services, own.businessId, id);
    const [dog] = (await own.call('GET /api/dogs')).body.items;
    const startsAt = '2026-12-20T09:00:00Z';
    const booking = { id: v7(), dogId: dog?.id, kind: 'full visit', memberId: own.memberId, startsAt, minutes: 60 };
    await own.call('POST /api/appointments', { body: booking });
    const refused = await step(id, 'undo', own);
    expect([refused.status, refused.body.error.message]).toEqual([409, expect.stringContaining('Bramble')]);
    expect(await namesOf(own)).toHaveLength(3);
  });

  test.each<[string, (rows: ReturnType<typeof rowsOf>) => void, RegExp]>([
    [
      'a breed nobody has',
      (rows) => rows.at(-1)?.dogs.forEach(({ profile }) => Object.assign(profile, { breeds: ['no-such-breed'] })),
      /Row 4: no such breed/,
    ],
    [
      'an owner who is gone',
      (rows) => Object.assign(rows.at(-1) ?? {}, { client: { kind: 'known', id: v7() } }),
      /Row 4: that owner is not in the book/,
    ],
    [
      'one chip for two dogs',
      (rows) =>
        rows.forEach(({ dogs }) => dogs.forEach(({ profile }) => Object.assign(profile, { chip: '999000000000077' }))),
      /chip/,
    ],
  ])('with %s in its last row imports nothing, and says which', async (_, spoil, words) => {
    const own = await openSalon();
    const rows = rowsOf(FILE);
    spoil(rows);
    const { id } = await post(rows, own);
    await runImport(services, own.businessId, id);
    const view = await viewOf(id, own);
    expect([view.state, view.report?.words]).toEqual(['failed', expect.stringMatching(words)]);
    expect(await namesOf(own)).toEqual([]);
  });

  test('cancelled before it begins never begins; only a manager imports', async () => {
    const own = await openSalon();
    const { id } = await post(rowsOf(FILE), own);
    await step(id, 'cancel', own);
    await runImport(services, own.businessId, id);
    expect((await viewOf(id, own)).state).toBe('cancelled');
    expect(await namesOf(own)).toEqual([]);
    const bather = await openSalon('bather');
    expect((await post(rowsOf(FILE), bather)).status).toBe(403);
    expect((await (await openSalon()).call('GET /api/imports/:id', { id })).status).toBe(404);
  });

  test('cancelled while it runs takes everything back, and its progress was seen meanwhile', async () => {
    const own = await openSalon();
    const many = `Owner,Phone,Dog,Breed,Weight\n${Array.from({ length: 2500 }, (_, i) => `Owner ${i},0163296${1000 + i},Dog ${i},Pug,8`).join('\n')}\n`;
    const { id, status } = await post(rowsOf(many), own);
    expect(status).toBe(201);
    const running = runImport(services, own.businessId, id);
    let seen = 0;
    while (seen === 0) seen = (await viewOf(id, own)).done;
    await step(id, 'cancel', own);
    await running;
    expect(seen).toBeGreaterThan(0);
    expect(await viewOf(id, own)).toMatchObject({
      state: 'cancelled',
      report: { words: 'Cancelled. Nothing was imported.' },
    });
    expect(await namesOf(own)).toEqual([]);
  }, 30_000);

  test('the same import sent twice is one; with other rows it is refused', async () => {
    const own = await openSalon();
    const rows = rowsOf(FILE);
    const { id } = await post(rows, own);
    expect((await post(rows, own, id)).status).toBe(201);
    expect((await post(rows.slice(1), own, id)).status).toBe(409);
    expect((await post([], own)).status).toBe(422);
  });
});

describe('an export', () => {
  const get = (file: string, of: Salon) => request(app).get(`/api/export/${file}`).set('Cookie', of.cookie);

  test('of dogs is read back as it was, without a formula in it', async () => {
    const own = await openSalon();
    await addDog(own, { name: '=Teasel', breeds: ['lagotto', 'poodle-miniature'], note: 'line one\nline "two"' });
    const { text, headers } = await get('dogs.csv', own);
    expect(headers['content-type']).toContain('text/csv');
    expect(text).toContain("'=Teasel");
    const [row] = rowsOf(text.slice(1));
    expect(row?.client).toMatchObject({ name: 'Folake Adeyemi' });
    expect(row?.dogs[0]?.profile).toMatchObject({
      name: '=Teasel',
      breeds: ['lagotto', 'poodle-miniature'],
      weightKg: 14.2,
      note: 'line one\nline "two"',
    });
  });

  test('of people is vCards; every file is there; what is not a file is not found; of another house there is nothing', async () => {
    const own = await openSalon();
    await addDog(own);
    const { text } = await get('clients.vcf', own);
    const read = readVcards(text);
    expect(read.kind === 'rows' && read.rows.map(({ owner }) => owner.name)).toEqual(['Folake Adeyemi']);
    for (const file of ['visits.csv', 'findings.csv', 'bookings.csv', 'instructions.csv', 'weights.csv'])
      expect((await get(file, own)).status).toBe(200);
    expect((await get('toString', own)).status).toBe(404);
    expect((await get('clients.vcf', await openSalon())).text.trim()).toBe('');
    expect((await request(app).get('/api/export/dogs.csv')).status).toBe(401);
  });
});

describe('a letter behind an instruction', () => {
  const put = (id: string, body: Buffer, type: string, of = salon) =>
    request(app)
      .put(`/api/instructions/${id}/letter`)
      .set('Cookie', of.cookie)
      .set('Content-Type', type)
      .set('X-File-Name', encodeURIComponent('../Brief Dr. Söhne.png'))
      .send(body);
  const instructed = async () => {
    const { dogId } = await addDog(salon);
    const id = v7();
    const body = {
      id,
      by: 'vet',
      who: 'Dr Oyelaran',
      place: null,
      says: { kind: 'bar', task: 'bath' },
      from: '2026-11-20',
      until: null,
    };
    await salon.call('POST /api/dogs/:id/instructions', { id: dogId, body });
    return { id, dogId };
  };
  const picture = () =>
    sharp({ create: { width: 3000, height: 900, channels: 3, background: '#88aacc' } })
      .withExif({ IFD0: { Copyright: 'someone', Make: 'a telephone' } })
      .png()
      .toBuffer();

  test('is drawn anew, smaller and without what a telephone writes into it', async () => {
    const { id, dogId } = await instructed();
    expect((await put(id, await picture(), 'image/png')).status).toBe(200);
    const kept = await request(app).get(`/api/instructions/${id}/letter`).set('Cookie', salon.cookie);
    const { format, width, exif } = await sharp(kept.body as Buffer).metadata();
    expect([format, width, exif]).toEqual(['jpeg', 2400, undefined]);
    const [instruction] = (await salon.call('GET /api/dogs/:id', { id: dogId })).body.instructions;
    expect(instruction?.letter).toMatchObject({
      fileName: '.. Brief Dr. Söhne.png',
      mediaType: 'image/jpeg',
      addedBy: 'Ines',
    });
    await request(app).delete(`/api/instructions/${id}/letter`).set('Cookie', salon.cookie);
    expect((await request(app).get(`/api/instructions/${id}/letter`).set('Cookie', salon.cookie)).status).toBe(404);
  });

  test('that is no picture is refused; nobody else sees one', async () => {
    const { id } = await instructed();
    expect((await put(id, Buffer.from('MZ not a picture'), 'image/png')).status).toBe(422);
    expect((await put(id, Buffer.from('<script>'), 'application/pdf')).status).toBe(422);
    expect((await put(id, Buffer.from('hello'), 'text/html')).status).toBe(422);
    expect((await put(id, Buffer.alloc(13 * 1024 * 1024), 'image/png')).status).toBe(413);
    expect((await put(id, Buffer.from('%PDF-1.7 …'), 'application/pdf')).status).toBe(200);
    const other = await openSalon();
    expect((await request(app).get(`/api/instructions/${id}/letter`).set('Cookie', other.cookie)).status).toBe(404);
    expect((await put(id, await picture(), 'image/png', other)).status).toBe(404);
  });
});

describe('breeds of the business', () => {
  const pug = SHIPPED.find('pug');
  const edit = (more: object = {}) => ({
    version: 0,
    breed: { ...pug, ...more, parents: undefined, earOdds: undefined, why: 'ours' },
  });

  test('an adjusted breed changes the plans of its dogs, and back again', async () => {
    const own = await openSalon();
    const { dogId } = await addDog(own, { breeds: ['pug'] });
    const muzzle = async () => (await own.call('GET /api/dogs/:id', { id: dogId })).body.facts.traits.muzzle;
    expect(await muzzle()).toBe('flat');
    const body = edit({ traits: { ...pug?.traits, muzzle: 'short' } });
    expect((await own.call('PUT /api/breeds', { body })).body.version).toBe(1);
    expect(await muzzle()).toBe('short');
    expect((await own.call('PUT /api/breeds', { body })).status).toBe(409);
    await own.call('POST /api/breeds/reset', { body: { id: 'pug' } });
    expect(await muzzle()).toBe('flat');
  });

  test('an added breed may be a dog’s; while it is, it cannot be taken off', async () => {
    const own = await openSalon();
    const body = edit({ id: 'own-quay-dog', name: 'Quay dog' });
    expect((await own.call('PUT /api/breeds', { body })).status).toBe(200);
    expect((await own.call('PUT /api/breeds', { body: edit({ id: 'own-pug', name: 'PUG' }) })).status).toBe(422);
    await addDog(own, { breeds: ['own-quay-dog'] });
    const { status, body: told } = await own.call('POST /api/breeds/reset', { body: { id: 'own-quay-dog' } });
    expect([status, told.error.message]).toEqual([409, expect.stringContaining('Teasel is of that breed')]);
    const bather = await openSalon('bather');
    expect((await bather.call('PUT /api/breeds', { body })).status).toBe(403);
  });

  test.each<[string, object]>([
    ['lighter than it is heavy', { weightKg: [12, 5] }],
    ['without a name', { name: ' ' }],
    ['with a coat of feathers', { traits: { ...pug?.traits, coat: 'feathers' } }],
  ])('one %s is refused', async (_, more) => {
    expect((await salon.call('PUT /api/breeds', { body: edit(more) })).status).toBe(422);
  });
});
