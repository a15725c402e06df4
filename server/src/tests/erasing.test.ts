import { finding } from '@dewpond/core/findings';
import type { Happening } from '@dewpond/core/events';
import { eq, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import {
  appointment,
  client,
  dog,
  heldWork,
  homeTick,
  household,
  ownerAnswer,
  importRun,
  instruction,
  letter,
  merge,
  message,
  referral,
  refusedEvent,
  sheetEdit,
  tablet,
} from '../platform/db/schema';
import { inTenant, type Tenant } from '../platform/db/tenant';
import { WORDS_THAT_GO, WORDS_THAT_STAY } from '../features/record/wordsOfPeople';
import { addProduct, bottleOf, makeMix, mixBody, take } from './shelfSide';
import { sendFromHome } from './owner';
import { addDog, clock, databases, openSalon, type Salon } from './salon';
import { visitDog } from './tableSide';

const SECRET = 'Folake Adeyemi';
const yellow: Happening = { type: 'found', finding: finding({ site: 'ear', side: 'left' }, 'ear yellow wax', 2) };

/** The columns of all tables that can hold words, "table.column". */
async function columnsOfWords(tx: Tenant): Promise<string[]> {
  const { rows } = await tx.execute<{ name: string }>(
    sql`select table_name || '.' || column_name as name from information_schema.columns
      where table_schema = 'dewpond' and data_type in ('text', 'character varying', 'json', 'jsonb', 'bytea', 'ARRAY')`,
  );
  return rows.map(({ name }) => name).toSorted();
}

/** What stands in this column of the business, all rows, as text. */
async function textIn(tx: Tenant, column: string): Promise<string> {
  const [table = '', name = ''] = column.split('.');
  const { rows } = await tx.execute<{ text: string | null }>(
    sql`select string_agg(${sql.identifier(name)}::text, ' ') as text from dewpond.${sql.identifier(table)}`,
  );
  return rows[0]?.text ?? '';
}

/** Every row of the business, as text: what is not in there is not kept. */
const everything = (own: Salon): Promise<string> =>
  inTenant(databases, own.businessId, async (tx) => {
    const texts = [];
    for (const column of await columnsOfWords(tx)) texts.push(await textIn(tx, column));
    return texts.join('\n');
  });

describe('a client who asks to be erased', () => {
  test('leaves no name, number or word behind; what was seen, done and used stays', async () => {
    const own = await openSalon();
    const { dogId, clientId } = await addDog(own, {
      name: 'Quillfeather',
      note: `Belongs to ${SECRET}`,
      chip: '977200001234567',
    });
    const visitId = await visitDog(own, dogId, [
      {
        ...yellow,
        finding: { ...(yellow as { finding: ReturnType<typeof finding> }).finding, more: { words: SECRET } },
      },
      { type: 'noted', text: `${SECRET} was late` },
      { type: 'owner asked', about: null, question: 'May we?', answer: 'yes', words: 'Yes.', who: SECRET },
      { type: 'incident', incident: { kind: 'nick', place: null, done: 'Pressed.', told: SECRET, words: SECRET } },
    ]);
    const { body: view } = await own.call('GET /api/clients/:id', { id: clientId });
    const card = { ...view.client.card, emails: ['folake@thornmere.example'], note: SECRET };
    const consents = { 'e-mail': { yes: true, on: '2026-11-02' } };
    await own.call('PUT /api/clients/:id', {
      id: clientId,
      body: { version: view.client.version, name: SECRET, card: { ...card, consents } },
    });
    const message = {
      id: v7(),
      dogId,
      visitId,
      kind: 'sheet',
      channel: 'e-mail',
      subject: SECRET,
      words: `${SECRET} {link}`,
    };
    expect((await own.call('POST /api/messages', { body: message })).status).toBe(201);
    await sendFromHome(own, dogId);
    const { version, van } = (await own.call('GET /api/round')).body;
    const names = ['Home', SECRET, 'Mill'];
    const table = { names, minutes: names.map(() => names.map(() => 5)) };
    expect((await own.call('PUT /api/van', { body: { version, van: { ...van, table } } })).status).toBe(200);
    const twin = await addDog(own, { name: 'Quillfeather' });
    await own.call('POST /api/clients/:id/merge', { id: clientId, body: { id: v7(), goneId: twin.clientId } });
    expect(await everything(own)).toContain(SECRET);

    const { body: preview } = await own.call('GET /api/clients/:id/erasure', { id: clientId });
    expect(preview).toMatchObject({ name: SECRET, refused: null });
    expect(preview.erases.join('\n')).toMatch(/Quillfeather.*\none picture from home\n.*one message/);
    const wrong = await own.call('POST /api/clients/:id/erasure', { id: clientId, body: { name: 'Someone' } });
    expect(wrong.status).toBe(422);
    expect((await own.call('POST /api/clients/:id/erasure', { id: clientId, body: { name: SECRET } })).status).toBe(
      201,
    );

    const rest = await everything(own);
    for (const word of [SECRET, 'Quillfeather', '977200001234567', 'folake@', '01632 960114'])
      expect(rest).not.toContain(word);
    expect((await own.call('GET /api/round')).body.van.table?.names).toEqual(['Home', 'Mill']);
    const { body: history } = await own.call('GET /api/dogs/:id/history', { id: dogId });
    expect(history.items.some(({ kind, words }) => kind === 'found' && words === 'yellow or thick wax, plain')).toBe(
      true,
    );
    const { body: sheet } = await own.call('GET /api/visits/:id/sheet', { id: visitId });
    expect(sheet.sheet.did.map(({ words }) => words)).toContain('Bathed and dried.');
  });

  test('is refused while the dog is booked or a visit is open, and to anybody but a manager or this business', async () => {
    const own = await openSalon();
    const { dogId, clientId } = await addDog(own);
    await own.call('POST /api/appointments', {
      body: {
        id: v7(),
        dogId,
        memberId: own.memberId,
        kind: 'full visit',
        startsAt: new Date(clock.now + 86_400_000).toISOString(),
        minutes: 60,
      },
    });
    const erase = (by: Salon) => by.call('POST /api/clients/:id/erasure', { id: clientId, body: { name: SECRET } });
    const refused = await erase(own);
    expect([refused.status, refused.body.error.message]).toEqual([409, 'Teasel is booked. Cancel the booking first.']);
    expect((await erase(await openSalon())).status).toBe(404);
    expect((await erase(await openSalon('groomer'))).status).toBe(403);
  });
});

describe('every column that can hold words', () => {
  test('has a decision: it goes, or it stays and why', async () => {
    const own = await openSalon();
    const columns = await inTenant(databases, own.businessId, columnsOfWords);
    const decided = [...WORDS_THAT_GO, ...Object.values(WORDS_THAT_STAY).flat()].toSorted();
    expect(columns.filter((each) => !each.endsWith('.made_from'))).toEqual(decided);
  });

  test('is empty of the client afterwards, whatever stood in it', async () => {
    const own = await openSalon();
    const { clientId, dogId } = await addDog(own, {
      name: SECRET,
      note: SECRET,
      chip: '977200001234567',
      reactions: `sneezes near ${SECRET}`,
      handling: { marks: [SECRET] },
    });
    const visitId = await visitDog(own, dogId, [
      yellow,
      {
        type: 'found',
        finding: { ...finding({ site: 'ear', side: 'right' }, 'ear pale wax', 1), more: { words: SECRET } },
      },
      { type: 'owner said', text: SECRET },
      { type: 'noted', text: SECRET },
      { type: 'incident', incident: { kind: 'nick', place: null, done: SECRET, told: SECRET, words: SECRET } },
    ]);
    const word = v7();
    await own.call('POST /api/dogs/:id/instructions', {
      id: dogId,
      body: {
        id: word,
        by: 'owner',
        who: SECRET,
        place: null,
        says: { kind: 'avoid', ingredient: SECRET },
        from: '2026-11-01',
        until: null,
      },
    });
    const productId = await addProduct(own);
    const mixed = mixBody(productId, await bottleOf(own));
    await makeMix(own, mixed);
    await take(own, dogId, mixed.id, productId, SECRET);
    await inTenant(databases, own.businessId, (tx) => fill(tx, own, { clientId, dogId, visitId, word }));

    const before = await inTenant(databases, own.businessId, async (tx) => {
      const missing = [];
      for (const column of WORDS_THAT_GO)
        if (!(await textIn(tx, column)).includes(column.endsWith('bytes') ? '' : SECRET)) missing.push(column);
      return missing;
    });
    // A chip has no letters.
    expect(before).toEqual(['dog.chip']);
    await inTenant(databases, own.businessId, (tx) =>
      tx.execute(sql`update dewpond.visit set closed = 'finished' where closed is null`),
    );
    const { status, body } = await own.call('POST /api/clients/:id/erasure', { id: clientId, body: { name: SECRET } });
    expect([status, body]).toEqual([201, {}]);
    await inTenant(databases, own.businessId, async (tx) => {
      for (const column of await columnsOfWords(tx))
        expect([column, (await textIn(tx, column)).match(/Folake|Adeyemi|9772000/g)]).toEqual([column, null]);
      expect(await tx.select().from(letter)).toEqual([]);
    });
  });

  /** Puts the client's name wherever the application's own ways would not, or not so quickly. */
  async function fill(
    tx: Tenant,
    { businessId, memberId }: Salon,
    { clientId, dogId, visitId, word }: { clientId: string; dogId: string; visitId: string; word: string },
  ): Promise<void> {
    const [importId, householdId] = [v7(), v7()];
    const of = { businessId, dogId };
    const made = { madeFrom: 'x' };
    await tx.insert(household).values({ businessId, id: householdId, name: 'Adeyemi' });
    await tx.insert(importRun).values({
      ...{ businessId, id: importId, by: 'Ines', state: 'done', total: 1, ...made },
      fileName: `${SECRET}.csv`,
      rows: [{ name: SECRET }],
      report: { clients: 1, dogs: 1, words: SECRET },
    });
    await tx
      .update(client)
      .set({ importId, householdId, card: sql`${client.card} || ${JSON.stringify({ note: SECRET })}::jsonb` })
      .where(eq(client.id, clientId));
    await tx.execute(sql`update dewpond.household set name = ${SECRET}`);
    const toldAt = new Date('2026-01-01T10:00:00Z');
    await tx.insert(ownerAnswer).values({ ...of, id: v7(), says: 'none suits', note: SECRET, toldAt });
    await tx.insert(appointment).values({
      ...{ ...of, id: v7(), memberId, kind: 'as agreed', note: SECRET, state: 'done', ...made },
      agreed: { name: SECRET, parts: ['bath'] },
      startsAt: new Date('2026-01-01T10:00:00Z'),
      endsAt: new Date('2026-01-01T11:00:00Z'),
    });
    const ownBottle = { kind: 'own', name: SECRET, label: '10:1', said: null } as const;
    await tx
      .update(dog)
      .set({ homeBath: { bottle: ownBottle, everyDays: 14 } })
      .where(eq(dog.id, dogId));
    await tx.insert(homeTick).values({ ...of, key: 'brush', day: '2026-11-01', note: SECRET });
    await tx.insert(letter).values({
      ...{ businessId, instructionId: word, fileName: `${SECRET}.pdf`, mediaType: 'application/pdf' },
      ...{ size: 3, bytes: Buffer.from(SECRET), addedBy: 'Ines' },
    });
    await tx.insert(merge).values({
      ...{ businessId, id: v7(), of: 'dog', keptId: dogId, goneId: v7(), by: 'Ines' },
      moved: { rows: {}, keptBefore: { name: SECRET }, goneBefore: { name: SECRET } },
    });
    await tx.insert(message).values({
      ...{ businessId, id: v7(), clientId, dogId, kind: 'nearly ready', channel: 'e-mail', state: 'failed' },
      ...{ recipient: SECRET, subject: SECRET, words: SECRET, lastWord: `no box of ${SECRET}`, askedBy: 'Ines' },
      ...made,
    });
    await tx
      .update(referral)
      .set({
        answer: { answer: 'will go', words: SECRET, on: '2026-11-02' as never },
        vet: { who: 'Dr Ferrol', words: SECRET, on: '2026-11-02' as never } as never,
      })
      .where(eq(referral.dogId, dogId));
    await tx.insert(refusedEvent).values({
      ...{ businessId, id: v7(), visitId, personId: memberId, words: SECRET, content: { words: SECRET } },
    });
    const tabletId = v7();
    await tx
      .insert(tablet)
      .values({ businessId, id: tabletId, name: 'Van', secretHash: 'x', setUpBy: 'Ines', ...made });
    await tx.insert(heldWork).values({
      ...{ businessId, id: v7(), tabletId, memberId, visitId, kind: 'event', at: toldAt, heldAt: toldAt },
      ...{ content: { words: SECRET }, bytes: Buffer.from(SECRET), refused: SECRET },
    });
    await tx.insert(sheetEdit).values({
      ...{ businessId, visitId, editedBy: 'Ines' },
      edits: { lines: {}, added: [{ id: v7(), section: 'did', words: SECRET }], photos: [] } as never,
    });
    await tx.execute(sql`update dewpond.dog_due set next = ${JSON.stringify({ why: SECRET })}::jsonb`);
    await tx.update(instruction).set({ who: SECRET }).where(eq(instruction.id, word));
  }
});

describe('a household', () => {
  test('loses its name with its last member, and is called after those who stay', async () => {
    const own = await openSalon();
    const [one, other] = [await addDog(own), v7()];
    await own.call('POST /api/clients', { body: { id: other, name: 'Una Bryce' } });
    await own.call('PUT /api/clients/:id/household', { id: one.clientId, body: { with: other } });
    const names = () =>
      inTenant(databases, own.businessId, async (tx) => (await tx.select().from(household)).map(({ name }) => name));
    expect(await names()).toEqual(['Adeyemi']);
    await own.call('POST /api/clients/:id/erasure', { id: one.clientId, body: { name: SECRET } });
    expect(await names()).toEqual(['Bryce']);
    await own.call('POST /api/clients/:id/erasure', { id: other, body: { name: 'Una Bryce' } });
    expect(await names()).toEqual(['']);
  });

  test('that the erased one had left before bears the name no longer', async () => {
    const own = await openSalon();
    const [one, other] = [await addDog(own), v7()];
    await own.call('POST /api/clients', { body: { id: other, name: 'Una Bryce' } });
    await own.call('PUT /api/clients/:id/household', { id: one.clientId, body: { with: other } });
    await own.call('PUT /api/clients/:id/household', { id: one.clientId, body: { with: null } });
    await own.call('POST /api/clients/:id/erasure', { id: one.clientId, body: { name: SECRET } });
    expect(await everything(own)).not.toContain('Adeyemi');
  });
});
