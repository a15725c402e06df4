import { and, desc, eq, gte, isNotNull, lte, or } from 'drizzle-orm';
import type { Router } from 'express';
import type { Day } from '@dewpond/core/units';
import { cleanDown, dog, member, visit } from '../../platform/db/schema';
import type { Services } from '../../platform/http/context';
import { route } from '../../platform/http/route';

/** The log of clean-downs; a visit that is closed without one stands in it as such. */
export function cleanDownRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/clean-downs', async ({ tx, query: { from, to } }) => {
    const rows = await tx
      .select({ visitId: visit.id, day: visit.day, dog: dog.name, line: cleanDown, by: member.name })
      .from(visit)
      .innerJoin(dog, eq(dog.id, visit.dogId))
      .leftJoin(cleanDown, eq(cleanDown.visitId, visit.id))
      .leftJoin(member, eq(member.personId, cleanDown.personId))
      .where(and(gte(visit.day, from), lte(visit.day, to), or(isNotNull(visit.closed), isNotNull(cleanDown.eventId))))
      .orderBy(desc(visit.day), desc(cleanDown.at), desc(visit.createdAt));
    return {
      items: rows.map(({ line, by, day, ...row }) => ({
        ...row,
        day: day as Day,
        done: line && {
          at: line.at.toISOString(),
          by,
          cleaned: line.cleaned,
          left: line.left,
          with: line.productName,
          seconds: line.seconds,
          wanted: line.wanted,
          after: line.after,
        },
      })),
    };
  });
}
