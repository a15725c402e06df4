import pg from 'pg';
import request from 'supertest';
import { describe, expect, onTestFinished, test } from 'vitest';
import { v7 } from 'uuid';
import { finding } from '@dewpond/core/findings';
import { eq } from 'drizzle-orm';
import { client, dog, dogDue, product } from '../platform/db/schema';
import { connectionString } from '../platform/db/connect';
import { inTenant } from '../platform/db/tenant';
import { inPieces } from '../platform/db/together';
import { dogsToWatch } from '../features/dogs/watched';
import { keepDue, reckonAll, staleDogs } from '../records/due/bookDue';
import { day } from '@dewpond/core/units';
import {
  addDog,
  app,
  businessEditOf,
  clock,
  config,
  databases,
  openSalon,
  type KeptDog,
  type Salon,
  services,
} from './salon';
import { visitDog } from './tableSide';

const LEFT_EAR = { site: 'ear', side: 'left' } as const;
const listed = async (salon: Salon, dogId: string) =>
  (await salon.call('GET /api/dogs')).body.items.find(({ id }) => id === dogId);
const reckon = async (salon: Salon) => (await salon.call('POST /api/book/reckon', { body: {} })).body.left;
const dogOf = async (salon: Salon, id: string) => (await salon.call('GET /api/dogs/:id', { id })).body;

/** Every write that a plan depends on, and that the list must not lag behind. */
const CHANGES: readonly (readonly [string, (salon: Salon, kept: KeptDog) => Promise<unknown>])[] = [
  [
    'a visit',
    (salon, { dogId }) => visitDog(salon, dogId, [{ type: 'found', finding: finding(LEFT_EAR, 'ear musty smell', 2) }]),
  ],
  [
    'an instruction',
    (salon, { dogId }) =>
      salon.call('POST /api/dogs/:id/instructions', {
        id: dogId,
        body: {
          id: v7(),
          by: 'vet',
          who: 'Dr Oyelaran',
          place: null,
          says: { kind: 'interval', task: 'bath', days: 3 },
          from: '2026-11-01',
          until: null,
        },
      }),
  ],
  [
    'the dog itself',
    async (salon, { dogId }) => {
      const { version, profile } = await dogOf(salon, dogId);
      return salon.call('PUT /api/dogs/:id', {
        id: dogId,
        body: { version, profile: { ...profile, breeds: ['pug'] } },
      });
    },
  ],
  [
    'the owner’s word',
    async (salon, { clientId }) => {
      const { client } = (await salon.call('GET /api/clients/:id', { id: clientId })).body;
      const consents = { plucking: { yes: true, on: '2026-11-25' } };
      return salon.call('PUT /api/clients/:id', {
        id: clientId,
        body: { version: client.version, name: client.name, card: { ...client.card, consents } },
      });
    },
  ],
  [
    'a house way',
    async (salon) => {
      const edit = await businessEditOf(salon);
      return salon.call('PUT /api/business', { body: { ...edit, ways: { ...edit.ways, teeth: 'gel' } } });
    },
  ],
  [
    'how often',
    async (salon) => {
      const intervals = { 'nails: usual': { least: 10, usual: 14, most: 21 } };
      return salon.call('PUT /api/business', { body: { ...(await businessEditOf(salon)), intervals } });
    },
  ],
];

/** Writes that no plan depends on: a large book is not reckoned anew for them. */
const NO_CHANGES: readonly (readonly [string, (salon: Salon, kept: KeptDog) => Promise<{ status: number }>])[] = [
  [
    'the telephone of the business',
    async (salon) => {
      const { mayEdit: _, name: __, ...profile } = (await salon.call('GET /api/profile')).body;
      return salon.call('PUT /api/profile', { body: { ...profile, phone: '01632 960199' } });
    },
  ],
  [
    'the telephone of the owner',
    async (salon, { clientId }) => {
      const { client } = (await salon.call('GET /api/clients/:id', { id: clientId })).body;
      const card = { ...client.card, phones: [{ number: '01632 960198' }] };
      return salon.call('PUT /api/clients/:id', {
        id: clientId,
        body: { version: client.version, name: client.name, card },
      });
    },
  ],
  [
    'the lead time of a product',
    async (salon) => {
      const changed = await inTenant(databases, salon.businessId, (tx) =>
        tx.update(product).set({ leadDays: 21, costPerMl: 0.02 }).returning({ id: product.id }),
      );
      return { status: changed.length > 0 ? 200 : 404 };
    },
  ],
];

describe('what is next due, as the list shows it', () => {
  test.each(NO_CHANGES)('is not reckoned anew for %s', async (_, change) => {
    const salon = await openSalon();
    const kept = await addDog(salon);
    expect(await reckon(salon)).toBe(0);
    expect((await change(salon, kept)).status).toBe(200);
    const waiting = await inTenant(databases, salon.businessId, (tx) => staleDogs(tx, day('2026-11-25'), 300));
    expect(waiting).toEqual([]);
  });

  test.each(CHANGES)('follows %s at once, and says what the dog’s own page says', async (_, change) => {
    const salon = await openSalon();
    const kept = await addDog(salon);
    expect(await reckon(salon)).toBe(0);
    await change(salon, kept);
    const { next, reckoned, openVet } = (await listed(salon, kept.dogId)) ?? {};
    const page = await dogOf(salon, kept.dogId);
    expect(reckoned).toBe(true);
    expect([next?.day, next?.task]).toEqual([page.nextVisit?.day, page.nextVisit?.drivenBy]);
    expect(openVet).toBe(Object.keys(page.facts.suspended).length > 0);
  });

  test('has a row for every dog from its first day on', async () => {
    const salon = await openSalon();
    const { dogId } = await addDog(salon);
    const rows = await inTenant(databases, salon.businessId, (tx) =>
      tx.select({ dogId: dogDue.dogId, madeOn: dogDue.madeOn }).from(dogDue),
    );
    expect(rows).toEqual([{ dogId, madeOn: null }]);
  });

  test('is reckoned anew on another day, and no oftener', async () => {
    const salon = await openSalon();
    const { dogId } = await addDog(salon);
    await reckon(salon);
    const madeOn = () =>
      inTenant(databases, salon.businessId, (tx) =>
        tx.select({ on: dogDue.madeOn }).from(dogDue).where(eq(dogDue.dogId, dogId)),
      );
    expect(await madeOn()).toEqual([{ on: '2026-11-25' }]);
    clock.now += 86_400_000;
    await reckon(salon);
    clock.now -= 86_400_000;
    expect(await madeOn()).toEqual([{ on: '2026-11-26' }]);
  });

  test('read before someone else wrote is not kept over what they wrote', async () => {
    const salon = await openSalon();
    const { dogId } = await addDog(salon);
    await inTenant(databases, salon.businessId, async (reading) => {
      const waiting = await staleDogs(reading, day('2026-11-25'), 300);
      await inTenant(databases, salon.businessId, (writing) =>
        writing.update(dog).set({ name: 'Umber' }).where(eq(dog.id, dogId)),
      );
      await keepDue(reading, day('2026-11-25'), waiting);
    });
    const [kept] = await inTenant(databases, salon.businessId, (tx) =>
      tx.select().from(dogDue).where(eq(dogDue.dogId, dogId)),
    );
    expect(kept?.madeOn).toBeNull();
    expect(await listed(salon, dogId)).toMatchObject({ name: 'Umber', reckoned: true });
  });

  test('of a large book is reckoned piece by piece', async () => {
    const salon = await openSalon();
    const { clientId, dogId } = await addDog(salon);
    const { profile } = await dogOf(salon, dogId);
    const dogs = Array.from({ length: 699 }, (_, i) => ({
      businessId: salon.businessId,
      id: v7(),
      clientId,
      name: `Dog ${i}`,
      profile,
      madeFrom: `${i}`,
    }));
    await inTenant(databases, salon.businessId, (tx) => tx.insert(dog).values(dogs));
    expect([await reckon(salon), await reckon(salon)]).toEqual([660, 620]);
    const listedThen = (await salon.call('GET /api/dogs')).body.items;
    // The list reckons some more for itself, and keeps nothing.
    expect(listedThen.filter(({ reckoned }) => reckoned).length).toBe(120);
    expect(await reckon(salon)).toBe(580);
    await reckonAll(services, salon.businessId);
    expect(await reckon(salon)).toBe(0);
    const page = async (after?: string) => (await salon.call('GET /api/book', after ? { query: { after } } : {})).body;
    const first = await page();
    const second = await page(first.after ?? '');
    const third = await page(second.after ?? '');
    expect([first, second, third].map(({ items }) => items.length)).toEqual([300, 300, 100]);
    expect([first.of, third.after]).toEqual([700, null]);
    expect((await salon.call('GET /api/dogs')).body.items.every(({ reckoned }) => reckoned)).toBe(true);
  });

  test('a house way makes it stale for all, and sends nobody through all dogs for the watch list', async () => {
    const salon = await openSalon();
    const [found, clear] = [await addDog(salon), await addDog(salon)];
    await visitDog(salon, found.dogId, [{ type: 'found', finding: finding(LEFT_EAR, 'ear musty smell', 2) }]);
    await reckon(salon);
    const edit = await businessEditOf(salon);
    await salon.call('PUT /api/business', { body: { ...edit, liftAloneKg: edit.liftAloneKg + 1 } });
    const stale = await inTenant(databases, salon.businessId, (tx) => staleDogs(tx, day('2026-11-25'), 300));
    expect(stale.map(({ id }) => id).toSorted()).toEqual([found.dogId, clear.dogId].toSorted());
    expect(await inTenant(databases, salon.businessId, dogsToWatch)).toEqual([found.dogId]);
    await visitDog(salon, clear.dogId, [{ type: 'found', finding: finding(LEFT_EAR, 'ear musty smell', 2) }]);
    const items = (await salon.call('GET /api/watch')).body.items.map(({ dogId }) => dogId);
    expect(new Set(items)).toEqual(new Set([found.dogId, clear.dogId]));
  });
});

describe('a long list', () => {
  const NAMES = ['Umber', 'Plover', 'Quill'];
  const LONG = 1204;

  test('of dogs and of owners comes page by page, each row once, in the order of names', async () => {
    const salon = await openSalon();
    await fillBook(salon, LONG);
    for (const key of ['GET /api/dogs', 'GET /api/clients'] as const) {
      const first = (await salon.call(key)).body;
      const second = (await salon.call(key, { query: { after: first.after ?? '' } })).body;
      expect([first.items.length, second.items.length, second.after]).toEqual([1000, LONG - 1000, null]);
      const rows = [...first.items, ...second.items];
      expect(new Set(rows.map(({ id }) => id)).size).toBe(LONG);
      const names = rows.map(({ name }) => name);
      expect(names).toEqual(NAMES.toSorted().flatMap((name) => names.filter((each) => each === name)));
    }
    for (const after of ['nonsense', `${'-'.repeat(36)} Umber`, `${v7()}`])
      expect((await salon.call('GET /api/dogs', { query: { after } })).status).toBe(422);
    // A row that is gone, or a name of any signs, is a place in the list all the same.
    const afterAll = await salon.call('GET /api/dogs', { query: { after: `${v7()} zzz’\n%_\\` } });
    expect([afterAll.status, afterAll.body.items]).toEqual([200, []]);
  });

  test('leaves as a file whole, and is read in pieces', async () => {
    const salon = await openSalon();
    await fillBook(salon, LONG);
    const { text } = await request(app).get('/api/export/dogs.csv').set('Cookie', salon.cookie);
    expect(text.split('\r\n')).toHaveLength(LONG + 2);
    const pieces = await inTenant(databases, salon.businessId, async (tx) => {
      const lengths: number[] = [];
      const rows = inPieces(tx, (from) => from.select({ id: dog.id }).from(dog).orderBy(dog.id));
      for await (const piece of rows) lengths.push(piece.length);
      return lengths;
    });
    expect(pieces).toEqual([250, 250, 250, 250, LONG - 1000]);
  });

  test('of which what is due is stale is shared by those who reckon at the same time', async () => {
    const salon = await openSalon();
    await fillBook(salon, 100);
    await Promise.all([reckon(salon), reckon(salon)]);
    expect(await inTenant(databases, salon.businessId, (tx) => staleDogs(tx, day('2026-11-25'), 300))).toHaveLength(20);
  });

  /** Owners with a dog each, of few names. */
  async function fillBook(salon: Salon, many: number): Promise<void> {
    const { dogId, clientId } = await addDog(salon);
    await inTenant(databases, salon.businessId, async (tx) => {
      const [its] = await tx.select().from(dog).where(eq(dog.id, dogId));
      const [owner] = await tx.select().from(client).where(eq(client.id, clientId));
      if (!its || !owner) throw new Error('no dog');
      await tx.update(dog).set({ name: 'Umber' });
      await tx.update(client).set({ name: 'Umber' });
      const owners = Array.from({ length: many - 1 }, (_, i) => ({ ...owner, id: v7(), name: NAMES[i % 3] ?? '' }));
      await tx.insert(client).values(owners);
      await tx.insert(dog).values(owners.map(({ id, name }) => ({ ...its, id: v7(), clientId: id, name })));
    });
  }
});

test('a list that is asked again and again puts one job into the queue, and another once that one runs', async () => {
  const owner = new pg.Client({ connectionString: connectionString(config, 'owner') });
  await owner.connect();
  onTestFinished(async () => {
    await owner.query(`delete from jobs.job where name = 'reckon-due'`);
    await owner.query(`select jobs.delete_queue('reckon-due')`);
    await owner.end();
  });
  await owner.query(`select jobs.create_queue('reckon-due', '{"policy":"standard"}')`);
  const salon = await openSalon();
  await addDog(salon);
  const waiting = async () =>
    (
      await owner.query(`select id from jobs.job where name = 'reckon-due' and data->>'businessId' = $1`, [
        salon.businessId,
      ])
    ).rows.length;
  for (let i = 0; i < 3; i++) await salon.call('GET /api/dogs');
  expect(await waiting()).toBe(1);
  await owner.query(`update jobs.job set state = 'active' where name = 'reckon-due'`);
  await salon.call('GET /api/dogs');
  expect(await waiting()).toBe(2);
});
