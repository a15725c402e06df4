import { timingSafeEqual } from 'node:crypto';
import { parse } from 'cookie';
import { eq } from 'drizzle-orm';
import type { Request, Response } from 'express';
import { z } from 'zod';
import type { Config } from '../config/config';
import { session } from '../db/authSchema';
import type { Databases } from '../db/connect';
import { tablet } from '../db/schema';
import { inTenant, type BusinessId } from '../db/tenant';
import type { Auth } from './auth';
import { hashOfSecret, newSecret, signedToken } from './secrets';

/*
 * A shared tablet is a browser that holds a secret of 256 bits in a cookie. Business and tablet stand beside it, so that
 * it is looked for within that business; the database keeps the hash.
 */

export type TabletRow = typeof tablet.$inferSelect & { readonly businessId: BusinessId };

const COOKIE = 'dewpond-tablet';
const KEPT_MS = 400 * 86_400_000;
/** Whoever came by a PIN is out after a working day, whatever happens. */
const PIN_SESSION_MS = 12 * 3_600_000;

const isSame = (a: string, b: string): boolean =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

/** The tablet that asks, lost ones too; null: no shared tablet, or one no more. */
export async function tabletOf(databases: Databases, request: Request): Promise<TabletRow | null> {
  const [businessId, id, secret] = (parse(request.headers.cookie ?? '')[COOKIE] ?? '').split('.');
  if (!isId(businessId) || !isId(id) || secret === undefined) return null;
  const [row] = await inTenant(databases, businessId as BusinessId, (tx) =>
    tx.select().from(tablet).where(eq(tablet.id, id)),
  );
  const isIt = row !== undefined && row.removedAt === null && isSame(row.secretHash, hashOfSecret(secret));
  return isIt ? (row as TabletRow) : null;
}
const isId = (text: string | undefined): text is string => z.uuid().safeParse(text).success;

/** Makes the browser that is answered this tablet. */
export function giveTablet(
  config: Config,
  response: Response,
  given: { readonly businessId: string; readonly id: string; readonly secret: string },
): void {
  const secure = config.PUBLIC_URL.startsWith('https:');
  const value = `${given.businessId}.${given.id}.${given.secret}`;
  response.cookie(COOKIE, value, { httpOnly: true, sameSite: 'lax', secure, maxAge: KEPT_MS, path: '/' });
}

/** Marks a session as one on a shared tablet: it is over when the tablet is lost. */
export const putOnTablet = async (
  { auth }: Pick<Databases, 'auth'>,
  sessionId: string,
  tabletId: string,
): Promise<void> => void (await auth.update(session).set({ tabletId }).where(eq(session.id, sessionId)));

/** Signs everybody out of a tablet: one person is at it at a time. */
export const clearTablet = async ({ auth }: Pick<Databases, 'auth'>, tabletId: string): Promise<void> =>
  void (await auth.delete(session).where(eq(session.tabletId, tabletId)));

interface TabletComing {
  readonly request: Request;
  readonly response: Response;
  readonly row: Pick<TabletRow, 'businessId' | 'id'>;
  readonly personId: string;
}

/** Begins a session of this person on a tablet, and gives it to the browser; whoever was there before is out. */
export async function comeToTablet(
  config: Config,
  auth: Auth,
  databases: Databases,
  { request, response, row, personId }: TabletComing,
): Promise<void> {
  await clearTablet(databases, row.id);
  const token = newSecret();
  const now = Date.now();
  await databases.auth.insert(session).values({
    ...{ token, userId: personId, tabletId: row.id, byPin: true, activeOrganizationId: row.businessId },
    ...{ expiresAt: new Date(now + PIN_SESSION_MS), createdAt: new Date(now), updatedAt: new Date(now) },
    ...{ ipAddress: request.ip ?? '', userAgent: request.headers['user-agent'] ?? '' },
  });
  const { name, attributes } = (await auth.$context).authCookies.sessionToken;
  const { httpOnly, path, secure } = attributes;
  response.cookie(name, signedToken(token, config.AUTH_SECRET), {
    ...{ httpOnly: httpOnly ?? true, sameSite: 'lax', secure: secure ?? false, path: path ?? '/' },
    maxAge: PIN_SESSION_MS,
  });
}
