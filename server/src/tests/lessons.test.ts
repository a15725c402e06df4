import { beforeAll, describe, expect, test } from 'vitest';
import request from 'supertest';
import { v7 } from 'uuid';
import type { Happening } from '@dewpond/core/events';
import { addDog, app, openSalon, type Salon } from './salon';
import { eventsOf, wholeVisit } from './tableSide';

let salon: Salon;
beforeAll(async () => {
  salon = await openSalon();
});

/** Books a kind of visit for today and begins it. */
async function beginBooked(kind: string, hour: string) {
  const { dogId } = await addDog(salon);
  const appointmentId = v7();
  const booking = {
    id: appointmentId,
    dogId,
    kind,
    memberId: salon.memberId,
    startsAt: `2026-11-25T${hour}:00:00Z`,
    minutes: 20,
  };
  await salon.call('POST /api/appointments', { body: booking });
  const { body } = await salon.call('POST /api/visits', { body: { id: v7(), dogId, appointmentId } });
  return { dogId, appointmentId, visitId: body.id };
}

describe('a lesson of a young dog', () => {
  test('has no bath to mix for, and a strip of its own on Today', async () => {
    const { dogId, appointmentId } = await beginBooked('lesson', '13');
    const { batches, asItIs } = (await salon.call('GET /api/mixing')).body;
    const pours = [
      ...batches.flatMap(({ bottles }) => bottles.flatMap((fill) => fill.pours)),
      ...asItIs.flatMap(({ dogs }) => dogs),
    ];
    expect(pours.some((pour) => pour.dogId === dogId)).toBe(false);
    const { body } = await salon.call('GET /api/today');
    const strip = body.dogs.find((each) => each.appointment.id === appointmentId);
    expect(strip?.groups.reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(20);
  });

  test('closed, it restarts no clock and leaves nothing done', async () => {
    const { dogId, visitId } = await beginBooked('lesson', '14');
    const before = (await salon.call('GET /api/dogs/:id', { id: dogId })).body.nextVisit;
    const { body: view } = await salon.call('GET /api/visits/:id', { id: visitId });
    const quiet = wholeVisit(view, []).filter((each) => each.type !== 'looked clear');
    const sent = await salon.call('POST /api/visits/:id/events', { id: visitId, body: { events: eventsOf(quiet) } });
    expect(sent.status).toBe(201);
    const after = (await salon.call('GET /api/dogs/:id', { id: dogId })).body;
    expect(after.visits.map(({ tasks }) => tasks)).toEqual([[]]);
    expect(after.nextVisit).toEqual(before);
  });

  test('a full visit of the same dog does: the lesson only looked', async () => {
    const { dogId, visitId } = await beginBooked('full visit', '15');
    const { body: view } = await salon.call('GET /api/visits/:id', { id: visitId });
    const happened: Happening[] = wholeVisit(view, []);
    await salon.call('POST /api/visits/:id/events', { id: visitId, body: { events: eventsOf(happened) } });
    const { visits } = (await salon.call('GET /api/dogs/:id', { id: dogId })).body;
    expect(visits[0]?.tasks).toContainEqual({ task: 'bath', outcome: 'done', grade: null });
  });
});

describe('what is archived', () => {
  test('stays in the export, with its day, and out of what is reckoned', async () => {
    const own = await openSalon();
    const { dogId } = await addDog(own);
    await own.call('PUT /api/dogs/:id/archive', { id: dogId, body: { version: 1, archived: true } });
    const { text } = await request(app).get('/api/export/dogs.csv').set('Cookie', own.cookie);
    expect(text).toMatch(/Teasel.*2026-11-25/);
    expect((await own.call('GET /api/book')).body).toMatchObject({ items: [], of: 0 });
    expect((await own.call('GET /api/watch')).body.items).toEqual([]);
    const [listed] = (await own.call('GET /api/dogs')).body.items;
    expect(listed).toMatchObject({ archived: true, reckoned: true, next: null });
  });

  test('a dog that is brought back brings its owner along', async () => {
    const own = await openSalon();
    const { clientId, dogId } = await addDog(own);
    await own.call('PUT /api/clients/:id/archive', { id: clientId, body: { version: 1, archived: true } });
    const { version } = (await own.call('GET /api/dogs/:id', { id: dogId })).body;
    await own.call('PUT /api/dogs/:id/archive', { id: dogId, body: { version, archived: false } });
    expect((await own.call('GET /api/clients/:id', { id: clientId })).body.client.archivedOn).toBeNull();
  });

  test('a stale version is refused with what stands, nothing is changed', async () => {
    const own = await openSalon();
    const { dogId } = await addDog(own);
    const archive = (version: number) =>
      own.call('PUT /api/dogs/:id/archive', { id: dogId, body: { version, archived: true } });
    expect((await archive(7)).status).toBe(409);
    expect((await own.call('GET /api/dogs/:id', { id: dogId })).body.archivedOn).toBeNull();
    expect(
      (await own.call('PUT /api/dogs/:id/archive', { id: v7(), body: { version: 1, archived: true } })).status,
    ).toBe(404);
  });
});
