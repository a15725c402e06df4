import { sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { accountByEmail, addAccount, beginBusiness } from '../../platform/auth/accounts';
import { hashOfSecret, newSecret } from '../../platform/auth/secrets';
import { beginLink } from '../../platform/db/authSchema';
import type { Databases } from '../../platform/db/connect';
import { branch, business } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import { NoHouse, type HouseFile } from '../../records/house/readHouse';
import { keyOfRow, pathOfBytes, tableNamed, tablesOfHouse, type TableOfHouse } from '../../records/house/tables';

export interface HouseTakenIn {
  readonly businessId: BusinessId;
  readonly name: string;
  readonly rows: number;
}

/**
 * Takes a whole business in, all of it or nothing; `then` belongs to the same transaction. Whoever worked there has an
 * account and no password yet. Messages that were waiting are left to a person: the old installation may have sent them.
 * Throws {@link NoHouse} in words.
 */
export async function takeIn(
  databases: Databases,
  house: HouseFile,
  changes: number,
  then: (tx: Tenant, businessId: BusinessId) => Promise<void>,
): Promise<HouseTakenIn> {
  const { manifest } = house;
  if (manifest.changes !== changes)
    throw new NoHouse(
      `This business comes from another version of Dewpond (its tables had ${manifest.changes} changes, these have ${changes}). Bring both installations to the same version, and take it out anew.`,
    );
  const businessId = manifest.business.id as BusinessId;
  const token = newSecret();
  await databases.auth
    .insert(beginLink)
    .values({ secretHash: hashOfSecret(token), expiresAt: new Date(Date.now() + 60_000) });
  let rows = 0;
  await inTenant(databases, businessId, async (tx) => {
    if ((await tx.select({ id: business.businessId }).from(business)).length > 0)
      throw new NoHouse(`${manifest.business.name} is here already.`);
    for (const { email } of manifest.people)
      if (await accountByEmail(databases, email))
        throw new NoHouse(
          `${email} has an account here already. Change that address in one of the two, and begin again.`,
        );
    if (!(await beginBusiness(tx, hashOfSecret(token), manifest.business.name)))
      throw new Error('A link that was just made does not open.');
    for (const person of manifest.people) await addAccount(tx, { ...person, passwordHash: nobodysPassword() });
    const tables = await tablesOfHouse(tx);
    assertKnown(tables, Object.keys(manifest.tables));
    // The branch that a business comes with is among those that come.
    for (const table of tables) {
      if (table.name === 'branch') await tx.delete(branch);
      rows += await fill(tx, table, house);
    }
    await tx.execute(sql`update dewpond.message set state = 'unsure', next_try_at = null,
      last_word = 'It was waiting when the business moved here. The old installation may have sent it.'
      where state in ('waiting', 'sending')`);
    await then(tx, businessId);
  });
  return { businessId, name: manifest.business.name, rows };
}

/** What no password has as its hash. */
const nobodysPassword = (): string => `moved:${v7()}`;

function assertKnown(tables: readonly TableOfHouse[], given: readonly string[]): void {
  const ours = tables.map(({ name }) => name);
  const odd = [...ours.filter((name) => !given.includes(name)), ...given.filter((name) => !ours.includes(name))];
  if (odd.length > 0) throw new NoHouse(`These tables are not the same here and there: ${odd.join(', ')}.`);
}

async function fill(tx: Tenant, table: TableOfHouse, house: HouseFile): Promise<number> {
  let rows = 0;
  for await (const lines of house.lines(table.name)) {
    const filled = table.bytes === null ? lines : await withBytes(table, table.bytes, lines, house);
    const target = tableNamed(table.name);
    await tx.execute(
      sql`insert into ${target} select * from json_populate_recordset(null::${target}, ${`[${filled.join(',')}]`}::json)`,
    );
    rows += lines.length;
  }
  if (rows !== house.manifest.tables[table.name])
    throw new NoHouse(`${table.name} has ${rows} rows and should have ${house.manifest.tables[table.name] ?? 0}.`);
  return rows;
}

/** Rows with the pictures and papers they name, as the database writes bytes. */
async function withBytes(
  table: TableOfHouse,
  column: string,
  lines: readonly string[],
  house: HouseFile,
): Promise<string[]> {
  const filled: string[] = [];
  for (const line of lines) {
    const row = JSON.parse(line) as Record<string, unknown>;
    const bytes = await house.bytes(pathOfBytes(table, keyOfRow(table, row)));
    filled.push(JSON.stringify({ ...row, [column]: bytes === null ? null : `\\x${bytes.toString('hex')}` }));
  }
  return filled;
}
