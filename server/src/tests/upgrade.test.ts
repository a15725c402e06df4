import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { dogProfile } from '@dewpond/contract';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { connectionString } from '../db/connect';
import { migrateDatabase } from '../db/migrate';
import { config } from './salon';

const MIGRATIONS = fileURLToPath(new URL('../../drizzle', import.meta.url));
const DATABASE = 'dewpond_upgrade';
const old = { ...config, DATABASE_NAME: DATABASE };
const [business, client, silent, dog, visit] = [v7(), v7(), v7(), v7(), v7()];

/** The migrations up to and with one of them, as an older version shipped them. */
function migrationsUntil(last: string): string {
  const folder = mkdtempSync(join(tmpdir(), 'dewpond-migrations-'));
  cpSync(MIGRATIONS, folder, { recursive: true });
  const journalFile = join(folder, 'meta/_journal.json');
  const journal = JSON.parse(readFileSync(journalFile, 'utf8')) as { entries: { tag: string }[] };
  const at = journal.entries.findIndex(({ tag }) => tag === last);
  writeFileSync(journalFile, JSON.stringify({ ...journal, entries: journal.entries.slice(0, at + 1) }));
  return folder;
}

let owner: pg.Client;
beforeAll(async () => {
  const maker = new pg.Client({ connectionString: connectionString(config, 'owner') });
  await maker.connect();
  await maker.query(`drop database if exists ${DATABASE} with (force)`);
  await maker.query(`create database ${DATABASE}`);
  await maker.end();
  const before = migrationsUntil('0004_handover_guards');
  await migrateDatabase(old, before);
  rmSync(before, { recursive: true });
  owner = new pg.Client({ connectionString: connectionString(old, 'owner') });
  await owner.connect();
  await owner.query(
    `insert into dewpond.business (business_id, name, zone, units, ways, plucking_by_vets_only) values ($1, 'A salon', 'Europe/London', 'metric', '{}', true)`,
    [business],
  );
  await owner.query(
    `insert into dewpond.client (business_id, id, name, phone, email, note, made_from) values ($1, $2, 'Folake Adeyemi', '01632 960114', 'folake@thornmere.example', 'Side gate.', 'x'), ($1, $3, 'Wen Halloran', '', '', '', 'y')`,
    [business, client, silent],
  );
  const profile = { name: 'Teasel', breeds: ['beagle'], weightKg: 14.2, handling: ['Own towel', 'Minds front feet'] };
  await owner.query(
    `insert into dewpond.dog (business_id, id, client_id, name, profile, made_from, created_at) values ($1, $2, $3, 'Teasel', $4, 'z', '2026-03-01T10:00:00Z')`,
    [business, dog, client, profile],
  );
  await owner.query(
    `insert into dewpond.product (business_id, id, name, kind, label, water_parts, supplied_by, stroke_ml) values ($1, $2, 'Oat wash', 'cleansing', '24:1', '24', 'house', 5), ($1, $3, 'Face wash', 'face', 'Ready to use', null, 'house', null)`,
    [business, v7(), v7()],
  );
  await owner.query(
    `insert into dewpond.visit (business_id, id, dog_id, day, made_from) values ($1, $2, $3, '2026-10-28', 'v')`,
    [business, visit, dog],
  );
  await owner.query(
    `insert into dewpond.place_care (business_id, visit_id, dog_id, day, place, cared, barred, looked, dirt, level) values ($1, $2, $3, '2026-10-28', 'ear/right', true, false, true, 0, 'none'), ($1, $2, $3, '2026-10-28', 'eye/left', false, false, false, 0, 'none'), ($1, $2, $3, '2026-10-28', 'ear/left', true, false, true, 1, 'note')`,
    [business, visit, dog],
  );
  await owner.query(
    `insert into dewpond.visit_event (business_id, id, visit_id, v, counter, device, person_id, at, what, made_from) values ($1, $2, $3, 1, 1, 'tablet', $4, 1793000000000, '{"type":"opened"}', 'e')`,
    [business, v7(), visit, v7()],
  );
  await migrateDatabase(old, MIGRATIONS);
}, 60_000);
afterAll(() => owner.end());

const rows = async (table: string) =>
  (await owner.query<Record<string, unknown>>(`select * from dewpond.${table} order by 2`)).rows;

describe('a book of the version before', () => {
  test('knows what was looked at, and reads its events as they were: without what a device had seen', async () => {
    expect(await rows('visit')).toMatchObject([{ looked: ['ear/left', 'ear/right'], back_on: null }]);
    expect(await rows('visit_event')).toMatchObject([{ v: 1, seen: null, what: { type: 'opened' } }]);
  });

  test('keeps phone, e-mail and note of every client on the card', async () => {
    const cards = (await rows('client')).map(({ card }) => card);
    expect(cards).toEqual([
      {
        phones: [{ number: '01632 960114', whose: '' }],
        emails: ['folake@thornmere.example'],
        prefers: 'no matter',
        address: { street: '', town: '', postcode: '', coordinates: null },
        consents: {},
        note: 'Side gate.',
      },
      expect.objectContaining({ phones: [], emails: [], note: '' }),
    ]);
  });

  test('keeps the words of handling as marks, and every profile is one the contract takes as it stands', async () => {
    const [teasel] = await rows('dog');
    expect(teasel?.['profile']).toMatchObject({
      handling: { marks: ['Own towel', 'Minds front feet'], minds: [] },
      chip: '',
    });
    const profile = teasel?.['profile'] as Record<string, unknown>;
    const parsed = dogProfile.parse(profile) as unknown as Record<string, unknown>;
    // Nothing of what came with this version is left to a default at reading.
    for (const key of [
      'handling',
      'chip',
      'nailBled',
      'reactions',
      'hazeKnown',
      'coatCondition',
      'hayFeverMonths',
      'dirtyWork',
      'stiffJoints',
      'tightBreathing',
    ])
      expect([key, profile[key]]).toEqual([key, parsed[key]]);
  });

  test('keeps what the law of the place keeps for vets, and has its first weight', async () => {
    expect((await rows('business'))[0]).toMatchObject({ services: { 'ear hair': 'vet' }, lift_alone_kg: 20 });
    expect(await rows('weighing')).toMatchObject([{ dog_id: dog, kg: 14.2 }]);
  });

  test('keeps the stroke of a product as a pump, known but not calibrated here', async () => {
    const [pump] = await rows('pump');
    expect(pump).toMatchObject({ name: 'Pump of Oat wash', stroke_ml: 5, strokes: [], calibrated_on: null });
    const products = await rows('product');
    expect(products.map(({ name, pump_id }) => [name, pump_id])).toEqual(
      expect.arrayContaining([
        ['Oat wash', pump?.['id']],
        ['Face wash', null],
      ]),
    );
    expect(await rows('pump')).toHaveLength(1);
  });

  test('is brought up to date once: again changes nothing', async () => {
    const before = [await rows('client'), await rows('dog'), await rows('weighing')];
    await migrateDatabase(old, MIGRATIONS);
    expect([await rows('client'), await rows('dog'), await rows('weighing')]).toEqual(before);
  });
});
