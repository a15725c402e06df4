import { forgotten, joining, knocking, type InvitationOpened } from '@dewpond/contract';
import { eq, sql } from 'drizzle-orm';
import express, { Router, type Request } from 'express';
import { v7 } from 'uuid';
import { accountByEmail, accountsOf, addAccount, setPassword } from '../../platform/auth/accounts';
import type { Auth } from '../../platform/auth/auth';
import { countKnocks, countNewPasswords, countWrongPasswords } from '../../platform/auth/knocks';
import { whyNoPassword } from '../../platform/auth/passwords';
import { firstBusiness } from '../../platform/auth/membership';
import { business, invitation, member } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { Refusal, badField, badInput, notFound } from '../../platform/http/problem';
import { enqueue } from '../../platform/jobs/jobs';
import { tellOfChange } from '../../records/people/accountNews';
import { hashOfToken, readToken } from '../../records/links/ownerLinks';
import { WHY_CLOSED, invitationOf, stateOf, writeInvitation, type InvitationRow } from './invitations';
import { INVITATION_JOB } from './sendInvitation';

const CLOSED = 'This link opens nothing. Look whether all of it was copied, or ask your manager for a new one.';

interface Opened {
  readonly row: InvitationRow;
  readonly house: string;
  readonly email: string;
}

/** What a token opens, locked; throws, in words, where it opens nothing. */
async function open(tx: Tenant, hash: string, now: number): Promise<Opened> {
  const row = await invitationOf(tx, hash);
  const [house] = await tx.select({ name: business.name }).from(business);
  if (!row || !house) throw new Refusal('not found', CLOSED);
  const state = stateOf(row, now);
  if (state !== 'open') throw new Refusal('conflict', WHY_CLOSED[state]);
  return { row, house: house.name, email: row.memberId === null ? row.email : await addressOf(tx, row.memberId) };
}

async function addressOf(tx: Tenant, memberId: string): Promise<string> {
  const [its] = await tx.select({ personId: member.personId }).from(member).where(eq(member.id, memberId));
  if (!its) throw notFound('person');
  return (await accountsOf(tx, [its.personId])).get(its.personId)?.email ?? '';
}

/** What people without an account reach: joining by an invitation, and asking for a new password. */
export function joinRoutes(services: Services, auth: Auth): Router {
  const { databases } = services;
  const router = Router();
  const body = express.json({ limit: '10kb' });
  const knocks = countKnocks(databases);
  const wrong = countWrongPasswords(databases);
  const mayHaveAnother = countNewPasswords(databases);

  const opened = async <T>(
    request: Request,
    token: string,
    work: (tx: Tenant, its: Opened) => T | Promise<T>,
  ): Promise<T> => {
    const from = request.ip ?? 'nobody';
    await knocks.count(from);
    const read = readToken(token);
    try {
      if (!read) throw new Refusal('not found', CLOSED);
      return await inTenant(databases, read.businessId, async (tx) =>
        work(tx, await open(tx, hashOfToken(read), services.now())),
      );
    } catch (error) {
      if (error instanceof Refusal && error.kind === 'not found') await knocks.wrong(from);
      throw error;
    }
  };

  router.post('/api/join/look', body, async (request, response) => {
    const parsed = knocking.safeParse(request.body);
    if (!parsed.success) throw badInput(parsed.error);
    const view = await opened(request, parsed.data.token, (_, { row, house, email }): InvitationOpened => ({
      ...{ business: house, name: row.name, role: row.role, email, isKnown: row.memberId !== null },
      expiresAt: row.expiresAt.toISOString(),
    }));
    response.set('Cache-Control', 'no-store').status(201).json(view);
  });

  router.post('/api/join', body, async (request, response) => {
    const parsed = joining.safeParse(request.body);
    if (!parsed.success) throw badInput(parsed.error);
    const { token, name, email, password } = parsed.data;
    // Neither hashing nor another's account is asked for within the transaction.
    const context = await auth.$context;
    const passwordHash = await context.password.hash(password);
    const account = await accountByEmail(databases, email);
    const isTheirs = async (): Promise<boolean> => {
      await wrong.assertFew(email);
      const hash = account?.passwordHash ?? null;
      return hash !== null && context.password.verify({ hash, password });
    };
    const mail = await opened(request, token, async (tx, { row, house, email: known }) => {
      const now = new Date(services.now());
      const why = account && row.memberId === null ? null : whyNoPassword(password, [name, email, house]);
      if (why !== null) throw badField('password', why);
      if (row.memberId !== null) await newPassword(tx, row, passwordHash, services.now());
      else {
        if (account && !(await isTheirs())) {
          await wrong.wrong(email);
          throw badField('password', 'This address has an account. Type the password of that account to join with it.');
        }
        const personId = account?.personId ?? v7();
        if (!account) await addAccount(tx, { personId, name, email, passwordHash });
        await comeIn(tx, { id: v7(), personId, name, role: row.role }, now);
      }
      await tx.update(invitation).set({ usedAt: now }).where(eq(invitation.id, row.id));
      return row.memberId === null ? email : known;
    });
    response.status(201).json({ email: mail });
  });

  router.post('/api/forgotten', body, async (request, response) => {
    const parsed = forgotten.safeParse(request.body);
    if (!parsed.success) throw badInput(parsed.error);
    await knocks.count(request.ip ?? 'nobody');
    await knocks.wrong(request.ip ?? 'nobody');
    const account = await accountByEmail(databases, parsed.data.email);
    const businessId = account && (await firstBusiness(databases, account.personId));
    if (account && businessId !== null && (await mayHaveAnother(parsed.data.email)))
      await sendNewPassword(services, businessId as BusinessId, account.personId, parsed.data.email);
    // The same answer, whoever asks: nobody learns who has an account.
    response.status(201).json({});
  });
  return router;
}

async function newPassword(tx: Tenant, row: InvitationRow, passwordHash: string, at: number): Promise<void> {
  const [its] = await tx
    .select({ personId: member.personId })
    .from(member)
    .where(eq(member.id, row.memberId ?? ''));
  const ownAsking = row.personId === null;
  if (!its || !(await setPassword(tx, { personId: its.personId, passwordHash, ownAsking })))
    throw new Refusal(
      'conflict',
      'You work for another business, too. Ask for a new password yourself: “Forgotten?” where you sign in.',
    );
  await tellOfChange(tx, { businessId: row.businessId, personId: its.personId, at, what: 'password' });
}

/** A new member; somebody who was here before comes back as who they were, with the role of the invitation. */
async function comeIn(
  tx: Tenant,
  given: Pick<typeof member.$inferInsert, 'id' | 'personId' | 'name' | 'role'>,
  now: Date,
): Promise<void> {
  const [before] = await tx.select().from(member).where(eq(member.personId, given.personId));
  if (before && before.leftAt === null) throw badField('email', 'You belong to this business already. Sign in.');
  if (!before) await tx.insert(member).values({ ...given, joinedAt: now });
  else
    await tx
      .update(member)
      .set({ leftAt: null, role: given.role, version: sql`${member.version} + 1` })
      .where(eq(member.id, before.id));
}

/** One link at a time, to the address of the account and to nobody else. */
async function sendNewPassword(services: Services, businessId: BusinessId, personId: string, email: string) {
  const now = services.now();
  await inTenant(services.databases, businessId, async (tx) => {
    const [its] = await tx.select().from(member).where(eq(member.personId, personId));
    if (!its) return;
    const row = await writeInvitation(
      { tx, site: services.site, businessId, now },
      { id: v7(), memberId: its.id, name: its.name, role: its.role, email, madeBy: its.name, personId: null },
    );
    await enqueue(tx, INVITATION_JOB, { businessId, invitationId: row.id });
  });
}
