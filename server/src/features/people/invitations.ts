import type { InvitationView, newInvitation } from '@dewpond/contract';
import { whyNotChanged, type Role } from '@dewpond/core/rights';
import { and, desc, eq, gt, isNull } from 'drizzle-orm';
import type { z } from 'zod';
import type { Asker } from '../../platform/asker';
import { invitation, member } from '../../platform/db/schema';
import type { BusinessId, Tenant } from '../../platform/db/tenant';
import type { SiteSettings } from '../../platform/http/context';
import { Refusal, badField, notFound } from '../../platform/http/problem';
import { contentHash } from '../../platform/http/sameContent';
import { insertOnce } from '../../platform/http/writes';
import { invitationUrl, secretHash } from '../../records/links/ownerLinks';
import { accountsOf } from '../../platform/auth/accounts';
import { peopleOfHouse } from './peopleOfHouse';

export type InvitationRow = typeof invitation.$inferSelect;

/** So long a link lets somebody in. */
const OPEN_DAYS = 7;
const DAY_MS = 86_400_000;
/** Ones that ended are told for so long. */
const TOLD_DAYS = 14;

export const stateOf = (
  { usedAt, withdrawnAt, expiresAt }: Pick<InvitationRow, 'usedAt' | 'withdrawnAt' | 'expiresAt'>,
  now: number,
): InvitationView['state'] => {
  if (usedAt) return 'used';
  if (withdrawnAt) return 'withdrawn';
  return expiresAt.getTime() > now ? 'open' : 'over';
};

export function invitationView(site: SiteSettings, row: InvitationRow, now: number): InvitationView {
  const state = stateOf(row, now);
  return {
    ...{ id: row.id, memberId: row.memberId, name: row.name, role: row.role, email: row.email, madeBy: row.madeBy },
    url: state === 'open' ? invitationUrl(site, row.businessId, row.id) : null,
    state,
    expiresAt: row.expiresAt.toISOString(),
  };
}

/** Open ones and what became of the last, the newest first; those that people asked for themselves are theirs. */
export async function invitationsNow(tx: Tenant, site: SiteSettings, now: number): Promise<InvitationView[]> {
  const rows = await tx
    .select()
    .from(invitation)
    .where(gt(invitation.expiresAt, new Date(now - TOLD_DAYS * DAY_MS)))
    .orderBy(desc(invitation.createdAt));
  return rows.filter(({ personId }) => personId !== null).map((row) => invitationView(site, row, now));
}

interface Inviting {
  readonly tx: Tenant;
  readonly site: SiteSettings;
  readonly businessId: BusinessId;
  readonly now: number;
}

interface NewInvite {
  readonly id: string;
  readonly memberId: string | null;
  readonly name: string;
  readonly role: Role;
  readonly email: string;
  readonly madeBy: string;
  /** Who made it; null: the person it is for asked for it, and only their mailbox gets it. */
  readonly personId: string | null;
}

/** Writes an invitation down; an open one for the same person ends, so that one link is about. */
export async function writeInvitation(
  { tx, site, businessId, now }: Inviting,
  given: NewInvite,
): Promise<InvitationRow> {
  if (given.memberId !== null)
    await tx
      .update(invitation)
      .set({ withdrawnAt: new Date(now) })
      .where(
        and(
          eq(invitation.memberId, given.memberId),
          isNull(invitation.usedAt),
          isNull(invitation.withdrawnAt),
          given.personId === null ? isNull(invitation.personId) : undefined,
        ),
      );
  await insertOnce(tx, invitation, {
    ...given,
    secretHash: secretHash(site, businessId, given.id, 'invitation'),
    expiresAt: new Date(now + OPEN_DAYS * DAY_MS),
    madeFrom: contentHash(given),
  });
  const [row] = await tx.select().from(invitation).where(eq(invitation.id, given.id));
  if (!row) throw new Error('An invitation that was just written is gone.');
  return row;
}

/** Invites somebody new, or makes a link for a new password of somebody known. */
export async function invite(
  inviting: Inviting,
  asker: Asker,
  body: z.output<typeof newInvitation>,
): Promise<InvitationRow> {
  const { tx } = inviting;
  const [sent] = await tx.select().from(invitation).where(eq(invitation.id, body.id));
  if (sent) return sent;
  const people = await peopleOfHouse(tx);
  const known = people.find(({ id }) => id === body.memberId);
  if (body.memberId !== null && !known) throw notFound('person');
  const why = whyNotChanged(people, { id: body.memberId ?? body.id, role: known?.role ?? body.role }, asker.role);
  if (why !== null) throw new Refusal('not allowed', why);
  if (known?.role === 'manager' && asker.role !== 'manager')
    throw new Refusal('not allowed', 'Only an owner-manager makes a new password for an owner-manager.');
  if (known?.hasLeft) throw badField('memberId', 'Bring this person back first.');
  if (!known && body.email !== '') await assertNotHere(tx, body.email);
  const by = { madeBy: asker.personName, personId: asker.personId };
  return writeInvitation(inviting, { ...body, ...(known ? { role: known.role } : {}), ...by });
}

async function assertNotHere(tx: Tenant, email: string): Promise<void> {
  const rows = await tx.select({ personId: member.personId }).from(member).where(isNull(member.leftAt));
  const accounts = await accountsOf(
    tx,
    rows.map(({ personId }) => personId),
  );
  if ([...accounts.values()].some((each) => each.email === email))
    throw badField('email', 'Somebody here has this address already.');
}

/** The invitation of this secret, locked while the transaction lasts, so that it lets one person in. */
export async function invitationOf(tx: Tenant, hash: string): Promise<InvitationRow | null> {
  const [row] = await tx.select().from(invitation).where(eq(invitation.secretHash, hash)).for('update');
  return row ?? null;
}

/** Why an invitation lets nobody in, as said to whoever holds it. */
export const WHY_CLOSED: Readonly<Record<Exclude<InvitationView['state'], 'open'>, string>> = {
  used: 'This invitation was used. Sign in with your e-mail and password; if that was not you, tell your manager.',
  withdrawn: 'This invitation was taken back. Ask your manager for a new one.',
  over: 'This invitation has run out. Ask your manager for a new one.',
};
