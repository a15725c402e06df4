import { eq } from 'drizzle-orm';
import request from 'supertest';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { makeBeginLink } from '../features/begin/beginLink';
import * as authSchema from '../platform/db/authSchema';
import { MORNING, app, clock, config, databases, signIn } from './salon';

const PASSWORD = 'wet otters at dawn';
const link = async () => (await makeBeginLink(databases, config.PUBLIC_URL, clock.now)).split('#')[1] ?? '';
const given = (token: string, more: { business?: object; manager?: object; id?: string; examples?: boolean } = {}) => ({
  token,
  id: more.id ?? v7(),
  business: {
    ...{ name: 'Saltmarsh', country: 'IE', zone: 'Europe/Dublin', units: 'metric', currency: 'EUR' },
    ...{ language: 'en-GB', phone: '', liftAloneKg: 16, earHair: 'vet', ...more.business },
  },
  manager: { name: 'Jonah', email: `${v7()}@example.test`, password: PASSWORD, ...more.manager },
  examples: more.examples ?? true,
});
const begin = (body: object) => request(app).post('/api/begin').set('X-Forwarded-For', '10.6.0.1').send(body);
const look = (token: string) => request(app).post('/api/begin/look').set('X-Forwarded-For', '10.6.0.2').send({ token });

describe('the first start', () => {
  test('makes a business that its manager signs in to, with a shelf to try', async () => {
    const token = await link();
    expect((await look(token)).status).toBe(201);
    const body = given(token);
    expect((await begin(body)).body).toEqual({ email: body.manager.email });
    expect((await look(token)).status).toBe(404);
    const cookie = await signIn(body.manager.email, PASSWORD);
    const ask = async (path: string): Promise<Record<string, unknown>> =>
      (await request(app).get(path).set('Cookie', cookie)).body as Record<string, unknown>;
    expect(await ask('/api/session')).toMatchObject({
      business: { name: 'Saltmarsh', zone: 'Europe/Dublin' },
      member: { name: 'Jonah', role: 'manager' },
    });
    const house = await ask('/api/business');
    expect(house).toMatchObject({ currency: 'EUR', liftAloneKg: 16, services: { 'ear hair': 'vet' } });
    expect(house['products']).toHaveLength(5);
    expect(await ask('/api/first-steps')).toEqual({
      ...{ products: true, bottles: true, people: false, dogs: false, bookings: false, visits: false },
    });
    expect((await ask('/api/today'))['dogs']).toEqual([]);
  });

  test('sent twice begins one; two at once with one link begin one', async () => {
    const token = await link();
    const body = given(token, { examples: false });
    expect((await begin(body)).status).toBe(201);
    expect((await begin(body)).status).toBe(201);
    const second = await link();
    const both = await Promise.all([begin(given(second)), begin(given(second))]);
    expect(both.map(({ status }) => status).toSorted()).toEqual([201, 409]);
    const [won] = both.filter(({ status }) => status === 201);
    const rows = await databases.auth
      .select()
      .from(authSchema.user)
      .where(eq(authSchema.user.email, (won?.body as { email: string }).email));
    expect(rows).toHaveLength(1);
  });

  test('nothing is left of a start that was refused', async () => {
    const token = await link();
    const first = given(token);
    expect((await begin({ ...first, manager: { ...first.manager, password: 'password1234' } })).status).toBe(422);
    expect((await begin(given(token, { business: { zone: 'Mars/Olympus' } }))).status).toBe(422);
    expect((await begin(given('x'.repeat(43)))).status).toBe(409);
    expect((await begin(first)).status).toBe(201);
    const next = await link();
    const taken = await begin(given(next, { manager: { email: first.manager.email } }));
    expect(taken.body.error.fields).toMatchObject([{ path: 'manager.email' }]);
    expect((await look(next)).status).toBe(201);
  });

  test('a link has its end', async () => {
    clock.now = Date.now() - 8 * 86_400_000;
    const token = await link();
    clock.now = MORNING;
    expect((await begin(given(token))).status).toBe(409);
  });
});
