import { eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { business } from '../../platform/db/schema';
import type { Services } from '../../platform/http/context';
import { Refusal, badField, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { updateGuarded } from '../../platform/http/writes';
import { eraseClient } from './erase';
import { erasureWords } from './erasureWords';
import { reachOfClient } from '../../records/client/reach';
import { keptNow } from './retention';

/** Why it cannot be done now, in words; null when it can. */
const whyNot = ({ open, booked }: { readonly open: boolean; readonly booked: readonly string[] }): string | null =>
  open
    ? 'A visit is still open. Close it first.'
    : booked.length > 0
      ? `${booked.join(', ')} ${booked.length === 1 ? 'is' : 'are'} booked. Cancel the booking first.`
      : null;

export function eraseRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/kept', ({ tx, today }) => keptNow(tx, today));

  route(router, services, 'PUT /api/kept', async ({ tx, body, today }) => {
    // Nothing goes on the day of the choice: whoever chose wrongly can choose again.
    const write = tx
      .update(business)
      .set({ retention: body.retention, letGoOn: today, version: sql`${business.version} + 1` })
      .where(eq(business.version, body.version))
      .returning({ version: business.version });
    return updateGuarded(write, { what: 'choice', current: () => keptNow(tx, today), yours: body });
  });

  route(router, services, 'GET /api/clients/:id/erasure', async ({ tx, params, now }) => {
    const reach = await reachOfClient(tx, params.id, now);
    if (!reach) throw notFound('client');
    return { name: reach.row.name, ...(await erasureWords(tx, reach)), refused: whyNot(reach) };
  });

  route(router, services, 'POST /api/clients/:id/erasure', async ({ tx, params, body, now, today }) => {
    const reach = await reachOfClient(tx, params.id, now);
    if (!reach) throw notFound('client');
    const refused = whyNot(reach);
    if (refused !== null) throw new Refusal('conflict', refused);
    if (body.name.trim() !== reach.row.name) throw badField('name', 'That is not the name on the card.');
    await eraseClient(tx, reach, today);
    return {};
  });
}
