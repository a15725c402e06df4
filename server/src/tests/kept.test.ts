import { getTableColumns, is } from 'drizzle-orm';
import { PgJsonb, PgTable, type PgColumn } from 'drizzle-orm/pg-core';
import { v7 } from 'uuid';
import { z } from 'zod';
import { describe, expect, test } from 'vitest';
import { sql } from 'drizzle-orm';
import { CARD, PROFILE } from '../platform/db/shapes/clients';
import { WAYS } from '../platform/db/shapes/business';
import { readStored, writeStored, type Shape } from '../platform/db/shapes/shaped';
import * as schema from '../platform/db/schema';
import { inTenant } from '../platform/db/tenant';
import { addDog, databases, logLines, openSalon } from './salon';
import { begin, eventsOf } from './tableSide';

describe('kept JSON', () => {
  const counted: Shape<{ count: number; unit: string }> = {
    name: 'a count',
    is: z.object({ count: z.number(), unit: z.string() }),
    before: [
      (kept) => ({ count: Number(kept['many']) }),
      (kept) => ({ ...kept, unit: kept['count'] === 1 ? 'one' : 'more' }),
    ],
  };

  test.each([
    ['the first version, which says nothing of itself', { many: '3' }, { count: 3, unit: 'more' }],
    ['the second', { v: 2, count: 1 }, { count: 1, unit: 'one' }],
    ['today’s', { v: 3, count: 1, unit: 'dog' }, { count: 1, unit: 'dog' }],
  ])('%s is read', (_, kept, read) => {
    expect(readStored(counted, kept)).toEqual(read);
    expect(writeStored(counted, read)).toEqual({ ...read, v: 3 });
  });

  test('of a newer version, or of no known form, is not taken for something else, and no word of it is told', () => {
    expect(() => readStored(counted, { v: 4, count: 1, unit: 'x' })).toThrow('written by a newer Dewpond');
    expect(() => readStored(CARD, { phones: [{ number: 'Folake' }, 'Folake'] })).toThrow(
      /^What is kept of a client’s card has another shape: phones\.1 \(invalid_type\)\.$/,
    );
  });

  test('is of a shape in every column, but where others write what they like', () => {
    const tables = (Object.values(schema) as unknown[]).filter((table): table is PgTable => is(table, PgTable));
    const columns = tables.flatMap((table): PgColumn[] => Object.values(getTableColumns(table)));
    const bare = columns.filter((column) => is(column, PgJsonb)).map(({ name }) => name);
    // Events have versions of their own; what was refused, and what a lost tablet had recorded, is kept as it came.
    expect(bare.toSorted()).toEqual(['content', 'content', 'what']);
  });

  test('a profile of the first wave has its handling as marks; what came later has its default', () => {
    const old = readStored(PROFILE, { name: 'Teasel', weightKg: 14, handling: ['nips when tired'] });
    expect(old).toMatchObject({ handling: { marks: ['nips when tired'], helper: 'no helper' }, chip: '', breeds: [] });
    expect(readStored(CARD, {})).toMatchObject({ phones: [], prefers: 'no matter', language: null });
    expect(readStored(WAYS, { earCleaning: 'a school that is gone', nobodyAsks: 1 })).toEqual({});
  });

  test('one broken row is a fault of ours; the log says where, without its content', async () => {
    const salon = await openSalon();
    const { clientId } = await addDog(salon);
    await inTenant(databases, salon.businessId, (tx) =>
      tx.execute(sql`update dewpond.client set card = '{"phones": "Folake"}' where id = ${clientId}`),
    );
    const from = logLines.length;
    const { status, body } = await salon.call('GET /api/clients/:id', { id: clientId });
    const said = logLines.slice(from).join('\n');
    expect(said).toContain('has another shape: phones (invalid_type)');
    expect(said).not.toContain('Folake');
    expect([status, body.error.kind]).toEqual([500, 'server']);
  });
});

describe('an event of a newer device', () => {
  test('is taken in beside those that are known, told of, and read by whoever can', async () => {
    const salon = await openSalon();
    const { dogId } = await addDog(salon);
    const visitId = await begin(salon, dogId);
    const [opened, known] = eventsOf([{ type: 'opened' }, { type: 'noted', text: 'calm' }]);
    const tail = { ...opened, id: v7(), counter: 3, v: 9, what: { type: 'tail measured', cm: 31 } };
    const other = { ...opened, id: v7(), counter: 4, v: 9, what: { type: 'noted', text: 'as ever' } };
    const send = (events: unknown[]) => salon.call('POST /api/visits/:id/events', { id: visitId, body: { events } });
    const { body } = await send([opened, tail, known, other]);
    expect([body.taken, body.refused]).toEqual([[opened?.id, tail.id, known?.id, other.id], []]);
    expect((await send([tail])).body.known).toEqual([tail.id]);
    const { body: view } = await salon.call('GET /api/visits/:id', { id: visitId });
    expect(view.events.map(({ what }) => what)).toEqual([
      { type: 'opened' },
      { type: 'noted', text: 'calm' },
      { type: 'newer', was: tail.what },
      { type: 'noted', text: 'as ever' },
    ]);
    const rows = await inTenant(databases, salon.businessId, (tx) => tx.select().from(schema.visitEvent));
    expect(rows.find(({ id }) => id === tail.id)?.what).toEqual(tail.what);
  });

  test.each([
    ['without a kind', { cm: 31 }],
    ['longer than any event', { type: 'tail measured', words: 'x'.repeat(20_001) }],
  ])('%s is refused, and kept', async (_, what) => {
    const salon = await openSalon();
    const { dogId } = await addDog(salon);
    const visitId = await begin(salon, dogId);
    const [opened] = eventsOf([{ type: 'opened' }]);
    const event = { ...opened, v: 9, what };
    const { body } = await salon.call('POST /api/visits/:id/events', { id: visitId, body: { events: [event] } });
    expect([body.taken, body.refused.length]).toEqual([[], 1]);
    const kept = await inTenant(databases, salon.businessId, (tx) => tx.select().from(schema.refusedEvent));
    expect(kept).toHaveLength(1);
  });
});
