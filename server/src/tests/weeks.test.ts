import type { BodyOf, SlotsView } from '@dewpond/contract';
import { USUAL_WEEK, bookOf, breaches, planBookings } from '@dewpond/core/bookings';
import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { beforeEach, describe, expect, test } from 'vitest';
import { appointment, member } from '../platform/db/schema';
import { readStored } from '../platform/db/shapes/shaped';
import { NIGHT_PLAN_KEPT } from '../platform/db/shapes/weeks';
import { inTenant } from '../platform/db/tenant';
import { planAtNight } from '../features/ahead/nightPlan';
import { MORNING, addDog, clock, databases, openSalon, services, type Salon } from './salon';

/** Wednesday 25 November 2026, nine o'clock, is the morning of the tests. */
let salon: Salon;
beforeEach(async () => {
  salon = await openSalon();
});

const bookAt = (dogId: string, startsAt: string, more: Partial<BodyOf<'POST /api/appointments'>> = {}) => ({
  id: v7(),
  dogId,
  memberId: salon.memberId,
  kind: 'full visit',
  startsAt,
  minutes: 90,
  ...more,
});
const slotsOf = async (dogId: string, query: Record<string, string> = {}): Promise<SlotsView> =>
  (await salon.call('GET /api/dogs/:id/slots', { id: dogId, query })).body;

describe('the best times for a dog', () => {
  test('a dog that was never here is due now: three to five free times, this dog’s minutes, why', async () => {
    const { dogId } = await addDog(salon);
    const { slots, minutes, lateBy, noShows } = await slotsOf(dogId);
    expect(slots.length).toBeGreaterThanOrEqual(3);
    expect(slots[0]).toMatchObject({ memberName: 'Ines', day: '2026-11-25', over: 0 });
    expect(slots[0]!.why[0]).toMatch(/^the best day for /);
    expect([minutes % 15, lateBy, noShows]).toEqual([0, null, 0]);
    for (const slot of slots) {
      const booked = await salon.call('POST /api/appointments', {
        body: bookAt(dogId, slot.startsAt, { minutes: slot.minutes }),
      });
      expect(booked.status).toBe(201);
    }
  });

  test('what is over of today, what is booked, days away and hours not worked are not offered', async () => {
    const { dogId } = await addDog(salon);
    clock.now = Date.UTC(2026, 10, 25, 14, 7);
    await salon.call('POST /api/away', {
      body: { id: v7(), memberId: null, from: '2026-11-26', to: '2026-11-27', name: 'Boat show' },
    });
    const sooner = (await slotsOf(dogId)).slots.filter(({ day }) => day === '2026-11-25');
    expect(sooner.map(({ startsAt }) => startsAt).toSorted()[0]).toBe('2026-11-25T14:15:00.000Z');
    const evening = [{ from: 18 * 60, to: 21 * 60, where: 'salon' }];
    const week = [evening, [], [], [], [], [], []];
    expect((await salon.call('PUT /api/members/:id/week', { id: salon.memberId, body: { week } })).status).toBe(200);
    const { slots } = await slotsOf(dogId);
    expect(slots.length).toBeGreaterThanOrEqual(3);
    expect(slots.every(({ startsAt }) => startsAt >= '2026-11-30T18')).toBe(true);
  });

  test('no hours at all: no time, and no fault', async () => {
    const { dogId } = await addDog(salon);
    await salon.call('PUT /api/members/:id/week', {
      id: salon.memberId,
      body: { week: [[], [], [], [], [], [], []] },
    });
    expect((await slotsOf(dogId)).slots).toEqual([]);
  });

  test('an owner who likes Friday mornings is offered them first; what was missed is said', async () => {
    const { dogId, clientId } = await addDog(salon);
    const wishes = { weekdays: [4], part: 'morning', memberId: null, pattern: null };
    expect(
      (await salon.call('PUT /api/clients/:id/wishes', { id: clientId, body: { version: 1, wishes } })).status,
    ).toBe(200);
    // Whoever saw it before that is told.
    const late = await salon.call('PUT /api/clients/:id/wishes', { id: clientId, body: { version: 1, wishes } });
    expect([late.status, late.body.error.current]).toEqual([409, { version: 2, wishes }]);
    const { slots } = await slotsOf(dogId);
    expect(slots[0]).toMatchObject({ day: '2026-11-27' });
    expect(slots[0]!.startsAt < '2026-11-27T12').toBe(true);
    expect(slots.find(({ day }) => day === '2026-11-25')?.why.join()).toMatch(/not one of the days asked for/);
  });

  test('where the household comes already is said', async () => {
    const one = await addDog(salon);
    const other = v7();
    await salon.call('POST /api/dogs', {
      body: { id: other, clientId: one.clientId, profile: { name: 'Wren', weightKg: 6, breeds: ['beagle'] } },
    });
    await salon.call('POST /api/appointments', { body: bookAt(one.dogId, '2026-11-26T09:00:00Z') });
    const { slots, household } = await slotsOf(other);
    expect(household).toMatchObject([{ name: 'Teasel', sameOwner: true }]);
    expect(slots[0]).toMatchObject({
      day: '2026-11-26',
      why: expect.arrayContaining(['the household comes that day']) as string[],
    });
  });

  test('dogs of a house that come together: one kind and length each, booked all or none', async () => {
    const own = await openSalon();
    const one = await addDog(own);
    const other = v7();
    await own.call('POST /api/dogs', {
      body: { id: other, clientId: one.clientId, profile: { name: 'Wren', weightKg: 6, breeds: ['beagle'] } },
    });
    const { body: view } = await own.call('GET /api/dogs/:id/slots', { id: one.dogId, query: { with: other } });
    expect(view.visits.map(({ name }) => name)).toEqual(['Teasel', 'Wren']);
    const [slot] = view.slots;
    const [wren] = slot?.along ?? [];
    // One person works here: one after the other, on one day.
    expect(wren?.startsAt.slice(0, 10)).toBe(slot?.day);
    const visits = view.visits.map(({ dogId, kind, minutes }) => ({
      ...{ id: v7(), dogId, kind, minutes, memberId: own.memberId, mayMove: false },
      startsAt: (dogId === other ? wren : slot)?.startsAt ?? '',
    }));
    // Somebody else has the second of the two times.
    const taken = { ...bookAt((await addDog(own)).dogId, wren?.startsAt ?? ''), memberId: own.memberId };
    expect((await own.call('POST /api/appointments', { body: taken })).status).toBe(201);
    const both = { together: true, visits };
    const { body: none } = await own.call('POST /api/ahead', { body: both });
    expect([none.booked, none.refused.map(({ why }) => why)]).toEqual([
      [],
      ['It comes with another that cannot be booked then.', 'That person has another dog then.'],
    ]);
    await own.call('PUT /api/appointments/:id', { id: taken.id, body: { change: 'cancel', version: 1 } });
    expect((await own.call('POST /api/ahead', { body: both })).body.booked).toHaveLength(2);
  });
});

describe('bookings', () => {
  test('200 at once for one slot: one has it, the others are told the next three free times', async () => {
    const { dogId } = await addDog(salon);
    const answers = await Promise.all(
      Array.from({ length: 200 }, () =>
        salon.call('POST /api/appointments', { body: bookAt(dogId, '2026-12-01T09:00:00Z') }),
      ),
    );
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(1);
    const refused = answers.filter(({ status }) => status === 409);
    expect(refused).toHaveLength(199);
    for (const { body } of refused)
      expect(body.error.free?.map(({ startsAt }) => startsAt)).toEqual([
        '2026-12-01T10:30:00.000Z',
        '2026-12-01T13:15:00.000Z',
        '2026-12-02T09:00:00.000Z',
      ]);
  }, 60_000);

  test('who cancelled, and how late, is said when booking again; a time of a dog that did not come is free', async () => {
    const { dogId } = await addDog(salon);
    const [late, soon, gone] = [
      bookAt(dogId, '2026-11-25T15:00:00Z'),
      bookAt(dogId, '2026-12-15T09:00:00Z'),
      bookAt(dogId, '2026-11-25T10:00:00Z'),
    ];
    for (const body of [late, soon, gone]) await salon.call('POST /api/appointments', { body });
    for (const { id } of [late, soon])
      await salon.call('PUT /api/appointments/:id', { id, body: { change: 'cancel', version: 1, by: 'owner' } });
    await salon.call('PUT /api/appointments/:id', { id: gone.id, body: { change: 'no show', version: 1 } });
    expect(await slotsOf(dogId)).toMatchObject({ noShows: 1, lateCancellations: 1 });
    expect((await salon.call('GET /api/today')).body.dogs).toEqual([]);
    expect((await salon.call('POST /api/appointments', { body: bookAt(dogId, '2026-11-25T10:00:00Z') })).status).toBe(
      201,
    );
    const back = { change: 'restore', version: 2 };
    expect((await salon.call('PUT /api/appointments/:id', { id: gone.id, body: back })).status).toBe(409);
  });

  test('a series keeps the time on the wall over the change of clocks, steps aside for what is booked, and is made once', async () => {
    const { dogId } = await addDog(salon);
    const first = bookAt(dogId, '2027-02-18T10:00:00Z');
    await salon.call('POST /api/appointments', { body: first });
    await salon.call('POST /api/appointments', { body: bookAt(dogId, '2027-03-25T10:30:00Z') });
    const { id: _, ...like } = first;
    const series = { id: v7(), ...like, everyWeeks: 5, until: '2027-05-20' };
    const made = await salon.call('POST /api/series', { body: series });
    // The asked day, Thursday 25 March, is taken at that time: the day before. Then British Summer Time.
    expect(made.body).toEqual({ booked: ['2027-03-24', '2027-04-29'], left: [] });
    expect((await salon.call('POST /api/series', { body: series })).body).toEqual(made.body);
    expect((await salon.call('POST /api/series', { body: { ...series, everyWeeks: 4 } })).status).toBe(409);
    const rows = await inTenant(databases, salon.businessId, (tx) =>
      tx.select().from(appointment).where(eq(appointment.seriesId, series.id)),
    );
    expect(rows.map(({ startsAt, mayMove }) => [startsAt.toISOString(), mayMove]).toSorted()).toEqual([
      ['2027-03-24T10:00:00.000Z', true],
      ['2027-04-29T09:00:00.000Z', true],
    ]);
  });
});

describe('weeks ahead', () => {
  test('all that is needed to plan; what is planned is booked, and a second time nothing twice', async () => {
    const { dogId } = await addDog(salon);
    const other = await addDog(salon, { name: 'Quill', weightKg: 4 });
    await salon.call('POST /api/book/reckon', { body: {} });
    const { body: ahead } = await salon.call('GET /api/ahead', { query: { days: '28' } });
    expect([ahead.waiting, ahead.weeks.dogs.map(({ id }) => id).toSorted()]).toEqual([
      0,
      [dogId, other.dogId].toSorted(),
    ]);
    expect(ahead.names[dogId]).toBe('Teasel');
    const book = bookOf(ahead.weeks);
    const planned = planBookings(book).next().value;
    const plan = planned?.plan() ?? [];
    expect(breaches(book, plan)).toEqual([]);
    expect(plan.length).toBeGreaterThanOrEqual(2);
    const visits = [
      {
        id: v7(),
        dogId,
        memberId: salon.memberId,
        kind: 'full visit',
        startsAt: '2026-11-26T09:00:00Z',
        minutes: 90,
        mayMove: true,
      },
      {
        id: v7(),
        dogId: other.dogId,
        memberId: salon.memberId,
        kind: 'full visit',
        startsAt: '2026-11-26T10:00:00Z',
        minutes: 60,
        mayMove: true,
      },
      {
        id: v7(),
        dogId: v7(),
        memberId: salon.memberId,
        kind: 'full visit',
        startsAt: '2026-11-27T10:00:00Z',
        minutes: 60,
        mayMove: true,
      },
    ];
    const { body: taken } = await salon.call('POST /api/ahead', { body: { visits } });
    expect(taken).toEqual({
      booked: [visits[0]!.id],
      moved: [],
      refused: [
        { id: visits[1]!.id, why: 'That person has another dog then.' },
        { id: visits[2]!.id, why: 'There is no such dog here.' },
      ],
    });
    expect((await salon.call('POST /api/ahead', { body: { visits: visits.slice(0, 1) } })).body.booked).toEqual([
      visits[0]!.id,
    ]);
    // The same id with another time is another booking, and is refused.
    const other0 = { ...visits[0]!, startsAt: '2026-11-27T09:00:00Z' };
    expect((await salon.call('POST /api/ahead', { body: { visits: [other0] } })).body).toMatchObject({
      booked: [],
      refused: [{ why: 'That id was already used for something else.' }],
    });
  });

  test('bookings that a plan moves change places at once; one whose move is refused keeps its time, and whoever wanted that', async () => {
    const own = await openSalon();
    const hours = ['09', '11', '13', '15'];
    const ids = hours.map(() => v7());
    for (const [i, hour] of hours.entries()) {
      const { dogId } = await addDog(own, { name: `Dog ${i}` });
      const body = { ...bookAt(dogId, `2026-11-26T${hour}:00:00Z`), id: ids[i], minutes: 60, memberId: own.memberId };
      expect((await own.call('POST /api/appointments', { body })).status).toBe(201);
    }
    const to = (i: number, hour: string, version = 1) => ({
      ...{ id: ids[i]!, version, memberId: own.memberId, startsAt: `2026-11-26T${hour}:00:00Z`, minutes: 60 },
    });
    const standing = async () => {
      const { body } = await own.call('GET /api/appointments', { query: { from: '2026-11-26', to: '2026-11-26' } });
      return ids.map((id) => body.items.find((each) => each.id === id)?.startsAt.slice(11, 13));
    };
    const { body: swapped } = await own.call('POST /api/ahead', {
      body: { visits: [], moved: [to(0, '11'), to(1, '09')] },
    });
    expect(swapped).toEqual({
      booked: [],
      moved: [
        { id: ids[0], version: 2 },
        { id: ids[1], version: 2 },
      ],
      refused: [],
    });
    expect(await standing()).toEqual(['11', '09', '13', '15']);
    // Sent again after an answer that never came, it is done already.
    const again = await own.call('POST /api/ahead', { body: { visits: [], moved: [to(0, '11'), to(1, '09')] } });
    expect(again.body).toEqual(swapped);
    // The third wants the place of the fourth, which somebody changed meanwhile; the second wants the place of the third.
    const { body: part } = await own.call('POST /api/ahead', {
      body: { visits: [], moved: [to(1, '13', 2), to(2, '15'), to(3, '10', 7), to(0, '16', 2)] },
    });
    expect(part).toEqual({
      booked: [],
      moved: [{ id: ids[0], version: 3 }],
      refused: [
        { id: ids[1], why: 'That person has another dog then.' },
        { id: ids[2], why: 'That person has another dog then.' },
        { id: ids[3], why: 'It was changed meanwhile.' },
      ],
    });
    expect(await standing()).toEqual(['16', '09', '13', '15']);
    // What comes free is had by a new visit in the same breath.
    const fresh = { ...bookAt((await addDog(own)).dogId, '2026-11-26T09:00:00Z'), minutes: 60, mayMove: true };
    const { body: both } = await own.call('POST /api/ahead', {
      body: { visits: [{ ...fresh, memberId: own.memberId }], moved: [to(1, '11', 2)] },
    });
    expect([both.booked, both.moved]).toEqual([[fresh.id], [{ id: ids[1], version: 3 }]]);
    expect((await own.call('POST /api/ahead', { body: { visits: [] } })).status).toBe(422);
    // All of it back: the new visit is cancelled, and the other has its time again; what is cancelled already stays so.
    const back = { visits: [], moved: [to(1, '09', 3)], cancelled: [{ id: fresh.id, version: 1 }] };
    expect((await own.call('POST /api/ahead', { body: back })).body).toEqual({
      ...{ booked: [], moved: [{ id: ids[1], version: 4 }], refused: [] },
    });
    expect((await own.call('POST /api/ahead', { body: back })).body.refused).toEqual([]);
    expect(await standing()).toEqual(['16', '09', '13', '15']);
    const late = { visits: [], cancelled: [{ id: ids[2]!, version: 9 }] };
    expect((await own.call('POST /api/ahead', { body: late })).body.refused).toEqual([
      { id: ids[2], why: 'It was changed meanwhile.' },
    ]);
  });

  test('what planning found the days to be worth is kept: a dear day is no longer the best', async () => {
    const { dogId } = await addDog(salon);
    const [best] = (await slotsOf(dogId)).slots;
    const prices = { '0 salon ': 0.5 };
    const body = { first: best!.day, prices };
    expect((await salon.call('PUT /api/ahead', { body })).status).toBe(200);
    const after = (await slotsOf(dogId)).slots;
    expect(after[0]!.day > best!.day).toBe(true);
    // A day later it is behind.
    clock.now += 86_400_000;
    expect((await slotsOf(dogId)).slots[0]!.day).toBe('2026-11-26');
  });

  test('a time that came free: who is due gains, with the telephone', async () => {
    const one = await addDog(salon);
    const other = await addDog(salon, { name: 'Quill' });
    await salon.call('POST /api/book/reckon', { body: {} });
    const body = bookAt(one.dogId, '2026-11-27T09:00:00Z', { minutes: 180 });
    await salon.call('POST /api/appointments', { body });
    await salon.call('PUT /api/appointments/:id', { id: body.id, body: { change: 'cancel', version: 1 } });
    const { body: gap } = await salon.call('GET /api/appointments/:id/gap', { id: body.id });
    expect(gap).toMatchObject({ isFree: true, minutes: 180, day: '2026-11-27' });
    expect(gap.gains).toMatchObject([{ dogId: other.dogId, dog: 'Quill', phone: '01632 960114', insteadOf: null }]);
    expect((await salon.call('GET /api/appointments/:id/gap', { id: v7() })).status).toBe(404);
  });
});

describe('hours', () => {
  test('only a manager changes them; a week that cannot be is told', async () => {
    const groomer = await openSalon('groomer');
    const week = [[], [], [], [], [], [], []];
    expect((await groomer.call('PUT /api/members/:id/week', { id: groomer.memberId, body: { week } })).status).toBe(
      403,
    );
    const wrong = [[{ from: 600, to: 540, where: 'salon' }], [], [], [], [], [], []];
    const refused = await salon.call('PUT /api/members/:id/week', { id: salon.memberId, body: { week: wrong } });
    expect([refused.status, refused.body.error.message]).toEqual([
      422,
      expect.stringMatching(/ends before it begins/) as string,
    ]);
    expect((await salon.call('GET /api/hours')).body.people).toMatchObject([{ name: 'Ines', isUsual: true }]);
  });

  test('an absence ends after it begins, is of this business, and can be taken back', async () => {
    const of = (more: object) => ({
      id: v7(),
      memberId: null,
      from: '2026-12-24',
      to: '2026-12-27',
      name: 'Christmas',
      ...more,
    });
    expect((await salon.call('POST /api/away', { body: of({ to: '2026-12-20' }) })).status).toBe(422);
    expect((await salon.call('POST /api/away', { body: of({ memberId: (await openSalon()).memberId }) })).status).toBe(
      422,
    );
    const body = of({});
    expect((await salon.call('POST /api/away', { body })).status).toBe(201);
    expect((await salon.call('GET /api/hours')).body.away).toMatchObject([{ name: 'Christmas', memberName: null }]);
    expect((await salon.call('POST /api/away/:id/ended', { id: body.id, body: {} })).status).toBe(201);
    expect((await salon.call('GET /api/hours')).body.away).toEqual([]);
  });

  test('a person’s week stands in the database as it was sent', async () => {
    const week = [[{ from: 480, to: 720, where: 'salon' }], [], [], [], [], [], []];
    await salon.call('PUT /api/members/:id/week', { id: salon.memberId, body: { week } });
    const [row] = await inTenant(databases, salon.businessId, (tx) => tx.select({ week: member.week }).from(member));
    expect(row?.week).toEqual(week);
  });
});

describe('a plan of the night', () => {
  const night = async (own: Salon, hour: number) => {
    clock.now = Date.UTC(2026, 10, 25, hour, 0, 0);
    return planAtNight(services, own.businessId);
  };
  const plan = async (own: Salon) => (await own.call('GET /api/ahead', { query: { days: '56' } })).body.night;

  test('once a day, from three o’clock on; what of it still holds stands there in the morning', async () => {
    const own = await openSalon();
    for (const name of ['Teasel', 'Wren', 'Otter']) await addDog(own, { name });
    expect(await plan(own)).toBeNull();
    expect(await night(own, 2)).toBe(false);
    expect(await night(own, 4)).toBe(true);
    expect(await night(own, 5)).toBe(false);
    const made = await plan(own);
    const dogs = new Set(made?.proposals.map(({ dog }) => dog));
    expect(dogs.size).toBe(3);
    expect([made?.bound ?? 0, made?.cost ?? 0].every((each) => each > 0)).toBe(true);
    // Home care of a dog until its visit is told with it.
    expect(made?.proposals.some(({ atHome }) => atHome.length > 0)).toBe(true);
    const [first] = made?.proposals ?? [];
    const startsAt = new Date(Date.parse(`${first?.day}T00:00:00Z`) + (first?.from ?? 0) * 60_000).toISOString();
    const booked = { ...bookAt(first?.dog ?? '', startsAt), memberId: own.memberId };
    expect((await own.call('POST /api/appointments', { body: booked })).status).toBe(201);
    const left = await plan(own);
    expect(left?.proposals.some(({ dog, day }) => dog === first?.dog && day === first.day)).toBe(false);
    expect([left?.bound, left?.proposals.length]).not.toEqual([made?.bound, made?.proposals.length]);
    expect((await own.call('GET /api/ahead', { query: { days: '28' } })).body.night).toBeNull();
    clock.now += 86_400_000;
    expect(await plan(own)).toBeNull();
    clock.now = MORNING;
  });

  test('a business without dogs has nothing to plan, and is not asked again the same day', async () => {
    const own = await openSalon();
    expect(await night(own, 4)).toBe(true);
    expect((await plan(own))?.proposals).toEqual([]);
    expect(await night(own, 5)).toBe(false);
    clock.now = MORNING;
  });
});

test('a plan kept without what moving costs is read as one where another day is as good', () => {
  const told = { dog: v7(), person: v7(), day: '2026-11-26', from: 540, to: 600, kind: 'full', why: [] };
  const proposals = [{ ...told, toMove: null, insteadOf: null, atHome: [] }];
  const kept = readStored(NIGHT_PLAN_KEPT, { proposals, unplaced: [], cost: 1, bound: 0, known: [] });
  expect(kept.proposals).toEqual([{ ...proposals[0], toMove: 0 }]);
});

describe('what people are good at, and where the van goes', () => {
  test('only a manager says so; dogs that need it are offered nobody else', async () => {
    const own = await openSalon();
    const { dogId } = await addDog(own);
    const needs = { slot: null, memberId: null, weekdays: [], where: null, skills: ['nervous dogs'] };
    const { version } = (await own.call('GET /api/dogs/:id', { id: dogId })).body;
    expect((await own.call('PUT /api/dogs/:id/needs', { id: dogId, body: { version, needs } })).status).toBe(200);
    const slots = async () => (await own.call('GET /api/dogs/:id/slots', { id: dogId, query: {} })).body.slots;
    expect(await slots()).toEqual([]);
    const skilled = { id: own.memberId, body: { skills: ['nervous dogs'] } };
    expect((await own.call('PUT /api/members/:id/skills', skilled)).status).toBe(200);
    expect((await slots()).length).toBeGreaterThanOrEqual(3);
    expect((await (await openSalon('groomer')).call('PUT /api/members/:id/skills', skilled)).status).toBe(403);
    const twice = { id: own.memberId, body: { skills: ['cats', 'cats'] } };
    expect((await own.call('PUT /api/members/:id/skills', twice)).status).toBe(422);
  });

  test('a dog on an islet is offered the van’s days, and driving lies between two of them', async () => {
    const own = await openSalon();
    const week = USUAL_WEEK.map((spans, i) => (i === 1 ? spans.map((span) => ({ ...span, where: 'islets' })) : spans));
    await own.call('PUT /api/members/:id/week', { id: own.memberId, body: { week: week.map((each) => [...each]) } });
    const { dogId } = await addDog(own);
    const { version } = (await own.call('GET /api/dogs/:id', { id: dogId })).body;
    const needs = { slot: null, memberId: null, weekdays: [], where: 'islets', skills: [] };
    await own.call('PUT /api/dogs/:id/needs', { id: dogId, body: { version, needs } });
    const { slots, minutes } = (await own.call('GET /api/dogs/:id/slots', { id: dogId, query: {} })).body;
    expect(new Set(slots.map(({ day }) => new Date(day).getUTCDay()))).toEqual(new Set([2]));
    expect(slots.every((each) => each.minutes === minutes)).toBe(true);
    // The drive is within its half day, ended by noon's break or by the evening.
    const ends = slots.map(({ day, startsAt, minutes: its }) => {
      const end = Date.parse(startsAt) + its * 60_000;
      const closes = ['12:30', '17:00'].map((time) => Date.parse(`${day}T${time}:00Z`)).find((each) => end <= each);
      return ((closes ?? 0) - end) / 60_000;
    });
    expect(ends.length).toBeGreaterThan(0);
    expect(Math.min(...ends)).toBeGreaterThanOrEqual(20);
  });
});
