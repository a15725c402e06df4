import { asc } from 'drizzle-orm';
import { readConfig } from '../platform/config/config';
import { organization } from '../platform/db/authSchema';
import { connect, type Databases } from '../platform/db/connect';
import { business, visit } from '../platform/db/schema';
import { inTenant, type BusinessId } from '../platform/db/tenant';
import { loadStockedBusiness } from '../records/business/business';
import { loadVisit } from '../records/visit/load';
import { project } from '../records/visit/project';
import { loadWritten } from '../records/visit/written';

/**
 * Makes the tables of findings, care and amounts anew from the events, oldest visit first, one tenant at a time. Referrals
 * stay as they are: people have worked on them, and some said only later since when a place was well.
 */
export async function rebuildProjections(databases: Databases): Promise<number> {
  const businesses = await databases.auth.select({ id: organization.id }).from(organization);
  let count = 0;
  for (const { id } of businesses) count += await rebuildBusiness(databases, id as BusinessId);
  return count;
}

/** The same for one business. Answers how many visits it has. */
export const rebuildBusiness = (databases: Databases, businessId: BusinessId): Promise<number> =>
  inTenant(databases, businessId, async (tx) => {
    // One that just signs up has no rows of its own yet.
    const [begun] = await tx.select({ id: business.businessId }).from(business);
    if (!begun) return 0;
    const its = await loadStockedBusiness(tx);
    const visits = await tx.select({ id: visit.id }).from(visit).orderBy(asc(visit.createdAt), asc(visit.id));
    for (const each of visits) {
      const loaded = await loadVisit(tx, its, each.id);
      if (loaded.events.length > 0) await project(tx, loaded, its, await loadWritten(tx, each.id), { refers: false });
    }
    return visits.length;
  });

if (process.argv[2] === 'run') {
  const databases = connect(readConfig());
  const count = await rebuildProjections(databases);
  console.log(`Rebuilt ${count} visits from their events.`);
  await Promise.all(databases.pools.map((pool) => pool.end()));
}
