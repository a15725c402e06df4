import { mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import { eq } from 'drizzle-orm';
import ICAL from 'ical.js';
import pg from 'pg';
import sharp from 'sharp';
import request from 'supertest';
import { v7 } from 'uuid';
import { afterAll, beforeAll, expect, test } from 'vitest';
import yauzl from 'yauzl';
import yazl from 'yazl';
import { makeApp } from '../app';
import { moveIn } from '../commands/moveIn';
import { makeAuth } from '../platform/auth/auth';
import { connect, connectionString, type Databases } from '../platform/db/connect';
import { migrateDatabase } from '../platform/db/migrate';
import { organization } from '../platform/db/authSchema';
import { message } from '../platform/db/schema';
import { inTenant, type Tenant } from '../platform/db/tenant';
import { NoHouse } from '../records/house/readHouse';
import { STAYS_BEHIND, bytesOf, linesOf, tablesOfHouse } from '../records/house/tables';
import { heldToContract } from './held';
import { musty, reachable, sendFromHome, write } from './owner';
import {
  PASSWORD,
  addDog,
  addMember,
  app,
  clock,
  config,
  databases,
  log,
  openSalon,
  services,
  type Salon,
} from './salon';
import { book, bottleOf, enter, makeMix, mixBody } from './shelfSide';
import { visitDog } from './tableSide';

/** Another installation: a database and a key of its own. */
const there = {
  ...config,
  DATABASE_NAME: `${config.DATABASE_NAME}_moved`,
  AUTH_SECRET: 'the-key-of-another-installation-altogether',
};
const site = { ...services.site, key: there.AUTH_SECRET };
const folder = mkdtempSync(join(tmpdir(), 'moving-'));
let moved: Databases;
let salon: Salon;
let story: { readonly dogId: string; readonly clientId: string; readonly visitId: string; readonly photo: string };

async function asOwner(work: (owner: pg.Client) => Promise<unknown>): Promise<void> {
  const owner = new pg.Client({
    connectionString: connectionString({ ...config, DATABASE_NAME: 'postgres' }, 'owner'),
  });
  await owner.connect();
  await work(owner).finally(() => owner.end());
}

beforeAll(async () => {
  await asOwner(async (owner) => {
    await owner.query(`drop database if exists ${there.DATABASE_NAME}`);
    await owner.query(`create database ${there.DATABASE_NAME}`);
  });
  await migrateDatabase(there);
  moved = connect(there);
  salon = await openSalon();
  story = await storied(salon);
}, 120_000);
afterAll(async () => {
  await Promise.all(moved.pools.map((pool) => pool.end()));
  await asOwner((owner) => owner.query(`drop database ${there.DATABASE_NAME} with (force)`));
  rmSync(folder, { recursive: true, force: true });
});

/** A house to which something of every kind has happened. */
async function storied(own: Salon) {
  const { dogId, clientId } = await reachable(own);
  const visitId = await visitDog(own, dogId, [musty()]);
  const photo = v7();
  const jpeg = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#225588' } })
    .jpeg()
    .toBuffer();
  const put = await request(app)
    .put(`/api/visits/${visitId}/photos/${photo}`)
    .set('Cookie', own.cookie)
    .type('image/jpeg')
    .send(jpeg);
  expect(put.status).toBeLessThan(300);
  const instruction = v7();
  const says = { kind: 'bar', task: 'ear cleaning' };
  const place = { site: 'ear', side: 'left' };
  await own.call('POST /api/dogs/:id/instructions', {
    id: dogId,
    body: { id: instruction, by: 'vet', who: 'Dr Oyelaran', place, says, from: '2026-11-25', until: null },
  });
  await request(app)
    .put(`/api/instructions/${instruction}/letter`)
    .set('Cookie', own.cookie)
    .type('image/jpeg')
    .send(jpeg);
  await sendFromHome(own, dogId);
  await write(own, dogId);
  await own.call('PUT /api/me/calendar', { body: { open: true } });
  await enter(own, own.productId, 'delivered', 5000);
  await makeMix(own, mixBody(own.productId, await bottleOf(own)));
  await addMember(own, { name: 'Tomasz', role: 'groomer' });
  await addMember(own, { name: 'Bilal', role: 'bather', leftAt: new Date(clock.now) });
  const booked = await book(own, dogId, 15, { note: 'Öl für die Pfoten' });
  expect(booked.status).toBe(201);
  const van = v7();
  await own.call('POST /api/branches', { body: { id: van, name: 'Coracle', kind: 'van' } });
  await own.call('PUT /api/dogs/:id/branch', { id: dogId, body: { branchId: van } });
  const other = await addDog(own, { name: 'Quill' });
  await own.call('PUT /api/clients/:id', {
    id: other.clientId,
    body: { version: 1, name: 'Anneke Brandt', card: { phones: [{ number: '01632 960777' }] } },
  });
  return { dogId, clientId, visitId, photo };
}

async function download(path: string, by = salon): Promise<Buffer> {
  const { status, body } = await request(app).get(path).set('Cookie', by.cookie).responseType('blob');
  expect(status).toBe(200);
  return body as Buffer;
}
async function houseFile(name: string, by = salon): Promise<string> {
  const file = join(folder, name);
  writeFileSync(file, await download('/api/house/all.zip', by));
  return file;
}
async function contentOf(zip: Buffer): Promise<Map<string, Buffer>> {
  const files = new Map<string, Buffer>();
  const opened = await yauzl.fromBufferPromise(zip, { lazyEntries: true });
  for await (const entry of opened.eachEntry())
    files.set(entry.fileName, await buffer(await opened.openReadStreamPromise(entry)));
  return files;
}

/** All rows and bytes of a business, by table. */
const everything = (from: Databases, own: Salon) =>
  inTenant(from, own.businessId, async (tx: Tenant) => {
    const all = new Map<string, string>();
    for (const table of await tablesOfHouse(tx)) {
      let text = '';
      for await (const lines of linesOf(tx, table)) text += lines;
      for await (const [path, bytes] of bytesOf(tx, table)) text += `${path} ${bytes.toString('base64')}\n`;
      all.set(table.name, text);
    }
    return all;
  });
const rowsIn = (text = '') =>
  text
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, unknown>);

test('a house moves: every row and picture is there, people choose a password, and the screens say the same', async () => {
  const before = await everything(databases, salon);
  const filled = [...before].filter(([, text]) => text !== '').map(([name]) => name);
  expect(filled).toEqual(
    expect.arrayContaining(['visit_event', 'photo', 'home_photo', 'letter', 'message', 'stock_entry', 'made_mix']),
  );
  const { rows, links, name } = await moveIn(moved, site, await houseFile('house.zip'), clock.now);
  // The log has one line more by now: that the business was taken out.
  expect(rows).toBe(
    [...before.values()]
      .join('')
      .split('\n')
      .filter((line) => line.startsWith('{')).length + 1,
  );
  expect(name).toBe('A salon');
  // Nobody who left is asked for a password.
  expect(links.map((each) => each.name).toSorted()).toEqual(['Ines', 'Tomasz']);

  const after = await everything(moved, salon);
  expect([...after.keys()]).toEqual([...before.keys()]);
  // What hangs on the key of an installation is made anew; nothing else differs by a byte.
  const renewed: Readonly<Record<string, readonly string[]>> = {
    owner_link: ['secret_hash', 'calendar_hash'],
    member: ['feed_hash'],
    message: ['state', 'last_word', 'next_try_at'],
  };
  for (const [table, text] of before) {
    if (table === 'audit' || table === 'invitation') continue;
    const but = renewed[table];
    if (!but) {
      expect([table, after.get(table)]).toEqual([table, text]);
      continue;
    }
    const without = (row: Record<string, unknown>) => ({
      ...row,
      ...Object.fromEntries(but.map((column) => [column, null])),
    });
    expect(rowsIn(after.get(table)).map(without)).toEqual(rowsIn(text).map(without));
    expect(after.get(table)).not.toBe(text);
  }
  expect(after.get('audit')?.startsWith(before.get('audit') ?? '?')).toBe(true);
  // Whose mail waited: the old installation may have sent it.
  const waiting = await inTenant(moved, salon.businessId, (tx) => tx.select({ state: message.state }).from(message));
  expect(waiting).toEqual([{ state: 'unsure' }]);

  const newAuth = makeAuth(there, moved);
  const house = heldToContract(makeApp(there, { ...services, databases: moved, site }, log, newAuth));
  const email = `${salon.businessId}@example.test`;
  const signIn = (password: string) =>
    request(house).post('/api/auth/sign-in/email').set('Origin', there.PUBLIC_URL).send({ email, password });
  expect((await signIn(PASSWORD)).status).toBe(401);
  const token = links.find((each) => each.name === 'Ines')?.url.split('#')[1] ?? '';
  const chosen = 'heron-lantern-ladder-47';
  const joined = await request(house).post('/api/join').send({ token, name: 'Ines', email, password: chosen });
  expect([joined.status, joined.body]).toMatchObject([201, {}]);
  const signedIn = await signIn(chosen);
  const cookie = (signedIn.headers['set-cookie'] as unknown as string[]).map((each) => each.split(';')[0]).join('; ');
  for (const path of [
    '/api/dogs',
    `/api/dogs/${story.dogId}`,
    `/api/dogs/${story.dogId}/history`,
    `/api/clients/${story.clientId}`,
    `/api/visits/${story.visitId}/sheet`,
    '/api/stock',
    '/api/mixing',
    '/api/business',
    '/api/today',
    '/api/watch',
  ]) {
    const [one, other] = await Promise.all([
      request(app).get(path).set('Cookie', salon.cookie),
      request(house).get(path).set('Cookie', cookie),
    ]);
    const told = JSON.parse(JSON.stringify(one.body).replace('e-mail, waiting', 'e-mail, unsure')) as object;
    expect([path, one.status, other.status, other.body]).toEqual([path, 200, 200, told]);
  }
  const picture = await request(house).get(`/api/photos/${story.photo}`).set('Cookie', cookie).responseType('blob');
  expect(picture.body).toEqual(await download(`/api/photos/${story.photo}`));

  const again = await contentOf(
    (await request(house).get('/api/house/all.zip').set('Cookie', cookie).responseType('blob')).body as Buffer,
  );
  const first = await contentOf(readFileSync(join(folder, 'house.zip')));
  expect([...again.keys()]).toEqual([...first.keys()]);
  for (const list of ['lists/dogs.csv', 'lists/visits.csv', 'lists/clients.vcf', 'lists/stock.csv', 'bookings.ics'])
    expect([list, again.get(list)?.toString()]).toEqual([list, first.get(list)?.toString()]);
}, 60_000);

test('the file is open: spreadsheets, cards, a calendar others read, and no secret that opens anything', async () => {
  const files = await contentOf(readFileSync(await houseFile('open.zip')));
  const calendar = new ICAL.Component(ICAL.parse(files.get('bookings.ics')?.toString() ?? '') as unknown[]);
  expect(calendar.getAllSubcomponents('vevent').map((each) => each.getFirstPropertyValue('summary'))).toEqual([
    expect.stringContaining('Teasel (Folake Adeyemi)'),
  ]);
  expect(files.get('lists/bookings.csv')?.toString()).toContain('Öl für die Pfoten');
  expect(files.get('lists/messages.csv')?.toString()).toContain('Teasel will be ready around 15:30.');
  expect((await sharp(files.get(`bytes/photo/${story.photo}`)).metadata()).format).toBe('jpeg');
  for (const table of Object.keys(STAYS_BEHIND)) expect([...files.keys()].join(' ')).not.toContain(table);
  const all = [...files.values()].map((each) => each.toString('latin1')).join('');
  for (const secret of [PASSWORD, config.AUTH_SECRET, 'scrypt']) expect(all).not.toContain(secret);
});

test('a house that is here already, or whose people are, is left alone and told', async () => {
  const file = await houseFile('twice.zip');
  await expect(moveIn(moved, site, file, clock.now)).rejects.toThrow(/A salon is here already/);
  const elsewhere = await changed(file, 'elsewhere.zip', manifestWith({ business: { id: v7(), name: 'Another' } }));
  await expect(moveIn(moved, site, elsewhere, clock.now)).rejects.toThrow(/has an account here already/);
});

/** The same zip with some files otherwise. */
async function changed(
  file: string,
  name: string,
  change: (path: string, content: Buffer) => Buffer | null,
): Promise<string> {
  const zip = new yazl.ZipFile();
  for (const [path, content] of await contentOf(readFileSync(file))) {
    const as = change(path, content);
    if (as) zip.addBuffer(as, path);
  }
  zip.end();
  const to = join(folder, name);
  writeFileSync(to, await buffer(zip.outputStream));
  return to;
}
const manifestWith = (more: object) => (path: string, content: Buffer) =>
  path === 'manifest.json'
    ? Buffer.from(JSON.stringify({ ...(JSON.parse(content.toString()) as object), ...more }))
    : content;

test('what is no whole house is told in words, and nothing of it stays', async () => {
  const own = await openSalon();
  await storied(own);
  const file = await houseFile('whole.zip', own);
  const cut = join(folder, 'cut.zip');
  writeFileSync(cut, readFileSync(file));
  truncateSync(cut, readFileSync(file).length - 4000);
  const wrong: readonly (readonly [string, string, RegExp])[] = [
    ['cut short', cut, /no zip, or no whole one/],
    ['no file', join(folder, 'none.zip'), /There is no/],
    [
      'a backup',
      await changed(file, 'other.zip', (path, content) => (path === 'manifest.json' ? null : content)),
      /holds no business/,
    ],
    [
      'a changed row',
      await changed(file, 'row.zip', (path, content) =>
        path === 'tables/client.jsonl' ? Buffer.from(content.toString().replace('Folake', 'Nobody')) : content,
      ),
      /client.jsonl: .*changed/,
    ],
    [
      'a changed picture',
      await changed(file, 'picture.zip', (path, content) =>
        path.startsWith('bytes/photo/') ? Buffer.from('x') : content,
      ),
      /bytes\/photo.*changed/,
    ],
    [
      'a picture taken out',
      await changed(file, 'gone.zip', (path, content) => (path.startsWith('bytes/photo/') ? null : content)),
      /bytes\/photo.*cut short/,
    ],
    [
      'a table taken out',
      await changed(file, 'table.zip', (path, content) => (path === 'tables/visit_event.jsonl' ? null : content)),
      /visit_event.jsonl is missing/,
    ],
    ['another version', await changed(file, 'version.zip', manifestWith({ changes: 12 })), /another version/],
    [
      'tables of another kind',
      await changed(file, 'kinds.zip', manifestWith({ tables: { client: 1 } })),
      /not the same here and there/,
    ],
    ['no manifest', await changed(file, 'words.zip', manifestWith({ people: 'all' })), /not understood/],
  ];
  for (const [what, path, why] of wrong) {
    const refused = await moveIn(moved, site, path, clock.now).catch((error: unknown) => error);
    expect([what, refused instanceof NoHouse, String(refused)]).toEqual([what, true, expect.stringMatching(why)]);
  }
  expect(await moved.auth.select().from(organization).where(eq(organization.id, own.businessId))).toEqual([]);
  expect((await everything(moved, own)).get('client')).toBe('');
  // Whole, it is taken in.
  expect((await moveIn(moved, site, file, clock.now)).businessId).toBe(own.businessId);
}, 60_000);

test('rows of another business in a file are refused by the database', async () => {
  const own = await openSalon();
  await addDog(own);
  const file = await houseFile('own.zip', own);
  const foreign = v7();
  const mixed = await changed(file, 'foreign.zip', (path, content) =>
    path === 'tables/household.jsonl'
      ? content
      : manifestWith({ business: { id: foreign, name: 'Another' } })(path, content),
  );
  await expect(moveIn(moved, site, mixed, clock.now)).rejects.toMatchObject({ cause: { code: '42501' } });
  expect((await everything(moved, own)).get('client')).toBe('');
  expect((await everything(moved, { ...own, businessId: foreign as Salon['businessId'] })).get('client')).toBe('');
});

test('one client’s file has all that is on record of them, and nothing of anybody else', async () => {
  const files = await contentOf(await download(`/api/clients/${story.clientId}/record.zip`));
  const rows = (table: string) => rowsIn(files.get(`tables/${table}.jsonl`)?.toString());
  expect(rows('client')).toMatchObject([{ name: 'Folake Adeyemi' }]);
  expect(rows('dog')).toMatchObject([{ id: story.dogId }]);
  expect(rows('visit_event').length).toBeGreaterThan(10);
  expect(rows('message')).toHaveLength(1);
  expect(
    [...files.keys()]
      .filter((path) => path.startsWith('bytes/'))
      .map((path) => path.split('/')[1])
      .toSorted(),
  ).toEqual(expect.arrayContaining(['home_photo', 'letter', 'photo']));
  expect(files.get('lists/dogs.csv')?.toString().trim().split('\n')).toHaveLength(2);
  expect(
    files
      .get('lists/clients.vcf')
      ?.toString()
      .match(/BEGIN:VCARD/g),
  ).toHaveLength(1);
  const all = [...files.values()].map((each) => each.toString('latin1')).join('');
  for (const others of ['Brandt', '960777', 'Quill']) expect(all).not.toContain(others);
  const groomer = await openSalon('groomer');
  expect(
    (await request(app).get(`/api/clients/${story.clientId}/record.zip`).set('Cookie', groomer.cookie)).status,
  ).toBe(404);
  expect((await request(app).get('/api/house/all.zip').set('Cookie', groomer.cookie)).status).toBe(403);
});
