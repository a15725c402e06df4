import request from 'supertest';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { addDog, app, businessEditOf, config, logLines, openSalon, signIn, type KeptDog, type Salon } from './salon';

let salon: Salon;
let teasel: KeptDog;
beforeAll(async () => {
  salon = await openSalon();
  teasel = await addDog(salon);
});

describe('the door', () => {
  test('health and the OpenAPI document are open to all', async () => {
    expect((await request(app).get('/api/health')).body).toEqual({ status: 'ok', version: '0.1.0', database: 'ok' });
    expect((await request(app).get('/api/openapi.json')).body).toMatchObject({ openapi: '3.1.0' });
  });

  test('nothing else without signing in', async () => {
    for (const path of ['/api/today', '/api/dogs', `/api/dogs/${teasel.dogId}`, '/api/business', '/api/nowhere']) {
      const { status, body } = await request(app).get(path);
      expect([status, (body as { error: { message: string } }).error.message]).toEqual([401, 'Please sign in.']);
    }
  });

  test('the cookie is out of reach of scripts and other sites', async () => {
    const salonB = await openSalon();
    const response = await request(app)
      .post('/api/auth/sign-in/email')
      .set('Origin', config.PUBLIC_URL)
      .send({ email: `${salonB.businessId}@example.test`, password: 'a-long-password' });
    expect(String(response.headers['set-cookie'])).toMatch(/HttpOnly.*SameSite=Lax/i);
  });

  test('a wrong password, and nobody signs up from outside', async () => {
    expect(await signIn(`${salon.businessId}@example.test`, 'wrong-password')).toBe('');
    const { status } = await request(app)
      .post('/api/auth/sign-up/email')
      .set('Origin', config.PUBLIC_URL)
      .send({ name: 'X', email: 'x@example.test', password: 'a-long-password' });
    expect(status).toBeGreaterThanOrEqual(400);
  });

  test('sign-in attempts are limited per address, and another address is not locked out', async () => {
    const attempt = async (address: string) =>
      (
        await request(app)
          .post('/api/auth/sign-in/email')
          .set('Origin', config.PUBLIC_URL)
          .set('X-Forwarded-For', address)
          .send({ email: 'nobody@example.test', password: 'wrong-password' })
      ).status;
    const statuses = [];
    for (let i = 0; i < 12; i++) statuses.push(await attempt('10.99.0.1'));
    expect([statuses[0], statuses.at(-1)]).toEqual([401, 429]);
    expect(await attempt('10.99.0.2')).toBe(401);
  });

  test('a write from another site is refused; security headers are set', async () => {
    const { status } = await request(app)
      .post('/api/clients')
      .set('Cookie', salon.cookie)
      .set('Origin', 'https://elsewhere.example')
      .send({ id: v7(), name: 'X' });
    expect(status).toBe(403);
    const { headers } = await request(app).get('/api/health');
    expect(headers['content-security-policy']).toContain("style-src 'self'");
    expect(headers['content-security-policy']).not.toContain('unsafe-inline');
    expect(headers['x-powered-by']).toBeUndefined();
  });
});

describe('bad input answers in plain words, leaves nothing half-written and no stack trace', () => {
  beforeEach(() => void logLines.splice(0));
  const dog = (profile: object) => ({
    id: v7(),
    clientId: teasel.clientId,
    profile: { name: 'Wren', weightKg: 9, ...profile },
  });

  test.each([
    ['weight 0', { weightKg: 0 }, 422, 'at least 0.3 kg'],
    ['weight −3', { weightKg: -3 }, 422, 'at least 0.3 kg'],
    ['weight 400 kg', { weightKg: 400 }, 422, 'at most 130 kg'],
    ['weight as text', { weightKg: 'heavy' }, 422, 'number of kilograms'],
    ['a birthday to come', { born: '2027-01-01' }, 422, 'still to come'],
    ['no such breed', { breeds: ['unicorn'] }, 422, 'No such breed'],
    ['an unknown field', { sql: "'; drop table dog; --" }, 422, 'Unrecognized key'],
  ])('%s', async (_, profile, status, words) => {
    const before = (await salon.call('GET /api/dogs')).body.items.length;
    const answer = await salon.call('POST /api/dogs', { body: dog(profile) });
    expect(answer.status).toBe(status);
    expect(answer.body.error.message).toContain(words);
    expect(answer.body.error.fields?.[0]?.path).toContain('profile');
    expect((await salon.call('GET /api/dogs')).body.items).toHaveLength(before);
    expect(logLines.join('')).not.toMatch(/"stack"|\bat .*\.ts:/);
  });

  test('an unknown client, an unknown dog, an id that is none, an address that is none', async () => {
    expect(
      (await salon.call('POST /api/dogs', { body: { ...dog({}), clientId: v7() } })).body.error.fields?.[0]?.path,
    ).toBe('clientId');
    expect((await salon.call('GET /api/dogs/:id', { id: v7() })).status).toBe(404);
    expect((await salon.call('GET /api/dogs/:id', { id: 'not-an-id' })).status).toBe(404);
    expect((await request(app).get('/api/nowhere').set('Cookie', salon.cookie)).status).toBe(404);
    expect(logLines.join('')).not.toContain('"stack"');
  });

  test('a 5 MB body and a body that is not JSON', async () => {
    const big = await request(app)
      .post('/api/clients')
      .set('Cookie', salon.cookie)
      .send({ id: v7(), name: 'x'.repeat(5_000_000) });
    expect([big.status, (big.body as { error: { message: string } }).error.message]).toEqual([
      413,
      'That is more than we take at once.',
    ]);
    const broken = await request(app)
      .post('/api/clients')
      .set('Cookie', salon.cookie)
      .set('Content-Type', 'application/json')
      .send('{"id":');
    expect(broken.status).toBe(422);
    expect(logLines.join('')).not.toContain('"stack"');
  });
});

describe('writes can be sent twice and are guarded', () => {
  test('the same id with the same content is acknowledged, with other content refused', async () => {
    const client = { id: v7(), name: 'Priya Raman' };
    expect((await salon.call('POST /api/clients', { body: client })).status).toBe(201);
    expect((await salon.call('POST /api/clients', { body: client })).status).toBe(201);
    expect((await salon.call('POST /api/clients', { body: { ...client, name: 'Somebody' } })).status).toBe(409);
    expect(
      (await salon.call('GET /api/clients')).body.items
        .filter((each) => each.id === client.id)
        .map((each) => each.name),
    ).toEqual(['Priya Raman']);
  });

  test('an edit of an old version is a conflict with both versions', async () => {
    const { dogId } = await addDog(salon);
    const edit = (weightKg: number) =>
      salon.call('PUT /api/dogs/:id', { id: dogId, body: { version: 1, profile: { name: 'Teasel', weightKg } } });
    expect(await edit(15)).toMatchObject({ status: 200, body: { version: 2 } });
    const late = await edit(16);
    expect(late.status).toBe(409);
    expect(late.body.error).toMatchObject({
      current: { version: 2, profile: { weightKg: 15 } },
      yours: { version: 1, profile: { weightKg: 16 } },
    });
  });
});

describe('bookings', () => {
  const at = (startsAt: string, more: object = {}) => ({
    id: v7(),
    dogId: teasel.dogId,
    kind: 'full visit',
    startsAt,
    minutes: 90,
    memberId: salon.memberId,
    ...more,
  });

  test('book, move, cancel, restore', async () => {
    const booking = at('2026-12-03T09:00:00Z');
    expect((await salon.call('POST /api/appointments', { body: booking })).status).toBe(201);
    const move = {
      change: 'move',
      version: 1,
      startsAt: '2026-12-04T10:00:00Z',
      minutes: 60,
      memberId: salon.memberId,
    };
    expect((await salon.call('PUT /api/appointments/:id', { id: booking.id, body: move })).body.version).toBe(2);
    expect((await salon.call('PUT /api/appointments/:id', { id: booking.id, body: move })).status).toBe(409);
    expect(
      (await salon.call('PUT /api/appointments/:id', { id: booking.id, body: { change: 'cancel', version: 2 } }))
        .status,
    ).toBe(200);
    expect(
      (await salon.call('PUT /api/appointments/:id', { id: booking.id, body: { change: 'restore', version: 3 } }))
        .status,
    ).toBe(200);
    const { items } = (await salon.call('GET /api/appointments', { query: { from: '2026-12-04', to: '2026-12-04' } }))
      .body;
    expect(items).toMatchObject([
      { id: booking.id, state: 'booked', dogName: 'Teasel', startsAt: '2026-12-04T10:00:00.000Z' },
    ]);
  });

  test('what was agreed is what the visit contains; it can be agreed anew, and nothing is no visit', async () => {
    const agreed = { name: 'Beach rinse', parts: ['ears', 'bath'] };
    const booking = at('2026-12-09T09:00:00Z', { kind: 'as agreed', agreed, note: 'cut in December' });
    expect((await salon.call('POST /api/appointments', { body: booking })).status).toBe(201);
    const { body: visit } = await salon.call('POST /api/visits', {
      body: { id: v7(), dogId: booking.dogId, appointmentId: booking.id },
    });
    const { body: view } = await salon.call('GET /api/visits/:id', { id: visit.id });
    expect(view).toMatchObject({ kind: 'as agreed', agreed: { name: 'Beach rinse', parts: ['bath', 'ears'] } });
    expect(view.atTheDoor.booking).toBe('cut in December');
    const move = { change: 'move', version: 1, startsAt: booking.startsAt, minutes: 45, memberId: salon.memberId };
    const contents = { kind: 'bath only', agreed: null, note: '' };
    const moved = await salon.call('PUT /api/appointments/:id', { id: booking.id, body: { ...move, contents } });
    expect(moved.status).toBe(200);
    const { body: after } = await salon.call('GET /api/visits/:id', { id: visit.id });
    expect([after.kind, after.agreed]).toEqual(['bath only', null]);
    const wrong = [
      { kind: 'as agreed', agreed: { name: 'Nothing', parts: [] } },
      { kind: 'as agreed', agreed: null },
      { kind: 'full visit', agreed },
    ];
    for (const each of wrong) {
      const refused = await salon.call('POST /api/appointments', { body: at('2026-12-09T15:00:00Z', each) });
      expect([refused.status, refused.body.error.fields?.[0]?.path]).toEqual([
        422,
        expect.stringMatching(/^agreed/) as string,
      ]);
    }
  });

  test('one person cannot be with two dogs at once, unless the first is cancelled', async () => {
    const first = at('2026-12-10T09:00:00Z');
    const clash = at('2026-12-10T10:00:00Z');
    await salon.call('POST /api/appointments', { body: first });
    const refused = await salon.call('POST /api/appointments', { body: clash });
    expect([refused.status, refused.body.error.message]).toEqual([409, 'That person already has a dog at that time.']);
    await salon.call('PUT /api/appointments/:id', { id: first.id, body: { change: 'cancel', version: 1 } });
    expect((await salon.call('POST /api/appointments', { body: clash })).status).toBe(201);
    expect(
      (await salon.call('PUT /api/appointments/:id', { id: first.id, body: { change: 'restore', version: 2 } })).status,
    ).toBe(409);
  });

  test('a rush on one hour ends with one booking and clear refusals', async () => {
    const rush = await Promise.all(
      Array.from({ length: 20 }, () => salon.call('POST /api/appointments', { body: at('2026-12-17T09:00:00Z') })),
    );
    expect(rush.map((each) => each.status).toSorted()).toEqual([201, ...Array.from({ length: 19 }, () => 409)]);
  });

  test.each([
    ['no time at all', { minutes: 0 }, 'minutes'],
    ['a day that is none', { startsAt: 'tomorrow' }, 'startsAt'],
    ['a stranger', { memberId: v7() }, 'memberId'],
  ])('%s', async (_, more, path) => {
    const { status, body } = await salon.call('POST /api/appointments', { body: at('2026-12-20T09:00:00Z', more) });
    expect([status, body.error.fields?.[0]?.path]).toEqual([422, path]);
  });
});

describe('house ways', () => {
  test('only a manager changes them; a change bumps the version', async () => {
    const bather = await openSalon('bather');
    const business = await businessEditOf(bather);
    const edit = {
      ...business,
      units: 'US',
      services: { ...business.services, 'ear hair': 'vet' },
      liftAloneKg: 18,
      currency: 'EUR',
    };
    expect((await bather.call('PUT /api/business', { body: edit })).status).toBe(403);
    const mine = await salon.call('PUT /api/business', {
      body: { ...edit, ways: { ...business.ways, earHair: 'trim' } },
    });
    expect(mine).toMatchObject({ status: 200, body: { version: 2 } });
    expect((await salon.call('PUT /api/business', { body: edit })).status).toBe(409);
    expect(
      (
        await salon.call('PUT /api/business', {
          body: { ...edit, version: 2, ways: { ...business.ways, earHair: 'yank' } },
        })
      ).status,
    ).toBe(422);
  });

  test.each([
    ['a row that is none', { 'bath: feathers': { least: 1, usual: 2, most: 3 } }],
    ['usual below least', { 'nails: usual': { least: 10, usual: 5, most: 21 } }],
    ['half a day', { 'nails: usual': { least: 10, usual: 14.5, most: 21 } }],
    ['never', { 'nails: usual': { least: 10, usual: 14, most: 9999 } }],
  ])('how often: %s is refused', async (_, intervals) => {
    const edit = await businessEditOf(salon);
    const { status, body } = await salon.call('PUT /api/business', { body: { ...edit, intervals } });
    expect([status, body.error.fields?.[0]?.path]).toEqual([422, 'intervals']);
  });
});
