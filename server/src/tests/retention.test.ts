import type { KeptView } from '@dewpond/contract';
import { eq, sql } from 'drizzle-orm';
import { beforeEach, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { letGoAtNight } from '../features/record/retention';
import { audit, dog, homePhoto, message, photo, photoShown, sheetPdf, visit, visitEvent } from '../platform/db/schema';
import { inTenant, type Tenant } from '../platform/db/tenant';
import { MORNING, addDog, clock, databases, openSalon, services, type Salon } from './salon';
import { begin, eventsOf } from './tableSide';

const DAY = 86_400_000;
const NIGHT = MORNING + 18 * 3_600_000;
const within = <T>(own: Salon, work: (tx: Tenant) => Promise<T>): Promise<T> =>
  inTenant(databases, own.businessId, work);

beforeEach(() => {
  clock.now = MORNING;
});

/** A visit of so many days ago, with a picture, a note and a message; and one picture from home of that day. */
async function visited(own: Salon, dogId: string, clientId: string, daysAgo: number): Promise<string> {
  const id = await begin(own, dogId);
  const on = new Date(MORNING - daysAgo * DAY).toISOString().slice(0, 10);
  const events = eventsOf([{ type: 'opened' }, { type: 'noted', text: 'Quillfeather sneezed' }]);
  await own.call('POST /api/visits/:id/events', { id, body: { events } });
  await within(own, async (tx) => {
    const picture = {
      id: v7(),
      width: 1,
      height: 1,
      size: 3,
      bytes: Buffer.from('abc'),
      madeFrom: 'x',
      addedBy: 'Ines',
    };
    await tx.update(visit).set({ day: on, closed: 'finished' }).where(eq(visit.id, id));
    await tx.insert(photo).values({ ...picture, visitId: id });
    await tx
      .insert(photoShown)
      .values({ visitId: id, dogId, day: on, photoId: picture.id, place: 'ear left' } as never);
    await tx.insert(sheetPdf).values({ visitId: id, madeFrom: 'x', bytes: Buffer.from('a picture') });
    await tx.insert(homePhoto).values({ id: v7(), dogId, day: on, size: 3, bytes: Buffer.from('abc'), madeFrom: 'x' });
    await tx.insert(message).values({
      ...{ id: v7(), clientId, dogId, kind: 'sheet', channel: 'e-mail', recipient: 'a@b.example', state: 'sent' },
      ...{ subject: 'Your dog', words: 'Quillfeather is well', askedBy: 'Ines', madeFrom: 'x' },
      createdAt: new Date(MORNING - daysAgo * DAY),
    });
    await tx.insert(audit).values({
      ...{ id: v7(), day: on, personId: v7(), person: 'Ines', what: 'changed', words: `something ${daysAgo}` },
      at: new Date(MORNING - daysAgo * DAY),
    });
  });
  return id;
}

const choose = async (own: Salon, retention: KeptView['retention']) => {
  const { version } = (await own.call('GET /api/kept')).body;
  return own.call('PUT /api/kept', { body: { version, retention } });
};
const counts = (own: Salon) =>
  within(own, async (tx) => ({
    pictures: await tx.$count(photo),
    shown: await tx.$count(photoShown),
    home: await tx.$count(homePhoto),
    printed: await tx.$count(sheetPdf),
    messages: (await tx.select({ words: message.words }).from(message)).map(({ words }) => words).toSorted(),
    log: (await tx.select({ words: audit.words }).from(audit))
      .flatMap(({ words }) => (/^something/.test(words) ? [words] : []))
      .toSorted(),
  }));

describe('what a house keeps', () => {
  test('is everything until it chooses; what would go is told before, and goes in the night after, once', async () => {
    const own = await openSalon();
    const { dogId, clientId } = await addDog(own);
    for (const days of [2000, 200, 10]) await visited(own, dogId, clientId, days);
    expect(await letGoAtNight(services, own.businessId)).toBe(true);
    const all = await counts(own);
    expect(all).toMatchObject({ pictures: 3, shown: 3, home: 3, printed: 3 });

    const { goes } = (await own.call('GET /api/kept')).body;
    expect(goes.pictures['6']).toEqual({ count: 4, oldest: expect.stringMatching(/^2021-/) });
    expect(goes.pictures['24']?.count).toBe(2);
    expect(goes.messages['6']?.count).toBe(2);
    expect(goes.log['24']?.count).toBe(1);
    expect(goes['dogs gone']['24']?.count).toBe(0);

    expect((await choose(own, { pictures: 6, messages: 6, log: 24 })).status).toBe(200);
    // Not on the day of the choice, whatever the hour.
    clock.now = MORNING + 13 * 3_600_000;
    expect(await letGoAtNight(services, own.businessId)).toBe(false);
    expect(await counts(own)).toEqual(all);
    // In the night after: not before three, then once.
    clock.now = NIGHT - 2 * 3_600_000;
    expect(await letGoAtNight(services, own.businessId)).toBe(false);
    clock.now = NIGHT + 3_600_000;
    const both = await Promise.all([letGoAtNight(services, own.businessId), letGoAtNight(services, own.businessId)]);
    expect(both.toSorted()).toEqual([false, true]);
    expect(await counts(own)).toEqual({
      ...{ pictures: 1, shown: 1, home: 1, printed: 1 },
      messages: ['No longer kept.', 'No longer kept.', 'Quillfeather is well'],
      log: ['something 10', 'something 200'],
    });
    const after = (await own.call('GET /api/kept')).body.goes;
    expect([after.pictures['6']?.count, after.messages['6']?.count, after.log['24']?.count]).toEqual([0, 0, 0]);
  });

  test('the words of a dog long gone go, what was found and done stays; a dog that still comes keeps all', async () => {
    const own = await openSalon();
    const [gone, here] = [await addDog(own), await addDog(own)];
    const old = await visited(own, gone.dogId, gone.clientId, 800);
    const still = await visited(own, here.dogId, here.clientId, 800);
    await visited(own, here.dogId, here.clientId, 20);
    await within(own, (tx) => tx.update(dog).set({ archivedOn: '2025-01-01' }).where(eq(dog.id, gone.dogId)));
    expect((await own.call('GET /api/kept')).body.goes['dogs gone']['24']?.count).toBe(1);
    await choose(own, { 'dogs gone': 24 });
    clock.now = NIGHT + 3_600_000;
    expect(await letGoAtNight(services, own.businessId)).toBe(true);
    const wordsOf = (id: string) =>
      within(own, async (tx) => JSON.stringify(await tx.select().from(visitEvent).where(eq(visitEvent.visitId, id))));
    expect(await wordsOf(old)).not.toContain('Quillfeather');
    expect(await wordsOf(old)).toContain('opened');
    expect(await wordsOf(still)).toContain('Quillfeather');
    clock.now = NIGHT + DAY + 3_600_000;
    expect((await own.call('GET /api/kept')).body.goes['dogs gone']['24']?.count).toBe(0);
  });

  test('only times of the table, only by an owner-manager, and of one’s own business alone', async () => {
    const [own, other] = [await openSalon(), await openSalon()];
    for (const retention of [{ log: 6 }, { pictures: 1 }, { pictures: 7 }])
      expect((await choose(own, retention)).status).toBe(422);
    const groomer = await openSalon('groomer');
    expect((await groomer.call('GET /api/kept')).status).toBe(403);
    const theirs = await addDog(other);
    await visited(other, theirs.dogId, theirs.clientId, 800);
    await choose(own, { pictures: 6, messages: 6, log: 12, 'dogs gone': 24 });
    clock.now = NIGHT + 3_600_000;
    await letGoAtNight(services, own.businessId);
    expect(await counts(other)).toMatchObject({
      pictures: 1,
      messages: ['Quillfeather is well'],
      log: ['something 800'],
    });
  });

  test('the function that lets the log go takes nothing that is younger than a year, whatever is asked', async () => {
    const own = await openSalon();
    const { dogId, clientId } = await addDog(own);
    // By the database's own clock, which the tests do not set.
    const ago = (days: number) => Math.round((MORNING - Date.now()) / DAY) + days;
    for (const days of [200, 800]) await visited(own, dogId, clientId, ago(days));
    await within(own, (tx) => tx.execute(sql`select accounts.let_log_go(now() + interval '1 day')`));
    expect((await counts(own)).log).toEqual([`something ${ago(200)}`]);
    await expect(within(own, (tx) => tx.delete(audit))).rejects.toThrow();
  });
});
