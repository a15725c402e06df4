import pg from 'pg';
import { eq } from 'drizzle-orm';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { client, dog, ownBreed, vet, visit } from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { anyOf, together, type AskedFor } from '../platform/db/together';
import type { Happening } from '@dewpond/core/events';
import { connect, connectionString } from '../platform/db/connect';
import { addDog, app, config, databases, openSalon, type KeptDog, type Salon } from './salon';
import { book } from './shelfSide';
import { begin, eventsOf, visitDog } from './tableSide';

/** Statements of the application's own roles while something is done; without those that open and close a transaction. */
async function statementsOf(work: () => Promise<unknown>): Promise<string[]> {
  const texts: string[] = [];
  const query = Reflect.get(pg.Client.prototype, 'query') as (...given: unknown[]) => unknown;
  const spied = function (this: pg.Client, ...given: unknown[]): unknown {
    const [config] = given;
    const text = typeof config === 'object' && config !== null && 'text' in config ? String(config.text) : '';
    if (text !== '' && !/^(begin|commit|rollback|select set_config)/.test(text)) texts.push(text);
    return query.apply(this, given);
  };
  Reflect.set(pg.Client.prototype, 'query', spied);
  try {
    await work();
  } finally {
    Reflect.set(pg.Client.prototype, 'query', query);
  }
  return texts;
}

let salon: Salon;
let kept: KeptDog;
beforeAll(async () => {
  salon = await openSalon();
  kept = await addDog(salon);
  await visitDog(salon, kept.dogId);
});

describe('so many statements, whatever the size of the book', () => {
  test('a session: three at the most', async () => {
    expect((await statementsOf(() => salon.call('GET /api/session'))).length).toBeLessThanOrEqual(3);
  });

  test('a dog: ten at the most', async () => {
    const asked = await statementsOf(() => salon.call('GET /api/dogs/:id', { id: kept.dogId }));
    expect(asked.length).toBeLessThanOrEqual(10);
  });

  test('Today: as many for one dog as for five', async () => {
    const today = () => statementsOf(() => salon.call('GET /api/today'));
    expect((await book(salon, kept.dogId, 10, { kind: 'full visit' })).status).toBe(201);
    const one = await today();
    for (const hour of [11, 12, 13, 14]) {
      const more = await addDog(salon, { name: `Dog ${hour}` });
      expect((await book(salon, more.dogId, hour, { kind: 'full visit' })).status).toBe(201);
    }
    expect((await salon.call('GET /api/today')).body.dogs).toHaveLength(5);
    expect(await today()).toEqual(one);
    expect(one.length).toBeLessThanOrEqual(10);
  });

  test('a tap at the table: twelve at the most, and nothing is written that it does not change', async () => {
    const visitId = await begin(salon, kept.dogId);
    let counter = 0;
    const tap = (what: Happening) => {
      const [event] = eventsOf([what], (counter += 1));
      return statementsOf(async () => {
        const { body } = await salon.call('POST /api/visits/:id/events', { id: visitId, body: { events: [event] } });
        expect(body.taken).toEqual([event?.id]);
      });
    };
    const place = { site: 'ear', side: 'left' } as const;
    const taps: Happening[] = [
      { type: 'opened' },
      { type: 'step done', step: 'prepare' },
      { type: 'looked clear', place: { site: 'ear', side: 'right' } },
      { type: 'found', finding: { place, sign: 'ear dark wax', grade: 2, answer: false } },
      { type: 'found', finding: { place, sign: 'ear foul smell', grade: 2, answer: null } },
      { type: 'noted', text: 'calm' },
    ];
    const counts: number[] = [];
    for (const what of taps) counts.push((await tap(what)).length);
    expect(Math.max(...counts)).toBeLessThanOrEqual(12);
    const written = async (what: Happening) =>
      (await tap(what)).filter((text) => /^(insert|update|delete)/.test(text)).map((text) => text.split('"')[3]);
    expect(await written({ type: 'checked', step: 'dry', part: 'belly' })).toEqual(['visit_event']);
    // A note is kept on its visit, to be read at the next.
    expect(await written({ type: 'noted', text: 'still calm' })).toEqual(['visit_event', 'visit']);
  });
});

describe('several lists in one statement', () => {
  const rows = together((select, { ids }: { ids: AskedFor<readonly string[]> }) => ({
    dogs: select.select().from(dog).leftJoin(vet, eq(vet.id, dog.vetId)).where(anyOf(dog.id, ids)),
    visits: select.select().from(visit).where(anyOf(visit.dogId, ids)).orderBy(visit.createdAt),
    breeds: select.select().from(ownBreed),
    names: select
      .select({ name: client.name, of: { id: dog.id } })
      .from(dog)
      .innerJoin(client, eq(client.id, dog.clientId)),
  }));

  test('are the rows that each select gives on its own: dates, JSON, and what a left join does not find', async () => {
    await inTenant(databases, salon.businessId, async (tx) => {
      const { dogs, visits, breeds, names } = await rows(tx, { ids: [kept.dogId] });
      const alone = await tx.select().from(dog).leftJoin(vet, eq(vet.id, dog.vetId)).where(eq(dog.id, kept.dogId));
      expect(dogs).toEqual(alone);
      expect(dogs[0]?.vet).toBeNull();
      expect(visits).toEqual(await tx.select().from(visit).where(eq(visit.dogId, kept.dogId)).orderBy(visit.createdAt));
      expect(visits[0]?.createdAt).toBeInstanceOf(Date);
      expect(breeds).toEqual([]);
      expect(names).toContainEqual({ name: 'Folake Adeyemi', of: { id: kept.dogId } });
      expect((await rows(tx, { ids: [] })).dogs).toEqual([]);
    });
  });

  test('of another business are not among them', async () => {
    const other = await openSalon();
    const { dogs } = await inTenant(databases, other.businessId, (tx) => rows(tx, { ids: [kept.dogId] }));
    expect(dogs).toEqual([]);
  });
});

describe('a transaction of a business', () => {
  test('takes no statement after its end: the connection serves another by then', async () => {
    const leaked = await inTenant(databases, salon.businessId, (tx) => Promise.resolve(tx));
    await expect(leaked.select().from(dog)).rejects.toMatchObject({
      cause: { message: expect.stringContaining('after its') },
    });
  });

  test('that fails leaves its connection as it was', async () => {
    for (let i = 0; i < 12; i++)
      await expect(inTenant(databases, salon.businessId, (tx) => tx.execute('select 1/0'))).rejects.toThrow();
    const seen = await inTenant(databases, salon.businessId, (tx) => tx.select({ id: dog.id }).from(dog));
    expect(seen.length).toBeGreaterThan(0);
  });
});

describe('prepared statements', () => {
  test.each([
    [true, 'by name, from the second time on', 1],
    [false, 'not where the setting turns them off', 0],
  ])('%s: %s', async (PREPARED_STATEMENTS, _, least) => {
    const own = connect({ ...config, PREPARED_STATEMENTS });
    try {
      const prepared = await inTenant(own, salon.businessId, async (tx) => {
        for (let i = 0; i < 3; i++) await tx.select({ id: dog.id }).from(dog);
        const { rows } = await tx.execute<{ n: number }>(
          `select count(*)::int as n from pg_prepared_statements where statement like 'select "id" from "dewpond"."dog"%'`,
        );
        return rows[0]?.n;
      });
      expect(prepared).toBe(least);
    } finally {
      await Promise.all(own.pools.map((pool) => pool.end()));
    }
  });
});

describe('who asks', () => {
  const session = async (cookie: string) => (await request(app).get('/api/session').set('Cookie', cookie)).status;
  const owner = new pg.Client({ connectionString: connectionString(config, 'owner') });
  beforeAll(() => owner.connect());
  afterAll(() => owner.end());

  test('a cookie whose signature is not ours is nobody’s', async () => {
    expect(await session(salon.cookie)).toBe(200);
    const [name, value = ''] = salon.cookie.split(/=(.*)/s);
    const decoded = decodeURIComponent(value.split(';')[0] ?? '');
    const [token] = decoded.split('.');
    for (const forged of [token, `${token}.`, `${token}.${'A'.repeat(43)}=`, `x${decoded}`, '.'])
      expect([forged, await session(`${name}=${encodeURIComponent(forged ?? '')}`)]).toEqual([forged, 401]);
  });

  test('a session that was ended or has run out is over at once; one in use is prolonged', async () => {
    const other = await openSalon();
    const token = decodeURIComponent(other.cookie.split(/=(.*)/s)[1]?.split(';')[0] ?? '').split('.')[0] ?? '';
    const set = (what: string) => owner.query(`update auth.session set ${what} where token = $1`, [token]);
    await set(`updated_at = now() - interval '2 days', expires_at = now() + interval '3 days'`);
    expect(await session(other.cookie)).toBe(200);
    const { rows: now } = await owner.query<{ days: number }>(
      `select extract(epoch from expires_at - now()) / 86400 as days from auth.session where token = $1`,
      [token],
    );
    expect(Number(now[0]?.days)).toBeGreaterThan(13);
    await set(`expires_at = now() - interval '1 second'`);
    expect(await session(other.cookie)).toBe(401);
    await set(`expires_at = now() + interval '1 day'`);
    expect(await session(other.cookie)).toBe(200);
    await owner.query('delete from auth.session where token = $1', [token]);
    expect(await session(other.cookie)).toBe(401);
  });
});
