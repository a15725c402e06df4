import type { PinState, TabletView } from '@dewpond/contract';
import { newTablet } from '@dewpond/contract';
import { whyNoPin } from '@dewpond/core/rights';
import { asc, eq, isNull, sql } from 'drizzle-orm';
import type { Router } from 'express';
import type { Asker } from '../../platform/asker';
import type { Auth } from '../../platform/auth/auth';
import { accountByEmail } from '../../platform/auth/accounts';
import { countWrongPasswords } from '../../platform/auth/knocks';
import { keepPin, pinsOf } from '../../platform/auth/pins';
import { hashOfSecret, newSecret } from '../../platform/auth/secrets';
import { giveTablet, putOnTablet } from '../../platform/auth/tablets';
import { noteCall } from '../../platform/audit/audit';
import type { Config } from '../../platform/config/config';
import { heldWork, member, tablet } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { askerOf, tenantOf, type Services } from '../../platform/http/context';
import { badField, badInput, notFound } from '../../platform/http/problem';
import { guarded, route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { tellOfChange } from '../../records/people/accountNews';
import { asSeen, insertOnce, updateGuarded } from '../../platform/http/writes';

const tabletRow = async (tx: Tenant, id: string): Promise<typeof tablet.$inferSelect | undefined> =>
  (await tx.select().from(tablet).where(eq(tablet.id, id)))[0];

/** Shared tablets, those that are lost too; what of their work waits. */
async function tabletsOf(tx: Tenant, asker: Asker): Promise<TabletView[]> {
  const waiting = tx
    .select({ tabletId: heldWork.tabletId, pieces: sql<number>`count(*)::int`.as('pieces') })
    .from(heldWork)
    .where(isNull(heldWork.decidedAt))
    .groupBy(heldWork.tabletId)
    .as('waiting');
  const rows = await tx
    .select({ its: tablet, lastPerson: member.name, pieces: waiting.pieces })
    .from(tablet)
    .leftJoin(member, eq(member.id, tablet.lastMemberId))
    .leftJoin(waiting, eq(waiting.tabletId, tablet.id))
    .where(isNull(tablet.removedAt))
    .orderBy(asc(tablet.name), asc(tablet.id));
  return rows.map(({ its, lastPerson, pieces }) => ({
    ...{ id: its.id, name: its.name, lockAfterMin: its.lockAfterMin, version: its.version, setUpBy: its.setUpBy },
    since: its.createdAt.toISOString(),
    lastSeen: its.lastSeenAt?.toISOString() ?? null,
    lastPerson,
    lost: its.lostAt && { at: its.lostAt.toISOString(), by: its.lostBy ?? '' },
    waiting: pieces ?? 0,
    isThis: asker.tablet?.id === its.id,
  }));
}

/** Shared tablets as the business sees them, and the PINs of its people. */
export const tabletRoutes =
  (config: Config, auth: Auth) =>
  (router: Router, services: Services): void => {
    route(router, services, 'GET /api/tablets', async ({ tx, asker }) => ({ items: await tabletsOf(tx, asker) }));

    // Not by `route`: the answer makes the browser that asks the tablet.
    router.post('/api/tablets', guarded('POST /api/tablets'), async (request, response) => {
      const parsed = newTablet.safeParse(request.body);
      if (!parsed.success) throw badInput(parsed.error);
      const { id, name } = parsed.data;
      const asker = askerOf(request);
      const now = services.now();
      const secret = newSecret();
      await tenantOf(services, asker, async (tx) => {
        const by = { setUpBy: asker.personName, personId: asker.personId, lastSeenAt: new Date(now) };
        const row = { id, name, madeFrom: contentHash(parsed.data), secretHash: hashOfSecret(secret), ...by };
        // Sent again, since the answer was lost: this browser gets another secret.
        if (!(await insertOnce(tx, tablet, row)))
          await tx.update(tablet).set({ secretHash: row.secretHash }).where(eq(tablet.id, id));
        await noteCall(tx, asker, 'POST /api/tablets', { id, body: parsed.data, now });
      });
      await putOnTablet(services.databases, asker.sessionId, id);
      giveTablet(config, response, { businessId: asker.businessId, id, secret });
      response.status(201).json({ id });
    });

    route(router, services, 'PUT /api/tablets/:id', ({ tx, params, body }) => {
      const { version, ...set } = body;
      return updateGuarded(asSeen(tx, tablet, { id: params.id, version }, set), {
        what: 'tablet',
        current: () => tabletRow(tx, params.id),
        yours: body,
      });
    });

    route(router, services, 'POST /api/tablets/:id/lost', async ({ tx, asker, params, now }) => {
      if (!(await tabletRow(tx, params.id))) throw notFound('tablet');
      await tx
        .update(tablet)
        .set({
          lostAt: sql`coalesce(${tablet.lostAt}, ${new Date(now)})`,
          lostBy: sql`coalesce(${tablet.lostBy}, ${asker.personName})`,
        })
        .where(eq(tablet.id, params.id));
      return {};
    });

    route(router, services, 'POST /api/tablets/:id/removed', async ({ tx, params, now }) => {
      if (!(await tabletRow(tx, params.id))) throw notFound('tablet');
      await tx
        .update(tablet)
        .set({ removedAt: sql`coalesce(${tablet.removedAt}, ${new Date(now)})` })
        .where(eq(tablet.id, params.id));
      return {};
    });

    const ownPin = async (
      tx: Tenant,
      { personId }: Asker,
    ): Promise<{ readonly memberId: string; readonly pin: PinState }> => {
      const [me] = await tx.select({ id: member.id }).from(member).where(eq(member.personId, personId));
      if (!me) throw notFound('person');
      return { memberId: me.id, pin: (await pinsOf(tx)).get(me.id) ?? 'none' };
    };
    route(router, services, 'GET /api/me/pin', async ({ tx, asker }) => ({ pin: (await ownPin(tx, asker)).pin }));

    const wrong = countWrongPasswords(services.databases);
    route(router, services, 'PUT /api/me/pin', async ({ tx, asker, body, now }) => {
      const why = whyNoPin(body.pin);
      if (why !== null) throw badField('pin', why);
      await wrong.assertFew(asker.email);
      const { password } = await auth.$context;
      const known = await accountByEmail(services.databases, asker.email);
      const hash = known?.passwordHash ?? null;
      if (hash === null || !(await password.verify({ hash, password: body.password }))) {
        await wrong.wrong(asker.email);
        throw badField('password', 'This is not your password.');
      }
      const { memberId } = await ownPin(tx, asker);
      await keepPin(tx, memberId, await password.hash(body.pin), new Date(now));
      const { businessId, personId } = asker;
      await tellOfChange(tx, { businessId, personId, at: now, what: 'PIN' });
      return {};
    });
  };
