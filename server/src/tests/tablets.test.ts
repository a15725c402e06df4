import type { FoundWork, HeldGroup, NewVisitEvent, TabletDoor } from '@dewpond/contract';
import { FOR_PERSON } from '@dewpond/contract';
import type { Happening } from '@dewpond/core/events';
import sharp from 'sharp';
import { eq } from 'drizzle-orm';
import request from 'supertest';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { keepPin } from '../platform/auth/pins';
import { heldWork, visit } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import {
  MORNING,
  PASSWORD,
  addDog,
  addMember,
  app,
  auth,
  clock,
  databases,
  openSalon,
  signIn,
  type Salon,
} from './salon';
import { begin, eventsOf } from './tableSide';

const MINUTE = 60_000;
const CLEAR: Happening = { type: 'looked clear', place: { site: 'ear', side: 'left' } };
const PIN = '402895';
const WRONG = '739164';

interface WithPin {
  readonly id: string;
  readonly personId: string;
  readonly name: string;
}
let salon: Salon;
let tomasz: WithPin;
let bilal: WithPin;
/** What the shared browser holds. */
let shared: string;
let tabletId: string;

const cookiesOf = (response: request.Response): string =>
  ((response.headers['set-cookie'] ?? []) as unknown as string[]).map((each) => each.split(';')[0]).join('; ');
const atTablet = (path: string, body: object, cookie = shared) =>
  request(app).post(`/api/tablet/${path}`).set('Cookie', cookie).send(body);
const comes = (who: WithPin, pin = PIN, cookie = shared) => atTablet('switch', { memberId: who.id, pin }, cookie);
const door = async (cookie = shared): Promise<TabletDoor> =>
  (await request(app).get('/api/tablet').set('Cookie', cookie)).body as TabletDoor;
const session = (cookie: string) => request(app).get('/api/session').set('Cookie', cookie);

async function colleague(name: string, role: 'groomer' | 'bather' = 'groomer'): Promise<WithPin> {
  const added = await addMember(salon, { name, role });
  const hash = await (await auth.$context).password.hash(PIN);
  await inTenant(databases, salon.businessId, (tx) => keepPin(tx, added.id, hash, new Date(clock.now)));
  return { ...added, name };
}
async function setUp(name = 'Tub tablet'): Promise<{ readonly id: string; readonly cookie: string }> {
  const email = `${salon.businessId}@example.test`;
  const manager = await signIn(email, PASSWORD);
  const id = v7();
  const made = await request(app).post('/api/tablets').set('Cookie', manager).send({ id, name });
  expect(made.status).toBe(201);
  return { id, cookie: cookiesOf(made) };
}

beforeAll(async () => {
  salon = await openSalon();
  tomasz = await colleague('Tomasz');
  bilal = await colleague('Bilal', 'bather');
  const made = await setUp();
  shared = made.cookie;
  tabletId = made.id;
});
beforeEach(() => {
  clock.now = MORNING;
});

describe('a shared tablet', () => {
  test('says whose it is and who may come; any other device says nothing', async () => {
    expect(await door()).toMatchObject({ state: 'here', name: 'Tub tablet', business: 'A salon', lockAfterMin: 3 });
    expect(await door('')).toEqual({ state: 'none' });
    expect(await door(`${shared.slice(0, -3)}xyz`)).toEqual({ state: 'none' });
    const elsewhere = await openSalon();
    expect(await door(shared.replace(salon.businessId, elsewhere.businessId))).toEqual({ state: 'none' });
  });

  test('is come to by a tap and a PIN, and what is done bears that name', async () => {
    const came = await comes(tomasz);
    expect(came.status).toBe(201);
    const theirs = cookiesOf(came);
    expect((await session(theirs)).body).toMatchObject({
      person: { name: 'Tomasz' },
      member: { role: 'groomer' },
      tablet: { name: 'Tub tablet', byPin: true },
    });
    const { dogId } = await addDog(salon);
    const visitId = v7();
    await request(app).post('/api/visits').set('Cookie', theirs).send({ id: visitId, dogId, appointmentId: null });
    const next = cookiesOf(await comes(bilal));
    const [event] = eventsOf([{ type: 'opened' }]);
    await request(app)
      .post(`/api/visits/${visitId}/events`)
      .set('Cookie', next)
      .send({ events: [event] });
    const { body } = await salon.call('GET /api/visits/:id/events', { id: visitId });
    expect(body.events).toMatchObject([{ person: bilal.personId }]);
    // One person is at it at a time.
    expect((await session(theirs)).status).toBe(401);
  });

  test('what a page asks for somebody who has gone meanwhile is not done in the name of who came', async () => {
    const theirs = cookiesOf(await comes(bilal));
    const body = { units: 'US' };
    const asked = await request(app).put('/api/me').set('Cookie', theirs).set(FOR_PERSON, tomasz.personId).send(body);
    expect(asked.status).toBe(401);
    expect((await session(theirs)).body).toMatchObject({ ownUnits: null });
    expect((await session(theirs).set(FOR_PERSON, bilal.personId)).status).toBe(200);
  });

  test('by a PIN nobody reaches what needs a password, whatever their role', async () => {
    const manager: WithPin = { ...(await colleague('Aroha')) };
    await salon.call('PUT /api/people/:id', { id: manager.id, body: { version: 1, name: 'Aroha', role: 'manager' } });
    const theirs = cookiesOf(await comes(manager));
    const asks = (path: string) => request(app).get(path).set('Cookie', theirs);
    for (const path of ['/api/export/clients.csv', '/api/people', '/api/audit', '/api/imports'])
      expect((await asks(path)).body.error.message).toMatch(/Not with a PIN on a shared tablet/);
    for (const path of ['/api/today', '/api/dogs', '/api/clients']) expect((await asks(path)).status).toBe(200);
  });

  test('locks: whoever was there is signed out', async () => {
    const theirs = cookiesOf(await comes(tomasz));
    expect((await session(theirs)).status).toBe(200);
    expect((await atTablet('lock', {})).status).toBe(201);
    expect((await session(theirs)).status).toBe(401);
  });

  test('a sign-in by password on it is one on it', async () => {
    const email = `${salon.businessId}@example.test`;
    const signed = await request(app)
      .post('/api/auth/sign-in/email')
      .set('Cookie', shared)
      .set('X-Forwarded-For', '10.77.1.1')
      .send({ email, password: PASSWORD });
    const theirs = cookiesOf(signed);
    await expect
      .poll(async () => (await session(theirs)).body.tablet as unknown)
      .toMatchObject({ name: 'Tub tablet', byPin: false });
    await atTablet('lock', {});
    expect((await session(theirs)).status).toBe(401);
  });
});

describe('a PIN', () => {
  test('that is wrong five times opens nothing any more, however many tries come at once', async () => {
    const wen = await colleague('Wen');
    const first = await comes(wen, WRONG);
    expect(first.status).toBe(422);
    expect(first.body.error.message).toMatch(/4 tries left/);
    // A right one between begins the count anew.
    expect((await comes(wen)).status).toBe(201);
    const answers = await Promise.all(Array.from({ length: 12 }, () => comes(wen, WRONG)));
    expect(answers.filter(({ status }) => status === 422)).toHaveLength(5);
    expect(answers.filter(({ status }) => status === 429)).toHaveLength(7);
    expect((await comes(wen)).status).toBe(429);
    expect((await door()) as object).toMatchObject({
      people: expect.arrayContaining([expect.objectContaining({ name: 'Wen', pin: 'blocked' })]),
    });
  });

  test('is set with the password, and no easy one', async () => {
    const set = (body: object) => salon.call('PUT /api/me/pin', { body });
    expect((await set({ password: PASSWORD, pin: '123456' })).body.error.fields).toMatchObject([{ path: 'pin' }]);
    expect((await set({ password: 'not it at all', pin: PIN })).body.error.fields).toMatchObject([
      { path: 'password' },
    ]);
    expect((await salon.call('GET /api/me/pin')).body).toEqual({ pin: 'none' });
    expect((await set({ password: PASSWORD, pin: PIN })).status).toBe(200);
    expect((await salon.call('GET /api/me/pin')).body).toEqual({ pin: 'set' });
  });

  test('goes with whoever leaves, and by a manager’s hand', async () => {
    const [gone, other] = [await colleague('Gone'), await colleague('Other')];
    const ticket = (await comes(other)).body.ticket as string;
    await salon.call('POST /api/people/:id/left', { id: gone.id, body: { bookings: [] } });
    expect((await comes(gone)).status).toBe(404);
    await salon.call('POST /api/people/:id/pin-removed', { id: other.id, body: {} });
    expect((await comes(other)).status).toBe(404);
    expect((await atTablet('ticket', { memberId: other.id, ticket })).status).toBe(403);
  });

  test('after a time without a network the ticket it sealed lets in, for its person, on its tablet, until the next', async () => {
    const { ticket } = (await comes(tomasz)).body as { ticket: string };
    const back = await atTablet('ticket', { memberId: tomasz.id, ticket });
    expect(back.status).toBe(201);
    expect((await session(cookiesOf(back))).body).toMatchObject({ person: { name: 'Tomasz' } });
    expect((await atTablet('ticket', { memberId: bilal.id, ticket })).status).toBe(403);
    expect((await atTablet('ticket', { memberId: tomasz.id, ticket }, (await setUp('Other')).cookie)).status).toBe(403);
    clock.now = MORNING + 31 * 86_400_000;
    expect((await atTablet('ticket', { memberId: tomasz.id, ticket })).status).toBe(403);
    clock.now = MORNING;
    await comes(tomasz);
    expect((await atTablet('ticket', { memberId: tomasz.id, ticket })).status).toBe(403);
  });
});

describe('a lost tablet', () => {
  let lost: { readonly id: string; readonly cookie: string };
  let visitId: string;
  let theirs: string;
  const LOST_AT = MORNING + 60 * MINUTE;
  beforeAll(async () => {
    clock.now = MORNING;
    lost = await setUp('Van tablet');
    theirs = cookiesOf(await comes(tomasz, PIN, lost.cookie));
    visitId = await begin(salon, (await addDog(salon)).dogId);
    clock.now = LOST_AT;
    expect((await salon.call('POST /api/tablets/:id/lost', { id: lost.id, body: {} })).status).toBe(201);
    // Told twice: the first time counts.
    clock.now = LOST_AT + 5 * MINUTE;
    await salon.call('POST /api/tablets/:id/lost', { id: lost.id, body: {} });
  });

  const found = (work: FoundWork[], cookie = lost.cookie) => atTablet('found', { work }, cookie);
  const asWork = (event: NewVisitEvent, who: WithPin = tomasz): FoundWork => ({
    ...{ kind: 'event', id: event.id, memberId: who.id, visitId, at: event.at, offset: event.offset },
    content: { ...event },
  });
  const groups = async (): Promise<readonly HeldGroup[]> =>
    (await salon.call('GET /api/tablets/:id/held', { id: lost.id })).body.items;

  test('is shut out at once, whoever is at it', async () => {
    expect((await session(theirs)).status).toBe(401);
    expect(await door(lost.cookie)).toEqual({ state: 'lost', name: 'Van tablet', at: new Date(LOST_AT).toISOString() });
    expect((await comes(tomasz, PIN, lost.cookie)).status).toBe(403);
    const { body } = await salon.call('GET /api/tablets');
    expect(body.items.find(({ id }) => id === lost.id)).toMatchObject({
      lost: { at: new Date(LOST_AT).toISOString(), by: 'Ines' },
      lastPerson: 'Tomasz',
    });
  });

  test('a sign-in by password on it comes to nothing', async () => {
    const signed = await request(app)
      .post('/api/auth/sign-in/email')
      .set('Cookie', lost.cookie)
      .set('X-Forwarded-For', '10.77.1.2')
      .send({ email: `${salon.businessId}@example.test`, password: PASSWORD });
    await expect.poll(async () => (await session(cookiesOf(signed))).status).toBe(401);
  });

  test('what it had recorded before the report waits for a yes, and is taken in with the name of who did it, marked', async () => {
    clock.now = LOST_AT - 10 * MINUTE;
    const [opened, clear] = eventsOf([{ type: 'opened' }, CLEAR]);
    const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#456' } })
      .jpeg()
      .toBuffer();
    const photo: FoundWork = {
      ...{ kind: 'picture', id: v7(), memberId: tomasz.id, visitId, at: clock.now, offset: 0 },
      content: { jpeg: picture.toString('base64') },
    };
    clock.now = LOST_AT + 20 * MINUTE;
    const [later] = eventsOf([CLEAR], 3);
    const answer = await found([asWork(opened!), asWork(clear!), photo, asWork(later!)]);
    expect(answer.body).toEqual({
      held: [opened!.id, clear!.id, photo.id],
      refused: [{ id: later!.id, words: expect.stringMatching(/after the tablet was reported lost/) }],
    });
    // Sent again is held once.
    await found([asWork(opened!), asWork(clear!)]);
    expect(await groups()).toMatchObject([
      { person: 'Tomasz', dog: 'Teasel', entries: 2, pictures: 1, state: 'waiting' },
    ]);
    const before = await salon.call('GET /api/visits/:id', { id: visitId });
    expect(before.body).toMatchObject({ events: [], fromLost: null });

    const body = { visitId, memberId: tomasz.id, take: true };
    await salon.call('POST /api/tablets/:id/held', { id: lost.id, body });
    const after = await salon.call('GET /api/visits/:id', { id: visitId });
    expect(after.body.events.map(({ person, what }) => [person, what.type])).toEqual([
      [tomasz.personId, 'opened'],
      [tomasz.personId, 'looked clear'],
    ]);
    expect(after.body.fromLost).toMatchObject({ entries: 2, people: ['Tomasz'], takenBy: 'Ines' });
    expect(await groups()).toMatchObject([{ state: 'taken', decidedBy: 'Ines', refused: [] }]);
    const shown = await request(app).get(`/api/photos/${photo.id}`).set('Cookie', salon.cookie);
    expect(shown.status).toBe(200);
  });

  test('a visit begun on it comes in with its work; of one that is not wanted nothing comes', async () => {
    clock.now = LOST_AT - 30 * MINUTE;
    const { dogId } = await addDog(salon);
    const [wanted, not] = [v7(), v7()];
    const work = [wanted, not].flatMap((id): FoundWork[] => {
      const [opened] = eventsOf([{ type: 'opened' }]);
      const its = { memberId: bilal.id, visitId: id, at: clock.now, offset: null };
      const begun = { at: clock.now, offset: null };
      const broken = { ...opened!, id: v7(), counter: 2, what: { type: 'danced' } };
      return [
        { kind: 'visit', id, ...its, content: { id, dogId, appointmentId: null, begun } },
        { kind: 'event', id: opened!.id, ...its, content: { ...opened! } },
        { kind: 'event', id: broken.id, ...its, content: broken },
      ];
    });
    clock.now = LOST_AT + 30 * MINUTE;
    expect((await found(work)).body.held).toHaveLength(6);
    for (const [id, take] of [
      [wanted, true],
      [not, false],
    ] as const)
      await salon.call('POST /api/tablets/:id/held', { id: lost.id, body: { visitId: id, memberId: bilal.id, take } });
    const { body } = await salon.call('GET /api/visits/:id', { id: wanted });
    expect(body.events).toMatchObject([{ person: bilal.personId, what: { type: 'opened' } }]);
    // What nobody can read is told, and holds nothing up.
    expect((await groups()).find((each) => each.visitId === wanted)?.refused).toHaveLength(1);
    expect((await salon.call('GET /api/visits/:id', { id: not })).status).toBe(404);
    expect((await groups()).find((each) => each.visitId === not)).toMatchObject({ state: 'not taken', dog: null });
  });

  test('of two at a visit begun there, either is taken in first', async () => {
    clock.now = LOST_AT - 20 * MINUTE;
    const { dogId } = await addDog(salon);
    const id = v7();
    const [opened, clear] = eventsOf([{ type: 'opened' }, CLEAR]);
    const its = { visitId: id, at: clock.now, offset: null };
    const answer = await found([
      { kind: 'visit', id, memberId: tomasz.id, ...its, content: { id, dogId, appointmentId: null } },
      { kind: 'event', id: opened!.id, memberId: tomasz.id, ...its, content: { ...opened! } },
      { kind: 'event', id: clear!.id, memberId: bilal.id, ...its, content: { ...clear! } },
    ]);
    expect(answer.body.held).toHaveLength(3);
    for (const who of [bilal, tomasz]) {
      const body = { visitId: id, memberId: who.id, take: true };
      await salon.call('POST /api/tablets/:id/held', { id: lost.id, body });
    }
    const { body } = await salon.call('GET /api/visits/:id', { id });
    expect(body.events.map(({ person }) => person)).toEqual([tomasz.personId, bilal.personId]);
    expect((await groups()).filter((each) => each.visitId === id)).toMatchObject([
      { state: 'taken', refused: [] },
      { state: 'taken', refused: [] },
    ]);
  });

  test('of a dog that is not in the book nothing can be taken in, and it is said', async () => {
    clock.now = LOST_AT - MINUTE;
    const id = v7();
    const its = { memberId: bilal.id, visitId: id, at: clock.now, offset: null };
    await found([{ kind: 'visit', id, ...its, content: { id, dogId: v7(), appointmentId: null } }]);
    await salon.call('POST /api/tablets/:id/held', {
      id: lost.id,
      body: { visitId: id, memberId: bilal.id, take: true },
    });
    expect((await groups()).find((each) => each.visitId === id)).toMatchObject({
      state: 'not taken',
      refused: ['There is no such dog here.'],
    });
  });

  test('nobody else hands anything over, and nobody but an owner-manager decides', async () => {
    expect((await found([], shared)).status).toBe(403);
    expect((await found([], '')).status).toBe(403);
    const bather = await openSalon('bather');
    expect(
      (
        await bather.call('POST /api/tablets/:id/held', {
          id: lost.id,
          body: { visitId, memberId: tomasz.id, take: true },
        })
      ).status,
    ).toBe(403);
    expect((await bather.call('POST /api/tablets', { body: { id: v7(), name: 'Mine' } })).status).toBe(403);
    // The tablet of another house is not there.
    expect((await bather.call('POST /api/tablets/:id/lost', { id: tabletId, body: {} })).status).toBe(404);
  });

  test('who is erased is erased from what waits, too, at visits that nobody took in as well', async () => {
    clock.now = LOST_AT - MINUTE;
    const { clientId, dogId } = await addDog(salon);
    const [known, begun] = [await begin(salon, dogId), v7()];
    await salon.call('POST /api/visits/:id/events', { id: known, body: { events: eventsOf([{ type: 'opened' }]) } });
    const its = { memberId: bilal.id, at: clock.now, offset: null };
    const content = (words: string) => ({ id: v7(), words });
    await found([
      { kind: 'event', id: v7(), visitId: known, ...its, content: content('Quillfeather came late') },
      { kind: 'visit', id: begun, visitId: begun, ...its, content: { id: begun, dogId, appointmentId: null } },
      { kind: 'event', id: v7(), visitId: begun, ...its, content: content('Quillfeather bit') },
    ]);
    await inTenant(databases, salon.businessId, (tx) =>
      tx.update(visit).set({ closed: 'finished' }).where(eq(visit.id, known)),
    );
    const all = () => inTenant(databases, salon.businessId, (tx) => tx.select().from(heldWork));
    expect(JSON.stringify(await all())).toContain('Quillfeather');
    const erased = await salon.call('POST /api/clients/:id/erasure', {
      id: clientId,
      body: { name: 'Folake Adeyemi' },
    });
    expect(erased.status).toBe(201);
    expect(JSON.stringify(await all())).not.toContain('Quillfeather');
  });

  test('found again, it is shared no more, and can be set up anew', async () => {
    await salon.call('POST /api/tablets/:id/removed', { id: lost.id, body: {} });
    expect(await door(lost.cookie)).toEqual({ state: 'none' });
    expect((await salon.call('GET /api/tablets')).body.items.map(({ id }) => id)).not.toContain(lost.id);
  });
});
