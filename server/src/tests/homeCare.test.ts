import type { HomeCareView } from '@dewpond/contract';
import { finding } from '@dewpond/core/findings';
import { addDays, day } from '@dewpond/core/units';
import { beforeAll, describe, expect, test } from 'vitest';
import request from 'supertest';
import { v7 } from 'uuid';
import { MORNING, addDog, app, clock, guest, openSalon, type Salon } from './salon';
import { visitDog } from './tableSide';

const DAY = 24 * 60 * 60 * 1000;
const NOSE_FOLD = { site: 'fold nose', side: 'none' } as const;

let salon: Salon;
beforeAll(async () => {
  salon = await openSalon();
});
const home = async (id: string): Promise<HomeCareView> => (await salon.call('GET /api/dogs/:id/home', { id })).body;
const agree = (id: string, version: number, minutes: number | null | string) =>
  salon.call('PUT /api/dogs/:id/home', { id, body: { version, minutes } });
const weekly = ({ tasks }: HomeCareView) =>
  tasks.reduce((sum, { minutes, everyDays }) => sum + (minutes * 7) / everyDays, 0);

describe('minutes a week', () => {
  test('what fits is asked everywhere, what does not is told with what follows, and the rhythm is learnt anew', async () => {
    const { dogId } = await addDog(salon, { breeds: ['pug'] });
    const visitId = await visitDog(salon, dogId);
    const before = await home(dogId);
    expect(before.minutes).toMatchObject({
      agreed: null,
      asked: Math.round(weekly(before)),
      wanted: before.minutes.asked,
    });
    expect(before.minutes.asked).toBeGreaterThan(30);
    expect((await agree(dogId, before.version, 20)).status).toBe(200);
    const after = await home(dogId);
    expect(after.minutes).toMatchObject({ agreed: 20, wanted: before.minutes.wanted });
    expect(weekly(after)).toBeLessThanOrEqual(20);
    expect([...after.tasks.map(({ key }) => key), ...after.left.map(({ task }) => task.key)].toSorted()).toEqual(
      before.tasks.map(({ key }) => key).toSorted(),
    );
    const sheet = (await salon.call('GET /api/visits/:id/sheet', { id: visitId })).body.sheet;
    expect(sheet.homeCare.map(({ key }) => key)).toEqual(after.tasks.map(({ key }) => `home ${key}`));
    expect((await salon.call('GET /api/dogs/:id', { id: dogId })).body.homeCareChangedOn).toBe('2026-11-25');
    expect((await agree(dogId, after.version, null)).status).toBe(200);
    expect((await home(dogId)).tasks).toEqual(before.tasks);
  });

  test('whoever saw an older state is told; what is no number of minutes is refused', async () => {
    const { dogId } = await addDog(salon, { breeds: ['pug'] });
    const { version } = await home(dogId);
    expect((await agree(dogId, version, 30)).status).toBe(200);
    expect((await agree(dogId, version, 40)).status).toBe(409);
    expect((await home(dogId)).minutes.agreed).toBe(30);
    for (const bad of [0, -1, 601, 2.5, '20']) expect((await agree(dogId, version + 1, bad)).status).toBe(422);
  });
});

test('home care steps up on the day something is found, and down on the day it is clear', async () => {
  const { dogId } = await addDog(salon, { breeds: ['pug'] });
  const fold = async () =>
    (await home(dogId)).tasks.find(
      ({ task, places }) => task === 'fold care' && places.some(({ site }) => site === 'fold nose'),
    );
  const usual = (await fold())?.everyDays ?? 0;
  expect(usual).toBeGreaterThan(1);
  await visitDog(salon, dogId, [{ type: 'found', finding: finding(NOSE_FOLD, 'fold moisture', 1) }]);
  expect(await fold()).toMatchObject({
    ...{ everyDays: 1, stepped: { usual, since: '2026-11-25' } },
    often: `every day until it is clear, then every ${usual} days`,
  });
  clock.now = MORNING + 21 * DAY;
  await visitDog(salon, dogId);
  expect(await fold()).toMatchObject({
    ...{ everyDays: usual, stepped: null, clearSince: addDays(day('2026-11-25'), 21) },
    often: `every ${usual} days again (it was clear on Wed 16 Dec)`,
  });
});

test('what was hardly ticked before a visit is asked less often after it, and the salon comes sooner; ticks since change nothing', async () => {
  clock.now = MORNING;
  const { dogId } = await addDog(salon, { breeds: ['shih-tzu'] });
  await visitDog(salon, dogId);
  const asked = await home(dogId);
  const brush = (view: HomeCareView) => view.tasks.find(({ task }) => task === 'brush-out');
  const [brushing, teeth] = [brush(asked), asked.tasks.find(({ task }) => task === 'teeth')];
  expect(brushing).toMatchObject({ everyDays: 1, less: null });
  const { body: link } = await salon.call('POST /api/links', { body: { id: v7(), dogId, days: 60 } });
  const token = link.url.split('#')[1] ?? '';
  const done = async (key = '', daysOn: number) => {
    clock.now = MORNING + daysOn * DAY;
    const answer = await request(app)
      .put('/api/owner/home')
      .set(guest(token))
      .send({ key, day: addDays(day('2026-11-25'), daysOn), done: true });
    expect(answer.status).toBe(200);
  };
  for (const on of [2, 4, 6, 8, 10, 12]) await done(teeth?.key, on);
  await done(brushing?.key, 3);
  clock.now = MORNING + 28 * DAY;
  const intervalOf = async () => {
    const { due } = (await salon.call('GET /api/dogs/:id', { id: dogId })).body;
    const { interval, sooner } = due.find(({ line }) => line.task === 'brush-out')?.line ?? {};
    return { usual: interval?.usual ?? 0, sooner };
  };
  const before = await intervalOf();
  expect(before.sooner).toBeUndefined();
  await visitDog(salon, dogId);
  const after = brush(await home(dogId));
  expect(after).toMatchObject({
    ...{ key: brushing?.key, everyDays: 7, ticked: { due: 28, done: 1, on: '2026-12-23', usual: 1 } },
    less: 'Before the last visit you ticked it on 1 of 28 days. So we ask for it less often now. We keep the coat shorter.',
  });
  const now = await intervalOf();
  expect(now.usual).toBe(before.usual - (now.sooner ?? 0));
  expect(now.sooner).toBeGreaterThan(0);
  // Ticks after the visit move nothing until the next.
  for (const on of [29, 30, 31]) await done(brushing?.key, on);
  expect(await intervalOf()).toEqual(now);
  expect(brush(await home(dogId))).toEqual(after);
});

test('the next visit is told alike on every sheet and on the page: one later today is next, after a visit of before', async () => {
  clock.now = MORNING;
  const { dogId } = await addDog(salon, { breeds: ['pug'] });
  const first = await visitDog(salon, dogId);
  clock.now = MORNING + 21 * DAY;
  const second = await visitDog(salon, dogId);
  clock.now = MORNING + 35 * DAY;
  const booking = { id: v7(), dogId, memberId: salon.memberId, startsAt: '2026-12-30T15:00:00Z', minutes: 60 };
  const made = await salon.call('POST /api/appointments', { body: { ...booking, kind: 'full visit', note: '' } });
  expect(made.status).toBe(201);
  const { body: link } = await salon.call('POST /api/links', { body: { id: v7(), dogId, days: 30 } });
  const { body: page } = await request(app)
    .get('/api/owner')
    .set(guest(link.url.split('#')[1] ?? ''));
  const { sheets } = page as {
    sheets: { visitId: string; read: { parts: { lines: { key: string; words: string }[] }[] } }[];
  };
  const told = 'Your next visit is booked for Wed 30 Dec.';
  for (const id of [first, second]) {
    const view = (await salon.call('GET /api/visits/:id/sheet', { id })).body;
    expect(view.sheet.suggest.at(-1)?.words).toBe(told);
    const read = sheets.find(({ visitId }) => visitId === id)?.read.parts.flatMap(({ lines }) => lines) ?? [];
    expect(read.find(({ key }) => key === 'next')?.words).toBe(told);
  }
});
