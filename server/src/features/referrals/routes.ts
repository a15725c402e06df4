import { eq } from 'drizzle-orm';
import type { Router } from 'express';
import { assertMay } from '../../platform/auth/mayAsk';
import { referral } from '../../platform/db/schema';
import { askerOf, type Services } from '../../platform/http/context';
import { idIn } from '../../platform/http/ids';
import { notFound } from '../../platform/http/problem';
import { guarded, route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { asSeen, updateGuarded } from '../../platform/http/writes';
import { sendPdf } from '../../platform/http/sendPdf';
import { letterAsPdf } from '../../records/documents/letterPdf';
import { referralViews, signed } from './referralViews';

export function referralRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/referrals', async ({ tx, query, today }) => ({
    items: await referralViews(tx, today, query.dog),
  }));

  route(router, services, 'PUT /api/referrals/:id', async ({ tx, asker, params, body }) => {
    const { version, ...sent } = body;
    const [before] = await tx.select().from(referral).where(eq(referral.id, params.id));
    if (!before) throw notFound('referral');
    if (contentHash(sent.vet) !== contentHash(before.vet)) assertMay(asker, 'vet words');
    const current = async () => (await tx.select().from(referral).where(eq(referral.id, params.id)))[0];
    const end = signed(before.end, sent.end, asker);
    if (end !== before.end) assertMay(asker, 'close referrals');
    const set = { ...sent, told: signed(before.told, sent.told, asker), end };
    const write = asSeen(tx, referral, { id: params.id, version }, set);
    return updateGuarded(write, { what: 'referral', current, yours: body });
  });

  router.get(
    '/api/referrals/:id/letter.pdf',
    guarded('GET /api/referrals/:id/letter.pdf'),
    async (request, response) => {
      const id = idIn(request.params.id, 'letter');
      sendPdf(response, await letterAsPdf(services, askerOf(request).businessId, id));
    },
  );
}
