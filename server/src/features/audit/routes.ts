import { desc, eq } from 'drizzle-orm';
import type { Router } from 'express';
import { audit, client, dog } from '../../platform/db/schema';
import type { Services } from '../../platform/http/context';
import { route } from '../../platform/http/route';

const NEWEST = 300;

export function auditRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/audit', async ({ tx, query }) => {
    const rows = await tx
      .select({ noted: audit, dog: dog.name, client: client.name })
      .from(audit)
      .leftJoin(dog, eq(dog.id, audit.about))
      .leftJoin(client, eq(client.id, audit.about))
      .where(query.about === undefined ? undefined : eq(audit.about, query.about))
      .orderBy(desc(audit.at), desc(audit.id))
      .limit(NEWEST);
    return {
      items: rows.map(({ noted: { id, at, person, what, about, words }, dog: dogName, client: clientName }) => ({
        id,
        at: at.toISOString(),
        person,
        what,
        about,
        // By the name it has now: who was erased has none.
        name: dogName ?? clientName,
        words,
      })),
    };
  });
}
