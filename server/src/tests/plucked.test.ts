import type { Happening } from '@dewpond/core/events';
import { beforeAll, expect, test } from 'vitest';
import { reachable, write } from './owner';
import { clock, openSalon, type Salon } from './salon';
import { DAY, START } from './shelfSide';
import { begin, eventsOf } from './tableSide';

let salon: Salon;
beforeAll(async () => {
  salon = await openSalon();
  clock.now = START;
});

const went = (side: 'left' | 'right', came: 'none' | 'most'): Happening => ({
  ...{ type: 'ear hair went', side, came, borne: 'calm', left: null },
});
async function visitWith(dogId: string, ...hair: Happening[]): Promise<string> {
  const id = await begin(salon, dogId);
  const happened: Happening[] = [{ type: 'opened' }, ...hair, { type: 'closed', how: 'ended early' }];
  const { body } = await salon.call('POST /api/visits/:id/events', { id, body: { events: eventsOf(happened) } });
  expect(body.refused).toEqual([]);
  return id;
}
const toAskAfter = async (dogId: string) =>
  (await salon.call('GET /api/watch')).body.items.filter(
    (item) => item.dogId === dogId && item.place.startsWith('after plucking'),
  );

test('ears that hair was taken out of stand on the watch list for two days, or until the owner was asked', async () => {
  const { dogId } = await reachable(salon);
  const visitId = await visitWith(dogId, went('left', 'most'), went('right', 'most'));
  expect(await toAskAfter(dogId)).toMatchObject([{ place: 'after plucking, both ears', level: 'watch', visitId }]);
  clock.now = START + 2 * DAY;
  expect(await toAskAfter(dogId)).toHaveLength(1);
  clock.now = START + 3 * DAY;
  expect(await toAskAfter(dogId)).toEqual([]);
  clock.now = START + DAY;
  const { body: draft } = await salon.call('GET /api/dogs/:id/draft', {
    id: dogId,
    query: { kind: 'after plucking', visit: visitId },
  });
  expect(draft.words).toMatch(/^Hello Folake Adeyemi, on Wed 25 Nov we took hair out of the ears of Teasel\./);
  const { kind, subject, words } = { kind: 'after plucking', ...draft };
  expect((await write(salon, dogId, { kind, visitId, subject, words })).status).toBe(201);
  expect(await toAskAfter(dogId)).toEqual([]);
  clock.now = START;
});

test('one ear is named; where nothing came out nobody is asked; another business sees nothing', async () => {
  const [one, none] = [await reachable(salon), await reachable(salon)];
  await visitWith(one.dogId, went('left', 'most'));
  await visitWith(none.dogId, went('left', 'none'));
  expect(await toAskAfter(one.dogId)).toMatchObject([{ place: 'after plucking, left ear' }]);
  expect(await toAskAfter(none.dogId)).toEqual([]);
  const stranger = await openSalon();
  expect((await stranger.call('GET /api/watch')).body.items).toEqual([]);
});
