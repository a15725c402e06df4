import { finding } from '@dewpond/core/findings';
import { placeOf } from '@dewpond/core/places';
import { tapped, type Happening } from '@dewpond/core/events';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, describe, expect, test } from 'vitest';
import { app, openSalon, type Salon } from './salon';
import { reachable, textOf } from './owner';
import { begin, eventsOf, visitDog, wholeVisit } from './tableSide';

let salon: Salon;
beforeAll(async () => {
  salon = await openSalon();
});

const found = (place: string, sign: Parameters<typeof finding>[1], grade: 1 | 2 | 3): Happening => ({
  type: 'found',
  finding: finding(placeOf(place), sign, grade),
});
const MUSTY = found('ear/left', 'ear musty smell', 2);

async function reads(where: Salon, clientId: string, language: 'en-GB' | 'es' | null): Promise<void> {
  const { body } = await where.call('GET /api/clients/:id', { id: clientId });
  const { version, name, card } = body.client;
  const { status } = await where.call('PUT /api/clients/:id', {
    id: clientId,
    body: { version, name, card: { ...card, language } },
  });
  expect(status).toBe(200);
}

async function businessReads(where: Salon, language: 'en-GB' | 'es', wording: object = {}) {
  const { body } = await where.call('GET /api/profile');
  const { version, phone, email, colour } = body;
  return where.call('PUT /api/profile', { body: { version, phone, email, colour, language, wording } });
}

const pdfAt = async (path: string, cookie = salon.cookie) =>
  textOf((await request(app).get(path).set('Cookie', cookie).responseType('blob')).body as Buffer);

/** Words that only English has, and that stand on every English page of these. */
const ENGLISH_WORDS = /\b(the|and|with|your|ears?|smell|home|visit|please|until|week|day|both|left|right)\b/i;

describe('an owner who reads Spanish', () => {
  let dogId: string;
  let visitId: string;
  beforeAll(async () => {
    const kept = await reachable(salon);
    dogId = kept.dogId;
    await reads(salon, kept.clientId, 'es');
    const id = await begin(salon, dogId);
    const { body: view } = await salon.call('GET /api/visits/:id', { id });
    const happened = wholeVisit(view, [MUSTY, found('eye/left', 'eye blood', 1)]).map((each): Happening =>
      each.type === 'step done' && each.step === 'nails'
        ? { type: 'step skipped', step: 'nails', because: tapped('would not have it') }
        : each,
    );
    const { status } = await salon.call('POST /api/visits/:id/events', { id, body: { events: eventsOf(happened) } });
    expect(status).toBe(201);
    visitId = id;
  });

  test('has the sheet, its skips, stops and headings in Spanish, on screen and on paper', async () => {
    const { body } = await salon.call('GET /api/visits/:id/sheet', { id: visitId });
    expect(body.sheet.language).toBe('es');
    const { text, language, pages } = await pdfAt(`/api/visits/${visitId}/sheet.pdf`);
    expect([language, pages]).toEqual(['es', 1]);
    expect(text).toContain('oreja izquierda');
    expect(text.replaceAll(/Teasel|Folake Adeyemi|A salon/g, '')).not.toMatch(ENGLISH_WORDS);
  });

  test('has a page with Spanish headings, buttons and home care', async () => {
    const { body: link } = await salon.call('POST /api/links', { body: { id: v7(), dogId, days: 30 } });
    const page = await request(app)
      .get('/api/owner')
      .set('Authorization', `Link ${link.url.split('#')[1]}`);
    expect(page.body).toMatchObject({ language: 'es', words: { close: 'Cerrar' }, home: { language: 'es' } });
    const { home, letters, sheets } = page.body as {
      home: { tasks: { name: string; words: string; card: { never: string[]; stops: string[] } }[] };
      letters: { place: string; urgency: string }[];
      sheets: { read: { parts: { lines: { words: string }[] }[] } }[];
    };
    expect(home.tasks.length).toBeGreaterThan(0);
    const said = [
      ...home.tasks.flatMap(({ name, words, card }) => [name, words, ...card.never, ...card.stops]),
      ...letters.flatMap(({ place, urgency }) => [place, urgency]),
      ...sheets.flatMap(({ read }) => read.parts.flatMap(({ lines }) => lines.map(({ words }) => words))),
    ];
    expect(said.filter((each) => ENGLISH_WORDS.test(each))).toEqual([]);
  });

  test('is written to in Spanish, and her calendar is Spanish', async () => {
    const { body: draft } = await salon.call('GET /api/dogs/:id/draft', {
      id: dogId,
      query: { kind: 'nearly ready' },
    });
    expect(draft.words).toMatch(/^Hola/);
    expect(`${draft.subject} ${draft.words}`.replaceAll('A salon', '')).not.toMatch(ENGLISH_WORDS);
    const { text: calendar } = await request(app).get(`/api/dogs/${dogId}/home.ics`).set('Cookie', salon.cookie);
    const entries = calendar.match(/^(SUMMARY|DESCRIPTION):.*(\r\n .*)*/gm) ?? [];
    expect(entries.length).toBeGreaterThan(0);
    expect(entries.join('\n').replaceAll('\r\n ', '').replaceAll('A salon', '')).not.toMatch(ENGLISH_WORDS);
  });

  test('the letter to the vet stays in the business’s language', async () => {
    const { body } = await salon.call('GET /api/referrals', { query: { dog: dogId } });
    const [open] = body.items;
    const { text, language } = await pdfAt(`/api/referrals/${open?.id}/letter.pdf`);
    expect(language).toBe('en-GB');
    expect(text).toContain('To the vet.');
  });
});

describe('a business that writes Spanish', () => {
  test('writes to owners of no known language and to vets in it; an owner’s own language stands before it', async () => {
    const own = await openSalon();
    expect((await businessReads(own, 'es')).status).toBe(200);
    const { dogId, clientId } = await reachable(own);
    const id = await visitDog(own, dogId, [MUSTY, found('eye/left', 'eye blood', 1)]);
    const language = async () => (await own.call('GET /api/visits/:id/sheet', { id })).body.sheet.language;
    expect(await language()).toBe('es');
    const { body } = await own.call('GET /api/referrals', { query: { dog: dogId } });
    const letter = await pdfAt(`/api/referrals/${body.items[0]?.id}/letter.pdf`, own.cookie);
    expect(letter.language).toBe('es');
    expect(letter.text.replaceAll(/Teasel|Folake Adeyemi|A salon/g, '')).not.toMatch(ENGLISH_WORDS);
    await reads(own, clientId, 'en-GB');
    expect(await language()).toBe('en-GB');
  });

  test('says things its own way in each language, by id; an illness is refused in either', async () => {
    const own = await openSalon();
    const { dogId, clientId } = await reachable(own);
    const bread = { 'sign ear musty smell': 'un olor a pan viejo' };
    const refused = await businessReads(own, 'en-GB', { es: { 'sign ear musty smell': 'una otitis' } });
    expect([refused.status, refused.body.error.message]).toEqual([
      422,
      expect.stringContaining('“otitis” names an illness'),
    ]);
    expect((await businessReads(own, 'en-GB', { es: bread })).status).toBe(200);
    expect((await own.call('GET /api/profile')).body.wording).toEqual({ es: bread });
    const id = await visitDog(own, dogId, [MUSTY]);
    const words = async () => JSON.stringify((await own.call('GET /api/visits/:id/sheet', { id })).body.sheet);
    expect(await words()).not.toContain('pan viejo');
    await reads(own, clientId, 'es');
    expect(await words()).toContain('pan viejo');
  });

  test('a language that is not shipped is refused, and so is an entry that does not exist', async () => {
    const own = await openSalon();
    expect((await businessReads(own, 'fr' as 'es')).status).toBe(422);
    expect((await businessReads(own, 'es', { es: { 'home sweet home': 'x' } })).status).toBe(422);
    expect((await businessReads(own, 'es', { fr: {} })).status).toBe(422);
  });
});
