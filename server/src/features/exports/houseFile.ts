import { asc, eq, type SQL } from 'drizzle-orm';
import { visitName } from '@dewpond/core/steps';
import { accountsOf } from '../../platform/auth/accounts';
import { appointment, client, dog, member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { inPieces } from '../../platform/db/together';
import { longCalendar, type CalendarEntry } from '../../records/appointments/calendar';
import type { Business } from '../../records/business/business';
import { MANIFEST, pathOfTable, type HouseManifest } from '../../records/house/manifest';
import { bytesOf, linesOf, tablesOfHouse } from '../../records/house/tables';
import { EXPORTS } from './tables';
import type { Zip } from './zipped';

const READ_ME = `This is a whole business, taken out of Dewpond.

  lists/      the book for a spreadsheet (CSV, UTF-8), and the clients as visiting cards (vCard 4)
  bookings.ics   every booking as a calendar (iCalendar)
  tables/     every table as it was, one row a line (JSON Lines): nothing is left out of it but what is said below
  bytes/      pictures (JPEG), letters and sheets (PDF), named by their table and row
  manifest.json  what is in here, and the SHA-256 of each file

Another installation takes it in with: npm run move-in -- this-file.zip

Not in here: passwords, second proofs and PINs. Everybody gets a link to choose a new password.
Whoever has this file has every client's address and every word of the business. Keep it as you would keep the book.
`;

/** Writes all of a business, as it was when the first row was read. */
export async function packHouse(
  zip: Zip,
  tx: Tenant,
  business: Business,
  { businessId, changes, now }: { readonly businessId: string; readonly changes: number; readonly now: number },
): Promise<void> {
  const tables: Record<string, number> = {};
  const files: Record<string, string> = {};
  await zip.add('READ-ME.txt', [READ_ME]);
  for (const table of await tablesOfHouse(tx)) {
    let rows = 0;
    const counted = async function* () {
      for await (const lines of linesOf(tx, table)) {
        rows += lines.split('\n').length - 1;
        yield lines;
      }
    };
    const path = pathOfTable(table.name);
    files[path] = await zip.add(path, counted());
    tables[table.name] = rows;
    for await (const [at, bytes] of bytesOf(tx, table)) files[at] = await zip.add(at, [bytes], 'packed');
  }
  for (const [name, exported] of Object.entries(EXPORTS)) await zip.add(`lists/${name}`, exported.write(tx, business));
  await zip.add('bookings.ics', calendarOf(tx, business, now));
  const manifest: HouseManifest = {
    format: 1,
    holds: 'a whole business',
    at: new Date(now).toISOString(),
    changes,
    business: { id: businessId, name: business.name },
    people: await peopleOf(tx),
    tables,
    files,
  };
  await zip.add(MANIFEST, [JSON.stringify(manifest, null, 1)]);
}

async function peopleOf(tx: Tenant): Promise<HouseManifest['people']> {
  const members = await tx
    .select({ personId: member.personId, name: member.name })
    .from(member)
    .orderBy(asc(member.id));
  const accounts = await accountsOf(
    tx,
    members.map(({ personId }) => personId),
  );
  return members.flatMap(({ personId, name }) => {
    const account = accounts.get(personId);
    return account ? [{ personId, name, email: account.email }] : [];
  });
}

/** Every booking; `only`: of some clients. */
export function calendarOf(tx: Tenant, business: Business, now: number, only?: SQL): AsyncIterable<string> {
  const pieces = async function* (): AsyncGenerator<CalendarEntry[]> {
    const rows = inPieces(tx, (from) =>
      from
        .select({ its: appointment, dog: dog.name, owner: client.name, person: member.name })
        .from(appointment)
        .innerJoin(dog, eq(dog.id, appointment.dogId))
        .innerJoin(client, eq(client.id, dog.clientId))
        .innerJoin(member, eq(member.id, appointment.memberId))
        .where(only)
        .orderBy(asc(appointment.startsAt), asc(appointment.id)),
    );
    for await (const piece of rows)
      yield piece.map(({ its, dog: name, owner, person }) => ({
        id: its.id,
        startsAt: its.startsAt.toISOString(),
        endsAt: its.endsAt.toISOString(),
        words: `${name} (${owner}), ${visitName(its)}, ${person}`,
      }));
  };
  return longCalendar(business.name, business.zone, now, pieces());
}
