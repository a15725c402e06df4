import { SALON, USUAL_WEEK, weekdayOf } from '@dewpond/core/bookings';
import { day, daysBetween } from '@dewpond/core/units';
import { currentStep, readVisit, taskOutcomes } from '@dewpond/core/visit';
import { group, mean } from 'd3-array';
import { asc, count, eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { beforeAll, describe, expect, test } from 'vitest';
import { largeWorld } from '../demo/large/largeWorld';
import { weekOf } from '../demo/large/keepBook';
import { seedLarge } from '../demo/large/seedLarge';
import { shareOf } from '../demo/large/seedShare';
import { seedDemo } from '../demo/seedDemo';
import { seedShelf } from '../demo/seedShelf';
import { DEMO_BUSINESSES } from '../demo/world';
import * as authSchema from '../platform/db/authSchema';
import { appointment, member, visit } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { dayIn } from '../platform/time/zone';
import { loadStockedBusiness } from '../records/business/business';
import { beforeVisit, loadVisit, type LoadedVisit } from '../records/visit/load';
import { MORNING, addMember, auth, databases, openSalon, type Salon } from './salon';

const [DEMO] = DEMO_BUSINESSES;
if (!DEMO) throw new Error('There is no demo world.');
const isDeep = process.env['DEWPOND_DEEP'] !== undefined;

describe.each(['2026-11-30', '2027-02-26', '2028-02-29', '2026-11-29'])('a book kept up to %s', (today) => {
  const { dogs, book } = largeWorld(DEMO, day(today));
  const came = book.filter(({ state }) => state === 'done' || state === 'booked');

  test('is of a real size: about 180 dogs of 130 households with those of the stories, 18 months, three weeks ahead', () => {
    expect(dogs.length + DEMO.dogs.length).toBeGreaterThan(170);
    expect(dogs.length + DEMO.dogs.length).toBeLessThan(190);
    expect(new Set(dogs.map(({ owner }) => owner.phone)).size + DEMO.dogs.length).toBeGreaterThan(125);
    const days = book.map((each) => daysBetween(day(today), each.day));
    expect(Math.min(...days)).toBeLessThan(-530);
    expect(Math.max(...days)).toBeGreaterThan(14);
    expect(Math.max(...days)).toBeLessThanOrEqual(21);
    const states = group(book, ({ state }) => state);
    const share = (state: 'cancelled' | 'no show') => (states.get(state)?.length ?? 0) / book.length;
    expect(share('cancelled')).toBeGreaterThan(0.02);
    expect(share('cancelled')).toBeLessThan(0.08);
    expect(share('no show')).toBeGreaterThan(0.005);
    expect(share('no show')).toBeLessThan(0.03);
  });

  test('nobody has two dogs at once, and all of it is within the hours of whoever does it', () => {
    for (const [key, its] of group(came, (each) => `${each.day} ${each.person}`)) {
      const inOrder = its.toSorted((a, b) => a.from - b.from);
      for (const [i, each] of inOrder.entries()) {
        const before = inOrder[i - 1];
        if (before) expect(each.from, key).toBeGreaterThanOrEqual(before.from + before.minutes);
        const weekday = each.day === today ? 0 : weekdayOf(each.day);
        const spans = USUAL_WEEK[weekday] ?? [];
        expect(
          spans.some(({ from, to }) => from <= each.from && each.from + each.minutes <= to),
          `${key} ${each.from}`,
        ).toBe(true);
      }
    }
  });

  test('no dog comes twice on a day; a household mostly comes together', () => {
    for (const [key, its] of group(came, (each) => `${each.day} ${each.dog}`)) expect(its.length, key).toBe(1);
    const pairs = dogs.flatMap(({ household }, a) =>
      dogs.flatMap((other, b) => (b > a && other.household === household ? [[a, b] as const] : [])),
    );
    const daysOf = (dog: number) => new Set(came.filter((each) => each.dog === dog).map((each) => each.day));
    const together = pairs.map(([a, b]) => {
      const [first, second] = [daysOf(a), daysOf(b)];
      return [...first].filter((on) => second.has(on)).length / Math.max(1, Math.min(first.size, second.size));
    });
    expect(mean(together) ?? 0).toBeGreaterThan(0.5);
  });

  test('the van goes to farms and islets on Tuesdays and Fridays, and nobody else does', () => {
    for (const { dog, day: on, person } of came) {
      const isVan = person === 0 && [1, 4].includes(weekdayOf(on));
      expect(dogs[dog]?.isOutlying, `${on} ${person}`).toBe(isVan);
    }
    const week = weekOf(0);
    expect(week.map((spans) => spans.some(({ where }) => where !== SALON))).toEqual([
      false,
      true,
      false,
      false,
      true,
      false,
      false,
    ]);
  });

  test('today has as many dogs as two tables and a tub bear, and no day has more', () => {
    const inSalon = came.filter(({ dog }) => !dogs[dog]?.isOutlying);
    const ofStories = DEMO.dogs.filter((each) => each.today).length;
    expect(ofStories + inSalon.filter((each) => each.day === today).length).toBe(8);
    for (const [on, its] of group(inSalon, (each) => each.day)) expect(its.length, on).toBeLessThanOrEqual(8);
  });

  test('is the same whoever asks', () => {
    expect(largeWorld(DEMO, day(today)).book).toEqual(book);
  });
});

test('a world that was begun and never finished is told, not taken for a whole one', async () => {
  const { organization } = authSchema;
  const id = v7();
  const row = { id, name: 'Half a salon', slug: id, createdAt: new Date(MORNING), metadata: '{"demo":"begun"}' };
  await databases.auth.insert(organization).values(row);
  await expect(seedDemo(databases, auth, MORNING, () => undefined)).rejects.toThrow(/npm run demo -- --fresh/);
  await databases.auth.delete(organization).where(eq(organization.id, id));
});

describe(`the visits of ${isDeep ? 'all' : 'some'} of its dogs, one by one`, () => {
  const today = dayIn('Europe/London', MORNING);
  const households = isDeep ? 124 : 9;
  const world = largeWorld(DEMO, today, households);
  let salon: Salon;
  let visits: LoadedVisit[] = [];

  beforeAll(async () => {
    salon = await openSalon();
    const businessId = salon.businessId;
    for (const name of ['Tomasz', 'Aroha', 'Bilal']) await addMember(salon, { name, week: USUAL_WEEK });
    const members = await inTenant(databases, businessId, async (tx) => {
      await seedShelf({ tx, today, by: 'Ines', zone: 'Europe/London' }, DEMO);
      return tx.select({ id: member.id, personId: member.personId, name: member.name }).from(member);
    });
    await seedLarge({
      databases,
      businessId,
      today,
      demo: DEMO,
      members,
      households,
      shares: 2,
      worker: (share) => ({ week: shareOf(databases, share), end: () => Promise.resolve() }),
      analyse: () => Promise.resolve(),
      tell: () => undefined,
    });
    visits = await inTenant(databases, businessId, async (tx) => {
      const business = await loadStockedBusiness(tx);
      const rows = await tx.select({ id: visit.id }).from(visit).orderBy(asc(visit.day));
      const loaded: LoadedVisit[] = [];
      for (const { id } of rows) loaded.push(await loadVisit(tx, business, id));
      return loaded;
    });
  }, 900_000);

  test('there is one for every booking that was kept, closed, and its booking is done', async () => {
    const kept = world.book.filter(({ state }) => state === 'done');
    expect(visits.length).toBe(kept.length);
    expect(visits.length).toBeGreaterThan(60);
    expect(visits.filter(({ state }) => state.closed !== 'finished')).toEqual([]);
    const [done] = await inTenant(databases, salon.businessId, (tx) =>
      tx.select({ n: count() }).from(appointment).where(eq(appointment.state, 'done')),
    );
    expect(done?.n).toBe(kept.length);
  });

  test('no step was done that was barred on that day, was not asked for, or whose turn had not come', () => {
    let steps = 0;
    for (const loaded of visits) {
      const before = beforeVisit(loaded);
      for (const [i, { what }] of loaded.events.entries()) {
        if (what.type !== 'step done') continue;
        const then = readVisit(before, loaded.events.slice(0, i));
        const step = then.steps.find(({ id }) => id === what.step);
        const where = `${loaded.row.day} ${loaded.record.dog.name} ${what.step}`;
        expect(step, where).toBeDefined();
        expect(step?.barred ?? null, where).toBeNull();
        expect(currentStep(then.state, then.steps)?.id, where).toBe(what.step);
        steps += 1;
      }
    }
    expect(steps).toBeGreaterThan(1000);
  });

  test('a product was used only where what it is for was done; of a vet’s own wash alone where the vet says so', () => {
    let used = 0;
    for (const loaded of visits) {
      const done = new Set(taskOutcomes(loaded).flatMap(({ task, outcome }) => (outcome === 'done' ? [task] : [])));
      const { bathProduct } = loaded.plan;
      for (const { what } of loaded.events) {
        if (what.type !== 'used') continue;
        used += 1;
        expect(
          (what.tasks ?? []).some((task) => done.has(task)),
          `${loaded.row.day} ${what.name}`,
        ).toBe(true);
        if (bathProduct?.nothingElse) expect(what.product).toBe(bathProduct.productId);
      }
    }
    expect(used).toBeGreaterThan(60);
  });

  test('some find what is no ordinary dirt', () => {
    const findings = visits.flatMap(({ state }) => state.findings);
    const rare = findings.filter(({ sign }) => /smell|red|pus|squint|discharge|raw|greasy|scaly/.test(sign));
    expect(rare.length).toBeGreaterThan(0);
    expect(rare.length).toBeLessThan(0.2 * visits.length);
  });

  test('an ear whose true rate is short for how often it comes is found dirtier than the others', () => {
    const grades = (name: string) =>
      visits
        .filter(({ record }) => record.dog.name === name)
        .slice(1)
        .map(({ state }) =>
          Math.max(0, ...state.findings.filter(({ place }) => place.site === 'ear').map(({ grade }) => grade)),
        );
    const ears = world.dogs
      .map(({ profile, everyDays, hidden }) => ({
        load: everyDays / Math.min(hidden['ear/left'] ?? 110, hidden['ear/right'] ?? 110),
        found: grades(profile.name),
      }))
      .filter(({ found }) => found.length > 2)
      .toSorted((a, b) => a.load - b.load);
    expect(ears.length).toBeGreaterThan(5);
    const half = Math.floor(ears.length / 2);
    const [calm, busy] = [ears.slice(0, half), ears.slice(-half)].map((each) =>
      mean(each.flatMap(({ found }) => found)),
    );
    expect(busy ?? 0).toBeGreaterThan(0.3 + (calm ?? 0));
  });
});
