import { eq } from 'drizzle-orm';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, expect, test } from 'vitest';
import { message } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { remindOfHomeCare } from '../features/messages/remindHome';
import { reachable } from './owner';
import { app, clock, databases, guest, openSalon, services, type Salon } from './salon';
import { DAY, START } from './shelfSide';
import { visitDog } from './tableSide';

let salon: Salon;
beforeAll(async () => {
  salon = await openSalon();
});
/** START is a Wednesday morning. */
const WEDNESDAY = 2;
const EVENING = START + 12 * 3_600_000;

async function page(consents?: object) {
  const { dogId } = await reachable(salon, consents);
  clock.now = START - 10 * DAY;
  await visitDog(salon, dogId);
  clock.now = START;
  const { body: link } = await salon.call('POST /api/links', { body: { id: v7(), dogId, days: 30 } });
  const as = guest(link.url.split('#')[1] ?? '');
  const choose = (weekday: unknown) => request(app).put('/api/owner/reminder').set(as).send({ weekday });
  const read = async () =>
    (await request(app).get('/api/owner').set(as)).body as { reminder: { weekday: number | null } | null };
  return { dogId, as, choose, read };
}
const writtenTo = async (dogId: string) =>
  inTenant(databases, salon.businessId, (tx) => tx.select().from(message).where(eq(message.dogId, dogId)));
async function run(at: number): Promise<number> {
  clock.now = at;
  const written = await remindOfHomeCare(services, salon.businessId);
  clock.now = START;
  return written;
}

test('on the evening that was chosen, once: what this week asks for, and where to stop it', async () => {
  const { dogId, choose, read } = await page();
  expect((await read()).reminder).toEqual({ weekday: null });
  expect((await choose(WEDNESDAY)).status).toBe(200);
  expect((await read()).reminder).toEqual({ weekday: WEDNESDAY });
  expect(await run(START)).toBe(0);
  expect(await run(EVENING + DAY)).toBe(0);
  expect(await run(EVENING)).toBe(1);
  await run(EVENING + 900_000);
  const [only, ...more] = await writtenTo(dogId);
  expect(more).toEqual([]);
  expect(only).toMatchObject({ kind: 'this week at home', channel: 'e-mail', subject: 'This week for Teasel' });
  expect(only?.words).toMatch(/^Hello Folake Adeyemi, this week for Teasel: .*Teeth.*you can stop it there/);
  expect((await choose(null)).status).toBe(200);
  expect(await run(EVENING + 7 * DAY)).toBe(0);
});

test('who ticks most of it is left in peace', async () => {
  const { dogId, as, choose } = await page();
  await choose(WEDNESDAY);
  const { body: home } = await salon.call('GET /api/dogs/:id/home', { id: dogId });
  for (const { key, everyDays } of home.tasks)
    for (let ago = 0; ago < 7; ago += 1) {
      const on = new Date(START - ago * DAY).toISOString().slice(0, 10);
      if (everyDays <= 7)
        await request(app).put('/api/owner/home').set(as).send({ key, day: on, done: true, times: 3, note: '' });
    }
  expect(await run(EVENING)).toBe(0);
  expect(await writtenTo(dogId)).toEqual([]);
});

test('who may not be written to is not asked, and not written to; what is no weekday is refused', async () => {
  const { dogId, choose, read } = await page({});
  expect((await read()).reminder).toBeNull();
  expect((await choose(WEDNESDAY)).status).toBe(200);
  expect(await run(EVENING)).toBe(0);
  expect(await writtenTo(dogId)).toEqual([]);
  for (const bad of [7, -1, 2.5, 'Wed', undefined]) expect((await choose(bad)).status).toBe(422);
});
