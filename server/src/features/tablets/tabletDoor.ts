import { switching, ticketShown, type TabletDoor } from '@dewpond/contract';
import { ROLES, wrongPin } from '@dewpond/core/rights';
import { and, eq, gt, isNull } from 'drizzle-orm';
import express, { Router, type Request } from 'express';
import type { z } from 'zod';
import type { Auth } from '../../platform/auth/auth';
import { countKnocks } from '../../platform/auth/knocks';
import { PIN_BLOCKED, pinWasRight, pinsOf, takePinTry } from '../../platform/auth/pins';
import { hashOfSecret, newSecret } from '../../platform/auth/secrets';
import { clearTablet, comeToTablet, tabletOf, type TabletRow } from '../../platform/auth/tablets';
import type { Config } from '../../platform/config/config';
import { business, member, tablet, tabletTicket } from '../../platform/db/schema';
import { inTenant, type Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { Refusal, badField, badInput, notFound } from '../../platform/http/problem';

/** So long a person may have been away from the network and be let in again by what the tablet holds of them. */
const TICKET_DAYS = 30;
const DAY_MS = 86_400_000;
/** Notes of when a tablet was seen are made so often, at most. */
const SEEN_EVERY_MS = 60_000;

/** Who may come to a tablet, and whether they have a PIN. */
async function doorOf(tx: Tenant, row: TabletRow, now: Date): Promise<TabletDoor> {
  if (row.lostAt) return { state: 'lost', name: row.name, at: row.lostAt.toISOString() };
  if (now.getTime() - (row.lastSeenAt?.getTime() ?? 0) > SEEN_EVERY_MS)
    await tx.update(tablet).set({ lastSeenAt: now }).where(eq(tablet.id, row.id));
  const [house] = await tx.select({ name: business.name, zone: business.zone }).from(business);
  const pins = await pinsOf(tx);
  const people = await tx.select().from(member).where(isNull(member.leftAt)).orderBy(member.name);
  return {
    ...{ state: 'here', id: row.id, name: row.name, lockAfterMin: row.lockAfterMin, business: house?.name ?? '' },
    zone: house?.zone ?? 'UTC',
    people: people
      .map(({ id, personId, name, role }) => ({ memberId: id, personId, name, role, pin: pins.get(id) ?? 'none' }))
      .toSorted((a, b) => ROLES.indexOf(b.role) - ROLES.indexOf(a.role)),
  };
}

/** The person, while they belong here. */
async function personOf(tx: Tenant, memberId: string): Promise<string> {
  const [its] = await tx
    .select({ personId: member.personId })
    .from(member)
    .where(and(eq(member.id, memberId), isNull(member.leftAt)));
  if (!its) throw notFound('person');
  return its.personId;
}

const noteComing = (tx: Tenant, tabletId: string, memberId: string, now: Date): Promise<unknown> =>
  tx.update(tablet).set({ lastSeenAt: now, lastMemberId: memberId }).where(eq(tablet.id, tabletId));

/** What a shared tablet reaches before anybody has come to it: its secret is its key, and a person's PIN theirs. */
export function tabletDoorRoutes(config: Config, services: Services, auth: Auth): Router {
  const { databases } = services;
  const router = Router();
  const body = express.json({ limit: '10kb' });
  const knocks = countKnocks(databases);

  const here = async (request: Request): Promise<TabletRow> => {
    const row = await tabletOf(databases, request);
    if (!row) {
      await knocks.wrong(request.ip ?? 'nobody');
      throw new Refusal('not allowed', 'This device is no shared tablet. Sign in with your password.');
    }
    if (row.lostAt) throw new Refusal('not allowed', 'This tablet was reported lost. It opens nothing any more.');
    return row;
  };
  const sentBy = <S extends z.ZodType>(schema: S, request: Request): z.output<S> => {
    const parsed = schema.safeParse(request.body);
    if (!parsed.success) throw badInput(parsed.error);
    return parsed.data;
  };

  router.get('/api/tablet', async (request, response) => {
    const row = await tabletOf(databases, request);
    const now = new Date(services.now());
    const door: TabletDoor = row
      ? await inTenant(databases, row.businessId, (tx) => doorOf(tx, row, now))
      : { state: 'none' };
    response.set('Cache-Control', 'no-store').json(door);
  });

  router.post('/api/tablet/switch', body, async (request, response) => {
    await knocks.count(request.ip ?? 'nobody');
    const { memberId, pin } = sentBy(switching, request);
    const row = await here(request);
    const now = new Date(services.now());
    // The try is written down before the PIN is looked at, and stays whatever comes of it.
    const { personId, hash, left } = await inTenant(databases, row.businessId, async (tx) => ({
      personId: await personOf(tx, memberId),
      ...(await takePinTry(tx, memberId)),
    }));
    if (!(await (await auth.$context).password.verify({ hash, password: pin }))) {
      if (left === 0) await forgetTickets(memberId, row);
      throw badField('pin', left === 0 ? PIN_BLOCKED : wrongPin(left));
    }
    const ticket = newSecret();
    await inTenant(databases, row.businessId, async (tx) => {
      await pinWasRight(tx, memberId);
      await noteComing(tx, row.id, memberId, now);
      const set = { secretHash: hashOfSecret(ticket), madeAt: now };
      await tx
        .insert(tabletTicket)
        .values({ tabletId: row.id, memberId, ...set })
        .onConflictDoUpdate({ target: [tabletTicket.businessId, tabletTicket.tabletId, tabletTicket.memberId], set });
    });
    await comeToTablet(config, auth, databases, { request, response, row, personId });
    response.status(201).json({ ticket });
  });

  const forgetTickets = (memberId: string, { businessId }: TabletRow): Promise<unknown> =>
    inTenant(databases, businessId, (tx) => tx.delete(tabletTicket).where(eq(tabletTicket.memberId, memberId)));

  router.post('/api/tablet/ticket', body, async (request, response) => {
    await knocks.count(request.ip ?? 'nobody');
    const { memberId, ticket } = sentBy(ticketShown, request);
    const row = await here(request);
    const now = new Date(services.now());
    const personId = await inTenant(databases, row.businessId, async (tx) => {
      const [known] = await tx
        .select({ memberId: tabletTicket.memberId })
        .from(tabletTicket)
        .where(
          and(
            eq(tabletTicket.tabletId, row.id),
            eq(tabletTicket.memberId, memberId),
            eq(tabletTicket.secretHash, hashOfSecret(ticket)),
            gt(tabletTicket.madeAt, new Date(now.getTime() - TICKET_DAYS * DAY_MS)),
          ),
        );
      if (!known) throw new Refusal('not allowed', 'The PIN was changed meanwhile. Type the new one.');
      await noteComing(tx, row.id, memberId, now);
      return personOf(tx, memberId);
    });
    await comeToTablet(config, auth, databases, { request, response, row, personId });
    response.status(201).json({});
  });

  router.post('/api/tablet/lock', body, async (request, response) => {
    const row = await tabletOf(databases, request);
    if (row) await clearTablet(databases, row.id);
    const { name, attributes } = (await auth.$context).authCookies.sessionToken;
    if (row) response.clearCookie(name, { path: attributes.path ?? '/' });
    response.status(201).json({});
  });
  return router;
}
