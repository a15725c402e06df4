import type { Client } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { eq } from 'drizzle-orm';
import { type client, household } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';

type ClientRecord = typeof client.$inferSelect;
type Household = Client['household'];

export const clientShown = (row: ClientRecord, home: Household): Client => ({
  id: row.id,
  version: row.version,
  name: row.name,
  card: row.card,
  archivedOn: row.archivedOn as Day | null,
  household: home,
});

export async function householdOf(tx: Tenant, { householdId }: ClientRecord): Promise<Household> {
  if (householdId === null) return null;
  const [row] = await tx.select().from(household).where(eq(household.id, householdId));
  return row ? { id: row.id, name: row.name } : null;
}

/** A client for whoever does not see addresses: numbers stay, as a hurt dog's owner is rung by whoever has it in hand. */
export const withoutAddress = (shown: Client): Client => ({
  ...shown,
  card: { ...shown.card, emails: [], address: { street: '', town: '', postcode: '', coordinates: null } },
});
