import { createHmac, timingSafeEqual } from 'node:crypto';
import { fromNodeHeaders } from 'better-auth/node';
import { parse } from 'cookie';
import type { Request } from 'express';
import { sql } from 'drizzle-orm';
import type { Config } from '../config/config';
import type { Databases } from '../db/connect';
import { HOUSE_RIGHTS } from '../db/shapes/business';
import { readStored } from '../db/shapes/shaped';
import type { BusinessId } from '../db/tenant';
import { needsSecondFactor, type SecondFactorFor } from '@dewpond/core/rights';
import type { Asker } from '../asker';
import { Refusal } from '../http/problem';
import type { Auth } from './auth';
import { SESSION_SECONDS } from './sessions';

/** A name stands in every record its owner makes: no longer than a name is. */
const LONGEST_NAME = 120;

interface WhoAsksRow extends Record<string, unknown> {
  readonly session_id: string;
  readonly created_at: string;
  readonly expires_at: string;
  readonly updated_at: string;
  readonly person_id: string;
  readonly email: string;
  readonly has_second_factor: boolean;
  readonly second_factor: SecondFactorFor | null;
  readonly last_backup: string | null;
  readonly here_since: string | null;
  readonly business_id: BusinessId | null;
  readonly name: string | null;
  readonly role: Asker['role'] | null;
  readonly zone: string | null;
  readonly rights: unknown;
}

/**
 * Who asks, in one statement: session, membership and the member as the business wrote them down. Asked each time: a
 * session that was ended and a person who was removed are out at once. The session is prolonged by the sign-in itself.
 * Throws `Refusal` where nobody is signed in, or belongs to no business.
 */
export async function whoAsks(config: Config, auth: Auth, databases: Databases, request: Request): Promise<Asker> {
  const token = tokenOf(request, (await auth.$context).authCookies.sessionToken.name, config.AUTH_SECRET);
  const { rows } = token
    ? await databases.auth.execute<WhoAsksRow>(sql`select * from auth.who_asks(${token})`)
    : { rows: [] as WhoAsksRow[] };
  const [row] = rows;
  const now = Date.now();
  const isOver = (each: WhoAsksRow): boolean =>
    Date.parse(each.expires_at) <= now || Date.parse(each.created_at) + SESSION_SECONDS.absolute * 1000 <= now;
  if (!row || isOver(row)) throw new Refusal('not signed in', 'Please sign in.');
  if (now - Date.parse(row.updated_at) > SESSION_SECONDS.update * 1000)
    await auth.api.getSession({ headers: fromNodeHeaders(request.headers) });
  const { business_id: businessId, name, role, zone, rights } = row;
  if (businessId === null || name === null || role === null || zone === null)
    throw new Refusal('not allowed', 'You belong to no business here. Ask your manager to add you.');
  return {
    ...{ businessId, personId: row.person_id, email: row.email, personName: name.slice(0, LONGEST_NAME) },
    ...{ role, rights: readStored(HOUSE_RIGHTS, rights), zone, sessionId: row.session_id },
    lastBackup: row.last_backup,
    hereSince: row.here_since,
    secondFactor: {
      has: row.has_second_factor,
      asked: needsSecondFactor(role, row.second_factor ?? 'nobody'),
    },
  };
}

/** The session's token from its cookie; null where there is none, or its signature is not ours. */
function tokenOf(request: Request, cookie: string, secret: string): string | null {
  const signed = parse(request.headers.cookie ?? '')[cookie];
  const at = signed?.lastIndexOf('.') ?? -1;
  if (signed === undefined || at < 1) return null;
  const token = signed.slice(0, at);
  const wanted = createHmac('sha256', secret).update(token).digest();
  const given = Buffer.from(signed.slice(at + 1), 'base64');
  return given.length === wanted.length && timingSafeEqual(given, wanted) ? token : null;
}
