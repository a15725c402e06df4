import type { PinState } from '@dewpond/contract';
import { PIN_TRIES } from '@dewpond/core/rights';
import { and, eq, lt, sql } from 'drizzle-orm';
import { memberPin, tabletTicket } from '../db/schema';
import type { Tenant } from '../db/tenant';
import { Refusal } from '../http/problem';

/** Which members have a PIN, by member. */
export async function pinsOf(tx: Tenant): Promise<ReadonlyMap<string, PinState>> {
  const rows = await tx.select({ id: memberPin.memberId, wrong: memberPin.wrong }).from(memberPin);
  return new Map(rows.map(({ id, wrong }) => [id, wrong < PIN_TRIES ? 'set' : 'blocked']));
}

/** A new PIN; what was sealed with the one before opens nothing any more. */
export async function keepPin(tx: Tenant, memberId: string, hash: string, now: Date): Promise<void> {
  await tx
    .insert(memberPin)
    .values({ memberId, hash, setAt: now })
    .onConflictDoUpdate({ target: [memberPin.businessId, memberPin.memberId], set: { hash, wrong: 0, setAt: now } });
  await tx.delete(tabletTicket).where(eq(tabletTicket.memberId, memberId));
}

export async function takePinAway(tx: Tenant, memberId: string): Promise<void> {
  await tx.delete(memberPin).where(eq(memberPin.memberId, memberId));
  await tx.delete(tabletTicket).where(eq(tabletTicket.memberId, memberId));
}

/** The hash to try a PIN against, and how many tries are left after this one. */
export interface PinTry {
  readonly hash: string;
  readonly left: number;
}

/**
 * Takes one try, before the PIN is looked at: however many are sent at once, five are looked at. To be committed whatever
 * comes of it. Throws, in words, where there is none to take.
 */
export async function takePinTry(tx: Tenant, memberId: string): Promise<PinTry> {
  const [taken] = await tx
    .update(memberPin)
    .set({ wrong: sql`${memberPin.wrong} + 1` })
    .where(and(eq(memberPin.memberId, memberId), lt(memberPin.wrong, PIN_TRIES)))
    .returning({ hash: memberPin.hash, wrong: memberPin.wrong });
  if (taken) return { hash: taken.hash, left: PIN_TRIES - taken.wrong };
  if ((await pinsOf(tx)).has(memberId)) throw new Refusal('too many', PIN_BLOCKED);
  throw new Refusal('not found', 'There is no PIN yet. Sign in with the password, and choose one at “Your account”.');
}

export const PIN_BLOCKED =
  'Five wrong tries: this PIN opens nothing any more. Sign in with the password, and choose another at “Your account”.';

/** The PIN was right: the tries begin anew. */
export const pinWasRight = async (tx: Tenant, memberId: string): Promise<void> =>
  void (await tx.update(memberPin).set({ wrong: 0 }).where(eq(memberPin.memberId, memberId)));
