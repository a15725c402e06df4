import { finding } from '@dewpond/core/findings';
import { dogProfile } from '@dewpond/contract';
import type { Happening } from '@dewpond/core/events';
import { sql } from 'drizzle-orm';
import { OPS, getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import sharp from 'sharp';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, expect, test } from 'vitest';
import { inTenant } from '../platform/db/tenant';
import { WHERE_TABLES_COME_OUT } from '../features/exports/whereTablesComeOut';
import type { DogExport } from '../features/record/recordPdf';
import { sendFromHome } from './owner';
import { addDog, app, databases, openSalon, type Salon } from './salon';
import { visitDog } from './tableSide';

let salon: Salon;
let stranger: Salon;
beforeAll(async () => {
  [salon, stranger] = [await openSalon(), await openSalon()];
});
const yellow: Happening = {
  type: 'found',
  finding: { ...finding({ site: 'ear', side: 'left' }, 'ear yellow wax', 2), more: { words: 'since the beach' } },
};

/** A dog to whom something of every kind has happened. */
async function storied() {
  const { dogId, clientId } = await addDog(salon, { name: 'Teasel' });
  const visitId = await visitDog(salon, dogId, [
    yellow,
    {
      type: 'incident',
      incident: { kind: 'nick', place: { site: 'ear', side: 'right' }, done: 'Pressed.', told: 'Folake', words: '' },
    },
  ]);
  await salon.call('POST /api/dogs/:id/weighings', { id: dogId, body: { day: '2026-11-25', kg: 14.4 } });
  await salon.call('POST /api/dogs/:id/instructions', {
    id: dogId,
    body: {
      id: v7(),
      by: 'vet',
      who: 'Dr Oyelaran',
      place: { site: 'ear', side: 'left' },
      says: { kind: 'bar', task: 'ear cleaning' },
      from: '2026-11-25',
      until: null,
    },
  });
  return { dogId, clientId, visitId };
}

test('the history tells of everything once, with places, newest first', async () => {
  const { dogId, visitId } = await storied();
  const { body } = await salon.call('GET /api/dogs/:id/history', { id: dogId });
  const { items } = body;
  expect(new Set(items.map(({ id }) => id)).size).toBe(items.length);
  expect(items.map(({ day }) => day)).toEqual(
    items
      .map(({ day }) => day)
      .toSorted()
      .toReversed(),
  );
  const said = (kind: string) => items.filter((each) => each.kind === kind);
  expect(said('visit')).toMatchObject([{ visitId, words: expect.stringContaining('finished') as string }]);
  expect(said('found')).toMatchObject([
    { place: 'ear/left', grade: 2, words: 'yellow or thick wax, plain; “since the beach”' },
  ]);
  expect(said('referral')).toMatchObject([{ place: 'ear/left', words: 'for a vet: vet' }]);
  expect(said('incident')).toMatchObject([{ place: 'ear/right', words: 'Nick; Pressed.; Folake was told' }]);
  expect(said('clear').some(({ place }) => place === 'eye/right')).toBe(true);
  expect(said('clear').some(({ place }) => place === 'ear/left')).toBe(false);
  expect((await stranger.call('GET /api/dogs/:id/history', { id: dogId })).status).toBe(404);
});

async function paper(dogId: string) {
  const { body } = await request(app)
    .get(`/api/dogs/${dogId}/record.pdf`)
    .set('Cookie', salon.cookie)
    .responseType('blob');
  return getDocument({ data: new Uint8Array(body as Buffer), useSystemFonts: false }).promise;
}

async function picturesOnPaper(dogId: string): Promise<number> {
  const pdf = await paper(dogId);
  const drawn = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) => (await (await pdf.getPage(i + 1)).getOperatorList()).fnArray),
  );
  return drawn.flat().filter((each) => each === OPS.paintImageXObject).length;
}

test('all of it leaves as data that reads back, and on paper', async () => {
  const { dogId } = await storied();
  const json = await request(app).get(`/api/dogs/${dogId}/record.json`).set('Cookie', salon.cookie);
  const given = JSON.parse(json.text) as DogExport;
  expect(given).toMatchObject({ format: 'dewpond dog', version: 1, owner: { name: 'Folake Adeyemi' } });
  // The profile is one the server would take in again.
  expect(dogProfile.parse(given.dog)).toEqual(given.dog);
  expect(given.visits[0]?.events.length).toBeGreaterThan(10);
  expect(given.history.length).toBeGreaterThan(10);
  const pdf = await paper(dogId);
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) => (await (await pdf.getPage(i + 1)).getTextContent()).items),
  );
  const text = pages
    .flat()
    .map((item) => ('str' in item ? item.str : ''))
    .join(' ')
    .replaceAll(/\s+/g, ' ');
  expect(text).toContain('The record of Teasel');
  expect(text).toContain('left ear: yellow or thick wax, plain');
  for (const path of [`/api/dogs/${dogId}/record.json`, `/api/dogs/${dogId}/record.pdf`])
    expect((await request(app).get(path).set('Cookie', stranger.cookie)).status).toBe(404);
  expect((await request(app).get(`/api/dogs/${dogId}/record.exe`).set('Cookie', salon.cookie)).status).toBe(404);
});

test('a picture the owner sent stands on record and leaves with the data, told apart from the salon’s', async () => {
  const { dogId } = await storied();
  const id = await sendFromHome(salon, dogId);
  const { body } = await salon.call('GET /api/dogs/:id/history', { id: dogId });
  const picture = { id, takenBy: 'owner' };
  expect(body.items.filter(({ kind }) => kind === 'home')).toMatchObject([{ day: '2026-11-25', place: null, picture }]);
  const json = await request(app).get(`/api/dogs/${dogId}/record.json`).set('Cookie', salon.cookie);
  const { pictures } = JSON.parse(json.text) as DogExport;
  expect(pictures).toMatchObject([picture]);
  expect(await sharp(Buffer.from(pictures[0]?.jpeg ?? '', 'base64')).metadata()).toMatchObject({
    format: 'jpeg',
    width: 320,
  });
  expect(await picturesOnPaper(dogId)).toBe(1);
  expect(await picturesOnPaper((await storied()).dogId)).toBe(0);
});

test('who saw, changed, sent and gave away is noted down once, with names, and cannot be changed', async () => {
  const own = await openSalon();
  const { dogId, clientId } = await addDog(own);
  for (let i = 0; i < 3; i++) await own.call('GET /api/dogs/:id', { id: dogId });
  await own.call('POST /api/links', { body: { id: v7(), dogId, days: 5 } });
  await request(app).get(`/api/dogs/${dogId}/record.json`).set('Cookie', own.cookie);
  // What is refused was not done.
  await own.call('PUT /api/clients/:id', { id: clientId, body: { version: 99, name: 'X', card: {} } });
  const about = async (id?: string) =>
    (await own.call('GET /api/audit', id === undefined ? {} : { query: { about: id } })).body.items;
  expect((await about(dogId)).map(({ what, person, words }) => `${person} ${what}: ${words}`)).toEqual([
    'Ines gave away: The whole record, json',
    'Ines sent: Make a private page for an owner',
    'Ines saw: One dog: plan, due windows, rhythm, bookings',
    'Ines changed: Add a dog',
  ]);
  expect((await about(clientId)).map(({ what, name, words }) => [what, name, words])).toEqual([
    ['changed', 'Folake Adeyemi', 'Add a client'],
  ]);
  expect((await stranger.call('GET /api/audit', { query: { about: dogId } })).body.items).toEqual([]);
  for (const change of ['update dewpond.audit set person = $$nobody$$', 'delete from dewpond.audit'])
    await expect(inTenant(databases, own.businessId, (tx) => tx.execute(sql.raw(change)))).rejects.toThrow();
  const groomer = await openSalon('groomer');
  expect((await groomer.call('GET /api/audit')).status).toBe(403);
});

test('of every table it is decided where it comes out, or that it does not', async () => {
  const { rows } = await databases.app.query<{ name: string }>(
    `select table_name as name from information_schema.tables where table_schema = 'dewpond'`,
  );
  const decided = Object.values(WHERE_TABLES_COME_OUT).flat();
  expect(decided.toSorted()).toEqual(rows.map(({ name }) => name).toSorted());
});
