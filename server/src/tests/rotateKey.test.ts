import request from 'supertest';
import { beforeAll, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { makeApp } from '../app';
import { rotateKey } from '../commands/rotateKey';
import { makeAuth } from '../platform/auth/auth';
import { twoFactor, user } from '../platform/db/authSchema';
import { eq } from 'drizzle-orm';
import { PASSWORD, addDog, app, config, databases, guest, log, openSalon, services, type Salon } from './salon';

const NEW = 'another-key-of-this-installation-after-the-change';
let salon: Salon;
let dogId: string;
beforeAll(async () => {
  salon = await openSalon();
  ({ dogId } = await addDog(salon));
});

/** The application as it starts with the new key. */
const site = { ...services.site, key: NEW };
const renewed = () => {
  const settings = { ...config, AUTH_SECRET: NEW };
  return makeApp(settings, { ...services, site }, log, makeAuth(settings, databases));
};
const tokenIn = (url: string | null | undefined) => url?.split('#')[1] ?? '';

test('what is shown after the key changed opens; what was sent before opens nothing; everybody signs in anew', async () => {
  const link = { id: v7(), dogId, days: 30 };
  const before = (await salon.call('POST /api/links', { body: link })).body;
  const feed = (await salon.call('PUT /api/me/calendar', { body: { open: true } })).body.url ?? '';
  expect(
    (
      await request(app)
        .get('/api/owner')
        .set(guest(tokenIn(before.url)))
    ).status,
  ).toBe(200);
  expect((await request(app).get(new URL(feed).pathname)).status).toBe(200);

  const email = `${salon.businessId}@example.test`;
  const enabled = await request(app)
    .post('/api/auth/two-factor/enable')
    .set('Cookie', salon.cookie)
    .set('Origin', config.PUBLIC_URL)
    .send({ password: PASSWORD });
  expect(enabled.status).toBe(200);
  const proofs = async () => {
    const rows = await databases.auth
      .select({ secret: twoFactor.secret })
      .from(twoFactor)
      .innerJoin(user, eq(user.id, twoFactor.userId))
      .where(eq(user.email, email));
    return rows.map(({ secret }) => secret);
  };
  const [sealed] = await proofs();
  expect(sealed).toBeDefined();

  const rotated = await rotateKey(databases, { from: config.AUTH_SECRET, to: site });
  expect(rotated.dropped).toBe(0);
  expect(rotated.secondProofs).toBeGreaterThanOrEqual(1);
  expect(rotated.links).toBeGreaterThanOrEqual(2);
  expect(await proofs()).not.toEqual([sealed]);

  const after = renewed();
  expect((await salon.call('GET /api/session')).status).toBe(401);
  const signedIn = await request(after).post('/api/auth/sign-in/email').send({ email, password: PASSWORD });
  const cookie = (signedIn.headers['set-cookie'] as unknown as string[]).map((each) => each.split(';')[0]).join('; ');
  expect(
    (
      await request(after)
        .get('/api/owner')
        .set(guest(tokenIn(before.url)))
    ).status,
  ).toBe(404);
  expect((await request(after).get(new URL(feed).pathname)).status).toBe(404);
  const links = (await request(after).get(`/api/dogs/${dogId}/links`).set('Cookie', cookie)).body as {
    items: { url: string }[];
  };
  expect(
    (
      await request(after)
        .get('/api/owner')
        .set(guest(tokenIn(links.items[0]?.url)))
    ).status,
  ).toBe(200);
  const own = (await request(after).get('/api/me/calendar').set('Cookie', cookie)).body as { url: string };
  expect((await request(after).get(new URL(own.url).pathname)).status).toBe(200);
});

test('where the old key is lost second proofs are dropped, and their people sign in by password', async () => {
  const { dropped, secondProofs } = await rotateKey(databases, { from: null, to: services.site });
  expect(dropped).toBe(secondProofs);
  expect(dropped).toBeGreaterThanOrEqual(1);
  expect(await databases.auth.select().from(twoFactor)).toEqual([]);
});
