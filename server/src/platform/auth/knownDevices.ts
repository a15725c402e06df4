import { randomBytes } from 'node:crypto';
import { parse } from 'cookie';
import { eq } from 'drizzle-orm';
import type { Request, Response } from 'express';
import onHeaders from 'on-headers';
import type { Config } from '../config/config';
import { knownDevice, session } from '../db/authSchema';
import type { Databases } from '../db/connect';
import type { AccountNote } from './accountNote';
import type { Auth } from './auth';
import { hashOfSecret } from './secrets';
import { putOnTablet, tabletOf } from './tablets';

/** A browser keeps it for longer than any session: it says nothing but that it was here before. */
const COOKIE = 'dewpond-device';
const KEPT_MS = 400 * 86_400_000;

interface Noting {
  readonly request: Request;
  readonly response: Response;
  readonly onNew: AccountNote;
}

/** Gives this browser a mark, and notes it down for whoever is signed in by this answer. */
export async function noteDevice(
  config: Config,
  auth: Auth,
  databases: Databases,
  { request, response, onNew }: Noting,
): Promise<void> {
  const { name: sessionCookie } = (await auth.$context).authCookies.sessionToken;
  const known = parse(request.headers.cookie ?? '')[COOKIE];
  const mark = known && /^[\w-]{20,60}$/.test(known) ? known : randomBytes(24).toString('base64url');
  // The sign-in library writes its own cookies last, over all others.
  onHeaders(response, () => {
    if (tokenSet(response, sessionCookie) === null) return;
    const secure = config.PUBLIC_URL.startsWith('https:');
    response.cookie(COOKIE, mark, { httpOnly: true, sameSite: 'lax', secure, maxAge: KEPT_MS });
  });
  response.once('finish', () => {
    const token = tokenSet(response, sessionCookie);
    if (token !== null) void keep(databases, { request, token, mark, onNew }).catch(() => undefined);
  });
}

/** The token of the session that this answer begins; null where it begins none (a second proof is still to come). */
function tokenSet(response: Response, sessionCookie: string): string | null {
  const set = [response.getHeader('set-cookie') ?? []].flat().map(String);
  const its = set.find((each) => each.startsWith(`${sessionCookie}=`));
  const value = its === undefined ? undefined : parse(its.split(';')[0] ?? '')[sessionCookie];
  const token = value?.slice(0, Math.max(0, value.lastIndexOf('.'))) ?? '';
  return token === '' ? null : token;
}

interface Begun extends Pick<Noting, 'request' | 'onNew'> {
  readonly token: string;
  readonly mark: string;
}

async function keep(databases: Databases, { request, token, mark, onNew }: Begun) {
  const [began] = await databases.auth.select().from(session).where(eq(session.token, token));
  if (!began) return;
  const shared = await tabletOf(databases, request);
  if (shared) await putOnTablet(databases, began.id, shared.id);
  const personId = began.userId;
  const deviceHash = hashOfSecret(mark);
  const its = await databases.auth.select().from(knownDevice).where(eq(knownDevice.userId, personId));
  if (its.some((each) => each.deviceHash === deviceHash)) return;
  await databases.auth.insert(knownDevice).values({ userId: personId, deviceHash }).onConflictDoNothing();
  if (its.length > 0) await onNew({ personId, what: 'device' });
}
