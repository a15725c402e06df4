import type { InvitationView, SessionLine } from '@dewpond/contract';
import type { Role } from '@dewpond/core/rights';
import { eq, sql } from 'drizzle-orm';
import express from 'express';
import request from 'supertest';
import { beforeAll, beforeEach, describe, expect, onTestFinished, test } from 'vitest';
import { v7 } from 'uuid';
import * as authSchema from '../platform/db/authSchema';
import { member } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { ACCOUNT_CHANGES } from '../platform/auth/accountNote';
import { ACCOUNT_JOB, sendAccountNews } from '../records/people/accountNews';
import { accountNewsOf, openAccountNews } from './accountNews';
import { sendInvitation } from '../features/people/sendInvitation';
import { signIn as signInRoutes } from '../platform/auth/signIn';
import type { OutgoingMail } from '../platform/post/carrier';
import {
  MORNING,
  PASSWORD,
  addDog,
  addMember,
  app,
  auth,
  clock,
  config,
  databases,
  openSalon,
  services,
  signIn,
  type Salon,
} from './salon';

const DAY = 86_400_000;
const GOOD = 'wet otters at dawn';

let salon: Salon;
beforeAll(async () => {
  salon = await openSalon();
});
beforeEach(() => {
  clock.now = MORNING;
});

/** One truth: every member who belongs here has the sign-in's row with the same role, and nobody else has one. */
async function expectOneTruth(of: Salon = salon): Promise<void> {
  const members = await inTenant(databases, of.businessId, (tx) => tx.select().from(member));
  const accounts = await databases.auth
    .select()
    .from(authSchema.member)
    .where(eq(authSchema.member.organizationId, of.businessId));
  expect(accounts.map((each) => [each.userId, each.role]).toSorted()).toEqual(
    members.flatMap((each) => (each.leftAt ? [] : [[each.personId, each.role]])).toSorted(),
  );
}

const invite = async (given: Partial<{ name: string; role: Role; email: string; memberId: string | null }> = {}) => {
  const body = { id: v7(), memberId: null, name: 'Bilal', role: 'bather', email: '', ...given };
  return salon.call('POST /api/invitations', { body });
};
const tokenIn = ({ url }: Pick<InvitationView, 'url'>): string => url?.split('#')[1] ?? '';
const join = (body: object) => request(app).post('/api/join').set('X-Forwarded-For', '10.9.0.1').send(body);
const people = async () => (await salon.call('GET /api/people')).body;

interface JoinedPerson {
  readonly email: string;
  readonly memberId: string;
  readonly cookie: string;
}
async function joined(role: Role = 'bather', name = 'Bilal Demir'): Promise<JoinedPerson> {
  const { body } = await invite({ role, name });
  const email = `${v7()}@example.test`;
  const { status } = await join({ token: tokenIn(body), name, email, password: GOOD });
  expect(status).toBe(201);
  const memberId = (await people()).people.find((each) => each.email === email)?.id ?? '';
  return { email, memberId, cookie: await signIn(email, GOOD) };
}
/** Services with a mailbox to look into, and the same with a mail server that is away. */
function mailbox() {
  const sent: OutgoingMail[] = [];
  const carried = (kind: 'sent' | 'trouble') => ({
    ...services,
    post: {
      ...services.post,
      'e-mail': {
        via: 'smtp' as const,
        deliver: async (letter: OutgoingMail) => {
          sent.push(letter);
          return Promise.resolve({ kind, word: 'away' });
        },
      },
    },
  });
  return { sent, carrying: carried('sent'), away: carried('trouble') };
}
const asks = (cookie: string, path = '/api/session') => request(app).get(path).set('Cookie', cookie);

describe('an invitation', () => {
  test('lets one person in, with the role it says, and after that nobody', async () => {
    const { body } = await invite({ name: 'Tomasz', role: 'groomer', email: 'tomasz@example.test' });
    const token = tokenIn(body);
    const look = await request(app).post('/api/join/look').send({ token });
    expect(look.body).toMatchObject({ business: 'A salon', name: 'Tomasz', role: 'groomer', isKnown: false });
    const email = `${v7()}@example.test`;
    const answers = await Promise.all(
      [0, 1, 2].map(() => join({ token, name: 'Tomasz Brandt', email, password: GOOD })),
    );
    expect(answers.map(({ status }) => status).toSorted()).toEqual([201, expect.any(Number), expect.any(Number)]);
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(1);
    const again = await join({ token, name: 'Somebody', email: `x${email}`, password: GOOD });
    expect(again.status).toBe(409);
    expect(again.body.error.message).toMatch(/was used/);
    const cookie = await signIn(email, GOOD);
    expect((await asks(cookie)).body).toMatchObject({ person: { name: 'Tomasz Brandt' }, member: { role: 'groomer' } });
    await expectOneTruth();
  });

  test('sent again is the same; taken back, run out, or cut short it opens nothing, and says so', async () => {
    const id = v7();
    const body = { id, memberId: null, name: 'Bilal', role: 'bather', email: '' };
    const first = await salon.call('POST /api/invitations', { body });
    const second = await salon.call('POST /api/invitations', { body });
    expect(second.body.url).toBe(first.body.url);
    const token = tokenIn(first.body);
    expect((await join({ token: token.slice(0, -4), name: 'B', email: 'b@b.test', password: GOOD })).status).toBe(404);
    clock.now = MORNING + 8 * DAY;
    expect((await join({ token, name: 'B', email: 'b@b.test', password: GOOD })).body.error.message).toMatch(/run out/);
    clock.now = MORNING;
    await salon.call('POST /api/invitations/:id/withdrawn', { id, body: {} });
    expect((await join({ token, name: 'B', email: 'b@b.test', password: GOOD })).body.error.message).toMatch(
      /taken back/,
    );
    expect((await people()).invitations.find((each) => each.id === id)).toMatchObject({
      state: 'withdrawn',
      url: null,
    });
  });

  test('a common password, or the names of person and house, are refused at the field', async () => {
    const token = tokenIn((await invite()).body);
    for (const password of ['password1234', 'short', 'bilaldemir1']) {
      const { status, body } = await join({ token, name: 'Bilal Demir', email: 'bd@example.test', password });
      expect(status).toBe(422);
      expect(body.error.fields).toMatchObject([{ path: 'password' }]);
    }
  });

  test('whoever has an account joins with its password, and with no other', async () => {
    const elsewhere = await openSalon();
    const email = `${elsewhere.businessId}@example.test`;
    const token = tokenIn((await invite()).body);
    const wrong = await join({ token, name: 'Ines', email, password: GOOD });
    expect(wrong.status).toBe(422);
    expect(wrong.body.error.message).toMatch(/has an account/);
    expect((await join({ token, name: 'Ines', email, password: PASSWORD })).status).toBe(201);
    await expectOneTruth();
    await expectOneTruth(elsewhere);
    // The manager of one house gives nobody of another a new password.
    const id = (await people()).people.find((each) => each.email === email)?.id ?? '';
    const link = await invite({ memberId: id });
    const taken = await join({ token: tokenIn(link.body), name: 'Ines', email, password: GOOD });
    expect(taken.status).toBe(409);
    expect((await asks(elsewhere.cookie)).status).toBe(200);
  });

  test('goes to its address, once more where the mail server was away, and not when it is taken back', async () => {
    const { sent, carrying, away } = mailbox();
    const { body } = await invite({ email: 'wen@example.test', name: 'Wen' });
    await expect(sendInvitation(away, salon.businessId, body.id)).rejects.toThrow('away');
    await sendInvitation(carrying, salon.businessId, body.id);
    expect(sent[1]).toMatchObject({ to: 'wen@example.test', words: expect.stringContaining(body.url ?? '?') });
    await salon.call('POST /api/invitations/:id/withdrawn', { id: body.id, body: {} });
    await sendInvitation(carrying, salon.businessId, body.id);
    expect(sent).toHaveLength(2);
  });
});

describe('a person', () => {
  test('has another role and name from the next call on; a stale change is told', async () => {
    const { memberId, cookie } = await joined();
    const before = (await people()).people.find(({ id }) => id === memberId);
    const body = { version: before?.version ?? 0, name: 'Bilal D.', role: 'groomer' as const };
    expect((await salon.call('PUT /api/people/:id', { id: memberId, body })).status).toBe(200);
    expect((await asks(cookie)).body).toMatchObject({ person: { name: 'Bilal D.' }, member: { role: 'groomer' } });
    expect((await salon.call('PUT /api/people/:id', { id: memberId, body })).status).toBe(409);
    await expectOneTruth();
  });

  test('who leaves is signed out at once, and what was booked with them goes on', async () => {
    const { memberId, cookie } = await joined();
    const other = await joined('groomer', 'Tomasz');
    const { dogId } = await addDog(salon);
    const at = (hour: number) => new Date(MORNING + DAY + hour * 3_600_000).toISOString();
    const book = async (who: string, hour: number) => {
      const id = v7();
      const body = { id, dogId, memberId: who, kind: 'full visit', startsAt: at(hour), minutes: 60 };
      expect((await salon.call('POST /api/appointments', { body })).status).toBe(201);
      return id;
    };
    const [one, two] = [await book(memberId, 1), await book(memberId, 3)];
    await book(other.memberId, 3);
    const { body: ahead } = await salon.call('GET /api/people/:id/handover', { id: memberId });
    expect(ahead.items.map((each) => [each.appointmentId, each.free.includes(other.memberId)])).toEqual([
      [one, true],
      [two, false],
    ]);
    const leave = (bookings: object[]) => salon.call('POST /api/people/:id/left', { id: memberId, body: { bookings } });
    expect((await leave([{ id: one, to: other.memberId }])).status).toBe(409);
    const clash = [
      { id: one, to: other.memberId },
      { id: two, to: other.memberId },
    ];
    expect((await leave(clash)).status).toBe(409);
    expect((await asks(cookie)).status).toBe(200);
    const good = [
      { id: one, to: other.memberId },
      { id: two, to: null },
    ];
    expect((await leave(good)).status).toBe(201);
    expect((await leave(good)).status).toBe(201);
    expect((await asks(cookie)).status).toBe(401);
    const { body } = await salon.call('GET /api/appointments', { query: { from: '2026-11-26', to: '2026-11-26' } });
    expect(body.items.find(({ id }) => id === one)).toMatchObject({ memberId: other.memberId, state: 'booked' });
    expect(body.items.find(({ id }) => id === two)).toMatchObject({ state: 'cancelled' });
    expect((await salon.call('GET /api/members')).body.items.map(({ id }) => id)).not.toContain(memberId);
    const late = { id: v7(), dogId, memberId, kind: 'full visit', startsAt: at(5), minutes: 60 };
    expect((await salon.call('POST /api/appointments', { body: late })).status).toBe(422);
    await expectOneTruth();
  });

  test('who comes back has their name, their number and their old password', async () => {
    const { memberId, email } = await joined();
    await salon.call('POST /api/people/:id/left', { id: memberId, body: { bookings: [] } });
    const before = await signIn(email, GOOD);
    expect((await asks(before)).status).toBe(403);
    expect((await salon.call('POST /api/people/:id/back', { id: memberId, body: {} })).status).toBe(201);
    const cookie = await signIn(email, GOOD);
    expect((await asks(cookie)).body).toMatchObject({ member: { id: memberId } });
    await expectOneTruth();
  });

  test('the last owner-manager stays, whatever two do at once', async () => {
    const own = await openSalon();
    const leave = (id: string) => own.call('POST /api/people/:id/left', { id, body: { bookings: [] } });
    expect((await leave(own.memberId)).body.error.message).toMatch(/at least one owner-manager/);
    const { id: second } = await addMember(own, { name: 'Wen', role: 'manager' });
    const answers = await Promise.all([leave(own.memberId), leave(second)]);
    expect(answers.map(({ status }) => status).filter((status) => status === 201)).toHaveLength(1);
    await expectOneTruth(own);
  });

  test('only an owner-manager makes one, even where the house lets others keep people', async () => {
    const own = await openSalon('desk');
    await inTenant(databases, own.businessId, (tx) =>
      tx.execute(sql`update dewpond.business set rights = '{"keep people": ["desk"]}'`),
    );
    const body = { id: v7(), memberId: null, name: 'Wen', email: '' };
    expect((await own.call('POST /api/invitations', { body: { ...body, role: 'manager' } })).status).toBe(403);
    expect((await own.call('POST /api/invitations', { body: { ...body, role: 'bather' } })).status).toBe(201);
  });
});

describe('a new password', () => {
  test('by the manager’s link ends all sessions, and the old one opens nothing', async () => {
    const { memberId, email, cookie } = await joined();
    const { body } = await invite({ memberId });
    expect(body).toMatchObject({ memberId, role: 'bather' });
    expect(
      (await join({ token: tokenIn(body), name: 'x', email: 'x@x.test', password: 'three grey herons' })).body,
    ).toEqual({ email });
    expect((await asks(cookie)).status).toBe(401);
    expect(await signIn(email, GOOD)).toBe('');
    expect((await asks(await signIn(email, 'three grey herons'))).status).toBe(200);
  });

  test('asked for by oneself goes to one’s own address only, and says nothing of who has an account', async () => {
    const { email, memberId } = await joined();
    const ask = (address: string) => request(app).post('/api/forgotten').send({ email: address });
    const [known, unknown] = [await ask(email), await ask('nobody@example.test')];
    expect([known.status, known.body]).toEqual([unknown.status, unknown.body]);
    const { rows } = await inTenant(databases, salon.businessId, (tx) =>
      tx.execute<{ email: string; person_id: string | null }>(
        sql`select email, person_id from dewpond.invitation where member_id = ${memberId}`,
      ),
    );
    expect(rows).toEqual([{ email, person_id: null }]);
    expect((await people()).invitations.some((each) => each.memberId === memberId)).toBe(false);
    // Nobody fills another's mailbox: three an hour, whoever asks.
    for (let i = 0; i < 5; i++) await ask(email);
    const { rows: all } = await inTenant(databases, salon.businessId, (tx) =>
      tx.execute(sql`select id from dewpond.invitation where member_id = ${memberId}`),
    );
    expect(all).toHaveLength(3);
  });

  test('by oneself: held to the same rules, and ends the other sessions', async () => {
    const { email, cookie } = await joined();
    const second = await signIn(email, GOOD);
    const change = (newPassword: string) =>
      request(app)
        .post('/api/auth/change-password')
        .set('Cookie', second)
        .send({ currentPassword: GOOD, newPassword, revokeOtherSessions: false });
    expect((await change('password1234')).status).toBe(422);
    expect((await change('bilaldemir1')).status).toBe(422);
    expect((await change('three grey herons')).status).toBe(200);
    expect((await asks(cookie)).status).toBe(401);
  });
});

describe('sessions', () => {
  test('are seen and ended by their own person; another’s are not', async () => {
    const { email, cookie } = await joined();
    const second = await signIn(email, GOOD);
    const { items } = (await asks(cookie, '/api/me/sessions')).body as { items: SessionLine[] };
    expect(items).toHaveLength(2);
    const other = items.find((each) => !each.isThis);
    const end = (as: string) => request(app).post(`/api/me/sessions/${other?.id}/ended`).set('Cookie', as).send({});
    await end(salon.cookie);
    expect((await asks(second)).status).toBe(200);
    await end(cookie);
    expect((await asks(second)).status).toBe(401);
    expect((await asks(cookie)).status).toBe(200);
  });

  test('end thirty days after they began, however much they are used', async () => {
    const { cookie, memberId } = await joined();
    const personId = (await people()).people.find(({ id }) => id === memberId)?.personId ?? '';
    await databases.auth
      .update(authSchema.session)
      .set({ createdAt: new Date(Date.now() - 31 * DAY) })
      .where(eq(authSchema.session.userId, personId));
    expect((await asks(cookie)).status).toBe(401);
  });

  test('a manager signs a person out everywhere', async () => {
    const { cookie, memberId } = await joined();
    expect((await salon.call('POST /api/people/:id/signed-out', { id: memberId, body: {} })).body).toEqual({
      ended: 1,
    });
    expect((await asks(cookie)).status).toBe(401);
  });

  test('a sign-in from a new browser is told; the first one, and one that is known, are not', async () => {
    const { email } = await joined();
    const told: string[] = [];
    const door = express().use(
      signInRoutes(config, auth, databases, async ({ personId }) => Promise.resolve(void told.push(personId))),
    );
    let tries = 0;
    const enter = async (cookie = '') => {
      const { headers, status } = await request(door)
        .post('/api/auth/sign-in/email')
        .set('Cookie', cookie)
        .set('Origin', config.PUBLIC_URL)
        .send({ email, password: GOOD });
      expect([status, (tries += 1)]).toEqual([200, tries]);
      return /dewpond-device=[^;]+/.exec(String(headers['set-cookie']))?.[0] ?? '';
    };
    // `joined` has signed in once: that was the first.
    const mark = await enter();
    await expect.poll(() => told.length).toBe(1);
    expect(await enter(mark)).toBe(mark);
    await enter();
    await expect.poll(() => told.length).toBe(2);
  });

  test('the mail about it says when, and what to do', async () => {
    const { memberId, email } = await joined();
    const personId = (await people()).people.find(({ id }) => id === memberId)?.personId ?? '';
    const { sent, carrying } = mailbox();
    await sendAccountNews(carrying, { businessId: salon.businessId, personId, at: MORNING, what: 'device' });
    expect(sent[0]).toMatchObject({
      to: email,
      words: expect.stringMatching(/25 November 2026 at 09:00.*Keys and you/s),
    });
  });

  test('what is done to an account is told to its person: a password, by whichever way, and a PIN', async () => {
    onTestFinished(await openAccountNews());
    const { cookie, memberId } = await joined();
    const personId = (await people()).people.find(({ id }) => id === memberId)?.personId ?? '';
    const change = { currentPassword: GOOD, newPassword: 'three grey herons' };
    const wrong = await request(app)
      .post('/api/auth/change-password')
      .set('Cookie', cookie)
      .send({ ...change, currentPassword: 'not it at all' });
    expect(wrong.status).toBe(400);
    await request(app).post('/api/auth/change-password').set('Cookie', cookie).send(change);
    await expect.poll(() => accountNewsOf(personId)).toEqual(['password']);
    const { body } = await invite({ memberId });
    await join({ token: tokenIn(body), name: 'x', email: 'x@x.test', password: GOOD });
    expect(await accountNewsOf(personId)).toEqual(['password', 'password']);
    const pin = { pin: '739152', password: PASSWORD };
    expect((await salon.call('PUT /api/me/pin', { body: pin })).status).toBe(200);
    const me = (await salon.call('GET /api/session')).body.person.id;
    expect(await accountNewsOf(me)).toEqual(['PIN']);
    expect((await salon.call('PUT /api/me/pin', { body: { ...pin, password: 'wrong' } })).status).toBe(422);
    expect(await accountNewsOf(me)).toEqual(['PIN']);
  });

  test('each kind of it has words of its own', async () => {
    const { memberId } = await joined();
    const personId = (await people()).people.find(({ id }) => id === memberId)?.personId ?? '';
    const { sent, carrying } = mailbox();
    for (const what of ACCOUNT_CHANGES)
      await sendAccountNews(carrying, { businessId: salon.businessId, personId, at: MORNING, what });
    expect(new Set(sent.map(({ subject }) => subject)).size).toBe(ACCOUNT_CHANGES.length);
    expect(new Set(sent.map(({ id }) => id)).size).toBe(ACCOUNT_CHANGES.length);
    for (const { words } of sent) expect(words).toMatch(/25 November 2026 at 09:00.*change your password/s);
    // What waited in the queue of the version before.
    expect(ACCOUNT_JOB.ids.parse({ businessId: salon.businessId, personId, at: MORNING })).toMatchObject({
      what: 'device',
    });
  });

  test('too many wrong passwords close the account for a while, from whatever address they come', async () => {
    const { email } = await joined();
    let status = 0;
    for (let i = 0; i < 24 && status !== 429; i++)
      ({ status } = await request(app)
        .post('/api/auth/sign-in/email')
        .set('X-Forwarded-For', `10.7.1.${i}`)
        .send({ email, password: `wrong-password-${i}` }));
    expect(status).toBe(429);
    expect(await signIn(email, GOOD)).toBe('');
  });
});
