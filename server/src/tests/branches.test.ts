import { AT_BRANCH, type BodyOf, type EndpointKey, type Problem, type ResponseOf } from '@dewpond/contract';
import { USUAL_WEEK, readWork, type WeekHours } from '@dewpond/core/bookings';
import request from 'supertest';
import { v7 } from 'uuid';
import { beforeAll, describe, expect, test } from 'vitest';
import { rebuildBusiness } from '../commands/rebuildProjections';
import { runImport } from '../features/imports/runImport';
import { planAtNight } from '../features/ahead/nightPlan';
import { reckonAll } from '../records/due/bookDue';
import { weekPlan } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { addDog, addMember, app, clock, databases, openSalon, services, type Salon } from './salon';
import { START, addProduct, book, bottleOf, enter, makeMix, mixBody, stockOf, typed } from './shelfSide';
import { visitDog } from './tableSide';

/** The same salon, asked while one looks at one of its branches. */
const at = (salon: Salon, branchId: string): Salon => ({
  ...salon,
  call: async <K extends EndpointKey>(
    key: K,
    given: { id?: string; body?: BodyOf<K> | object; query?: Record<string, string> } = {},
  ) => {
    const [method = 'GET', path = ''] = key.split(' ');
    const call = request(app)
      [method.toLowerCase() as 'get' | 'post' | 'put'](path.replace(':id', given.id ?? ''))
      .set('Cookie', salon.cookie)
      .set(AT_BRANCH, branchId);
    if (given.query) void call.query(given.query);
    const { status, body } = await (given.body === undefined ? call : call.send(given.body as object));
    return { status, body: body as ResponseOf<K> & Problem };
  },
});

async function addBranch(salon: Salon, name: string, kind: 'salon' | 'van' = 'salon'): Promise<Salon> {
  const id = v7();
  expect((await salon.call('POST /api/branches', { body: { id, name, kind } })).status).toBe(201);
  return at(salon, id);
}
const branches = async (salon: Salon) => (await salon.call('GET /api/branches')).body;
const idOf = async (salon: Salon, name: string) =>
  (await branches(salon)).items.find((each) => each.name === name)?.id ?? '';
const week = (typed: string): WeekHours => [...USUAL_WEEK.slice(0, 5).map(() => readWork(typed) ?? []), [], []];
const putInto = (salon: Salon, dogId: string, branchId: string) =>
  salon.call('PUT /api/dogs/:id/branch', { id: dogId, body: { branchId } });

let quay: Salon;
let millId: string;
beforeAll(async () => {
  quay = await openSalon();
  await addBranch(quay, 'Withy Mill');
  millId = await idOf(quay, 'Withy Mill');
});

describe('a salon and more', () => {
  test('the first branch has the business’s id; others are named once, renamed with the hours that name them', async () => {
    const { items } = await branches(quay);
    expect(items.map(({ name, kind, closedOn }) => [name, kind, closedOn])).toEqual([
      ['A salon', 'salon', null],
      ['Withy Mill', 'salon', null],
    ]);
    expect(items[0]?.id).toBe(quay.businessId);
    const twin = await quay.call('POST /api/branches', { body: { id: v7(), name: 'withy mill', kind: 'van' } });
    expect(twin.body.error.fields).toEqual([{ path: 'name', message: 'There is a branch of that name.' }]);
    const own = await openSalon();
    const skiff = await addBranch(own, 'Skiff', 'van');
    const id = await idOf(own, 'Skiff');
    await own.call('PUT /api/members/:id/week', { id: own.memberId, body: { week: week('9-12 Skiff islets') } });
    expect((await skiff.call('GET /api/hours')).body.people[0]?.week[0]).toMatchObject([{ where: 'Skiff islets' }]);
    const renamed = await own.call('PUT /api/branches/:id', { id, body: { version: 1, name: 'Coracle', kind: 'van' } });
    expect(renamed.body).toEqual({ version: 2 });
    expect((await own.call('GET /api/hours')).body.people[0]?.week[0]).toMatchObject([{ where: 'Coracle islets' }]);
  });

  test('whoever is signed in is told of them, and where they belong', async () => {
    const { body } = await quay.call('GET /api/session');
    expect(body.branches.map(({ name }) => name)).toEqual(['A salon', 'Withy Mill']);
    expect(body.branchId).toBe(quay.businessId);
  });

  test('a branch of another business, or one that is closed, is not stood at', async () => {
    const stranger = await openSalon();
    const theirs = await addBranch(stranger, 'Elsewhere');
    const { dogId } = await addDog(stranger);
    const id = await idOf(stranger, 'Elsewhere');
    await putInto(stranger, dogId, id);
    expect((await book(stranger, dogId, 10)).status).toBe(201);
    expect((await theirs.call('GET /api/today')).body.dogs).toHaveLength(1);
    // One stands where one belongs instead.
    expect((await at(quay, id).call('GET /api/today')).body.dogs).toEqual(
      (await quay.call('GET /api/today')).body.dogs,
    );
    expect((await putInto(quay, dogId, millId)).status).toBe(404);
    expect((await putInto(stranger, dogId, millId)).status).toBe(422);
  });
});

describe('dogs, people and days', () => {
  test('Today has the dogs, the people and the tables of a branch, and nobody else’s', async () => {
    const own = await openSalon();
    const other = await addBranch(own, 'Withy Mill');
    const id = await idOf(own, 'Withy Mill');
    const tomasz = await addMember(own, { name: 'Tomasz' });
    await own.call('PUT /api/members/:id/branch', { id: tomasz.id, body: { branchId: id } });
    // Ines works at the mill in the afternoon.
    await own.call('PUT /api/members/:id/week', { id: own.memberId, body: { week: week('9-12, 13-17 Withy Mill') } });
    const planning = (await other.call('GET /api/hours')).body;
    await other.call('PUT /api/planning', {
      body: { version: planning.version, costs: planning.costs, places: { ...planning.places, tables: 5 } },
    });
    const [here, there] = [await addDog(own, { name: 'Quill' }), await addDog(other, { name: 'Tansy' })];
    expect((await branches(own)).dogs).toEqual({ [there.dogId]: id });
    await book(own, here.dogId, 10);
    await book(other, there.dogId, 14);
    const [a, b] = [(await own.call('GET /api/today')).body, (await other.call('GET /api/today')).body];
    expect(a.dogs.map(({ appointment }) => appointment.dogName)).toEqual(['Quill']);
    expect(b.dogs.map(({ appointment }) => appointment.dogName)).toEqual(['Tansy']);
    expect(a.people.map(({ name, hours }) => [name, hours])).toEqual([['Ines', [{ from: 540, to: 720 }]]]);
    expect(b.people.map(({ name, hours }) => [name, hours.length])).toEqual([
      ['Ines', 1],
      ['Tomasz', 2],
    ]);
    expect([a.places.table, b.places.table]).toEqual([2, 5]);
    // The bench mixes for the dogs that come there.
    const mixedFor = async (salon: Salon) => {
      const { batches } = (await salon.call('GET /api/mixing')).body;
      return new Set(
        batches.flatMap(({ unserved, bottles }) =>
          [...unserved, ...bottles.flatMap(({ pours }) => pours)].map(({ dog }) => dog),
        ),
      );
    };
    expect([await mixedFor(own), await mixedFor(other)]).toEqual([new Set(['Quill']), new Set(['Tansy'])]);
  });

  test('weeks are planned branch by branch, each with its prices; a dog gets times of its own branch', async () => {
    const own = await openSalon();
    const other = await addBranch(own, 'Withy Mill');
    const id = await idOf(own, 'Withy Mill');
    const tomasz = await addMember(own, { name: 'Tomasz' });
    await own.call('PUT /api/members/:id/branch', { id: tomasz.id, body: { branchId: id } });
    const [here, there] = [await addDog(own, { name: 'Quill' }), await addDog(other, { name: 'Tansy' })];
    await reckonAll(services, own.businessId);
    const [a, b] = [(await own.call('GET /api/ahead')).body, (await other.call('GET /api/ahead')).body];
    expect(a.weeks.dogs.map((dog) => dog.id)).toEqual([here.dogId]);
    expect(b.weeks.dogs.map((dog) => dog.id)).toEqual([there.dogId]);
    expect(a.weeks.people.map((person) => person.id)).toEqual([own.memberId]);
    expect(b.weeks.people.map((person) => person.id)).toEqual([tomasz.id]);
    for (const asked of [own, other]) {
      const { body } = await asked.call('GET /api/dogs/:id/slots', { id: there.dogId });
      expect(new Set(body.slots.map(({ memberName }) => memberName))).toEqual(new Set(['Tomasz']));
    }
    clock.now = START - 5 * 3_600_000;
    expect(await planAtNight(services, own.businessId)).toBe(true);
    expect(await planAtNight(services, own.businessId)).toBe(false);
    clock.now = START;
    const plans = await inTenant(databases, own.businessId, (tx) => tx.select().from(weekPlan));
    expect(plans.map(({ branchId }) => branchId).toSorted()).toEqual([own.businessId, id].toSorted());
    const planned = (each: (typeof plans)[number]) => each.plan?.proposals.map(({ dog }) => dog) ?? [];
    for (const each of plans)
      for (const dog of planned(each)) expect(dog).toBe(each.branchId === id ? there.dogId : here.dogId);
    expect(plans.flatMap(planned).length).toBeGreaterThan(0);
  });

  test('a day on which one branch is closed closes no other, and a person is away everywhere', async () => {
    const own = await openSalon();
    const other = await addBranch(own, 'Withy Mill');
    const id = await idOf(own, 'Withy Mill');
    const boatShow = { id: v7(), memberId: null, from: '2026-11-25', to: '2026-11-27', name: 'Boat show' };
    const close = (more: object) => own.call('POST /api/away', { body: { ...boatShow, ...more } });
    for (const [more, path] of [
      [{ branchId: v7() }, 'branchId'],
      [{ branchId: quay.businessId }, 'branchId'],
      [{ branchId: id, memberId: own.memberId }, 'branchId'],
    ] as const) {
      const { status, body } = await close(more);
      expect([status, body.error.fields?.[0]?.path]).toEqual([422, path]);
    }
    expect((await close({ branchId: id })).status).toBe(201);
    const awayAt = async (salon: Salon) => (await salon.call('GET /api/ahead')).body.weeks.away;
    expect(await awayAt(own)).toEqual([]);
    expect(await awayAt(other)).toEqual([{ person: null, from: '2026-11-25', to: '2026-11-27' }]);
    for (const salon of [own, other])
      expect((await salon.call('GET /api/hours')).body.away).toMatchObject([
        { branchId: id, branchName: 'Withy Mill', name: 'Boat show' },
      ]);
    const hours = async (salon: Salon) =>
      (await salon.call('GET /api/today')).body.people.map(({ hours }) => hours.length);
    await own.call('PUT /api/members/:id/week', { id: own.memberId, body: { week: week('9-12, 13-17 Withy Mill') } });
    expect([await hours(own), await hours(other)]).toEqual([[1], [0]]);
    const days = async (salon: Salon) => {
      const { dogId } = await addDog(salon);
      return (await salon.call('GET /api/dogs/:id/slots', { id: dogId })).body.slots.map(({ day }) => day);
    };
    expect((await days(other)).every((day) => day > '2026-11-27')).toBe(true);
    const gone = { ...boatShow, id: v7(), memberId: own.memberId, name: 'Off' };
    expect((await own.call('POST /api/away', { body: gone })).status).toBe(201);
    for (const salon of [own, other])
      expect(await awayAt(salon)).toContainEqual({ person: own.memberId, from: gone.from, to: gone.to });
  });

  test('a list that comes in comes to the branch at which one looks; what leaves says where it is', async () => {
    const own = await openSalon();
    const other = await addBranch(own, 'Withy Mill');
    const rows = [
      {
        line: 1,
        client: { kind: 'new', id: v7(), name: 'Wen Halloran', card: { phones: [{ number: '01632 960168' }] } },
        dogs: [{ id: v7(), profile: { name: 'Plover', weightKg: 12.1, breeds: ['whippet'] } }],
      },
    ];
    const id = v7();
    expect((await other.call('POST /api/imports', { body: { id, fileName: 'book.csv', rows } })).status).toBe(201);
    await runImport(services, own.businessId, id);
    const { dogId } = await addDog(own);
    const { dogs } = await branches(own);
    const [plover] = rows[0]!.dogs;
    expect(dogs[plover!.id]).toBe(await idOf(own, 'Withy Mill'));
    expect(dogs[dogId] ?? own.businessId).toBe(own.businessId);
    const { text } = await request(app).get('/api/export/dogs.csv').set('Cookie', own.cookie);
    const lines = text.split('\r\n');
    expect(lines[0]).toMatch(/,Branch$/);
    expect(lines.find((line) => line.includes('Plover'))).toMatch(/,Withy Mill$/);
    expect(lines.find((line) => line.includes('Teasel'))).toMatch(/,A salon$/);
  });

  test('a person with a dog at one branch is not free then at the other, and takes no table there', async () => {
    const own = await openSalon();
    const other = await addBranch(own, 'Withy Mill');
    // She belongs to the quay and works at the mill on the same hours of other days: both see her, one at a time.
    const days: WeekHours = [
      readWork('9-17') ?? [],
      readWork('9-17 Withy Mill') ?? [],
      readWork('9-17') ?? [],
      [],
      [],
      [],
      [],
    ];
    await own.call('PUT /api/members/:id/week', { id: own.memberId, body: { week: days } });
    const there = await addDog(other, { name: 'Tansy' });
    expect((await book(other, there.dogId, 10)).status).toBe(201);
    const { weeks } = (await own.call('GET /api/ahead')).body;
    expect(weeks.booked).toMatchObject([{ dog: there.dogId, elsewhere: true }]);
    const here = await addDog(own, { name: 'Quill' });
    const clash = await book(own, here.dogId, 10);
    expect(clash.status).toBe(409);
    // The free times named are at the dog's own branch: on Wednesday and Monday, not on the mill's Tuesday.
    const free = (clash.body.error as { free?: { startsAt: string }[] }).free ?? [];
    expect(free.length).toBeGreaterThan(0);
    for (const { startsAt } of free) expect([1, 3]).toContain(new Date(startsAt).getUTCDay());
  });

  test('to a dog of a van the van comes: it takes nothing of a salon, and the round has it', async () => {
    const own = await openSalon();
    const van = await addBranch(own, 'Coracle', 'van');
    await own.call('PUT /api/members/:id/week', { id: own.memberId, body: { week: week('9-12, 13-17 Coracle') } });
    const { dogId } = await addDog(van, { name: 'Fennel' });
    await reckonAll(services, own.businessId);
    const { weeks } = (await van.call('GET /api/ahead')).body;
    expect(weeks.dogs[0]?.needs?.where).toBe('round');
    expect(weeks.people[0]?.week[0]?.map(({ where }) => where)).toEqual(['round']);
    expect(Object.values(weeks.drive)).toEqual([20]);
    expect((await book(van, dogId, 14)).status).toBe(201);
    expect((await van.call('GET /api/today')).body.dogs[0]?.isOut).toBe(true);
    const round = (await van.call('GET /api/round', { query: { day: '2026-11-25' } })).body;
    expect(round.visits.map(({ appointment }) => appointment.dogName)).toEqual(['Fennel']);
    expect(round.people).toMatchObject([{ drives: true }]);
    const { slots } = (await van.call('GET /api/dogs/:id/slots', { id: dogId })).body;
    expect(slots.length).toBeGreaterThan(0);
    for (const { startsAt } of slots) expect(new Date(startsAt).getUTCHours()).toBeGreaterThanOrEqual(13);
  });
});

describe('stock', () => {
  test('each branch has its ledger, bottles, pumps and mixes', async () => {
    const own = await openSalon();
    const other = await addBranch(own, 'Withy Mill');
    const product = own.productId;
    await enter(own, product, 'delivery', 5000);
    expect([await stockOf(own, product), await stockOf(other, product)]).toEqual([5000, null]);
    await enter(other, product, 'delivery', 1000);
    expect([await stockOf(own, product), await stockOf(other, product)]).toEqual([5000, 1000]);
    // The quay's bottle and pump are not at the mill.
    expect((await other.call('GET /api/business')).body).toMatchObject({ bottles: [], pumps: [] });
    expect((await other.call('GET /api/business')).body.products[0]).toMatchObject({ pumpId: null, strokeMl: null });
    const bottleId = await bottleOf(own);
    expect((await makeMix(other, mixBody(product, bottleId))).body.error.fields?.[0]?.path).toBe('bottleId');
    await other.call('POST /api/bottles', {
      body: { id: v7(), name: 'Mill bottle', brim: 1080, line: 1000, graduation: 50, count: 1 },
    });
    const pumpId = v7();
    await other.call('POST /api/pumps', { body: { id: pumpId, name: 'Red pump' } });
    const { body: seen } = await other.call('GET /api/business');
    const version = seen.products[0]?.version;
    const body = { version, ...typed({ pumpId }) };
    expect((await other.call('PUT /api/products/:id', { id: product, body })).status).toBe(200);
    const pumps = async (salon: Salon) => (await salon.call('GET /api/business')).body.products[0]?.pumpId;
    expect(await pumps(other)).toBe(pumpId);
    expect(await pumps(own)).not.toBe(pumpId);
    expect(await pumps(own)).not.toBeNull();
    expect((await makeMix(other, mixBody(product, await bottleOf(other)))).status).toBe(201);
    expect(await stockOf(own, product)).toBe(5000);
    expect(await stockOf(other, product)).toBeLessThan(1000);
    expect((await own.call('GET /api/mixing')).body.openMixes).toEqual([]);
    expect((await other.call('GET /api/mixing')).body.openMixes).toHaveLength(1);
  });

  test('some of it goes to another branch, with its lot, once', async () => {
    const own = await openSalon();
    const other = await addBranch(own, 'Withy Mill');
    const to = await idOf(own, 'Withy Mill');
    const product = own.productId;
    const lot = { id: v7(), number: 'L-7', expires: '2027-06-30' };
    await enter(own, product, 'delivery', 5000, { lot });
    const body = { id: v7(), productId: product, ml: 2000, toBranchId: to, lotId: lot.id };
    for (let i = 0; i < 2; i++) expect((await own.call('POST /api/stock/moves', { body })).status).toBe(201);
    expect([await stockOf(own, product), await stockOf(other, product)]).toEqual([3000, 2000]);
    const ledger = (await other.call('GET /api/products/:id/ledger', { id: product })).body;
    expect(ledger.entries).toMatchObject([
      { kind: 'moved', ml: 2000, afterMl: 2000, reason: 'From A salon', lot: 'L-7' },
    ]);
    expect(ledger.lots).toMatchObject([{ number: 'L-7', expires: '2027-06-30' }]);
    expect((await own.call('POST /api/stock/moves', { body: { ...body, ml: 1 } })).status).toBe(409);
    const nowhere = await own.call('POST /api/stock/moves', {
      body: { ...body, id: v7(), toBranchId: own.businessId },
    });
    expect(nowhere.body.error.fields).toEqual([{ path: 'toBranchId', message: 'It is there already.' }]);
    // More than there is, without a reason: neither ledger has a line.
    expect((await own.call('POST /api/stock/moves', { body: { ...body, id: v7(), ml: 9000 } })).status).toBe(422);
    expect([await stockOf(own, product), await stockOf(other, product)]).toEqual([3000, 2000]);
  });

  test('what a visit draws is drawn where the dog is, whoever closes it from wherever', async () => {
    const own = await openSalon();
    const other = await addBranch(own, 'Withy Mill');
    const mist = await addProduct(own, {
      name: 'Reed mist',
      kind: 'finish',
      label: 'Ready to use',
      waterParts: null,
    });
    for (const salon of [own, other]) await enter(salon, mist, 'delivery', 500);
    const { dogId } = await addDog(other);
    const used = { product: mist, name: 'Reed mist', ml: 5, planned: 5, how: 'as planned', tasks: [] } as const;
    await visitDog(own, dogId, [{ type: 'used', ...used }]);
    expect([await stockOf(own, mist), await stockOf(other, mist)]).toEqual([500, 495]);
    // Made anew from the events, and with the dog at home elsewhere: nothing is drawn twice.
    await putInto(own, dogId, own.businessId);
    await rebuildBusiness(databases, own.businessId);
    expect([await stockOf(own, mist), await stockOf(other, mist)]).toEqual([500, 495]);
  });

  test('what runs out is reckoned from the dogs of the branch', async () => {
    const own = await openSalon();
    const other = await addBranch(own, 'Withy Mill');
    for (const salon of [own, other]) await enter(salon, own.productId, 'delivery', 2000);
    const { dogId } = await addDog(own);
    await visitDog(own, dogId);
    await reckonAll(services, own.businessId);
    await book(own, dogId, 10 + 24 * 14);
    const line = async (salon: Salon) => (await salon.call('GET /api/stock')).body;
    expect((await line(own)).dogs).toBe(1);
    expect((await line(other)).dogs).toBe(0);
    const takes = async (salon: Salon) =>
      (await line(salon)).lines.find(({ productId }) => productId === own.productId)?.takes;
    expect(await takes(own)).toBeGreaterThan(0);
    expect(await takes(other)).toBe(0);
  });
});

describe('closing one', () => {
  test('first say where its dogs, people and stock go; then it is closed, and nobody is put there', async () => {
    const own = await openSalon();
    const other = await addBranch(own, 'Withy Mill');
    const id = await idOf(own, 'Withy Mill');
    const { dogId } = await addDog(other);
    await enter(other, own.productId, 'delivery', 100);
    const close = (version = 1) => own.call('PUT /api/branches/:id/open', { id, body: { version, open: false } });
    expect((await close()).body.error.message).toBe('Still there: 1 dog, stock of 1 product. Say first where they go.');
    await putInto(own, dogId, own.businessId);
    const move = { id: v7(), productId: own.productId, ml: 100, toBranchId: own.businessId, lotId: null };
    expect((await other.call('POST /api/stock/moves', { body: move })).status).toBe(201);
    expect((await close()).body).toEqual({ version: 2 });
    expect((await putInto(own, dogId, id)).body.error.fields?.[0]?.message).toMatch(/closed/);
    expect((await own.call('GET /api/session')).body.branches).toHaveLength(1);
    const first = await own.call('PUT /api/branches/:id/open', {
      id: own.businessId,
      body: { version: 1, open: false },
    });
    expect([first.status, first.body.error.message]).toEqual([409, 'The first branch stays: rename it instead.']);
    expect((await own.call('PUT /api/branches/:id/open', { id, body: { version: 2, open: true } })).body).toEqual({
      version: 3,
    });
  });

  test('only whoever may opens one', async () => {
    const groomer = await openSalon('groomer');
    expect((await groomer.call('POST /api/branches', { body: { id: v7(), name: 'Mine', kind: 'van' } })).status).toBe(
      403,
    );
    expect((await groomer.call('GET /api/branches')).status).toBe(200);
  });
});
