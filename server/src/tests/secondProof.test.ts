import { createHmac } from 'node:crypto';
import type { Problem, SessionView } from '@dewpond/contract';
import { sql } from 'drizzle-orm';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { inTenant } from '../platform/db/tenant';
import { accountNewsOf, openAccountNews } from './accountNews';
import { PASSWORD, app, config, databases, openSalon, type Salon } from './salon';

const BASE32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';
function fromBase32(text: string): Buffer {
  const bits = [...text].map((letter) => BASE32.indexOf(letter).toString(2).padStart(5, '0')).join('');
  return Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => Number.parseInt(byte, 2)));
}
/** A code as RFC 6238 and RFC 4226 §5.3 make it: SHA-1, half a minute. */
function codeAt(key: Buffer, seconds: number, digits = 6): string {
  const counter = Buffer.alloc(8);
  counter.writeBigUInt64BE(BigInt(Math.floor(seconds / 30)));
  const hash = createHmac('sha1', key).update(counter).digest();
  const at = (hash.at(-1) ?? 0) & 0xf;
  return String((hash.readUInt32BE(at) & 0x7f_ff_ff_ff) % 10 ** digits).padStart(digits, '0');
}

test('the codes of these tests are those of RFC 6238, appendix B', () => {
  const key = Buffer.from('12345678901234567890');
  const table = [
    [59, '94287082'],
    [1_111_111_109, '07081804'],
    [2_000_000_000, '69279037'],
  ] as const;
  for (const [seconds, code] of table) expect(codeAt(key, seconds, 8)).toBe(code);
});

let addresses = 0;
const door = (path: string, body: object, cookie = '') =>
  request(app)
    .post(`/api/auth${path}`)
    .set('Origin', config.PUBLIC_URL)
    .set('X-Forwarded-For', `10.5.0.${(addresses += 1)}`)
    .set('Cookie', cookie)
    .send(body);
const cookiesOf = ({ headers }: { headers: Record<string, unknown> }) =>
  ((headers['set-cookie'] as string[] | undefined) ?? []).map((each) => each.split(';')[0]).join('; ');
const session = (cookie: string, path = '/api/session') => request(app).get(path).set('Cookie', cookie);

describe('a second proof', () => {
  let salon: Salon;
  let email: string;
  let personId: string;
  let key: Buffer;
  let codes: string[];
  let closeNews: () => Promise<void>;
  afterAll(() => closeNews());
  beforeAll(async () => {
    closeNews = await openAccountNews();
    salon = await openSalon();
    email = `${salon.businessId}@example.test`;
  });
  /** The code of now, or of so many half minutes later: each opens once. */
  const code = (later = 0) => codeAt(key, Date.now() / 1000 + later * 30);

  test('is not asked before the app has shown that it works', async () => {
    const { body } = await door('/two-factor/enable', { password: PASSWORD }, salon.cookie);
    const { totpURI, backupCodes } = body as { totpURI: string; backupCodes: string[] };
    key = fromBase32(new URL(totpURI).searchParams.get('secret') ?? '');
    codes = backupCodes;
    expect(codes.length).toBeGreaterThanOrEqual(8);
    expect((await session(cookiesOf(await door('/sign-in/email', { email, password: PASSWORD })))).status).toBe(200);
    expect((await door('/two-factor/verify-totp', { code: '000000' }, salon.cookie)).status).toBe(401);
    // That of the half minute before is taken in this one only: so not at its very end.
    await expect.poll(() => (Date.now() / 1000) % 30, { timeout: 5000 }).toBeLessThan(27);
    const shown = await door('/two-factor/verify-totp', { code: code(-1) }, salon.cookie);
    expect(shown.status).toBe(200);
    const { body: its } = await session(cookiesOf(shown));
    expect(its).toMatchObject({ secondFactor: { has: true, asked: false } });
    personId = (its as SessionView).person.id;
    // Both are told beside the answer: which comes first into the queue is not said.
    await expect.poll(async () => (await accountNewsOf(personId)).sort()).toEqual(['device', 'second proof on']);
  });

  test('then the password alone opens nothing; with the code it does; a recovery code does once', async () => {
    const half = await door('/sign-in/email', { email, password: PASSWORD });
    expect(half.body).toMatchObject({ twoFactorRedirect: true });
    expect((await session(cookiesOf(half))).status).toBe(401);
    expect((await door('/two-factor/verify-totp', { code: '000000' }, cookiesOf(half))).status).toBe(401);
    const once = code();
    const full = await door('/two-factor/verify-totp', { code: once }, cookiesOf(half));
    expect((await session(cookiesOf(full))).status).toBe(200);
    // Whoever saw it typed comes too late with it, though it still fits (RFC 6238 §5.2).
    const seen = await door('/sign-in/email', { email, password: PASSWORD });
    const again = await door('/two-factor/verify-totp', { code: once }, cookiesOf(seen));
    expect([again.status, (again.body as Problem).error.message]).toEqual([
      401,
      'This code was shown before. Wait for the next one.',
    ]);
    expect((await session(cookiesOf(again))).status).toBe(401);

    const use = async () => {
      const again = await door('/sign-in/email', { email, password: PASSWORD });
      return door('/two-factor/verify-backup-code', { code: codes[0] }, cookiesOf(again));
    };
    expect((await use()).status).toBe(200);
    expect((await use()).status).toBe(401);
  });

  test('a manager takes a lost one away', async () => {
    const half = await door('/sign-in/email', { email, password: PASSWORD });
    const cookie = cookiesOf(await door('/two-factor/verify-totp', { code: code(1) }, cookiesOf(half)));
    const dropped = await request(app)
      .post(`/api/people/${salon.memberId}/second-factor`)
      .set('Cookie', cookie)
      .send({});
    expect(dropped.status).toBe(201);
    // Signing in here told of a device, before or after this.
    const ofProof = (await accountNewsOf(personId)).filter((what) => what !== 'device');
    expect(ofProof).toEqual(['second proof on', 'second proof off']);
    const plain = await door('/sign-in/email', { email, password: PASSWORD });
    expect((await session(cookiesOf(plain))).status).toBe(200);
  });
});

test('where the house asks for it nothing opens before it is set up, but setting it up', async () => {
  const salon = await openSalon();
  await inTenant(databases, salon.businessId, (tx) =>
    tx.execute(sql`update dewpond.business set second_factor = 'managers'`),
  );
  expect((await salon.call('GET /api/session')).body.secondFactor).toEqual({ has: false, asked: true });
  for (const path of ['/api/today', '/api/dogs', '/api/export/dogs.csv', '/api/people'])
    expect((await session(salon.cookie, path)).status).toBe(403);
  expect((await salon.call('POST /api/clients', { body: {} })).status).toBe(403);
  expect((await door('/two-factor/enable', { password: PASSWORD }, salon.cookie)).status).toBe(200);
});
