import { DEFAULT_HOUSE_WAYS } from '@dewpond/core/ways';
import type { Role } from '@dewpond/core/rights';
import { businessEdit, type BodyOf, type EndpointKey, type Problem, type ResponseOf } from '@dewpond/contract';
import { pino } from 'pino';
import request from 'supertest';
import { v7 } from 'uuid';
import { makeApp } from '../app';
import { makeAuth } from '../platform/auth/auth';
import { readConfig } from '../platform/config/config';
import * as authSchema from '../platform/db/authSchema';
import { connect } from '../platform/db/connect';
import type { Services } from '../platform/http/context';
import { listenForVisits } from '../platform/live/news';
import { openPost } from '../platform/post/post';
import { bottle, business, fittedPump, member, product, pump } from '../platform/db/schema';
import { inTenant, type BusinessId } from '../platform/db/tenant';
import { heldToContract } from './held';

export const config = readConfig({
  ...process.env,
  PUBLIC_URL: 'http://127.0.0.1:4999',
  LOG_LEVEL: 'silent',
  TRUST_PROXY: '1',
});
export const databases = connect(config);
export const auth = makeAuth(config, databases);

/** What the log of the application says, for tests that look into it. */
export const logLines: string[] = [];
export const log = pino({ level: 'info' }, { write: (line: string) => void logLines.push(line) });

/** A Wednesday at nine. */
export const MORNING = Date.UTC(2026, 10, 25, 9, 0, 0);
/** The clock of the tests; every file begins in the morning (`ownDatabase.setup.ts`). */
export const clock = { now: MORNING };
export const services: Services = {
  databases,
  now: () => clock.now,
  news: listenForVisits(databases, log),
  site: { publicUrl: config.PUBLIC_URL, key: config.AUTH_SECRET, tellsBackups: config.BACKUPS === 'told' },
  post: openPost(config),
};
/** The application itself, for tests that look into it. */
export const bareApp = makeApp(config, services, log, auth);
/** The same, held to the contract in every answer. */
export const app = heldToContract(bareApp);

export const PASSWORD = 'a-long-password';

export interface Salon {
  readonly businessId: BusinessId;
  readonly memberId: string;
  readonly cookie: string;
  readonly productId: string;
  /** Calls an endpoint as this salon's person. */
  call<K extends EndpointKey>(
    key: K,
    given?: { id?: string; body?: BodyOf<K> | object; query?: Record<string, string> },
  ): Promise<{ status: number; body: ResponseOf<K> & Problem }>;
}

/** A business of its own with one signed-in person, a bottle and a wash. Tests of different salons cannot disturb each other. */
export async function openSalon(role: Role = 'manager'): Promise<Salon> {
  const businessId = v7() as BusinessId;
  const email = `${businessId}@example.test`;
  const context = await auth.$context;
  await databases.auth
    .insert(authSchema.organization)
    .values({ id: businessId, name: 'A salon', slug: businessId, createdAt: new Date() });
  const user = await context.internalAdapter.createUser(
    { name: 'Ines', email, emailVerified: true },
    { method: 'email-password' },
  );
  await context.internalAdapter.linkAccount({
    userId: user.id,
    providerId: 'credential',
    accountId: user.id,
    password: await context.password.hash(PASSWORD),
  });
  const memberId = v7();
  const productId = v7();
  await inTenant(databases, businessId, async (tx) => {
    await tx
      .insert(business)
      .values({ businessId, name: 'A salon', zone: 'Europe/London', units: 'metric', ways: DEFAULT_HOUSE_WAYS });
    await tx.insert(member).values({ businessId, id: memberId, personId: user.id, name: 'Ines', role });
    const pumpId = v7();
    await tx.insert(pump).values({ businessId, id: pumpId, name: 'Green pump', strokeMl: 5, madeFrom: '' });
    await tx.insert(product).values({
      businessId,
      id: productId,
      name: 'Oat gentle wash',
      kind: 'cleansing',
      label: '24:1',
      waterParts: '24',
      suppliedBy: 'house',
    });
    await tx.insert(fittedPump).values({ businessId, productId, pumpId });
    await tx
      .insert(bottle)
      .values({ businessId, id: v7(), name: 'Litre bottle', brim: 1080, line: 1000, graduation: 50, count: 2 });
  });
  const cookie = await signIn(email, PASSWORD);
  if (cookie === '') throw new Error('The test could not sign in.');
  return {
    businessId,
    memberId,
    cookie,
    productId,
    call: async (key, given = {}) => {
      const [method = 'GET', path = ''] = key.split(' ');
      const call = request(app)
        [method.toLowerCase() as 'get' | 'post' | 'put'](path.replace(':id', given.id ?? ''))
        .set('Cookie', cookie);
      if (given.query) void call.query(given.query);
      const { status, body } = await (given.body === undefined ? call : call.send(given.body as object));
      return { status, body };
    },
  };
}

/** Another person of a salon, with the account behind. */
export async function addMember(
  { businessId }: Pick<Salon, 'businessId'>,
  more: Partial<typeof member.$inferInsert> & { readonly name: string },
): Promise<{ readonly id: string; readonly personId: string }> {
  const [id, personId] = [v7(), v7()];
  const { name } = more;
  await databases.auth.insert(authSchema.user).values({ id: personId, name, email: `${personId}@example.test` });
  await inTenant(databases, businessId, (tx) => tx.insert(member).values({ id, personId, role: 'groomer', ...more }));
  return { id, personId };
}

// Each file of tests begins elsewhere: the limit of tries outlives a file.
let addresses = Math.floor(Math.random() * 60_000);
/** Signs in from an address of its own, so that the limit of tries is not reached by other tests. */
export async function signIn(email: string, password: string): Promise<string> {
  const response = await request(app)
    .post('/api/auth/sign-in/email')
    .set('Origin', config.PUBLIC_URL)
    .set('X-Forwarded-For', `10.0.${Math.floor((addresses += 1) / 250)}.${addresses % 250}`)
    .send({ email, password });
  const cookies = response.headers['set-cookie'] as unknown as string[] | undefined;
  return cookies?.map((cookie) => cookie.split(';')[0]).join('; ') ?? '';
}

export interface KeptDog {
  readonly clientId: string;
  readonly dogId: string;
}

/** A client with one dog. */
export async function addDog(salon: Salon, profile: object = {}): Promise<KeptDog> {
  const clientId = v7();
  const dogId = v7();
  await salon.call('POST /api/clients', {
    body: { id: clientId, name: 'Folake Adeyemi', card: { phones: [{ number: '01632 960114' }] } },
  });
  await salon.call('POST /api/dogs', {
    body: { id: dogId, clientId, profile: { name: 'Teasel', weightKg: 14.2, breeds: ['beagle'], ...profile } },
  });
  return { clientId, dogId };
}

/** All that a business can change of itself, as it stands. */
export const businessEditOf = async (salon: Salon): Promise<BodyOf<'PUT /api/business'>> =>
  businessEdit.strip().parse((await salon.call('GET /api/business')).body);

/** The header of an owner who opened a private page. */
export const guest = (token: string) => ({ Authorization: `Link ${token}` });
