import { AT_BRANCH } from '@dewpond/contract';
import { fromNodeHeaders } from 'better-auth/node';
import { parse } from 'cookie';
import type { Request } from 'express';
import { sql } from 'drizzle-orm';
import { z } from 'zod';
import type { Config } from '../config/config';
import type { Databases } from '../db/connect';
import { HOUSE_RIGHTS } from '../db/shapes/business';
import { readStored } from '../db/shapes/shaped';
import type { BusinessId } from '../db/tenant';
import { needsSecondFactor, type SecondFactorFor } from '@dewpond/core/rights';
import type { Asker } from '../asker';
import { Refusal } from '../http/problem';
import type { Auth } from './auth';
import { tokenSignedBy } from './secrets';
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
  readonly by_pin: boolean;
  readonly tablet_id: string | null;
  readonly tablet_name: string | null;
  readonly lock_after_min: number | null;
}

/**
 * Who asks, in one statement: session, membership and the member as the business wrote them down. Asked each time: a
 * session that was ended and a person who was removed are out at once. The session is prolonged by the sign-in itself.
 * Throws `Refusal` where nobody is signed in, or belongs to no business.
 */
export async function whoAsks(config: Config, auth: Auth, databases: Databases, request: Request): Promise<Asker> {
  const { name: cookie } = (await auth.$context).authCookies.sessionToken;
  const token = tokenSignedBy(config.AUTH_SECRET, parse(request.headers.cookie ?? '')[cookie]);
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
    branchAsked: z.uuid().safeParse(request.get(AT_BRANCH)).data ?? null,
    lastBackup: row.last_backup,
    hereSince: row.here_since,
    ...tabletIn(row),
    secondFactor: {
      // Whoever came by a PIN came to a device that the house knows: that is what they have, the PIN what they know.
      has: row.has_second_factor || row.by_pin,
      asked: needsSecondFactor(role, row.second_factor ?? 'nobody'),
    },
  };
}

function tabletIn(row: WhoAsksRow): Pick<Asker, 'tablet' | 'byPin'> {
  const { tablet_id: id, tablet_name: name, lock_after_min: lockAfterMin, by_pin: byPin } = row;
  const tablet = id === null || name === null || lockAfterMin === null ? null : { id, name, lockAfterMin };
  return { tablet, byPin };
}
