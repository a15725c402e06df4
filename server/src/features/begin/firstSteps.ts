import type { FirstSteps } from '@dewpond/contract';
import { sql } from 'drizzle-orm';
import type { Router } from 'express';
import type { Services } from '../../platform/http/context';
import { route } from '../../platform/http/route';

/** What a new business has by now; asked by the checklist of its first days. */
export function firstStepsRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/first-steps', async ({ tx }) => {
    const { rows } = await tx.execute<{ [key in keyof FirstSteps]: boolean }>(sql`select
      exists (select from dewpond.product) as products,
      exists (select from dewpond.bottle) as bottles,
      (select count(*) > 1 from dewpond.member) as people,
      exists (select from dewpond.dog) as dogs,
      exists (select from dewpond.appointment) as bookings,
      exists (select from dewpond.visit where closed is not null) as visits`);
    const [row] = rows;
    if (!row) throw new Error('A question without an answer.');
    return row;
  });
}
