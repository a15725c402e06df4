import { eq } from 'drizzle-orm';
import type { Router } from 'express';
import { refuseBather } from '../auth/membership';
import { referral } from '../db/schema';
import { loadHouse } from '../house/house';
import { dayIn } from '../house/zone';
import { askerOf, type Services } from '../http/context';
import { idIn } from '../http/ids';
import { notFound } from '../http/problem';
import { route } from '../http/route';
import { contentHash } from '../http/sameContent';
import { asSeen, updateGuarded } from '../http/writes';
import { sendPdf } from '../sheet/routes';
import { keepLetter } from './letter';
import { referralViews, signed } from './referrals';

export function referralRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/referrals', async ({ tx, query, now }) => {
    const { zone } = await loadHouse(tx);
    return { items: await referralViews(tx, dayIn(zone, now), query.dog) };
  });

  route(router, services, 'PUT /api/referrals/:id', async ({ tx, asker, params, body }) => {
    const { version, ...sent } = body;
    const [before] = await tx.select().from(referral).where(eq(referral.id, params.id));
    if (!before) throw notFound('referral');
    if (contentHash(sent.vet) !== contentHash(before.vet)) refuseBather(asker, 'write down a vet’s word');
    const current = async () => (await tx.select().from(referral).where(eq(referral.id, params.id)))[0];
    const set = { ...sent, told: signed(before.told, sent.told, asker), end: signed(before.end, sent.end, asker) };
    const write = asSeen(tx, referral, { id: params.id, version }, set);
    return updateGuarded(write, { what: 'referral', current, yours: body });
  });

  router.get('/api/referrals/:id/letter.pdf', async (request, response) => {
    const id = idIn(request.params.id, 'letter');
    sendPdf(response, await keepLetter(services, askerOf(request).businessId, id));
  });
}
