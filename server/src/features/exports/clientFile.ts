import { inArray, sql, type SQL } from 'drizzle-orm';
import { client } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Business } from '../../records/business/business';
import type { ClientReach } from '../../records/client/reach';
import { pathOfTable } from '../../records/house/manifest';
import { bytesOf, linesOf, tablesOfHouse, type TableOfHouse } from '../../records/house/tables';
import { calendarOf } from './houseFile';
import { OF_CLIENTS } from './tables';
import type { Zip } from './zipped';

const readMe = (
  name: string,
  business: string,
): string => `All that ${business} has on record of ${name} and their dogs.

  lists/      for a spreadsheet (CSV, UTF-8), and the visiting card (vCard 4)
  bookings.ics   every booking as a calendar (iCalendar)
  tables/     every record as it is kept, one a line (JSON Lines)
  bytes/      pictures (JPEG), letters and sheets (PDF)
`;

/** Writes all that is on record of one client: card, dogs, visits with every event, messages, pictures and papers. */
export async function packClient(
  zip: Zip,
  tx: Tenant,
  business: Business,
  reach: ClientReach,
  now: number,
): Promise<void> {
  const cards = [reach.row, ...reach.twins].map(({ id }) => id);
  const only = inArray(client.id, cards);
  await zip.add('READ-ME.txt', [readMe(reach.row.name, business.name)]);
  for (const [name, exported] of Object.entries(OF_CLIENTS))
    await zip.add(`lists/${name}`, exported.write(tx, business, only));
  await zip.add('bookings.ics', calendarOf(tx, business, now, only));
  for (const table of await tablesOfHouse(tx)) {
    const of = rowsOfClient(table, reach, cards);
    if (of === null) continue;
    await zip.add(pathOfTable(table.name), linesOf(tx, table, of));
    for await (const [at, bytes] of bytesOf(tx, table, of)) await zip.add(at, [bytes], 'packed');
  }
}

/** Which rows of a table are about a client; null: the table is about something else. */
export function rowsOfClient(
  { name, columns }: Pick<TableOfHouse, 'name' | 'columns'>,
  { row, twins, dogs, visits }: ClientReach,
  cards: readonly string[],
): SQL | null {
  const dogIds = dogs.map(({ id }) => id);
  const among = (column: string, ids: readonly string[]) =>
    sql`${sql.identifier(column)} = any (${sql.param([...ids])}::uuid[])`;
  const households = [row, ...twins].flatMap(({ householdId }) => (householdId === null ? [] : [householdId]));
  if (name === 'client') return among('id', cards);
  if (name === 'dog') return among('id', dogIds);
  if (name === 'household') return among('id', households);
  if (name === 'visit') return among('id', visits);
  if (name === 'letter')
    return sql`instruction_id in (select id from dewpond.instruction where ${among('dog_id', dogIds)})`;
  if (name === 'audit') return among('about', [...cards, ...dogIds]);
  // What a house did with its own things, or a link that opens somebody's page, is not a record of the client.
  if (name === 'made_mix' || name === 'owner_link') return null;
  if (columns.includes('client_id')) return among('client_id', cards);
  if (columns.includes('dog_id')) return among('dog_id', dogIds);
  if (columns.includes('visit_id')) return among('visit_id', visits);
  return null;
}
