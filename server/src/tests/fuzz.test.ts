import { createServer, request as ask, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { bottleOf, makeMix, mixBody } from './shelfSide';
import { seeded } from '../../../core/src/tests/seeded';
import { hostileRequest, type HostileRequest, type KnownIds } from './hostile';
import { business } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { PASSWORD, addDog, app, databases, openSalon, signIn, type Salon } from './salon';
import { visitDog } from './tableSide';

const REQUESTS = process.env['DEWPOND_DEEP'] ? 20_000 : 1000;
const SEED = Number(process.env['DEWPOND_SEED'] ?? 15);

let salon: Salon;
let known: KnownIds;
let server: Server;
let port: number;
beforeAll(async () => {
  salon = await openSalon();
  const { clientId, dogId } = await addDog(salon);
  const visitId = await visitDog(salon, dogId);
  const mix = await makeMix(salon, mixBody(salon.productId, await bottleOf(salon)));
  known = { ids: [clientId, dogId, visitId, salon.productId, salon.memberId, mix.body.id, await bottleOf(salon)] };
  server = createServer(app).listen(0);
  port = (server.address() as AddressInfo).port;
}, 60_000);
afterAll(() => new Promise((done) => server.close(done)));

/** Sent by hand: no library would write such addresses and headers. */
const send = (hostile: HostileRequest, cookie: string) =>
  new Promise<number>((done) => {
    const sent = ask(
      {
        port,
        method: hostile.method.toUpperCase(),
        path: hostile.path,
        headers: { cookie, ...hostile.headers },
        timeout: 20_000,
      },
      (response) => {
        response.resume();
        // A stream of news has no end.
        if (response.headers['content-type']?.startsWith('text/event-stream')) response.destroy();
        response.on('close', () => done(response.statusCode ?? 0));
      },
    );
    // What the server will not read it cuts off; an answer that never comes, or nobody there, is a fault.
    let hangs = false;
    sent.on('error', ({ code }: NodeJS.ErrnoException) => done(hangs || code === 'ECONNREFUSED' ? 0 : 400));
    sent.on('timeout', () => {
      hangs = true;
      sent.destroy();
    });
    if (hostile.body !== null) sent.write(hostile.body);
    sent.end();
  });

const askNoSecondProof = () =>
  inTenant(databases, salon.businessId, (tx) => tx.update(business).set({ secondFactor: 'nobody' }));

test(`${REQUESTS} hostile requests (seed ${SEED}): none is a fault of ours, and all is well after them`, async () => {
  const random = seeded(SEED);
  const counts: Record<number, number> = {};
  const faults: unknown[] = [];
  let { cookie } = salon;
  for (let n = 0; n < REQUESTS; n++) {
    const hostile = hostileRequest(random, known);
    let status: number;
    try {
      // What Node itself will not send it throws at once.
      const isSignedIn = random() < 0.95;
      status = await send(hostile, isSignedIn ? cookie : '');
      // A manager may sign anybody out, herself too: what comes after would be refused unread.
      if (isSignedIn && status === 401) cookie = await signIn(`${salon.businessId}@example.test`, PASSWORD);
      // Nor is anything read of whoever has asked everybody for a second proof, and has none.
      if (isSignedIn && status === 403) await askNoSecondProof();
    } catch {
      status = 400;
    }
    counts[status] = (counts[status] ?? 0) + 1;
    if (status >= 500 || status === 0) faults.push({ n, status, ...hostile, body: String(hostile.body).slice(0, 600) });
  }
  console.log(`hostile requests, seed ${SEED}, by status: ${JSON.stringify(counts)}`);
  expect(faults.slice(0, 5)).toEqual([]);
  expect(await send({ method: 'get', path: '/api/business', headers: {}, body: null }, cookie)).toBe(200);
}, 1_200_000);
