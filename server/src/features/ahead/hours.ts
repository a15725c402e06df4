import type { AwayView, newAway } from '@dewpond/contract';
import { USUAL_WEEK } from '@dewpond/core/bookings';
import type { Day } from '@dewpond/core/units';
import { and, asc, eq, gte, inArray, isNull, sql } from 'drizzle-orm';
import type { Router } from 'express';
import type { z } from 'zod';
import { may } from '../../platform/auth/mayAsk';
import { isHere } from '../../platform/db/branch';
import { away, branch, business, member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { badField, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { insertAllOnce, updateGuarded } from '../../platform/http/writes';
import { loadBusiness } from '../../records/business/business';

export function hoursRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/hours', async ({ tx, asker, today }) => {
    const people = await tx.select().from(member).where(isNull(member.leftAt)).orderBy(asc(member.name));
    const rows = await tx
      .select({ its: away, branchName: branch.name })
      .from(away)
      .leftJoin(branch, eq(branch.id, away.branchId))
      .where(gte(away.toDay, today))
      .orderBy(asc(away.fromDay));
    const { places, planCosts, remindsAt, version } = await loadBusiness(tx);
    const names = new Map(people.map(({ id, name }) => [id, name]));
    return {
      people: people.map(({ id, name, week, skills }) => ({
        ...{ id, name, skills: [...skills] },
        ...{ week: week ?? USUAL_WEEK, isUsual: week === null },
      })),
      away: rows.map(({ its: { id, version, memberId, branchId, fromDay, toDay, name }, branchName }): AwayView => ({
        ...{ id, version, memberId, branchId, branchName },
        memberName: memberId === null ? null : (names.get(memberId) ?? ''),
        from: fromDay as Day,
        to: toDay as Day,
        name,
      })),
      mayEdit: may(asker, 'say hours'),
      places,
      costs: planCosts,
      remindsAt,
      version,
    };
  });

  route(router, services, 'PUT /api/planning', async ({ tx, body }) => {
    const write = tx
      .update(business)
      .set({ planCosts: body.costs, version: sql`${business.version} + 1` })
      .where(eq(business.version, body.version))
      .returning({ version: business.version });
    const current = async () => {
      const { places, planCosts, version } = await loadBusiness(tx);
      return { places, costs: planCosts, version };
    };
    const changed = await updateGuarded(write, { what: 'planning', current, yours: body });
    await tx.update(branch).set({ places: body.places }).where(isHere(branch.id));
    return changed;
  });

  route(router, services, 'PUT /api/reminders', async ({ tx, body }) => {
    const write = tx
      .update(business)
      .set({ remindsAt: body.at, version: sql`${business.version} + 1` })
      .where(eq(business.version, body.version))
      .returning({ version: business.version });
    const current = async () => {
      const { remindsAt: at, version } = await loadBusiness(tx);
      return { at, version };
    };
    return updateGuarded(write, { what: 'reminders', current, yours: body });
  });

  route(router, services, 'PUT /api/members/:id/week', async ({ tx, params, body }) => {
    const [row] = await tx
      .update(member)
      .set({ week: body.week })
      .where(eq(member.id, params.id))
      .returning({ id: member.id });
    if (!row) throw notFound('person');
    return {};
  });

  route(router, services, 'PUT /api/members/:id/skills', async ({ tx, params, body }) => {
    const [row] = await tx
      .update(member)
      .set({ skills: body.skills })
      .where(eq(member.id, params.id))
      .returning({ id: member.id });
    if (!row) throw notFound('person');
    return {};
  });

  route(router, services, 'POST /api/away', async ({ tx, asker, body }) => {
    await keepAbsences(tx, [body], asker.personId);
    return { id: body.id };
  });

  route(router, services, 'POST /api/absences', async ({ tx, asker, body }) => {
    await keepAbsences(tx, body.absences, asker.personId);
    return {};
  });

  route(router, services, 'POST /api/away/:id/ended', async ({ tx, params }) => {
    const [row] = await tx.delete(away).where(eq(away.id, params.id)).returning({ id: away.id });
    if (!row) throw notFound('absence');
    return {};
  });
}

type NewAway = z.output<typeof newAway>;

/** Keeps absences, all or none, in a fixed number of statements; what was sent before is kept once. */
async function keepAbsences(tx: Tenant, absences: readonly NewAway[], personId: string): Promise<void> {
  const whose = [...new Set(absences.flatMap(({ memberId }) => memberId ?? []))];
  const known = await tx
    .select({ id: member.id })
    .from(member)
    .where(and(inArray(member.id, whose), isNull(member.leftAt)));
  if (known.length < whose.length) throw badField('memberId', 'There is no such person here.');
  const where = [...new Set(absences.flatMap(({ branchId }) => branchId ?? []))];
  const open = await tx
    .select({ id: branch.id })
    .from(branch)
    .where(and(inArray(branch.id, where), isNull(branch.closedOn)));
  if (open.length < where.length) throw badField('branchId', 'There is no such branch here.');
  await insertAllOnce(
    tx,
    away,
    absences.map(({ from, to, ...rest }) => ({
      ...rest,
      fromDay: from,
      toDay: to,
      personId,
      madeFrom: contentHash({ ...rest, from, to }),
    })),
  );
}
