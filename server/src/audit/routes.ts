import { desc, eq } from 'drizzle-orm';
import type { Router } from 'express';
import { audit } from '../db/schema';
import { Refusal } from '../http/problem';
import type { Services } from '../http/context';
import { route } from '../http/route';

const NEWEST = 300;

export function auditRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/audit', async ({ tx, asker, query }) => {
    if (asker.role !== 'manager') throw new Refusal('not allowed', 'Only a manager reads who did what.');
    const rows = await tx
      .select()
      .from(audit)
      .where(query.about === undefined ? undefined : eq(audit.about, query.about))
      .orderBy(desc(audit.at), desc(audit.id))
      .limit(NEWEST);
    return {
      items: rows.map(({ id, at, person, what, about, words }) => ({
        id,
        at: at.toISOString(),
        person,
        what,
        about,
        words,
      })),
    };
  });
}
