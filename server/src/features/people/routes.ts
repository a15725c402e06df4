import type { PeopleView } from '@dewpond/contract';
import { ROLES, whyNotChanged, type PersonChange } from '@dewpond/core/rights';
import { asc, eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import type { Asker } from '../../platform/asker';
import { accountsOf, dropSecondFactor, endSessions } from '../../platform/auth/accounts';
import { pinsOf, takePinAway } from '../../platform/auth/pins';
import { endSession, sessionsOf } from '../../platform/auth/sessions';
import { business, invitation, member } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services, SiteSettings } from '../../platform/http/context';
import { Refusal, notFound } from '../../platform/http/problem';
import { tellOfChange } from '../../records/people/accountNews';
import { route } from '../../platform/http/route';
import { asSeen, updateGuarded } from '../../platform/http/writes';
import { enqueue } from '../../platform/jobs/jobs';
import { invitationView, invitationsNow, invite } from './invitations';
import { handOver, handoverOf } from './leave';
import { peopleOfHouse } from './peopleOfHouse';
import { INVITATION_JOB } from './sendInvitation';

const memberOf = async (tx: Tenant, id: string): Promise<typeof member.$inferSelect | undefined> =>
  (await tx.select().from(member).where(eq(member.id, id)))[0];

/** The row, or 404; who may what with people is asked of whoever asks. */
async function changedBy(tx: Tenant, asker: Asker, change: PersonChange): Promise<typeof member.$inferSelect> {
  const people = await peopleOfHouse(tx);
  const row = await memberOf(tx, change.id);
  if (!row) throw notFound('person');
  const why = whyNotChanged(people, change, asker.role);
  if (why !== null) throw new Refusal('conflict', why);
  return row;
}

async function secondFactorOf(tx: Tenant): Promise<PeopleView['secondFactor']> {
  const [house] = await tx.select({ version: business.version, asked: business.secondFactor }).from(business);
  if (!house) throw notFound('business');
  return house;
}

async function peopleView(tx: Tenant, site: SiteSettings, now: number): Promise<PeopleView> {
  const house = await secondFactorOf(tx);
  const rows = await tx.select().from(member).orderBy(asc(member.name), asc(member.id));
  const accounts = await accountsOf(
    tx,
    rows.map(({ personId }) => personId),
  );
  const pins = await pinsOf(tx);
  const people = rows.map(({ id, personId, name, role, joinedAt, leftAt, version }) => {
    const its = accounts.get(personId);
    return {
      ...{ id, personId, name, role, version, email: its?.email ?? '' },
      joinedAt: joinedAt.toISOString(),
      leftAt: leftAt?.toISOString() ?? null,
      sessions: leftAt === null ? (its?.sessions ?? 0) : 0,
      lastSeen: its?.last_seen ? new Date(its.last_seen).toISOString() : null,
      secondFactor: its?.second_factor ?? false,
      pin: pins.get(id) ?? 'none',
    };
  });
  const order = (each: (typeof people)[number]) => (each.leftAt === null ? ROLES.indexOf(each.role) : ROLES.length);
  return {
    people: people.toSorted((a, b) => order(a) - order(b)),
    invitations: await invitationsNow(tx, site, now),
    secondFactor: house,
  };
}

/** People of a business: who they are, how they come in, leave and come back, and where they are signed in. */
export function peopleRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/people', ({ tx, now }) => peopleView(tx, services.site, now));

  route(router, services, 'PUT /api/people/:id', async ({ tx, asker, params, body }) => {
    const { version, ...set } = body;
    await changedBy(tx, asker, { id: params.id, role: body.role });
    return updateGuarded(asSeen(tx, member, { id: params.id, version }, set), {
      what: 'person',
      current: () => memberOf(tx, params.id),
      yours: body,
    });
  });

  route(router, services, 'GET /api/people/:id/handover', async ({ tx, params, now }) => {
    if (!(await memberOf(tx, params.id))) throw notFound('person');
    return { items: await handoverOf(tx, params.id, now) };
  });

  route(router, services, 'POST /api/people/:id/left', async ({ tx, asker, params, body, now }) => {
    const row = await changedBy(tx, asker, { id: params.id, role: null });
    if (row.leftAt !== null) return {};
    await handOver(tx, params.id, body, now);
    await tx
      .update(member)
      .set({ leftAt: new Date(now), feedId: null, feedHash: null, version: sql`${member.version} + 1` })
      .where(eq(member.id, params.id));
    await tx
      .update(invitation)
      .set({ withdrawnAt: new Date(now) })
      .where(sql`${invitation.memberId} = ${params.id} and ${invitation.usedAt} is null`);
    return {};
  });

  route(router, services, 'POST /api/people/:id/back', async ({ tx, asker, params }) => {
    const [known] = await tx.select({ role: member.role }).from(member).where(eq(member.id, params.id));
    await changedBy(tx, asker, { id: params.id, role: known?.role ?? null });
    await tx
      .update(member)
      .set({ leftAt: null, version: sql`${member.version} + 1` })
      .where(eq(member.id, params.id));
    return {};
  });

  route(router, services, 'POST /api/people/:id/signed-out', async ({ tx, params }) => {
    const row = await memberOf(tx, params.id);
    if (!row) throw notFound('person');
    return { ended: await endSessions(tx, row.personId) };
  });

  route(router, services, 'POST /api/people/:id/second-factor', async ({ tx, asker, params, now }) => {
    const row = await memberOf(tx, params.id);
    if (!row) throw notFound('person');
    if (row.role === 'manager' && asker.role !== 'manager')
      throw new Refusal('not allowed', 'Only an owner-manager takes the second proof of an owner-manager away.');
    if (!(await dropSecondFactor(tx, row.personId)))
      throw new Refusal('conflict', 'This person works for another business, too: only they can do that.');
    const { businessId } = asker;
    await tellOfChange(tx, { businessId, personId: row.personId, at: now, what: 'second proof off' });
    return {};
  });

  route(router, services, 'POST /api/people/:id/pin-removed', async ({ tx, params }) => {
    if (!(await memberOf(tx, params.id))) throw notFound('person');
    await takePinAway(tx, params.id);
    return {};
  });

  route(router, services, 'PUT /api/second-factor', async ({ tx, body }) => {
    const write = tx
      .update(business)
      .set({ secondFactor: body.asked, version: sql`${business.version} + 1` })
      .where(eq(business.version, body.version))
      .returning({ version: business.version });
    return updateGuarded(write, { what: 'choice', current: () => secondFactorOf(tx), yours: body });
  });

  route(router, services, 'POST /api/invitations', async ({ tx, asker, body, now }) => {
    const { businessId } = asker;
    const row = await invite({ tx, site: services.site, businessId, now }, asker, body);
    if (row.email !== '') await enqueue(tx, INVITATION_JOB, { businessId, invitationId: row.id });
    return invitationView(services.site, row, now);
  });

  route(router, services, 'POST /api/invitations/:id/withdrawn', async ({ tx, params, now }) => {
    const [row] = await tx
      .update(invitation)
      .set({ withdrawnAt: sql`coalesce(${invitation.withdrawnAt}, ${new Date(now)})` })
      .where(eq(invitation.id, params.id))
      .returning({ id: invitation.id });
    if (!row) throw notFound('invitation');
    return {};
  });

  route(router, services, 'GET /api/me/sessions', async ({ asker }) => ({
    items: await sessionsOf(services.databases, asker),
  }));

  route(router, services, 'POST /api/me/sessions/:id/ended', async ({ asker, params }) => {
    await endSession(services.databases, asker, params.id);
    return { id: params.id };
  });
}
