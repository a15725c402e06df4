import { eq, sql } from 'drizzle-orm';
import { account, user } from '../db/authSchema';
import type { Databases } from '../db/connect';
import type { Tenant } from '../db/tenant';

/*
 * Accounts, from within a business's transaction: functions of the database do it (migration 0054), each for the business
 * that the transaction has set, so that a member and the account behind it are written together or not at all.
 */

/** What a function of the database answers. */
async function answerOf<T>(tx: Tenant, call: ReturnType<typeof sql>): Promise<T | undefined> {
  const { rows } = await tx.execute<{ readonly answer: T }>(sql`select ${call} as answer`);
  return rows[0]?.answer;
}

/** Makes the business of this transaction one that people can sign in to, once a link. */
export const beginBusiness = async (tx: Tenant, linkHash: string, name: string): Promise<boolean> =>
  (await answerOf<boolean>(tx, sql`accounts.begin_business(${linkHash}, ${name})`)) ?? false;

export interface NewAccount {
  readonly personId: string;
  readonly name: string;
  readonly email: string;
  readonly passwordHash: string;
}
export const addAccount = async (tx: Tenant, { personId, name, email, passwordHash }: NewAccount): Promise<void> =>
  void (await answerOf(tx, sql`accounts.add_account(${personId}, ${name}, ${email}, ${passwordHash})`));

interface NewPassword {
  readonly personId: string;
  readonly passwordHash: string;
  /** The person asked for it, and only their mailbox got the link. */
  readonly ownAsking: boolean;
}
/** A new password, which ends all sessions. False: the person belongs to another business as well, and did not ask. */
export const setPassword = async (tx: Tenant, { personId, passwordHash, ownAsking }: NewPassword): Promise<boolean> =>
  (await answerOf<boolean>(tx, sql`accounts.set_password(${personId}, ${passwordHash}, ${ownAsking})`)) ?? false;

/** Takes a second proof away. False: the person belongs to another business as well. */
export const dropSecondFactor = async (tx: Tenant, personId: string): Promise<boolean> =>
  (await answerOf<boolean>(tx, sql`accounts.drop_second_factor(${personId})`)) ?? false;

/** Signs a person out of this business everywhere; how many sessions that were. */
export const endSessions = async (tx: Tenant, personId: string): Promise<number> =>
  (await answerOf<number>(tx, sql`accounts.end_sessions(${personId})`)) ?? 0;

/** The account behind a person, as a manager may see it. */
export interface AccountSeen extends Record<string, unknown> {
  readonly person_id: string;
  readonly email: string;
  readonly second_factor: boolean;
  readonly sessions: number;
  readonly last_seen: string | null;
}
export const accountsOf = async (tx: Tenant, people: readonly string[]): Promise<ReadonlyMap<string, AccountSeen>> => {
  const { rows } = await tx.execute<AccountSeen>(
    sql`select * from accounts.seen_of(${sql.param([...people])}::uuid[])`,
  );
  return new Map(rows.map((row) => [row.person_id, row]));
};

/** The account with this e-mail address, and the hash of its password; null: there is none. */
export async function accountByEmail(
  { auth }: Pick<Databases, 'auth'>,
  email: string,
): Promise<{ readonly personId: string; readonly passwordHash: string | null } | null> {
  const [row] = await auth
    .select({ personId: user.id, passwordHash: account.password })
    .from(user)
    .leftJoin(account, eq(account.userId, user.id))
    .where(eq(user.email, email));
  return row ?? null;
}
