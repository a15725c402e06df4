import type { OwnerAnswering, OwnerPage } from '@dewpond/contract';
import { LINK_MARK } from '@dewpond/core/messages';
import { eq } from 'drizzle-orm';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { remindOwners } from '../features/messages/remind';
import { appointment, dog, message, ownerLink } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { tokenOf } from '../records/links/ownerLinks';
import { reachable, write } from './owner';
import { addDog, app, clock, databases, guest, MORNING, openSalon, services, type Salon } from './salon';

const DAY = 86_400_000;
/** So many days from the morning of the tests, at an hour. */
const at = (days: number, hour = 9) => new Date(MORNING + days * DAY + (hour - 9) * 3_600_000).toISOString();

let salon: Salon;
let memberId: string;
beforeAll(async () => {
  salon = await openSalon();
  memberId = (await salon.call('GET /api/members')).body.items[0]?.id ?? '';
});
beforeEach(() => {
  clock.now = MORNING;
});

/** An owner with a page: what stands on it, and how they answer. */
async function owner(withDog?: string) {
  const { dogId, clientId } = await reachable(salon);
  const other = withDog === undefined ? null : await addDogOf(clientId, withDog);
  const linkId = v7();
  expect((await salon.call('POST /api/links', { body: { id: linkId, dogId, days: 60 } })).status).toBe(201);
  const token = tokenOf(services.site, salon.businessId, linkId, 'owner page');
  const page = async () => (await request(app).get('/api/owner').set(guest(token))).body as OwnerPage;
  const answer = async (says: DistributiveOmit<OwnerAnswering, 'id'>, id: string = v7()) =>
    (
      await request(app)
        .put('/api/owner/answers')
        .set(guest(token))
        .send({ id, ...says })
    ).status;
  return { dogId, clientId, other: other ?? '', page, answer };
}
type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;

async function addDogOf(clientId: string, name: string): Promise<string> {
  const { dogId } = await addDog(salon, { name });
  await inTenant(databases, salon.businessId, (tx) => tx.update(dog).set({ clientId }).where(eq(dog.id, dogId)));
  return dogId;
}

const book = async (dogId: string, startsAt: string, minutes = 60): Promise<string> => {
  const id = v7();
  const body = { id, dogId, memberId, kind: 'full visit' as const, startsAt, minutes };
  expect((await salon.call('POST /api/appointments', { body })).status).toBe(201);
  return id;
};
const bookingsOf = async (dogId: string) =>
  inTenant(databases, salon.businessId, (tx) =>
    tx.select().from(appointment).where(eq(appointment.dogId, dogId)).orderBy(appointment.startsAt),
  );

interface Offered {
  readonly dogIds: readonly [string, ...string[]];
  readonly times: readonly string[];
  readonly insteadOf?: string;
}
/** Writes to an owner, with times to say yes to. */
async function offer({ dogIds: [dogId, ...withDogs], times, insteadOf }: Offered) {
  const sets = times.map(() => v7());
  const offers = times.flatMap((startsAt, i) =>
    [dogId, ...withDogs].map((each, nth) => ({
      ...{ id: v7(), setId: sets[i], dogId: each, memberId, kind: 'full visit', minutes: 60 },
      startsAt: new Date(Date.parse(startsAt) + nth * 3_600_000).toISOString(),
      insteadOf: insteadOf ?? null,
    })),
  );
  const { status } = await write(salon, dogId, {
    ...{ kind: 'time to come', withDogs, offers, words: `Would that suit you? ${LINK_MARK}` },
  });
  expect(status).toBe(201);
  return sets as [string, ...string[]];
}
const unseen = async (dogId: string) =>
  (await salon.call('GET /api/answers')).body.items.filter((each) => each.dogId === dogId);

describe('a visit that is booked', () => {
  test('yes is kept with the booking, and told to the salon until somebody has seen it', async () => {
    const { dogId, page, answer } = await owner();
    const id = await book(dogId, at(5));
    expect((await page()).booked).toMatchObject([{ id, isOwn: true, saidYes: false, isCancelled: false }]);
    expect(await answer({ says: 'comes', bookings: [id] })).toBe(200);
    expect((await page()).booked).toMatchObject([{ id, saidYes: true }]);
    const [told] = await unseen(dogId);
    expect(told).toMatchObject({ says: 'comes', dog: 'Teasel', phone: '01632 960114', booking: { id } });
    await salon.call('PUT /api/answers/:id', { id: told?.id ?? '', body: { seen: true } });
    expect(await unseen(dogId)).toEqual([]);
    await salon.call('PUT /api/answers/:id', { id: told?.id ?? '', body: { seen: false } });
    expect(await unseen(dogId)).toHaveLength(1);
  });

  test('a yes is for that time: moved, it has to be said again', async () => {
    const { dogId, page, answer } = await owner();
    const id = await book(dogId, at(6));
    await answer({ says: 'comes', bookings: [id] });
    const [row] = await bookingsOf(dogId);
    const move = { change: 'move' as const, version: row?.version ?? 0, memberId, startsAt: at(6, 11), minutes: 60 };
    expect((await salon.call('PUT /api/appointments/:id', { id, body: move })).status).toBe(200);
    expect((await page()).booked).toMatchObject([{ id, saidYes: false }]);
  });

  test('cancelled, its time is free at once; taken back while nobody has it, and not after', async () => {
    const { dogId, page, answer } = await owner();
    const id = await book(dogId, at(7));
    expect(await answer({ says: 'cannot come', bookings: [id] })).toBe(200);
    expect(await bookingsOf(dogId)).toMatchObject([{ state: 'cancelled', cancelledBy: 'owner' }]);
    expect((await page()).booked).toMatchObject([{ id, isCancelled: true }]);
    expect(await answer({ says: 'comes after all', bookings: [id] })).toBe(200);
    expect(await bookingsOf(dogId)).toMatchObject([{ state: 'booked', cancelledBy: null }]);
    await answer({ says: 'cannot come', bookings: [id] });
    await book((await addDog(salon)).dogId, at(7));
    expect((await page()).booked).toEqual([]);
    expect(await answer({ says: 'comes after all', bookings: [id] })).toBe(409);
  });

  test('what the business cancelled, an owner neither brings back nor is charged with; nor is it offered again', async () => {
    const { dogId, page, answer } = await owner();
    const id = await book(dogId, at(0, 17));
    const cancel = { change: 'cancel' as const, version: 1, by: 'business' as const };
    expect((await salon.call('PUT /api/appointments/:id', { id, body: cancel })).status).toBe(200);
    expect(await answer({ says: 'comes', bookings: [id] })).toBe(409);
    expect(await answer({ says: 'comes after all', bookings: [id] })).toBe(409);
    expect(await answer({ says: 'cannot come', bookings: [id] })).toBe(409);
    expect(await bookingsOf(dogId)).toMatchObject([{ state: 'cancelled', cancelledBy: 'business' }]);
    expect((await salon.call('GET /api/dogs/:id/slots', { id: dogId, query: {} })).body.lateCancellations).toBe(0);
    const [set] = await offer({ dogIds: [dogId], times: [at(12)] });
    await answer({ says: 'takes', set });
    const taken = (await bookingsOf(dogId)).at(-1);
    const version = taken?.version ?? 0;
    await salon.call('PUT /api/appointments/:id', { id: taken?.id ?? '', body: { ...cancel, version } });
    expect((await page()).offers).toEqual([]);
    expect(await answer({ says: 'takes', set })).toBe(409);
  });

  test('a late cancellation counts where the client books again', async () => {
    const { dogId, answer } = await owner();
    const id = await book(dogId, at(0, 16));
    await answer({ says: 'cannot come', bookings: [id] });
    expect((await salon.call('GET /api/dogs/:id/slots', { id: dogId, query: {} })).body.lateCancellations).toBe(1);
  });

  test('the same answer sent twice is one answer', async () => {
    const { dogId, answer } = await owner();
    const [id, once] = [await book(dogId, at(8)), v7()];
    for (const status of [200, 200]) expect(await answer({ says: 'comes', bookings: [id] }, once)).toBe(status);
    expect(await unseen(dogId)).toHaveLength(1);
  });

  test('two dogs of a house on one day: both, or only one', async () => {
    const { dogId, other, page, answer } = await owner('Bobbin');
    const [a, b] = [await book(dogId, at(9)), await book(other, at(9, 10))];
    expect((await page()).booked).toMatchObject([
      { id: a, isOwn: true },
      { id: b, dog: 'Bobbin', isOwn: false },
    ]);
    await answer({ says: 'comes', bookings: [a, b] });
    // The newest word counts.
    clock.now += 60_000;
    await answer({ says: 'cannot come', bookings: [a, b] });
    expect([...(await bookingsOf(dogId)), ...(await bookingsOf(other))].map(({ state }) => state)).toEqual([
      'cancelled',
      'cancelled',
    ]);
    expect((await unseen(other)).map(({ says }) => says)).toEqual(['cannot come']);
  });

  test('bad answers: of a stranger’s booking, of a visit that has begun, of none', async () => {
    const [one, another] = [await owner(), await owner()];
    const theirs = await book(another.dogId, at(10));
    expect(await one.answer({ says: 'cannot come', bookings: [theirs] })).toBe(404);
    expect(await one.answer({ says: 'takes', set: v7() })).toBe(404);
    expect(await one.answer({ says: 'cannot come', bookings: [] })).toBe(422);
    const own = await book(one.dogId, at(11));
    clock.now = MORNING + 11 * DAY + 60_000;
    expect(await one.answer({ says: 'cannot come', bookings: [own] })).toBe(409);
    expect(await bookingsOf(one.dogId)).toMatchObject([{ state: 'booked' }]);
  });
});

describe('times that were offered', () => {
  test('yes books it; another of them moves it; none of them is told to the salon', async () => {
    const { dogId, page, answer } = await owner();
    const [first, second] = await offer({ dogIds: [dogId], times: [at(14), at(15)] });
    expect((await page()).offers.map(({ set, startsAt }) => [set, startsAt])).toEqual([
      [first, at(14)],
      [second, at(15)],
    ]);
    expect(await answer({ says: 'takes', set: first })).toBe(200);
    expect(await bookingsOf(dogId)).toMatchObject([{ state: 'booked', kind: 'full visit' }]);
    const { booked, offers } = await page();
    expect([booked.length, booked[0]?.saidYes, offers.map(({ set }) => set)]).toEqual([1, true, [second]]);
    expect(await answer({ says: 'takes', set: second ?? '' })).toBe(200);
    expect((await bookingsOf(dogId)).map(({ state }) => state)).toEqual(['cancelled', 'booked']);
    // And back: the time is still free.
    expect(await answer({ says: 'takes', set: first })).toBe(200);
    expect((await bookingsOf(dogId)).map(({ state }) => state)).toEqual(['booked', 'cancelled']);
    expect(await answer({ says: 'none suits', note: 'Fridays only' })).toBe(200);
    expect((await unseen(dogId)).find(({ says }) => says === 'none suits')).toMatchObject({
      note: 'Fridays only',
      booking: null,
    });
  });

  test('two dogs of a house are booked together, one after the other', async () => {
    const { dogId, other, page, answer } = await owner('Bobbin');
    const [set] = await offer({ dogIds: [dogId, other], times: [at(16)] });
    expect((await page()).offers).toMatchObject([{ set, dogs: ['Teasel', 'Bobbin'] }]);
    await answer({ says: 'takes', set });
    const rows = [...(await bookingsOf(dogId)), ...(await bookingsOf(other))];
    expect(rows.map(({ startsAt }) => startsAt.toISOString())).toEqual([at(16), at(16, 10)]);
    expect((await page()).booked.map(({ dog }) => dog)).toEqual(['Teasel', 'Bobbin']);
  });

  test('the first yes takes it: of 20 owners one has it, the others are told', async () => {
    const owners = await Promise.all(Array.from({ length: 20 }, () => owner()));
    const sets = await Promise.all(owners.map(({ dogId }) => offer({ dogIds: [dogId], times: [at(17)] })));
    const answers = await Promise.all(
      owners.map(({ answer }, i) => answer({ says: 'takes', set: sets[i]?.[0] ?? '' })),
    );
    expect(answers.toSorted()).toEqual([200, ...Array.from({ length: 19 }, () => 409)]);
    expect((await owners[answers.indexOf(409)]?.page())?.offers).toEqual([]);
  });

  test('a time that came free is taken instead of the booking there was', async () => {
    const { dogId, page, answer } = await owner();
    const later = await book(dogId, at(30));
    const [set] = await offer({ dogIds: [dogId], times: [at(18)], insteadOf: later });
    expect((await page()).offers).toMatchObject([{ set }]);
    await answer({ says: 'takes', set });
    expect(await bookingsOf(dogId)).toMatchObject([
      { state: 'booked', id: expect.not.stringContaining(later) as string },
      { state: 'cancelled', id: later },
    ]);
  });

  test('booked by telephone meanwhile, or its hour past, an offer is gone', async () => {
    const { dogId, page } = await owner();
    await offer({ dogIds: [dogId], times: [at(19), at(20)] });
    clock.now = MORNING + 19 * DAY + 1;
    expect((await page()).offers).toHaveLength(1);
    await book(dogId, at(23));
    expect((await page()).offers).toEqual([]);
  });

  test('a time is offered only to dogs that the message is about, all of one owner', async () => {
    const [one, another] = [await owner(), await owner()];
    const set = { id: v7(), setId: v7(), memberId, kind: 'full visit', startsAt: at(21), minutes: 60, insteadOf: null };
    const body = { kind: 'time to come', words: LINK_MARK, offers: [{ ...set, dogId: another.dogId }] };
    expect((await write(salon, one.dogId, body)).status).toBe(422);
    expect((await write(salon, one.dogId, { withDogs: [another.dogId] })).status).toBe(422);
  });
});

describe('reminders sent by themselves', () => {
  const remindAt = async (own: Salon, minute: number | null) => {
    const { version } = (await own.call('GET /api/hours')).body;
    return (await own.call('PUT /api/reminders', { body: { version, at: minute } })).status;
  };
  const sent = (own: Salon) => inTenant(databases, own.businessId, (tx) => tx.select().from(message));

  test('off until somebody asks for them; then once, at their hour, to who agreed, all dogs of a house in one', async () => {
    const own = await openSalon();
    const person = (await own.call('GET /api/members')).body.items[0]?.id ?? '';
    const bookIn = async (dogId: string, startsAt: string) =>
      own.call('POST /api/appointments', {
        body: { id: v7(), dogId, memberId: person, kind: 'full visit', startsAt, minutes: 60 },
      });
    const [house, silent, later] = [await reachable(own), await reachable(own, {}), await reachable(own)];
    const second = await addDog(own, { name: 'Bobbin' });
    await inTenant(databases, own.businessId, async (tx) => {
      await tx.update(dog).set({ clientId: house.clientId }).where(eq(dog.id, second.dogId));
    });
    await bookIn(house.dogId, at(1, 10));
    await bookIn(second.dogId, at(1, 11));
    await bookIn(silent.dogId, at(1, 13));
    await bookIn(later.dogId, at(2));
    clock.now = MORNING + 9 * 3_600_000;
    const remind = () => remindOwners(services, own.businessId);
    expect(await remind()).toBe(0);
    expect(await remindAt(own, 17 * 60)).toBe(200);
    clock.now = MORNING;
    expect(await remind()).toBe(0);
    clock.now = MORNING + 9 * 3_600_000;
    expect([await remind(), await remind()]).toEqual([1, 0]);
    const [one, ...others] = await sent(own);
    expect(others).toEqual([]);
    expect(one).toMatchObject({ kind: 'before you come', withDogs: [second.dogId], askedBy: 'the evening reminder' });
    expect(one?.words).toContain('Teasel and Bobbin on Thu 26 Nov at 10:00.');
    expect(await inTenant(databases, own.businessId, (tx) => tx.select().from(ownerLink))).toHaveLength(1);
    const { items } = (await own.call('GET /api/messages', { query: { dog: second.dogId } })).body;
    expect(items.map((each) => each.dog)).toEqual(['Teasel, Bobbin']);
  });

  test('who was reminded by hand is not reminded again', async () => {
    const own = await openSalon();
    const person = (await own.call('GET /api/members')).body.items[0]?.id ?? '';
    const { dogId } = await reachable(own);
    const body = { id: v7(), dogId, memberId: person, kind: 'full visit' as const, startsAt: at(1), minutes: 60 };
    await own.call('POST /api/appointments', { body });
    await write(own, dogId, { kind: 'before you come' });
    await remindAt(own, 0);
    expect(await remindOwners(services, own.businessId)).toBe(0);
  });

  test('another dog of the house that comes a day later, or is booked after the reminder, is reminded of, too', async () => {
    const own = await openSalon();
    const person = (await own.call('GET /api/members')).body.items[0]?.id ?? '';
    const house = await reachable(own);
    const second = await addDog(own, { name: 'Bobbin' });
    const third = await addDog(own, { name: 'Quill' });
    for (const { dogId } of [second, third])
      await inTenant(databases, own.businessId, (tx) =>
        tx.update(dog).set({ clientId: house.clientId }).where(eq(dog.id, dogId)),
      );
    const bookIn = (dogId: string, startsAt: string) =>
      own.call('POST /api/appointments', {
        body: { id: v7(), dogId, memberId: person, kind: 'full visit', startsAt, minutes: 60 },
      });
    await bookIn(house.dogId, at(1));
    await bookIn(second.dogId, at(2));
    await remindAt(own, 0);
    const remind = () => remindOwners(services, own.businessId);
    expect([await remind(), await remind()]).toEqual([1, 0]);
    await bookIn(third.dogId, at(1, 11));
    expect([await remind(), await remind()]).toEqual([1, 0]);
    clock.now = MORNING + DAY;
    expect([await remind(), await remind()]).toEqual([1, 0]);
    expect((await sent(own)).map(({ dogId }) => dogId).toSorted()).toEqual(
      [house.dogId, second.dogId, third.dogId].toSorted(),
    );
  });

  test('only a manager says when', async () => {
    expect(await remindAt(await openSalon('groomer'), 1000)).toBe(403);
    expect(await remindAt(await openSalon(), 1440)).toBe(422);
  });
});
