import type { SessionLine } from '@dewpond/contract';
import { and, desc, eq, gt } from 'drizzle-orm';
import type { Asker } from '../asker';
import { session } from '../db/authSchema';
import type { Databases } from '../db/connect';

const DAY_SECONDS = 86_400;

/** A session ends so long after it was last used, and so long after it began, seconds; in use it is prolonged once a day. */
export const SESSION_SECONDS = { idle: 14 * DAY_SECONDS, absolute: 30 * DAY_SECONDS, update: DAY_SECONDS } as const;

/** Where this person is signed in, the last used first. */
export async function sessionsOf(
  { auth }: Pick<Databases, 'auth'>,
  { personId, sessionId }: Pick<Asker, 'personId' | 'sessionId'>,
): Promise<SessionLine[]> {
  const began = new Date(Date.now() - SESSION_SECONDS.absolute * 1000);
  const rows = await auth
    .select()
    .from(session)
    .where(and(eq(session.userId, personId), gt(session.expiresAt, new Date()), gt(session.createdAt, began)))
    .orderBy(desc(session.updatedAt));
  return rows.map(({ id, userAgent, ipAddress, createdAt, updatedAt }) => ({
    id,
    isThis: id === sessionId,
    device: (userAgent ?? '').slice(0, 300),
    address: ipAddress ?? '',
    since: createdAt.toISOString(),
    lastSeen: updatedAt.toISOString(),
  }));
}

/** Ends one of this person's own; another's, or one that is over, is none of theirs. */
export async function endSession(
  { auth }: Pick<Databases, 'auth'>,
  { personId }: Pick<Asker, 'personId'>,
  id: string,
): Promise<void> {
  await auth.delete(session).where(and(eq(session.id, id), eq(session.userId, personId)));
}
