import type { Router } from 'express';
import type { Services } from '../../platform/http/context';
import { Refusal, badField, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { eraseClient } from './erase';
import { erasureWords } from './erasureWords';
import { reachOfErasing } from './reach';

/** Why it cannot be done now, in words; null when it can. */
const whyNot = ({ open, booked }: { readonly open: boolean; readonly booked: readonly string[] }): string | null =>
  open
    ? 'A visit is still open. Close it first.'
    : booked.length > 0
      ? `${booked.join(', ')} ${booked.length === 1 ? 'is' : 'are'} booked. Cancel the booking first.`
      : null;

export function eraseRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/clients/:id/erasure', async ({ tx, params, now }) => {
    const reach = await reachOfErasing(tx, params.id, now);
    if (!reach) throw notFound('client');
    return { name: reach.row.name, ...(await erasureWords(tx, reach)), refused: whyNot(reach) };
  });

  route(router, services, 'POST /api/clients/:id/erasure', async ({ tx, params, body, now, today }) => {
    const reach = await reachOfErasing(tx, params.id, now);
    if (!reach) throw notFound('client');
    const refused = whyNot(reach);
    if (refused !== null) throw new Refusal('conflict', refused);
    if (body.name.trim() !== reach.row.name) throw badField('name', 'That is not the name on the card.');
    await eraseClient(tx, reach, today);
    return {};
  });
}
