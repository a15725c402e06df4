import { createHmac, randomBytes } from 'node:crypto';
import { eq } from 'drizzle-orm';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, expect, test } from 'vitest';
import { makeApp } from '../app';
import { sendMessage } from '../features/messages/sendMessage';
import { message } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { outbox, reachable, write } from './owner';
import { MORNING, app, clock, config, databases, log, openSalon, services, type Salon } from './salon';

const KEY = randomBytes(24);
const SECRET = `whsec_${KEY.toString('base64')}`;
const carriers = makeApp({ ...config, TEXT_STATE_SECRET: SECRET }, services, log);

let salon: Salon;
beforeAll(async () => {
  salon = await openSalon();
});

/** A text message that its carrier took. */
async function taken(): Promise<string> {
  const { dogId } = await reachable(salon);
  const { body } = await write(salon, dogId, { channel: 'text message' });
  await sendMessage(services, salon.businessId, body.id);
  return body.id;
}

interface Said {
  readonly ref: string;
  readonly state: string;
  readonly word?: string;
}

/** What a carrier sends, once; the same again is a replay. */
function signed(said: Said | string, { at = clock.now, key = KEY, id = v7() } = {}) {
  const body = typeof said === 'string' ? said : JSON.stringify(said);
  const timestamp = String(Math.floor(at / 1000));
  const signature = createHmac('sha256', key).update(`${id}.${timestamp}.${body}`).digest('base64');
  return () =>
    request(carriers)
      .post('/api/message-states')
      .type('application/json')
      .set({ 'webhook-id': id, 'webhook-timestamp': timestamp, 'webhook-signature': `v1,${signature}` })
      .send(body);
}
const refOf = (id: string): string => `${salon.businessId}.${id}`;
const standsAs = async (id: string) => {
  const { state, arrivedAt, lastWord } = await outbox(salon, id);
  return { state, arrived: arrivedAt !== null, lastWord };
};

test('delivered: it has arrived; told again, or told otherwise, it stays so', async () => {
  const id = await taken();
  const arrives = signed({ ref: refOf(id), state: 'delivered', word: 'Handset took it.' });
  expect((await arrives()).status).toBe(200);
  const stands = { state: 'sent', arrived: true, lastWord: 'Handset took it.' };
  expect(await standsAs(id)).toEqual(stands);
  const { arrivedAt } = await outbox(salon, id);
  clock.now += 60_000;
  expect((await arrives()).status).toBe(200);
  expect((await signed({ ref: refOf(id), state: 'not delivered', word: 'Late.' })()).status).toBe(200);
  expect(await standsAs(id)).toEqual(stands);
  expect((await outbox(salon, id)).arrivedAt).toBe(arrivedAt);
});

test('not delivered: it came back, and a person may send it again; a word that was caught and sent again changes nothing then', async () => {
  const id = await taken();
  const bounces = signed({ ref: refOf(id), state: 'not delivered', word: 'No such number.' });
  expect((await bounces()).status).toBe(200);
  expect(await standsAs(id)).toEqual({ state: 'bounced', arrived: false, lastWord: 'No such number.' });
  clock.now += 60_000;
  expect((await salon.call('PUT /api/messages/:id', { id, body: { what: 'again' } })).status).toBe(200);
  await sendMessage(services, salon.businessId, id);
  expect((await standsAs(id)).state).toBe('sent');
  // Inside the five minutes its signature still holds: it speaks of the first try.
  expect((await bounces()).status).toBe(200);
  expect((await standsAs(id)).state).toBe('sent');
  clock.now += 6 * 60_000;
  expect((await bounces()).status).toBe(401);
  expect((await standsAs(id)).state).toBe('sent');
});

test('before our own hand has written it down, it is told to say it again', async () => {
  const id = await taken();
  const stand = (state: 'sending' | 'unsure') =>
    inTenant(databases, salon.businessId, (tx) => tx.update(message).set({ state }).where(eq(message.id, id)));
  await stand('sending');
  expect((await signed({ ref: refOf(id), state: 'delivered' })()).status).toBe(409);
  // Nobody knew whether it had arrived: now somebody does.
  await stand('unsure');
  expect((await signed({ ref: refOf(id), state: 'delivered' })()).status).toBe(200);
  expect(await standsAs(id)).toMatchObject({ state: 'sent', arrived: true });
});

test('who does not sign, signs with another secret, or says nonsense, changes nothing', async () => {
  clock.now = MORNING;
  const id = await taken();
  const before = await standsAs(id);
  const good: Said = { ref: refOf(id), state: 'delivered' };
  const stranger = await openSalon();
  const table: readonly (readonly [string, () => request.Test, number])[] = [
    ['no signature', () => request(carriers).post('/api/message-states').send(good), 401],
    ['another secret', signed(good, { key: randomBytes(24) }), 401],
    ['from yesterday', signed(good, { at: clock.now - 86_400_000 }), 401],
    ['no JSON', signed('delivered'), 422],
    ['no ref of ours', signed({ ...good, ref: 'x' }), 422],
    ['a state nobody knows', signed({ ...good, state: 'read' }), 422],
    ['of another business', signed({ ...good, ref: `${stranger.businessId}.${id}` }), 404],
    ['of nobody', signed({ ...good, ref: `${v7()}.${id}` }), 404],
    ['too long', signed({ ...good, word: 'x'.repeat(20_000) }), 413],
  ];
  for (const [what, send, status] of table) expect([what, (await send()).status]).toEqual([what, status]);
  // Where no secret is set nobody may say anything, signed with nothing or not.
  const closed = await request(app).post('/api/message-states').send(good);
  expect(closed.status).toBe(404);
  expect(await standsAs(id)).toEqual(before);
});
