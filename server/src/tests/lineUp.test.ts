import { USUAL_WEEK } from '@dewpond/core/bookings';
import type { Happening } from '@dewpond/core/events';
import { finding } from '@dewpond/core/findings';
import { v7 } from 'uuid';
import { beforeEach, describe, expect, test } from 'vitest';
import { addDog, clock, openSalon, type Salon } from './salon';
import { eventsOf, visitDog } from './tableSide';

/** Wednesday 25 November 2026, nine o'clock, is the morning of the tests. */
let salon: Salon;
beforeEach(async () => {
  clock.now = Date.UTC(2026, 10, 25, 9);
  salon = await openSalon();
});

async function booked(startsAt = '2026-11-25T10:00:00.000Z') {
  const { dogId } = await addDog(salon);
  const id = v7();
  const body = { id, dogId, memberId: salon.memberId, kind: 'full visit', startsAt, minutes: 90 } as const;
  expect((await salon.call('POST /api/appointments', { body })).status).toBe(201);
  return { id, dogId };
}
const today = async () => (await salon.call('GET /api/today')).body;
const dogToday = async (id: string) => {
  const dog = (await today()).dogs.find(({ appointment }) => appointment.id === id);
  if (!dog) throw new Error('That dog is not on Today.');
  return dog;
};
const minutesLeft = (dog: Awaited<ReturnType<typeof dogToday>>) =>
  dog.groups.reduce((sum, { minutes }) => sum + minutes, 0);

describe('a dog of the day', () => {
  test('comes with the parts of its visit, who works, and what there is', async () => {
    const { id } = await booked();
    const { groups, begun, maySpread } = await dogToday(id);
    expect(groups.map(({ part }) => part)).toEqual(['table', 'bath', 'dry', 'finish']);
    expect([begun, maySpread]).toEqual([false, false]);
    const { people, places } = await today();
    expect(people[0]?.hours).toEqual([
      { from: 540, to: 750 },
      { from: 795, to: 1020 },
    ]);
    expect(places).toEqual({ table: 2, tub: 1, dryer: 2, crate: 4 });
  });

  test('has less left with every step that is ticked', async () => {
    const { id, dogId } = await booked();
    const whole = minutesLeft(await dogToday(id));
    const begun = await salon.call('POST /api/visits', {
      body: { id: v7(), dogId, appointmentId: id },
    });
    const events = eventsOf([
      { type: 'step done', step: 'prepare' },
      { type: 'step done', step: 'handover' },
    ]);
    await salon.call('POST /api/visits/:id/events', { id: begun.body.id, body: { events } });
    const dog = await dogToday(id);
    expect(dog.begun).toBe(true);
    expect(minutesLeft(dog)).toBeLessThan(whole);
  });

  test('on which fleas were seen last time comes last', async () => {
    const { id, dogId } = await booked('2026-11-26T10:00:00.000Z');
    await visitDog(salon, dogId, [{ type: 'found', finding: finding({ site: 'back', side: 'none' }, 'fleas', 2) }]);
    clock.now += 86_400_000;
    expect((await dogToday(id)).maySpread).toBe(true);
  });

  test('that was begun without a booking is in the line-up, begun, with whoever began it', async () => {
    const { dogId } = await addDog(salon, { name: 'Driftwood' });
    const visitId = v7();
    expect((await salon.call('POST /api/visits', { body: { id: visitId, dogId, appointmentId: null } })).status).toBe(
      201,
    );
    const tell = (happenings: Happening[]) =>
      salon.call('POST /api/visits/:id/events', { id: visitId, body: { events: eventsOf(happenings) } });
    await tell([{ type: 'step done', step: 'handover' }]);
    const dog = await dogToday(visitId);
    expect([dog.walkIn, dog.begun, dog.appointment.dogName, dog.appointment.memberId]).toEqual([
      ...[true, true, 'Driftwood', salon.memberId],
    ]);
    expect(minutesLeft(dog)).toBeGreaterThan(0);
  });

  test('that the van goes to is told apart, and who is out has no hands at the salon', async () => {
    const week = USUAL_WEEK.map((spans, i) =>
      i === 2 ? spans.map((span) => ({ ...span, where: 'islets' })) : [...spans],
    );
    await salon.call('PUT /api/members/:id/week', { id: salon.memberId, body: { week } });
    const { id } = await booked();
    expect((await dogToday(id)).isOut).toBe(true);
    const { people } = await today();
    expect(people.find((each) => each.id === salon.memberId)?.hours).toEqual([]);
  });

  test('whoever is away works no hours', async () => {
    await booked();
    await salon.call('POST /api/away', {
      body: { id: v7(), memberId: salon.memberId, from: '2026-11-25', to: '2026-11-25', name: 'Ill' },
    });
    const { people } = await today();
    expect(people.find(({ id }) => id === salon.memberId)).toMatchObject({ hours: [], isAway: true });
  });
});

describe('set by hand', () => {
  const byHand = { person: null, pins: [{ part: 'bath' as const, from: 11 * 60 }] };
  const lineUp = (id: string, version: number, set: typeof byHand | null = byHand) =>
    salon.call('PUT /api/appointments/:id', { id, body: { change: 'line up', version, byHand: set } });

  test('is kept for every device, and the booking stays as it was', async () => {
    const { id } = await booked();
    expect((await lineUp(id, 1)).status).toBe(200);
    const { byHand: kept, appointment } = await dogToday(id);
    expect(kept).toEqual(byHand);
    expect([appointment.startsAt, appointment.version]).toEqual(['2026-11-25T10:00:00.000Z', 2]);
    await lineUp(id, 2, null);
    expect((await dogToday(id)).byHand).toBeNull();
  });

  test('of two hands the second is told', async () => {
    const { id } = await booked();
    await lineUp(id, 1);
    expect((await lineUp(id, 1)).status).toBe(409);
  });

  test('a booking that is moved stands wherever it fits best', async () => {
    const { id } = await booked();
    await lineUp(id, 1);
    const when = { memberId: salon.memberId, startsAt: '2026-11-25T14:00:00.000Z', minutes: 90 };
    await salon.call('PUT /api/appointments/:id', { id, body: { change: 'move', version: 2, ...when } });
    expect((await dogToday(id)).byHand).toBeNull();
  });

  test.each([
    ['a part that is none', { person: null, pins: [{ part: 'lunch', from: 600 }] }],
    ['a time outside the day', { person: null, pins: [{ part: 'bath', from: 1500 }] }],
    [
      'more than there are parts',
      { person: null, pins: Array.from({ length: 5 }, () => ({ part: 'bath', from: 600 })) },
    ],
  ])('%s is refused', async (_, set) => {
    const { id } = await booked();
    const body = { change: 'line up', version: 1, byHand: set } as never;
    expect((await salon.call('PUT /api/appointments/:id', { id, body })).status).toBe(422);
  });
});
