import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { addDog, clock, openSalon, type Salon } from './salon';
import { visitDog } from './tableSide';
import type { Happening } from '@dewpond/core/events';
import { finding } from '@dewpond/core/findings';

const DAY = 86_400_000;
const START = Date.UTC(2026, 10, 25, 9, 0, 0);
const LEFT_EAR = { site: 'ear', side: 'left' } as const;

let salon: Salon;
beforeAll(async () => {
  salon = await openSalon();
});
beforeEach(() => {
  clock.now = START;
});

const noBath = (over: object = {}) => ({
  id: v7(),
  by: 'owner',
  who: 'Marit',
  place: null,
  says: { kind: 'bar', task: 'bath' },
  from: '2026-11-20',
  until: null,
  ...over,
});
const write = (dogId: string, body: object) => salon.call('POST /api/dogs/:id/instructions', { id: dogId, body });
const dogOf = async (dogId: string) => (await salon.call('GET /api/dogs/:id', { id: dogId })).body;
const bathOf = async (dogId: string) => (await dogOf(dogId)).due.find(({ line }) => line.task === 'bath');

describe('instructions', () => {
  test('hold until ended; ending one that someone else ended is refused with what stands', async () => {
    const { dogId } = await addDog(salon);
    const body = noBath();
    expect((await write(dogId, body)).status).toBe(201);
    expect((await bathOf(dogId))?.state).toBe('barred');
    const end = (version: number, until: string | null) =>
      salon.call('PUT /api/instructions/:id', { id: body.id, body: { version, until } });
    expect(await end(1, '2026-11-24')).toMatchObject({ status: 200, body: { version: 2 } });
    expect((await bathOf(dogId))?.state).not.toBe('barred');
    const late = await end(1, null);
    expect(late.status).toBe(409);
    expect(late.body).toMatchObject({ error: { current: { version: 2, until: '2026-11-24' } } });
    expect((await end(2, null)).status).toBe(200);
    expect((await bathOf(dogId))?.state).toBe('barred');
  });

  test.each<[string, object]>([
    ['ends before it begins', { until: '2026-11-01' }],
    ['is said by nobody', { who: '  ' }],
    ['is an owner’s lift', { says: { kind: 'lift', lifts: 'ear pale wax', upToGrade: 1, procedure: 'clean' } }],
    [
      'names a product of no one',
      { says: { kind: 'bath product', productId: v7(), contactMinutes: 5, nothingElse: false } },
    ],
    ['asks for every 0 days', { says: { kind: 'interval', task: 'nails', days: 0 } }],
  ])('one that %s is refused, and nothing is written', async (_, over) => {
    const { dogId } = await addDog(salon);
    expect((await write(dogId, noBath(over))).status).toBe(422);
    expect((await dogOf(dogId)).instructions).toEqual([]);
  });

  test('one that contradicts another of the same vet is refused in words; once that has ended it is taken', async () => {
    const { dogId } = await addDog(salon);
    const vets = { by: 'vet', who: 'Dr Oyelaran' };
    const first = noBath({ ...vets, says: { kind: 'interval', task: 'bath', days: 7 } });
    await write(dogId, first);
    const second = noBath({ ...vets, says: { kind: 'interval', task: 'bath', days: 28 }, from: '2026-11-25' });
    const refused = await write(dogId, second);
    expect(refused.status).toBe(422);
    expect(JSON.stringify(refused.body)).toContain('Dr Oyelaran said otherwise on Fri 20 Nov');
    expect((await dogOf(dogId)).instructions).toHaveLength(1);
    await salon.call('PUT /api/instructions/:id', { id: first.id, body: { version: 1, until: '2026-11-24' } });
    expect((await write(dogId, second)).status).toBe(201);
    expect((await write(dogId, second)).status).toBe(201);
    const again = { id: first.id, body: { version: 2, until: null } };
    expect((await salon.call('PUT /api/instructions/:id', again)).status).toBe(422);
  });

  test('an end before the beginning, or of an unknown instruction, is refused', async () => {
    const { dogId } = await addDog(salon);
    const body = noBath();
    await write(dogId, body);
    const end = (id: string, until: string) =>
      salon.call('PUT /api/instructions/:id', { id, body: { version: 1, until } });
    expect((await end(body.id, '2026-11-19')).status).toBe(422);
    expect((await end(v7(), '2026-12-01')).status).toBe(404);
  });

  test('a vet’s lift needs its last day', async () => {
    const { dogId } = await addDog(salon);
    const lift = {
      ...noBath({ by: 'vet', who: 'Dr Oyelaran', place: LEFT_EAR, until: '2026-12-31' }),
      says: { kind: 'lift', lifts: 'ear musty smell', upToGrade: 1, procedure: 'clean' },
    };
    expect((await write(dogId, { ...lift, until: null })).status).toBe(422);
    expect((await write(dogId, lift)).status).toBe(201);
    const forever = { id: lift.id, body: { version: 1, until: null } };
    expect((await salon.call('PUT /api/instructions/:id', forever)).status).toBe(422);
  });
});

describe('a change of home care', () => {
  const wax: Happening = { type: 'found', finding: finding(LEFT_EAR, 'ear pale wax', 3) };
  const leftEar = async (dogId: string) =>
    (await dogOf(dogId)).due.find(({ line }) => line.task === 'ear cleaning' && line.place?.side === 'left')?.rhythm;
  const change = async (dogId: string, homeCareChangedOn: string | null) => {
    const { version, profile } = await dogOf(dogId);
    return salon.call('PUT /api/dogs/:id', { id: dogId, body: { version, profile, homeCareChangedOn } });
  };

  test('makes the findings of before weigh less, and leaves them when it is taken back', async () => {
    const { dogId } = await addDog(salon);
    await visitDog(salon, dogId);
    for (let i = 0; i < 3; i++) {
      clock.now += 28 * DAY;
      await visitDog(salon, dogId, [wax]);
    }
    clock.now += DAY;
    const before = (await leftEar(dogId))?.interval ?? 0;
    expect((await change(dogId, new Date(clock.now).toISOString().slice(0, 10))).status).toBe(200);
    const after = (await leftEar(dogId))?.interval ?? 0;
    expect(before).toBeLessThan(28);
    expect(after).toBeGreaterThan(before);
    await change(dogId, null);
    expect((await leftEar(dogId))?.interval).toBe(before);
  });

  test('is not dated ahead', async () => {
    const { dogId } = await addDog(salon);
    expect((await change(dogId, '2026-11-26')).status).toBe(422);
    expect((await dogOf(dogId)).homeCareChangedOn).toBeNull();
  });
});

describe('a trait that is seen', () => {
  test('bears the day and the name of whom saw it, and keeps them when something else is changed', async () => {
    const { dogId } = await addDog(salon);
    const change = async (seen: object) => {
      const { version, profile } = await dogOf(dogId);
      return salon.call('PUT /api/dogs/:id', { id: dogId, body: { version, profile: { ...profile, seen } } });
    };
    expect((await change({ canalHair: 'sparse' })).status).toBe(200);
    const first = (await dogOf(dogId)).seenOn.canalHair;
    expect(first).toMatchObject({ day: '2026-11-25', by: expect.stringMatching(/\w/) as string });
    clock.now += 3 * DAY;
    await change({ canalHair: 'sparse', tearing: 'some' });
    const { seenOn, facts } = await dogOf(dogId);
    expect(seenOn.canalHair).toEqual(first);
    expect(seenOn.tearing).toMatchObject({ day: '2026-11-28' });
    expect(facts.traits).toMatchObject({ canalHair: 'sparse', tearing: 'some' });
    await change({});
    expect((await dogOf(dogId)).seenOn).toEqual({});
  });
});
