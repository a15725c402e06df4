import { desc, eq, isNull, and } from 'drizzle-orm';
import type { Router } from 'express';
import { dog, ownerLink } from '../db/schema';
import type { Services } from '../http/context';
import { notFound } from '../http/problem';
import { route } from '../http/route';
import { linkView, makeLink } from './ownerLinks';

/** Private pages, as the salon sees them. */
export function linkRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/dogs/:id/links', async ({ tx, params }) => {
    const rows = await tx
      .select()
      .from(ownerLink)
      .where(eq(ownerLink.dogId, params.id))
      .orderBy(desc(ownerLink.createdAt));
    return { items: rows.map((row) => linkView(services.links, row)) };
  });

  route(router, services, 'POST /api/links', async ({ tx, asker, body, now }) => {
    const [its] = await tx.select({ id: dog.id }).from(dog).where(eq(dog.id, body.dogId));
    if (!its) throw notFound('dog');
    const row = await makeLink(
      tx,
      services.links,
      asker.businessId,
      { ...body, by: asker.personName, personId: asker.personId },
      now,
    );
    return linkView(services.links, row);
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
