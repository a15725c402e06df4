import { asc, eq } from 'drizzle-orm';
import type { Router } from 'express';
import { client } from '../db/schema';
import { clientView } from '../dogs/views';
import type { Services } from '../http/context';
import { route } from '../http/route';
import { contentHash, sameOrRefuse } from '../http/sameContent';

export function clientRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/clients', async ({ tx }) => {
    const rows = await tx.select().from(client).orderBy(asc(client.name));
    return { items: rows.map(clientView) };
  });

  route(router, services, 'POST /api/clients', async ({ tx, asker, body }) => {
    const madeFrom = contentHash(body);
    const inserted = await tx
      .insert(client)
      .values({ businessId: asker.businessId, ...body, madeFrom })
      .onConflictDoNothing()
      .returning({ id: client.id });
    if (inserted.length === 0) {
      const [known] = await tx.select().from(client).where(eq(client.id, body.id));
      sameOrRefuse(known?.madeFrom ?? '', madeFrom);
    }
    return { id: body.id };
  });
}
