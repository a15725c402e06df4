import { day } from '@dewpond/core/units';
import type { Happening } from '@dewpond/core/events';
import { finding } from '@dewpond/core/findings';
import request from 'supertest';
import { expect, test } from 'vitest';
import { v7 } from 'uuid';
import { rebuildBusiness } from '../commands/rebuildProjections';
import { addDog, app, clock, databases, openSalon, type Salon } from './salon';
import { begin, eventsOf, visitDog } from './tableSide';

const log = async (salon: Salon, from = '2026-11-25', to = '2026-11-25') =>
  (await salon.call('GET /api/clean-downs', { query: { from, to } })).body.items;
const send = (salon: Salon, id: string, happenings: readonly Happening[], first = 1) =>
  salon.call('POST /api/visits/:id/events', { id, body: { events: eventsOf(happenings, first) } });
const DONE: Happening = { type: 'step done', step: 'clean-down' };

test('the log says who cleaned what after which dog, and names the visits after which nothing was told', async () => {
  const salon = await openSalon();
  const { dogId } = await addDog(salon);
  const product = v7();
  const told = await begin(salon, dogId);
  await send(salon, told, [
    { type: 'opened' },
    { type: 'found', finding: finding({ site: 'back', side: 'none' }, 'fleas', 2) },
    { type: 'cleaned with', product, name: 'Reed clean' },
    { type: 'checked', step: 'clean-down', part: 'table' },
    DONE,
    { type: 'closed', how: 'ended early' },
  ]);
  const { dogId: other } = await addDog(salon, { name: 'Sorrel' });
  const untold = await begin(salon, other);
  await send(salon, untold, [{ type: 'opened' }, { type: 'closed', how: 'ended early' }]);
  // A visit that still goes on is no gap.
  await send(salon, await begin(salon, (await addDog(salon)).dogId), [{ type: 'opened' }]);
  const lines = [
    { visitId: untold, dog: 'Sorrel', done: null },
    {
      visitId: told,
      dog: 'Teasel',
      day: day('2026-11-25'),
      done: {
        at: new Date(clock.now + 4000).toISOString(),
        by: 'Ines',
        cleaned: ['table'],
        left: ['tub', 'dryer', 'tools', 'hands'],
        with: 'Reed clean',
        seconds: null,
        after: ['fleas'],
      },
    },
  ];
  const found = await log(salon);
  expect(found).toHaveLength(2);
  expect(found).toEqual(expect.arrayContaining(lines.map((line) => expect.objectContaining(withDone(line)) as object)));
  await rebuildBusiness(databases, salon.businessId);
  expect(await log(salon)).toEqual(found);
  expect(await log(salon, '2026-11-26', '2026-11-30')).toEqual([]);
  expect(await log(await openSalon())).toEqual([]);
});

const withDone = <T extends { readonly done: object | null }>(line: T) => ({
  ...line,
  done: line.done && (expect.objectContaining(line.done) as object),
});

test('a clean-down that is taken back is out of the log; done again, it stands with its new time', async () => {
  const salon = await openSalon();
  const { dogId } = await addDog(salon);
  const id = await begin(salon, dogId);
  await send(salon, id, [{ type: 'opened' }, DONE]);
  await send(salon, id, [{ type: 'step undone', step: 'clean-down' }], 3);
  expect(await log(salon)).toEqual([]);
  const before = clock.now;
  clock.now += 600_000;
  await send(salon, id, [DONE], 4);
  clock.now = before;
  expect(await log(salon)).toMatchObject([{ done: { at: new Date(before + 600_000).toISOString(), cleaned: [] } }]);
});

test('it goes out as a table, for managers and groomers', async () => {
  const salon = await openSalon();
  const { dogId } = await addDog(salon);
  await visitDog(salon, dogId);
  const file = await request(app).get('/api/export/clean-downs.csv').set('Cookie', salon.cookie);
  const [head, line] = file.text.replace('\ufeff', '').split('\r\n');
  expect(head).toBe('At,After dog,By,Cleaned,Not ticked,With,On for s,Wanted s,After signs');
  expect(line).toMatch(/^2026-11-25T.*,Teasel,Ines,/);
  const bather = await openSalon('bather');
  const refused = await request(app).get('/api/export/clean-downs.csv').set('Cookie', bather.cookie);
  expect(refused.status).toBe(403);
});
