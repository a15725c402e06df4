import type { BusinessView, ResponseOf, SessionView } from '@dewpond/contract';
import { ownRights } from '@dewpond/core/rights';
import { eq, isNull, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { may } from '../../platform/auth/mayAsk';
import { business, member } from '../../platform/db/schema';
import type { Services } from '../../platform/http/context';
import type { Tenant } from '../../platform/db/tenant';
import { Refusal, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { updateGuarded } from '../../platform/http/writes';
import { loadBusiness, loadStockedBusiness, type StockedBusiness } from '../../records/business/business';
import { backupOld } from '../../records/business/oldBackup';
import { bottleView, productView, pumpView } from '../../records/shelf/shelf';

const businessView = (its: StockedBusiness, mayEdit: boolean): BusinessView => ({
  version: its.version,
  name: its.name,
  units: its.units,
  services: its.services,
  liftAloneKg: its.liftAloneKg,
  mixPerSquareMetre: its.mixPerSquareMetre,
  washKinds: its.washKinds,
  intervals: its.intervals,
  visitKinds: [...its.visitKinds],
  ownBreeds: [...its.ownBreeds],
  ways: its.ways,
  currency: its.currency,
  products: its.products.map(productView),
  putAway: its.putAway.map(productView),
  pumps: its.pumps.map((each) => pumpView(each, its.products)),
  bottles: its.shelved.map(bottleView),
  mayEdit,
});

async function rightsOf(tx: Tenant): Promise<ResponseOf<'GET /api/rights'>> {
  const [row] = await tx.select({ version: business.version, rights: business.rights }).from(business);
  if (!row) throw notFound('business');
  return { version: row.version, own: row.rights };
}

/** Open branches, the first one first, in the statement of whoever asks. */
const OPEN_BRANCHES = sql<SessionView['branches']>`(
  select json_agg(json_build_object('id', id, 'name', name, 'kind', kind) order by created_at, id)
  from dewpond.branch where closed_on is null)`;

export function businessRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/business', async ({ tx, asker }) =>
    businessView(await loadStockedBusiness(tx), may(asker, 'house ways')),
  );

  route(router, services, 'PUT /api/business', async ({ tx, body, today }) => {
    const { ways } = await loadBusiness(tx);
    const schoolChanged = ways.earCleaning !== body.ways.earCleaning;
    const write = tx
      .update(business)
      .set({
        ways: body.ways,
        units: body.units,
        currency: body.currency,
        services: body.services,
        liftAloneKg: body.liftAloneKg,
        mixPerSquareMetre: body.mixPerSquareMetre,
        washKinds: body.washKinds,
        intervals: body.intervals,
        visitKinds: body.visitKinds,
        version: sql`${business.version} + 1`,
        ...(schoolChanged ? { schoolChangedOn: today } : {}),
      })
      .where(eq(business.version, body.version))
      .returning({ version: business.version });
    const current = async () => businessView(await loadStockedBusiness(tx), true);
    return updateGuarded(write, { what: 'business', current, yours: body });
  });

  route(router, services, 'GET /api/rights', ({ tx }) => rightsOf(tx));

  route(router, services, 'PUT /api/rights', async ({ tx, body }) => {
    const { version, own } = body;
    const write = tx
      .update(business)
      .set({ rights: ownRights(own), version: sql`${business.version} + 1` })
      .where(eq(business.version, version))
      .returning({ version: business.version });
    return updateGuarded(write, { what: 'table of who may what', current: () => rightsOf(tx), yours: body });
  });

  route(router, services, 'GET /api/members', async ({ tx }) => {
    const items = await tx
      .select({ id: member.id, personId: member.personId, name: member.name, role: member.role })
      .from(member)
      .where(isNull(member.leftAt))
      .orderBy(member.name);
    return { items };
  });

  route(router, services, 'GET /api/session', async ({ tx, asker, today }) => {
    const [row] = await tx
      .select({ me: member, name: business.name, units: business.units, branches: OPEN_BRANCHES })
      .from(member)
      .innerJoin(business, eq(business.businessId, member.businessId))
      .where(eq(member.personId, asker.personId));
    if (!row) throw new Refusal('not allowed', 'You belong to no business here.');
    const { me, name, units, branches } = row;
    return {
      person: { id: asker.personId, name: asker.personName, email: asker.email },
      member: { id: me.id, personId: me.personId, name: me.name, role: me.role },
      rights: asker.rights,
      secondFactor: asker.secondFactor,
      tablet: asker.tablet && { ...asker.tablet, byPin: asker.byPin },
      backupOld:
        services.site.tellsBackups && may(asker, 'see the status')
          ? backupOld(asker.lastBackup, asker.hereSince, Date.now())
          : null,
      branches,
      branchId: me.branchId,
      business: { id: asker.businessId, name, zone: asker.zone, units },
      units: me.units ?? units,
      ownUnits: me.units,
      today,
    };
  });

  route(router, services, 'PUT /api/me', async ({ tx, asker, body }) => {
    await tx.update(member).set({ units: body.units }).where(eq(member.personId, asker.personId));
    return {};
  });
}
