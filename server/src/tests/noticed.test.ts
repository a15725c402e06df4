import type { BodyOf } from '@dewpond/contract';
import { addDays, day } from '@dewpond/core/units';
import { v7 } from 'uuid';
import request from 'supertest';
import sharp from 'sharp';
import { beforeAll, expect, test } from 'vitest';
import { addDog, app, clock, guest, openSalon, type Salon } from './salon';
import { DAY, START } from './shelfSide';
import { visitDog } from './tableSide';

let salon: Salon;
beforeAll(async () => {
  salon = await openSalon();
  clock.now = START;
});

async function page(profile: object = {}) {
  const { dogId } = await addDog(salon, profile);
  clock.now = START - 25 * DAY;
  await visitDog(salon, dogId);
  clock.now = START;
  const { body: link } = await salon.call('POST /api/links', { body: { id: v7(), dogId, days: 30 } });
  return { dogId, token: link.url.split('#')[1] ?? '' };
}
const tell = (token: string, body: object) => request(app).put('/api/owner/answers').set(guest(token)).send(body);
const nailsOf = async (dogId: string) =>
  (await salon.call('GET /api/dogs/:id', { id: dogId })).body.due.find(({ line }) => line.task === 'nails');
const answersOf = async (dogId: string) =>
  (await salon.call('GET /api/answers')).body.items.filter((item) => item.dogId === dogId);

test('nails that click are due from the day it was told, in every list; nothing counts as done', async () => {
  const { dogId, token } = await page();
  const before = await nailsOf(dogId);
  expect(before?.state).not.toBe('due');
  const nextIn = async () =>
    (await salon.call('GET /api/dogs')).body.items.find(({ id }) => id === dogId)?.next?.day ?? null;
  const nextBefore = await nextIn();
  const told = { id: v7(), says: 'nails click', note: 'On the kitchen floor, since Sunday.' };
  // Sent again by a telephone that heard no answer: once.
  for (const _ of [1, 2]) expect((await tell(token, told)).status).toBe(200);
  const after = await nailsOf(dogId);
  expect(after).toMatchObject({ state: 'due', noticedOn: '2026-11-25', lastCare: before?.lastCare });
  expect(after?.window?.ideal).toBe('2026-11-25');
  expect(await answersOf(dogId)).toMatchObject([{ says: 'nails click', note: told.note, booking: null }]);
  expect(nextBefore === null || ((await nextIn()) ?? '') <= nextBefore).toBe(true);
  expect(await nextIn()).toBe('2026-11-25');
  const { body: record } = await salon.call('GET /api/dogs/:id/history', { id: dogId });
  expect(JSON.stringify(record)).toContain('the nails click on a hard floor');
  // After the next trim it is told no more.
  await visitDog(salon, dogId);
  expect(await nailsOf(dogId)).not.toHaveProperty('noticedOn');
});

test('a smell moves no day: somebody of the salon is asked, and says when it was seen', async () => {
  const { dogId, token } = await page();
  const before = (await salon.call('GET /api/dogs/:id', { id: dogId })).body.due;
  expect((await tell(token, { id: v7(), says: 'an ear smells', note: '' })).status).toBe(200);
  expect((await salon.call('GET /api/dogs/:id', { id: dogId })).body.due).toEqual(before);
  const [asked] = await answersOf(dogId);
  expect(asked).toMatchObject({ says: 'an ear smells', phone: '01632 960114' });
  const seen: BodyOf<'PUT /api/answers/:id'> = { seen: true };
  await salon.call('PUT /api/answers/:id', { id: asked?.id ?? '', body: seen });
  expect(await answersOf(dogId)).toEqual([]);
});

test('a picture is looked at: asked once a day, however many come', async () => {
  const { dogId, token } = await page();
  const send = async () => {
    const colour = { r: Math.floor(Math.random() * 255), g: 90, b: 60 };
    const picture = await sharp({ create: { width: 64, height: 48, channels: 3, background: colour } })
      .jpeg()
      .toBuffer();
    const sent = request(app).put(`/api/owner/home/photos/${v7()}`).set(guest(token)).type('image/jpeg').send(picture);
    expect((await sent).status).toBe(200);
  };
  for (const _ of [1, 2]) await send();
  expect((await answersOf(dogId)).map(({ says }) => says)).toEqual(['a picture']);
  clock.now = START + DAY;
  await send();
  expect(await answersOf(dogId)).toHaveLength(2);
  clock.now = START;
});

test('what nobody can notice, a word too long, and who has no page are refused', async () => {
  const { dogId, token } = await page();
  for (const bad of [
    { id: v7(), says: 'it looks ill', note: '' },
    // A picture tells itself.
    { id: v7(), says: 'a picture', note: '' },
    { id: v7(), says: 'nails click', note: 'x'.repeat(301) },
    { id: v7(), says: 'nails click', note: '', dogId },
  ])
    expect((await tell(token, bad)).status).toBe(422);
  expect((await tell('nonsense', { id: v7(), says: 'nails click', note: '' })).status).toBe(404);
  expect(await answersOf(dogId)).toEqual([]);
  expect((await nailsOf(dogId))?.window?.ideal).not.toBe(addDays(day('2026-11-25'), 0));
});
