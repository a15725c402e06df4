import { desc, eq, isNull, and } from 'drizzle-orm';
import type { Router } from 'express';
import { dog, ownerLink } from '../../platform/db/schema';
import type { Services } from '../../platform/http/context';
import { notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { linkView, makeLink } from '../../records/links/ownerLinks';

/** Private pages, as the salon sees them. */
export function linkRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/dogs/:id/links', async ({ tx, params }) => {
    const rows = await tx
      .select()
      .from(ownerLink)
      .where(eq(ownerLink.dogId, params.id))
      .orderBy(desc(ownerLink.createdAt));
    return { items: rows.map((row) => linkView(services.site, row)) };
  });

  route(router, services, 'POST /api/links', async ({ tx, asker, body, now }) => {
    const [its] = await tx.select({ id: dog.id }).from(dog).where(eq(dog.id, body.dogId));
    if (!its) throw notFound('dog');
    const row = await makeLink(
      tx,
      services.site,
      asker.businessId,
      { ...body, by: asker.personName, personId: asker.personId },
      now,
    );
    return linkView(services.site, row);
  });

  route(router, services, 'PUT /api/links/:id/revoke', async ({ tx, params, now }) => {
    const [known] = await tx.select({ id: ownerLink.id }).from(ownerLink).where(eq(ownerLink.id, params.id));
    if (!known) throw notFound('link');
    await tx
      .update(ownerLink)
      .set({ revokedAt: new Date(now) })
      .where(and(eq(ownerLink.id, params.id), isNull(ownerLink.revokedAt)));
    return {};
  });
}
