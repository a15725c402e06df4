import { finding } from '@dewpond/core/findings';
import { dogProfile } from '@dewpond/contract';
import type { Happening } from '@dewpond/core/visit';
import { sql } from 'drizzle-orm';
import { OPS, getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import sharp from 'sharp';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, describe, expect, test } from 'vitest';
import { inTenant } from '../db/tenant';
import type { DogExport } from '../record/dogExport';
import { addDog, app, clock, databases, guest, openSalon, type Salon } from './salon';
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
  // The profile is one the office would take in again.
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

/** A picture of today, through the owner's private page. */
async function sendFromHome(own: Salon, dogId: string): Promise<string> {
  const { body: link } = await own.call('POST /api/links', { body: { id: v7(), dogId, days: 30 } });
  const bytes = await sharp({ create: { width: 320, height: 240, channels: 3, background: '#446622' } })
    .jpeg()
    .toBuffer();
  const id = v7();
  const sent = await request(app)
    .put(`/api/owner/home/photos/${id}`)
    .set(guest(link.url.split('#')[1] ?? ''))
    .type('image/jpeg')
    .send(bytes);
  expect(sent.status).toBe(200);
  return id;
}

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

describe('a client who asks to be erased', () => {
  const SECRET = 'Folake Adeyemi';
  /** Every row of the business, as text: what is not in there is not kept. */
  async function everything(own: Salon): Promise<string> {
    return inTenant(databases, own.businessId, async (tx) => {
      const { rows } = await tx.execute<{ name: string }>(
        sql`select table_name as name from information_schema.tables where table_schema = 'dewpond' and table_type = 'BASE TABLE'`,
      );
      const texts = [];
      for (const { name } of rows) {
        const all = await tx.execute(sql`select to_jsonb(t) as row from dewpond.${sql.identifier(name)} t`);
        texts.push(JSON.stringify(all.rows));
      }
      return texts.join('\n');
    });
  }

  test('leaves no name, number or word behind; what was seen, done and used stays', async () => {
    const own = await openSalon();
    const { dogId, clientId } = await addDog(own, {
      name: 'Quillfeather',
      note: `Belongs to ${SECRET}`,
      chip: '977200001234567',
    });
    const visitId = await visitDog(own, dogId, [
      {
        ...yellow,
        finding: { ...(yellow as { finding: ReturnType<typeof finding> }).finding, more: { words: SECRET } },
      },
      { type: 'noted', text: `${SECRET} was late` },
      { type: 'owner asked', about: null, question: 'May we?', answer: 'yes', words: 'Yes.', who: SECRET },
      { type: 'incident', incident: { kind: 'nick', place: null, done: 'Pressed.', told: SECRET, words: SECRET } },
    ]);
    const { body: view } = await own.call('GET /api/clients/:id', { id: clientId });
    const card = { ...view.client.card, emails: ['folake@thornmere.example'], note: SECRET };
    const consents = { 'e-mail': { yes: true, on: '2026-11-02' } };
    await own.call('PUT /api/clients/:id', {
      id: clientId,
      body: { version: view.client.version, name: SECRET, card: { ...card, consents } },
    });
    const message = {
      id: v7(),
      dogId,
      visitId,
      kind: 'sheet',
      channel: 'e-mail',
      subject: SECRET,
      words: `${SECRET} {link}`,
    };
    expect((await own.call('POST /api/messages', { body: message })).status).toBe(201);
    await sendFromHome(own, dogId);
    const twin = await addDog(own, { name: 'Quillfeather' });
    await own.call('POST /api/clients/:id/merge', { id: clientId, body: { id: v7(), goneId: twin.clientId } });
    expect(await everything(own)).toContain(SECRET);

    const { body: preview } = await own.call('GET /api/clients/:id/erasure', { id: clientId });
    expect(preview).toMatchObject({ name: SECRET, refused: null });
    expect(preview.erases.join('\n')).toMatch(/Quillfeather.*\none picture from home\n.*one message/);
    const wrong = await own.call('POST /api/clients/:id/erasure', { id: clientId, body: { name: 'Someone' } });
    expect(wrong.status).toBe(422);
    expect((await own.call('POST /api/clients/:id/erasure', { id: clientId, body: { name: SECRET } })).status).toBe(
      201,
    );

    const left = await everything(own);
    // The other client of that merge is another card of the same name: it is asked for by itself.
    await own.call('POST /api/clients/:id/erasure', { id: twin.clientId, body: { name: SECRET } });
    const rest = await everything(own);
    for (const word of [SECRET, 'Quillfeather', '977200001234567', 'folake@', '01632 960114'])
      expect(rest).not.toContain(word);
    expect(left).not.toContain('977200001234567');
    const { body: history } = await own.call('GET /api/dogs/:id/history', { id: dogId });
    expect(history.items.some(({ kind, words }) => kind === 'found' && words === 'yellow or thick wax, plain')).toBe(
      true,
    );
    const { body: sheet } = await own.call('GET /api/visits/:id/sheet', { id: visitId });
    expect(sheet.sheet.did.map(({ words }) => words)).toContain('Bathed and dried.');
  });

  test('is refused while the dog is booked or a visit is open, and to anybody but a manager or this business', async () => {
    const own = await openSalon();
    const { dogId, clientId } = await addDog(own);
    await own.call('POST /api/appointments', {
      body: {
        id: v7(),
        dogId,
        memberId: own.memberId,
        kind: 'full visit',
        startsAt: new Date(clock.now + 86_400_000).toISOString(),
        minutes: 60,
      },
    });
    const erase = (by: Salon) => by.call('POST /api/clients/:id/erasure', { id: clientId, body: { name: SECRET } });
    const refused = await erase(own);
    expect([refused.status, refused.body.error.message]).toEqual([409, 'Teasel is booked. Cancel the booking first.']);
    expect((await erase(stranger)).status).toBe(404);
    expect((await erase(await openSalon('groomer'))).status).toBe(403);
  });
});
