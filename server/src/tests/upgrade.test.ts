import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { dogProfile } from '@dewpond/contract';
import { BODY_PLACES, placeKey } from '@dewpond/core/places';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { connect, connectionString } from '../platform/db/connect';
import { migrateDatabase } from '../platform/db/migrate';
import { inTenant, type BusinessId } from '../platform/db/tenant';
import { loadBusiness, loadStockedBusiness } from '../records/business/business';
import { loadWords, profileOf, wordingOf } from '../records/business/words';
import { sheetViewOf } from '../records/documents/sheetView';
import { loadVisit } from '../records/visit/load';
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

/** A database as an older version left it, with its owner signed in. */
async function databaseAt(settings: typeof old, last: string): Promise<pg.Client> {
  const maker = new pg.Client({ connectionString: connectionString(config, 'owner') });
  await maker.connect();
  await maker.query(`drop database if exists ${settings.DATABASE_NAME} with (force)`);
  await maker.query(`create database ${settings.DATABASE_NAME}`);
  await maker.end();
  const before = migrationsUntil(last);
  await migrateDatabase(settings, before);
  rmSync(before, { recursive: true });
  const its = new pg.Client({ connectionString: connectionString(settings, 'owner') });
  await its.connect();
  return its;
}

let owner: pg.Client;
beforeAll(async () => {
  owner = await databaseAt(old, '0004_handover_guards');
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
        language: null,
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
    const wash = products.find(({ name }) => name === 'Oat wash');
    expect(products).toHaveLength(2);
    // On the containers of the first branch, which has the business's own id.
    expect(await rows('fitted_pump')).toEqual([
      { business_id: business, branch_id: business, product_id: wash?.['id'], pump_id: pump?.['id'] },
    ]);
    expect(await rows('pump')).toHaveLength(1);
  });

  test('is the first branch of its business: dogs, people and shelf are there', async () => {
    expect(await rows('branch')).toMatchObject([{ id: business, name: 'A salon', kind: 'salon', closed_on: null }]);
    for (const table of ['dog', 'pump', 'bottle', 'lot', 'stock_entry', 'member'])
      expect((await rows(table)).every((row) => row['branch_id'] === business)).toBe(true);
    expect((await rows('dog')).length).toBeGreaterThan(0);
  });

  test('keeps the pump once', async () => {
    expect(await rows('pump')).toHaveLength(1);
  });

  test('is brought up to date once: again changes nothing', async () => {
    const before = [await rows('client'), await rows('dog'), await rows('weighing')];
    await migrateDatabase(old, MIGRATIONS);
    expect([await rows('client'), await rows('dog'), await rows('weighing')]).toEqual(before);
  });
});

describe('a book of before reasons were data and owners had a language', () => {
  const settings = { ...config, DATABASE_NAME: 'dewpond_upgrade_reasons' };
  const databases = connect(settings);
  const [its, person, kept] = [v7(), v7(), v7()];
  const day = '2026-11-20';
  let door: pg.Client;

  /** What version 2 wrote: reasons were sentences, tapped ones and typed ones alike. */
  const happened = [
    { type: 'opened' },
    { type: 'found', finding: { place: { site: 'ear', side: 'left' }, sign: 'ear redness', grade: 2, answer: null } },
    { type: 'step skipped', step: 'nails', because: 'dog would not have it' },
    { type: 'step skipped', step: 'brush-out', because: 'Wen asked us to leave the tail' },
    {
      type: 'caution overridden',
      caution: 'wash cut short',
      step: 'rinse 1',
      because: 'dog in distress',
      who: 'Noor',
    },
    {
      type: 'owner asked',
      question: 'May we shave it?',
      answer: 'yes',
      words: 'Do.',
      who: 'Wen',
    },
    {
      type: 'mat settled',
      place: { site: 'side', side: 'left' },
      way: 'shaved',
      word: 'Wen, just now',
      beneath: 'redness',
      minutes: 10,
    },
    {
      type: 'mat settled',
      place: { site: 'belly', side: 'none' },
      way: 'left',
      word: '',
      beneath: '',
      minutes: 5,
    },
    { type: 'went home', because: 'the owner fetches it', back: null },
    { type: 'closed', how: 'ended early' },
  ];
  const homeWords = 'home Lift the fold, wipe, dry.';
  const wording = {
    'sign ear redness': 'a red look inside',
    'sentence bath': 'We bathed and dried your dog.',
    [homeWords]: 'Lift, wipe and dry it, as we showed you.',
    'home A sentence of a version before that.': 'Kept all the same.',
  };

  beforeAll(async () => {
    door = await databaseAt(settings, '0025_message_referral');
    await door.query(
      `insert into dewpond.business (business_id, name, zone, units, ways, wording) values ($1, 'A salon', 'Europe/London', 'metric', '{}', $2)`,
      [its, wording],
    );
    await door.query(
      `insert into dewpond.client (business_id, id, name, card, made_from) values ($1, $2, 'Wen Halloran', $3, 'x')`,
      [
        its,
        silent,
        {
          phones: [],
          emails: [],
          prefers: 'no matter',
          address: { street: '', town: '', postcode: '', coordinates: null },
          consents: {},
          note: '',
        },
      ],
    );
    const profile = dogProfile.parse({ name: 'Bramble', breeds: ['pug'], weightKg: 8 });
    await door.query(
      `insert into dewpond.dog (business_id, id, client_id, name, profile, made_from) values ($1, $2, $3, 'Bramble', $4, 'z')`,
      [its, dog, silent, profile],
    );
    await door.query(
      `insert into dewpond.visit (business_id, id, dog_id, day, made_from) values ($1, $2, $3, $4, 'v')`,
      [its, kept, dog, day],
    );
    for (const [i, what] of happened.entries())
      await door.query(
        `insert into dewpond.visit_event (business_id, id, visit_id, v, counter, device, person_id, at, seen, what, made_from) values ($1, $2, $3, 2, $4, 'tablet', $5, 1793000000000, '{}', $6, 'e')`,
        [its, v7(), kept, i + 1, person, what],
      );
    await migrateDatabase(settings, MIGRATIONS);
  }, 60_000);
  afterAll(async () => {
    await door.end();
    for (const pool of databases.pools) await pool.end();
  });
  const read = <T>(work: Parameters<typeof inTenant<T>>[2]) => inTenant(databases, its as BusinessId, work);

  test('keeps every event as it was written, and reads what was tapped by its id, what was typed by its words', async () => {
    const { rows: stored } = await door.query<{ what: unknown }>(
      'select what from dewpond.visit_event order by counter',
    );
    expect(stored.map(({ what }) => what)).toEqual(happened);
    const { state } = await read(async (tx) => loadVisit(tx, await loadStockedBusiness(tx), kept));
    const skipped = (step: string) => {
      const mark = state.steps[step];
      return mark?.kind === 'skipped' ? mark.because : null;
    };
    expect(skipped('nails')).toMatchObject({ kind: 'choice', choice: 'would not have it' });
    expect(skipped('brush-out')).toEqual({ kind: 'typed', words: 'Wen asked us to leave the tail' });
    expect(state.overridden).toMatchObject([{ because: { kind: 'choice', choice: 'in distress' }, who: 'Noor' }]);
    expect(state.asked).toMatchObject([{ about: null, answer: 'yes', words: 'Do.' }]);
    expect(state.mats.map(({ beneath }) => beneath)).toMatchObject([{ choice: 'red skin' }, null]);
    expect(state.away).toMatchObject({ because: { choice: 'owner fetches it' } });
  });

  test('keeps the house’s own words, under ids and in English, and they stand on the sheet', async () => {
    expect(profileOf(await read(loadBusiness))).toMatchObject({ name: 'A salon' });
    const words = await read(loadWords);
    expect([words.language, words.wording]).toEqual([
      'en-GB',
      {
        'en-GB': {
          'sign ear redness': 'a red look inside',
          'sentence bath': 'We bathed and dried your dog.',
          'home wipe a light fold': 'Lift, wipe and dry it, as we showed you.',
          'home A sentence of a version before that.': 'Kept all the same.',
        },
      },
    ]);
    expect(wordingOf(words).homeHows['wipe a light fold']).toBe('Lift, wipe and dry it, as we showed you.');
    const { sheet } = await read((tx) => sheetViewOf(tx, kept, Date.UTC(2026, 10, 25)));
    const said = [...sheet.saw, ...sheet.did, ...sheet.homeCare].map(({ words }) => words).join('\n');
    expect(said).toContain('a red look inside');
    expect(said).toContain('Wen asked us to leave the tail');
  });
});

describe('a book of before a look at which nothing was needed counted', () => {
  const settings = { ...config, DATABASE_NAME: 'dewpond_upgrade_looks' };
  const [its, owner, dogId, person, clear, matted] = [v7(), v7(), v7(), v7(), v7(), v7()];
  let door: pg.Client;

  beforeAll(async () => {
    door = await databaseAt(settings, '0035_due_by_day');
    // No row names its business: the database fills it in.
    await door.query(`select set_config('dewpond.business_id', $1, false)`, [its]);
    await door.query(
      `insert into dewpond.business (business_id, name, zone, units, ways) values ($1, 'A salon', 'Europe/London', 'metric', '{}')`,
      [its],
    );
    await door.query(`insert into dewpond.client (id, name, card, made_from) values ($1, 'Wen Halloran', '{}', 'x')`, [
      owner,
    ]);
    const profile = dogProfile.parse({ name: 'Bramble', breeds: ['pug'], weightKg: 8 });
    await door.query(
      `insert into dewpond.dog (id, client_id, name, profile, made_from) values ($1, $2, 'Bramble', $3, 'z')`,
      [dogId, owner, profile],
    );
    const looked = BODY_PLACES.map(placeKey);
    for (const [id, day] of [
      [clear, '2026-10-20'],
      [matted, '2026-11-20'],
    ]) {
      await door.query(`insert into dewpond.visit (id, dog_id, day, looked, made_from) values ($1, $2, $3, $4, 'v')`, [
        id,
        dogId,
        day,
        JSON.stringify(looked),
      ]);
      await door.query(
        `insert into dewpond.place_care (visit_id, dog_id, day, place, cared, barred, looked, dirt, level) values ($1, $2, $3, 'eye/left', false, false, true, 0, 'none'), ($1, $2, $3, 'eye/right', true, false, true, 0, 'none')`,
        [id, dogId, day],
      );
    }
    await door.query(
      `insert into dewpond.finding (visit_id, dog_id, day, place, sign, grade, answer, level) values ($1, $2, '2026-11-20', 'side/left', 'mat', 1, false, 'note'), ($1, $2, '2026-11-20', 'rear/none', 'soiled rear', 1, null, 'note')`,
      [matted, dogId],
    );
    await door.query(
      `insert into dewpond.task_done (visit_id, dog_id, day, task) values ($1, $2, '2026-11-20', 'brush-out')`,
      [matted, dogId],
    );
    const happened = [
      { type: 'step skipped', step: 'nails', because: 'not needed today' },
      {
        type: 'step skipped',
        step: 'eyes, on the table left',
        because: { kind: 'choice', choice: 'not needed', words: 'x' },
      },
      { type: 'step skipped', step: 'teeth', because: 'not needed today' },
      { type: 'step undone', step: 'teeth' },
    ];
    for (const [i, what] of happened.entries())
      await door.query(
        `insert into dewpond.visit_event (id, visit_id, v, counter, device, person_id, at, seen, what, made_from) values ($1, $2, 2, $3, 'tablet', $4, 1793000000000, '{}', $5, 'e')`,
        [v7(), clear, i + 1, person, what],
      );
    await migrateDatabase(settings, MIGRATIONS);
  }, 60_000);
  afterAll(() => door.end());

  test('its coats and rears have grades, what was done stays done, what was "not needed" was looked at', async () => {
    const { rows } = await door.query<{ visit_id: string; task: string; outcome: string; grade: number | null }>(
      'select visit_id, task, outcome, grade from dewpond.task_done order by day, task',
    );
    expect(rows.map(({ visit_id: at, ...each }) => ({ ...each, at: at === clear ? 'clear' : 'matted' }))).toEqual([
      { at: 'clear', task: 'brush-out', outcome: 'seen', grade: 0 },
      { at: 'clear', task: 'nails', outcome: 'not needed', grade: 0 },
      { at: 'clear', task: 'rear', outcome: 'seen', grade: 0 },
      { at: 'matted', task: 'brush-out', outcome: 'done', grade: 2 },
      { at: 'matted', task: 'rear', outcome: 'seen', grade: 2 },
    ]);
  });

  test('an eye that needed nothing is known by its side and its visit', async () => {
    const { rows } = await door.query('select visit_id, place from dewpond.place_care where needed_nothing');
    expect(rows).toEqual([{ visit_id: clear, place: 'eye/left' }]);
  });
});

describe('a book in which one booking has two visits', () => {
  const settings = { ...config, DATABASE_NAME: 'dewpond_upgrade_twice' };
  const [its, dogId, memberId, booked, first, second, person] = [v7(), v7(), v7(), v7(), v7(), v7(), v7()];
  let door: pg.Client;

  beforeAll(async () => {
    door = await databaseAt(settings, '0027_languages_moved');
    await door.query(
      `insert into dewpond.business (business_id, name, zone, units, ways) values ($1, 'A salon', 'Europe/London', 'metric', '{}')`,
      [its],
    );
    await door.query(
      `insert into dewpond.member (business_id, id, person_id, name, role) values ($1, $2, $3, 'Ines', 'manager')`,
      [its, memberId, person],
    );
    await door.query(
      `insert into dewpond.client (business_id, id, name, card, made_from) values ($1, $2, 'Wen Halloran', '{}', 'x')`,
      [its, silent],
    );
    await door.query(
      `insert into dewpond.dog (business_id, id, client_id, name, profile, made_from) values ($1, $2, $3, 'Teasel', '{}', 'y')`,
      [its, dogId, silent],
    );
    await door.query(
      `insert into dewpond.appointment (business_id, id, dog_id, member_id, kind, starts_at, ends_at, made_from) values ($1, $2, $3, $4, 'full visit', '2026-11-20T10:00:00Z', '2026-11-20T12:00:00Z', 'a')`,
      [its, booked, dogId, memberId],
    );
    for (const [id, at] of [
      [second, '2026-11-20T10:05:01Z'],
      [first, '2026-11-20T10:05:00Z'],
    ])
      await door.query(
        `insert into dewpond.visit (business_id, id, dog_id, appointment_id, day, made_from, created_at) values ($1, $2, $3, $4, '2026-11-20', 'v', $5)`,
        [its, id, dogId, booked, at],
      );
    // The second was cleaned up after; after the first somebody took it back.
    const told = (visitId: string, counter: number, what: object) =>
      door.query(
        `insert into dewpond.visit_event (business_id, id, visit_id, v, counter, device, person_id, at, offset_ms, what, made_from) values ($1, $2, $3, 3, $4, 'tablet', $5, 1795169100000, 1000, $6, 'e')`,
        [its, v7(), visitId, counter, person, what],
      );
    for (const id of [first, second]) await told(id, 1, { type: 'step done', step: 'clean-down' });
    await told(first, 2, { type: 'step undone', step: 'clean-down' });
    await migrateDatabase(settings, MIGRATIONS);
  }, 60_000);
  afterAll(() => door.end());

  test('has its clean-downs in the log: when and by whom; what was cleaned nobody ticked then', async () => {
    const { rows: log } = await door.query('select * from dewpond.clean_down');
    expect(log).toMatchObject([
      { visit_id: second, dog_id: dogId, person_id: person, at: new Date(1795169101000), cleaned: [], after: [] },
    ]);
    expect(log).toHaveLength(1);
  });

  test('keeps both: the first has the booking, the other says that it came later', async () => {
    const { rows: visits } = await door.query(
      'select id, appointment_id, also_for from dewpond.visit order by created_at',
    );
    expect(visits).toEqual([
      { id: first, appointment_id: booked, also_for: null },
      { id: second, appointment_id: null, also_for: booked },
    ]);
  });

  test('has marks of what is stale that mean the same in every cluster', async () => {
    const { rows: due } = await door.query<{ touched: string }>('select touched::text from dewpond.dog_due');
    for (const { touched } of due) expect(touched).toMatch(/^[0-9a-f-]{36}$/);
    await door.query(`update dewpond.dog set name = 'Umber' where id = $1`, [dogId]);
    const { rows: after } = await door.query<{ touched: string }>('select touched::text from dewpond.dog_due');
    expect(after[0]?.touched).toMatch(/^[0-9a-f-]{36}$/);
    expect(after[0]?.touched).not.toBe(due[0]?.touched);
  });
});
