import { eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { business, member } from '../db/schema';
import type { Services } from '../http/context';
import { Refusal } from '../http/problem';
import { updateGuarded } from '../http/writes';
import { route } from '../http/route';
import { houseView, loadHouse } from './house';
import { dayIn } from './zone';

export function houseRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/house', async ({ tx, asker }) =>
    houseView(await loadHouse(tx), asker.role === 'manager'),
  );

  route(router, services, 'PUT /api/house', async ({ tx, asker, body, now }) => {
    if (asker.role !== 'manager') throw new Refusal('not allowed', 'Only a manager changes the house ways.');
    const house = await loadHouse(tx);
    const schoolChanged = house.ways.earCleaning !== body.ways.earCleaning;
    const write = tx
      .update(business)
      .set({
        ways: body.ways,
        units: body.units,
        currency: body.currency,
        services: body.services,
        liftAloneKg: body.liftAloneKg,
        version: sql`${business.version} + 1`,
        ...(schoolChanged ? { schoolChangedOn: dayIn(house.zone, now) } : {}),
      })
      .where(eq(business.version, body.version))
      .returning({ version: business.version });
    const current = async () => houseView(await loadHouse(tx), true);
    return updateGuarded(write, { what: 'house', current, yours: body });
  });

  route(router, services, 'GET /api/members', async ({ tx }) => {
    const items = await tx
      .select({ id: member.id, personId: member.personId, name: member.name, role: member.role })
      .from(member)
      .orderBy(member.name);
    return { items };
  });

  route(router, services, 'GET /api/session', async ({ tx, asker, now }) => {
    const house = await loadHouse(tx);
    const [me] = await tx.select().from(member).where(eq(member.personId, asker.personId));
    if (!me) throw new Refusal('not allowed', 'You belong to no business here.');
    return {
      person: { id: asker.personId, name: asker.personName, email: asker.email },
      member: { id: me.id, personId: me.personId, name: me.name, role: me.role },
      business: { id: asker.businessId, name: house.name, zone: house.zone, units: house.units },
      units: me.units ?? house.units,
      ownUnits: me.units,
      today: dayIn(house.zone, now),
    };
  });

  route(router, services, 'PUT /api/me', async ({ tx, asker, body }) => {
    await tx.update(member).set({ units: body.units }).where(eq(member.personId, asker.personId));
    return {};
  });
}
