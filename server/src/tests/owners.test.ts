import { finding } from '@dewpond/core/findings';
import { NO_EDITS, editLine, pageOf, readSheet } from '@dewpond/core/sheet';
import type { Happening } from '@dewpond/core/events';
import sharp from 'sharp';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, describe, expect, onTestFinished, test } from 'vitest';
import { addDog, app, clock, guest, openSalon, type Salon } from './salon';
import { musty, reachable, textOf } from './owner';
import { begin, eventsOf, visitDog } from './tableSide';

const on = '2026-11-02';
let salon: Salon;
let stranger: Salon;
beforeAll(async () => {
  salon = await openSalon();
  stranger = await openSalon();
});

const yellow: Happening = { type: 'found', finding: finding({ site: 'ear', side: 'left' }, 'ear yellow wax', 2) };

const pdfAt = async (path: string, cookie = salon.cookie) =>
  (await request(app).get(path).set('Cookie', cookie).responseType('blob')).body as Buffer;

describe('a hand on the sheet', () => {
  test('is kept apart, comes back, stands in the PDF, and two hands hear of each other', async () => {
    const { dogId } = await reachable(salon);
    const id = await visitDog(salon, dogId, [musty()]);
    const { body: view } = await salon.call('GET /api/visits/:id/sheet', { id });
    expect([view.version, view.edits]).toEqual([0, NO_EDITS]);
    const line = pageOf(view.sheet, NO_EDITS).did.find(({ key }) => key === 'bath');
    if (!line) throw new Error('no bath');
    const edits = editLine(NO_EDITS, 'did', line, 'Bathed twice, she had rolled in the reeds.');
    expect((await salon.call('PUT /api/visits/:id/sheet', { id, body: { version: 0, edits } })).body.version).toBe(1);
    const second = await salon.call('PUT /api/visits/:id/sheet', { id, body: { version: 0, edits: NO_EDITS } });
    expect([second.status, second.body.error.message]).toEqual([409, 'Someone else changed this sheet meanwhile.']);

    const { body: again } = await salon.call('GET /api/visits/:id/sheet', { id });
    expect(readSheet(again.sheet, again.edits).parts.flatMap(({ lines }) => lines.map(({ words }) => words))).toContain(
      'Bathed twice, she had rolled in the reeds.',
    );
    const { text, pages } = await textOf(await pdfAt(`/api/visits/${id}/sheet.pdf`));
    expect(pages).toBe(1);
    expect(text).toContain('Bathed twice, she had rolled in the reeds.');
    expect(text).not.toContain('Bathed and dried.');
  });

  test('hostile words stay words, and a long sheet of one visit stays one page', async () => {
    const { dogId } = await addDog(salon, { name: '<script>alert(1)</script> مرحبا 🐕' });
    const id = await visitDog(salon, dogId, [musty(3), musty(1, 'right')]);
    const edits = {
      ...NO_EDITS,
      added: [
        {
          id: v7(),
          section: 'suggest' as const,
          words: '<img src=x onerror=alert(1)> שלום 🐾 ' + 'word '.repeat(60).trim(),
        },
      ],
    };
    expect((await salon.call('PUT /api/visits/:id/sheet', { id, body: { version: 0, edits } })).status).toBe(200);
    const { text, pages } = await textOf(await pdfAt(`/api/visits/${id}/sheet.pdf`));
    expect(pages).toBe(1);
    // Items of a page are pieces of text: where they join, spaces come and go.
    const tight = text.replaceAll(' ', '');
    for (const word of ['<imgsrc=xonerror=alert(1)>', '<script>alert(1)</script>', '🐾', '🐕'])
      expect(tight).toContain(word);
    expect(tight).toMatch(/שלום|םולש/);
  });

  test('of another business is not there', async () => {
    const { dogId } = await addDog(stranger);
    const id = await visitDog(stranger, dogId);
    const { status } = await salon.call('PUT /api/visits/:id/sheet', { id, body: { version: 0, edits: NO_EDITS } });
    expect(status).toBe(404);
  });
});

describe('how the business signs and speaks', () => {
  test('stands on the sheet; an illness or a missing place is refused', async () => {
    const own = await openSalon();
    const { body: before } = await own.call('GET /api/profile');
    const edit = (wording: object) => ({
      version: before.version,
      phone: '01632 960100',
      email: 'salon@withyquay.example',
      colour: '#7A2E5B',
      language: 'en-GB',
      wording: { 'en-GB': wording },
    });
    const refused = await own.call('PUT /api/profile', { body: edit({ 'sign ear musty smell': 'an infection' }) });
    expect(refused.status).toBe(422);
    expect(refused.body.error.message).toMatch(/names an illness/);
    expect((await own.call('PUT /api/profile', { body: edit({ 'sentence cleaned': 'Cleaned.' }) })).status).toBe(422);
    const kept = await own.call('PUT /api/profile', {
      body: edit({ 'sign ear musty smell': 'a smell like old bread' }),
    });
    expect(kept.status).toBe(200);
    const { dogId } = await addDog(own);
    const id = await visitDog(own, dogId, [musty()]);
    const { text } = await textOf(await pdfAt(`/api/visits/${id}/sheet.pdf`, own.cookie));
    expect(text).toContain('a smell like old bread (plain)');
    expect(text).toContain('01632 960100');
  });
  test('is the manager’s to change', async () => {
    const groomer = await openSalon('groomer');
    const body = { version: 1, phone: '', email: '', colour: '#125B60', language: 'en-GB', wording: {} };
    expect((await groomer.call('PUT /api/profile', { body })).status).toBe(403);
  });
});

describe('the owner’s page', () => {
  const guest = (token: string, path = '/api/owner') =>
    request(app)
      .get(path)
      .set('Authorization', `Link ${token}`)
      .set('X-Forwarded-For', `10.9.${Math.floor(Math.random() * 250)}.${Math.floor(Math.random() * 250)}`);
  async function page(days = 30) {
    const { dogId } = await reachable(salon);
    const visitId = await visitDog(salon, dogId, [yellow]);
    const { body } = await salon.call('POST /api/links', { body: { id: v7(), dogId, days } });
    return { dogId, visitId, link: body, token: body.url.split('#')[1] ?? '' };
  }

  test('shows this dog without signing in, not indexed, not kept; what was left out is not sent', async () => {
    const { visitId, token, link } = await page();
    const { body: view } = await salon.call('GET /api/visits/:id/sheet', { id: visitId });
    const bath = pageOf(view.sheet, NO_EDITS).did.find(({ key }) => key === 'bath');
    if (!bath) throw new Error('no bath');
    const edits = editLine(NO_EDITS, 'did', bath, null);
    await salon.call('PUT /api/visits/:id/sheet', { id: visitId, body: { version: 0, edits } });
    const answer = await guest(token);
    expect(answer.status).toBe(200);
    expect(answer.headers).toMatchObject({
      'x-robots-tag': 'noindex, nofollow',
      'referrer-policy': 'no-referrer',
      'cache-control': 'private, no-store',
    });
    expect(answer.body).toMatchObject({ dog: 'Teasel', letters: [{ place: 'left ear', urgency: 'within a week' }] });
    expect(JSON.stringify(answer.body)).toContain('yellow, thick wax');
    expect(JSON.stringify(answer.body)).not.toContain('Bathed');
    expect(JSON.stringify(answer.body)).not.toContain('Folake');
    expect(link.url).toMatch(/^http:\/\/127\.0\.0\.1:4999\/owner#/);
  });

  test('is seen when a page in sight says so, not when it is fetched', async () => {
    const { dogId, token } = await page();
    await guest(token);
    const seen = async () => (await salon.call('GET /api/dogs/:id/links', { id: dogId })).body.items[0]?.seenAt;
    expect(await seen()).toBeNull();
    await request(app).post('/api/owner/seen').set('Authorization', `Link ${token}`).send({});
    expect(await seen()).toBe(new Date(clock.now).toISOString());
  });

  test('closed, run out, made up or of nothing: all say the same', async () => {
    const { link, token } = await page(1);
    const before = clock.now;
    clock.now += 86_400_000 + 1;
    expect((await guest(token)).status).toBe(404);
    clock.now = before;
    expect((await guest(token)).status).toBe(200);
    await salon.call('PUT /api/links/:id/revoke', { id: link.id, body: {} });
    const [business, secret = ''] = token.split('.');
    const wrong = [
      token,
      `${business}.${secret.slice(0, -1)}${secret.endsWith('A') ? 'B' : 'A'}`,
      `${business}.`,
      'nonsense',
      '',
    ];
    for (const each of wrong) {
      const { status, body } = await guest(each);
      expect([status, (body as { error: { message: string } }).error.message]).toEqual([
        404,
        'This page is closed. Please ask the salon for a new link.',
      ]);
    }
  });

  test('opens nothing else: not another dog’s sheet, picture or letter, and nothing of the salon', async () => {
    const { token } = await page();
    const { dogId } = await reachable(salon);
    const otherVisit = await visitDog(salon, dogId, [yellow]);
    const { body: referrals } = await salon.call('GET /api/referrals', { query: { dog: dogId } });
    for (const path of [
      `/api/owner/sheets/${otherVisit}`,
      `/api/owner/letters/${referrals.items[0]?.id}`,
      `/api/owner/photos/${v7()}`,
    ])
      expect((await guest(token, path)).status).toBe(404);
    expect((await guest(token, '/api/dogs')).status).toBe(401);
  });

  test('whoever tries many is told to wait, and another address is not', async () => {
    const from = `10.77.0.${Math.floor(Math.random() * 250)}`;
    const knock = (address: string) =>
      request(app).get('/api/owner').set('Authorization', 'Link nonsense').set('X-Forwarded-For', address);
    const answers = [];
    for (let i = 0; i < 24; i++) answers.push((await knock(from)).status);
    expect(answers.filter((status) => status === 404).length).toBeGreaterThan(15);
    expect(answers.at(-1)).toBe(429);
    expect((await knock('10.78.0.1')).status).toBe(404);
  });

  test('an earlier picture is shown beside today’s when the pair was chosen, and no picture of another dog ever', async () => {
    const { dogId } = await reachable(salon);
    const other = await reachable(salon);
    const bytes = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#886644' } })
      .jpeg()
      .toBuffer();
    const visitWith = async (of: string, sides: readonly ('left' | 'right')[]) => {
      const visitId = await begin(salon, of);
      const photos = sides.map(() => v7());
      for (const photo of photos)
        await request(app)
          .put(`/api/visits/${visitId}/photos/${photo}`)
          .set('Cookie', salon.cookie)
          .type('image/jpeg')
          .send(bytes);
      const taken = photos.map((photo, i) => ({
        ...({ type: 'photo taken', photo, place: { site: 'eye', side: sides[i] ?? 'left' }, sign: null } as const),
      }));
      const events = eventsOf([{ type: 'opened' }, ...taken, { type: 'closed', how: 'ended early' }]);
      await salon.call('POST /api/visits/:id/events', { id: visitId, body: { events } });
      return { visitId, photos };
    };
    const then = await visitWith(dogId, ['left']);
    const now = await visitWith(dogId, ['left', 'left', 'right']);
    const strange = await visitWith(other.dogId, ['left']);
    const { body: view } = await salon.call('GET /api/visits/:id/sheet', { id: now.visitId });
    expect(view.photos).toEqual([
      {
        ...{ id: now.photos[0], name: 'left eye, Wed 25 Nov' },
        beside: { id: then.photos[0], name: 'left eye, Wed 25 Nov' },
      },
      { id: now.photos[1], name: 'left eye after', beside: { id: now.photos[0], name: 'left eye before' } },
      { id: now.photos[2], name: 'right eye', beside: null },
    ]);
    const { body: link } = await salon.call('POST /api/links', { body: { id: v7(), dogId, days: 5 } });
    const token = link.url.split('#')[1] ?? '';
    const status = async (id = '') => (await guest(token, `/api/owner/photos/${id}`)).status;
    const choose = (version: number, photos: readonly (string | undefined)[]) =>
      salon.call('PUT /api/visits/:id/sheet', {
        id: now.visitId,
        body: { version, edits: { ...NO_EDITS, photos: photos.flatMap((id) => id ?? []) } },
      });
    await choose(0, [now.photos[0]]);
    expect([await status(now.photos[0]), await status(then.photos[0])]).toEqual([200, 404]);
    // Chosen by mistake or by hand: of another dog it stays closed.
    await choose(1, [now.photos[0], then.photos[0], strange.photos[0]]);
    expect([await status(now.photos[0]), await status(then.photos[0])]).toEqual([200, 200]);
    expect(await status(strange.photos[0])).toBe(404);
    const { body: page } = await guest(token, '/api/owner');
    expect(page.sheets[0].photos).toEqual([view.photos[0]]);
    expect((await textOf(await pdfAt(`/api/visits/${now.visitId}/sheet.pdf`))).text).toContain('left eye, Wed 25 Nov');
  });

  test('pictures are shown when they were agreed to and chosen', async () => {
    const { dogId, clientId } = await reachable(salon);
    const visitId = await begin(salon, dogId);
    const photoId = v7();
    // Noise, which no encoder makes small: a picture as a telephone takes it.
    const noise = { type: 'gaussian', mean: 128, sigma: 60 } as const;
    const picture = await sharp({ create: { width: 2400, height: 1800, channels: 3, background: '#886644', noise } })
      .jpeg({ quality: 95 })
      .toBuffer();
    expect(picture.length).toBeGreaterThan(3_000_000);
    await request(app)
      .put(`/api/visits/${visitId}/photos/${photoId}`)
      .set('Cookie', salon.cookie)
      .type('image/jpeg')
      .send(picture);
    await salon.call('POST /api/visits/:id/events', {
      id: visitId,
      body: {
        events: eventsOf([
          { type: 'opened' },
          { type: 'photo taken', photo: photoId, place: { site: 'ear', side: 'left' }, sign: null },
          { type: 'closed', how: 'ended early' },
        ]),
      },
    });
    const { body: link } = await salon.call('POST /api/links', { body: { id: v7(), dogId, days: 5 } });
    const token = link.url.split('#')[1] ?? '';
    expect((await guest(token, `/api/owner/photos/${photoId}`)).status).toBe(404);
    const edits = { ...NO_EDITS, photos: [photoId] };
    await salon.call('PUT /api/visits/:id/sheet', { id: visitId, body: { version: 0, edits } });
    expect((await guest(token, `/api/owner/photos/${photoId}`)).status).toBe(200);
    expect((await textOf(await pdfAt(`/api/visits/${visitId}/sheet.pdf`))).pages).toBe(1);
    const { body: view } = await salon.call('GET /api/clients/:id', { id: clientId });
    const { version, name, card } = view.client;
    await salon.call('PUT /api/clients/:id', {
      id: clientId,
      body: { version, name, card: { ...card, consents: { ...card.consents, photos: { yes: false, on } } } },
    });
    expect((await guest(token, `/api/owner/photos/${photoId}`)).status).toBe(404);
  });
});

describe('a place a vet should see', () => {
  const referrals = async (dogId: string) =>
    (await salon.call('GET /api/referrals', { query: { dog: dogId } })).body.items;

  test('is referred at the close, told, answered and closed; two hands hear of each other', async () => {
    const { dogId } = await reachable(salon);
    await visitDog(salon, dogId, [yellow]);
    const [open] = await referrals(dogId);
    expect(open).toMatchObject({
      place: 'ear/left',
      level: 'vet',
      next: 'tell the owner',
      words: 'yellow or thick wax, plain',
      vetBy: '2026-12-02',
    });
    if (!open) throw new Error('no referral');
    const step = (version: number, more: object) =>
      salon.call('PUT /api/referrals/:id', {
        id: open.id,
        body: { version, told: null, answer: null, vet: null, end: null, ...more },
      });
    const told = { how: 'at the door', on: '2026-11-25', by: 'Ines' };
    expect((await step(open.version, { told })).status).toBe(200);
    expect((await step(open.version, { told: null })).status).toBe(409);
    expect((await referrals(dogId))[0]).toMatchObject({ next: 'hear the owner', dueOn: '2026-11-28' });
    const answer = { answer: 'will go', words: 'On Friday.', on: '2026-11-25' };
    await step(open.version + 1, { told, answer });
    expect((await referrals(dogId))[0]).toMatchObject({ next: 'hear the vet', dueOn: '2026-12-02' });
    await step(open.version + 2, {
      told,
      answer,
      end: { outcome: 'seen by a vet, all well', on: '2026-11-25', by: 'Ines' },
    });
    expect((await referrals(dogId))[0]).toMatchObject({ next: null });
  });

  test('one place has one open referral; seen clear at a later visit it closes by itself', async () => {
    const { dogId } = await reachable(salon);
    await visitDog(salon, dogId, [yellow]);
    await visitDog(salon, dogId, [yellow]);
    const [open] = await referrals(dogId);
    expect(await referrals(dogId)).toHaveLength(1);
    await visitDog(salon, dogId);
    expect(await referrals(dogId)).toMatchObject([
      { version: (open?.version ?? 0) + 1, end: { outcome: 'seen clear here', by: 'the look-over' }, next: null },
    ]);
    // Whoever had it open before hears that it was closed meanwhile.
    const late = { version: open?.version, told: null, answer: null, vet: null, end: null };
    expect((await salon.call('PUT /api/referrals/:id', { id: open?.id ?? '', body: late })).status).toBe(409);
  });

  test('what comes in long after a visit refers no place anew that was referred then, or is now', async () => {
    const week = 7 * 86_400_000;
    const began = clock.now;
    onTestFinished(() => {
      clock.now = began;
    });
    const { dogId } = await reachable(salon);
    const early = await begin(salon, dogId);
    clock.now += week;
    await visitDog(salon, dogId, [yellow]);
    clock.now += week;
    const second = await visitDog(salon, dogId, [yellow]);
    const [open] = await referrals(dogId);
    expect(await referrals(dogId)).toHaveLength(1);
    const sendLate = (id: string, what: Happening) =>
      salon.call('POST /api/visits/:id/events', { id, body: { events: eventsOf([what], 500, 'found in the van') } });
    // Of a visit before the one that referred it, while that is open.
    expect((await sendLate(early, yellow)).body.refused).toEqual([]);
    expect(await referrals(dogId)).toHaveLength(1);
    clock.now += week;
    const end = { outcome: 'seen by a vet, all well', on: '2026-12-16', by: 'Ines' };
    const body = { version: open?.version, told: null, answer: null, vet: null, end };
    expect((await salon.call('PUT /api/referrals/:id', { id: open?.id ?? '', body })).status).toBe(200);
    // Of a visit on whose day it was open, now that it has ended.
    expect((await sendLate(second, { type: 'noted', text: 'scratched at it' })).body.refused).toEqual([]);
    expect((await referrals(dogId)).map(({ id }) => id)).toEqual([open?.id]);
  });

  test('the letter says what was seen with sides and dates, what was done, and nothing of what it may be', async () => {
    const { dogId } = await reachable(salon);
    await visitDog(salon, dogId, [musty(1)]);
    await visitDog(salon, dogId, [yellow, musty(1, 'right')]);
    const [open] = await referrals(dogId);
    const { text, pages, title, language } = await textOf(await pdfAt(`/api/referrals/${open?.id}/letter.pdf`));
    expect([pages, title, language]).toEqual([1, 'A salon: Teasel: left ear', 'en-GB']);
    expect(text).toContain('On Wed 25 Nov, left ear: yellow or thick wax (plain).');
    expect(text).toContain('Wed 25 Nov: musty or yeasty smell (slight).');
    expect(text).not.toMatch(/infect|otitis|diagnos/i);
    const { status } = await request(app).get(`/api/referrals/${open?.id}/letter.pdf`).set('Cookie', stranger.cookie);
    expect(status).toBe(404);
  });
});

describe('a vet’s look, told on the owner’s page', () => {
  const day = (ms: number) => new Date(ms).toISOString().slice(0, 10);
  const DAY = 86_400_000;

  /** The page of a dog with prominent eyes, of which nobody knows when a vet saw them. */
  async function pageOfAPug() {
    const own = await openSalon();
    const { dogId } = await addDog(own, { breeds: ['pug'], weightKg: 8 });
    const { body: link } = await own.call('POST /api/links', { body: { id: v7(), dogId, days: 30 } });
    const as = guest(link.url.split('#')[1] ?? '');
    const looks = async () =>
      ((await request(app).get('/api/owner').set(as)).body as { vetLooks: { task: string; last: string | null }[] })
        .vetLooks;
    const tell = async (body: object) => (await request(app).put('/api/owner/vet-looks').set(as).send(body)).status;
    const words = async () => (await own.call('GET /api/dogs/:id', { id: dogId })).body.instructions;
    return { looks, tell, words };
  }

  test('is kept with whose word it is, once, and is then not asked any more', async () => {
    const { looks, tell, words } = await pageOfAPug();
    expect(await looks()).toEqual([{ task: 'eye check', name: expect.any(String) as string, last: null }]);
    const on = day(clock.now - 20 * DAY);
    expect([await tell({ task: 'eye check', on }), await tell({ task: 'eye check', on })]).toEqual([200, 200]);
    expect(await words()).toMatchObject([
      { by: 'vet', who: 'a vet, says the owner', says: { kind: 'vet saw', task: 'eye check', on } },
    ]);
    expect(await looks()).toEqual([]);
  });

  test('long ago, it is kept and still asked; a day to come, of another age or of no look is refused', async () => {
    const { looks, tell, words } = await pageOfAPug();
    const on = day(clock.now - 400 * DAY);
    expect(await tell({ task: 'eye check', on })).toBe(200);
    expect(await looks()).toMatchObject([{ task: 'eye check', last: on }]);
    const refused = [
      { task: 'eye check', on: day(clock.now + DAY) },
      { task: 'eye check', on: '1999-01-01' },
      { task: 'nails', on },
      { task: 'eye check', on: 'yesterday' },
      { task: 'eye check', on, who: 'Dr Oyelaran' },
    ];
    for (const body of refused) expect([body, await tell(body)]).toEqual([body, 422]);
    expect(await words()).toHaveLength(1);
  });
});
