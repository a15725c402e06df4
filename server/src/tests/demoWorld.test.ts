import { readSheet, type ReadSheet } from '@dewpond/core/sheet';
import { isNotNull } from 'drizzle-orm';
import pg from 'pg';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { seedDemo } from '../demo/seedDemo';
import * as authSchema from '../platform/db/authSchema';
import { makeAuth } from '../platform/auth/auth';
import { connect, connectionString, type Databases } from '../platform/db/connect';
import { migrateDatabase } from '../platform/db/migrate';
import { visit } from '../platform/db/schema';
import { inTenant, type BusinessId } from '../platform/db/tenant';
import { sheetViewOf } from '../records/documents/sheetView';
import { MORNING, config } from './salon';

/** The demo world in a database of its own: what its owners read. */
const there = { ...config, DATABASE_NAME: `${config.DATABASE_NAME}_world` };
const asOwner = async (statement: string) => {
  const client = new pg.Client({
    connectionString: connectionString({ ...config, DATABASE_NAME: 'postgres' }, 'owner'),
  });
  await client.connect();
  await client.query(statement);
  await client.end();
};

let databases: Databases;
let sheets: readonly { readonly name: string; readonly read: ReadSheet }[] = [];

beforeAll(async () => {
  await asOwner(`drop database if exists ${there.DATABASE_NAME} with (force)`);
  await asOwner(`create database ${there.DATABASE_NAME}`);
  await migrateDatabase(there);
  databases = connect(there);
  expect(await seedDemo(databases, makeAuth(there, databases), MORNING, () => undefined)).toBe(true);
  const businesses = await databases.auth.select({ id: authSchema.organization.id }).from(authSchema.organization);
  for (const { id } of businesses)
    sheets = [
      ...sheets,
      ...(await inTenant(databases, id as BusinessId, async (tx) => {
        const visits = await tx.select({ id: visit.id }).from(visit).where(isNotNull(visit.closed));
        const views = [];
        for (const each of visits) views.push(await sheetViewOf(tx, each.id, MORNING));
        return views.map(({ sheet, edits }) => ({
          name: `${sheet.dog}, ${sheet.day}`,
          read: readSheet(sheet, edits),
        }));
      })),
    ];
}, 120_000);
afterAll(async () => {
  await Promise.all(databases.pools.map((pool) => pool.end()));
  await asOwner(`drop database ${there.DATABASE_NAME} with (force)`);
});

const partOf = ({ parts }: ReadSheet, ...sections: readonly string[]) =>
  parts.filter(({ section }) => sections.includes(section)).flatMap(({ lines }) => lines.map(({ words }) => words));
const countWords = (lines: readonly string[]) => lines.join(' ').split(/\s+/).filter(Boolean).length;

test('what an owner must know first is read in forty seconds: at most 110 words on every sheet', () => {
  expect(sheets.length).toBeGreaterThan(70);
  const counted = sheets.map(({ name, read }) => ({
    name,
    words: countWords([
      ...(read.frame.presses === null ? [] : [read.frame.presses]),
      ...partOf(read, 'saw', 'suggest'),
    ]),
  }));
  expect(counted.filter(({ words }) => words > 110)).toEqual([]);
  // Somebody has much to read, or this says nothing.
  expect(Math.max(...counted.map(({ words }) => words))).toBeGreaterThan(60);
});

test('no sheet says a thing twice, nor each side by itself where both are alike', () => {
  for (const { name, read } of sheets) {
    const lines = partOf(read, 'saw', 'suggest', 'care', 'did', 'home').map((words) => words.toLowerCase());
    expect([name, lines.filter((words, i) => lines.indexOf(words) !== i)]).toEqual([name, []]);
    const sideless = lines.map((words) => words.replaceAll(/\b(left|right|izquierd[oa]|derech[oa])\b/g, 'side'));
    const alike = lines.filter((words, i) => words !== sideless[i] && sideless.indexOf(sideless[i] ?? '') !== i);
    expect([name, alike]).toEqual([name, []]);
  }
});

test('no two lines of a sheet are one line under two reasons: each has a key of its own', () => {
  const keysOf = ({ parts }: ReadSheet) => parts.flatMap(({ lines }) => lines.map(({ key }) => key));
  const twice = sheets.filter(({ read }) => new Set(keysOf(read)).size < keysOf(read).length);
  expect(twice.map(({ name }) => name)).toEqual([]);
  // Sorrel's skin is under treatment, and her vet wants nothing else on it: one line says both.
  const sorrel = sheets.findLast(({ name }) => name.startsWith('Sorrel'));
  expect(sorrel && partOf(sorrel.read, 'did').filter((words) => words.includes('conditioner'))).toHaveLength(1);
});
