import { toNodeHandler } from 'better-auth/node';
import { parse } from 'cookie';
import { eq } from 'drizzle-orm';
import express, { Router, type Request, type Response } from 'express';
import { z } from 'zod';
import type { Config } from '../config/config';
import { user, verification } from '../db/authSchema';
import type { Databases } from '../db/connect';
import { Refusal, badField, badInput, busy, notFound } from '../http/problem';
import { assertStorable } from '../http/storable';
import type { AccountChange, AccountNote } from './accountNote';
import { CLIENT_IP_HEADER, type Auth } from './auth';
import { countWrongPasswords } from './knocks';
import { noteDevice } from './knownDevices';
import { whyNoPassword } from './passwords';
import { tokenSignedBy } from './secrets';
import { takeCode } from './usedCodes';

const password = z.string().min(1).max(200);
const code = z.string().trim().min(6).max(20);

/**
 * What of the sign-in library answers, and what it is sent. It mounts many more addresses; of those none is used, so none
 * is open.
 */
const OPEN = {
  '/sign-in/email': z.strictObject({
    email: z.string().max(254),
    password,
    rememberMe: z.boolean().optional(),
  }),
  '/sign-out': z.strictObject({}).optional(),
  // A new password ends all other sessions, whatever is sent.
  '/change-password': z
    .strictObject({ currentPassword: password, newPassword: password, revokeOtherSessions: z.boolean().optional() })
    .transform((given) => ({ ...given, revokeOtherSessions: true })),
  '/two-factor/enable': z.strictObject({ password }),
  '/two-factor/disable': z.strictObject({ password }),
  '/two-factor/verify-totp': z.strictObject({ code }),
  '/two-factor/verify-backup-code': z.strictObject({ code }),
} as const satisfies Readonly<Record<string, z.ZodType>>;
type OpenPath = keyof typeof OPEN;

/** Signing in and out, the second proof, and changing one's password. */
export function signIn(config: Config, auth: Auth, databases: Databases, onChange: AccountNote): Router {
  const router = Router();
  const handler = toNodeHandler(auth);
  const { host } = new URL(config.PUBLIC_URL);
  const body = express.json({ limit: '10kb' });
  const wrong = countWrongPasswords(databases);

  const noting = (request: Request, response: Response) =>
    noteDevice(config, auth, databases, { request, response, onNew: onChange });
  /** Whoever is signed in is told of what was done, once it is. */
  const telling = (response: Response, personId: string | null, what: AccountChange) =>
    response.once('finish', () => {
      if (response.statusCode === 200 && personId !== null) void onChange({ personId, what }).catch(() => undefined);
    });
  const guarded: Partial<Record<OpenPath, (request: Request, response: Response) => Promise<void>>> = {
    '/sign-in/email': async (request, response) => {
      const account = String((request.body as { email: string }).email)
        .trim()
        .toLowerCase();
      await wrong.assertFew(account);
      response.once('finish', () => {
        if (response.statusCode === 401) void wrong.wrong(account).catch(() => undefined);
        if (response.statusCode === 200) void wrong.right(account).catch(() => undefined);
      });
      await noting(request, response);
    },
    '/two-factor/verify-totp': async (request, response) => {
      const signedIn = await signedInAs(auth, request);
      const personId = signedIn ?? (await halfSignedInAs(config, auth, databases, request));
      const { code: shown } = request.body as { code: string };
      if (personId !== null && !(await takeCode(databases, personId, shown)))
        throw new Refusal('not signed in', 'This code was shown before. Wait for the next one.');
      // Shown by whoever is in already it sets the second proof up.
      telling(response, signedIn, 'second proof on');
      await noting(request, response);
    },
    '/two-factor/disable': async (request, response) => {
      telling(response, await signedInAs(auth, request), 'second proof off');
    },
    '/two-factor/verify-backup-code': (request, response) => noting(request, response),
    '/change-password': async (request, response) => {
      telling(response, await signedInAs(auth, request), 'password');
      const { newPassword } = request.body as { newPassword: string };
      const why = whyNoPassword(newPassword, await knownOf(auth, databases, request));
      if (why !== null) throw badField('newPassword', why);
    },
  };

  for (const [path, schema] of Object.entries(OPEN) as [OpenPath, z.ZodType][])
    router.post(`/api/auth${path}`, body, assertStorable, async (request, response) => {
      const parsed = schema.safeParse(request.body);
      if (!parsed.success) throw badInput(parsed.error);
      request.headers[CLIENT_IP_HEADER] = request.ip ?? '127.0.0.1';
      // Whatever the client calls us, we know where we are reached.
      request.headers.host = host;
      request.body = parsed.data ?? {};
      await guarded[path]?.(request, response);
      // What was in sight of whoever leaves stays on no shared tablet; what waits to be sent does.
      if (path === '/sign-out') response.set('Clear-Site-Data', '"cache"');
      await handler(request, response).catch(() => {
        throw busy('Signing in does not work just now. Please try again in a moment.');
      });
    });
  router.all('/api/auth/{*any}', () => {
    throw notFound('address');
  });
  return router;
}

/** Whose session asks; null: nobody's. */
async function signedInAs(auth: Auth, request: Request): Promise<string | null> {
  const headers = new Headers({ cookie: request.headers.cookie ?? '' });
  const session = await auth.api.getSession({ headers }).catch(() => null);
  return session?.user.id ?? null;
}

/** Whose password was right, and whose second proof is still to come; null: nobody's. */
async function halfSignedInAs(
  { AUTH_SECRET }: Config,
  auth: Auth,
  { auth: door }: Databases,
  request: Request,
): Promise<string | null> {
  const { name } = (await auth.$context).createAuthCookie('two_factor');
  const identifier = tokenSignedBy(AUTH_SECRET, parse(request.headers.cookie ?? '')[name]);
  if (identifier === null) return null;
  const [row] = await door.select().from(verification).where(eq(verification.identifier, identifier));
  return row?.value ?? null;
}

/** Names that must not be a password of whoever asks. */
async function knownOf(auth: Auth, { auth: door }: Databases, request: Request): Promise<string[]> {
  const personId = await signedInAs(auth, request);
  if (personId === null) return [];
  const [row] = await door.select().from(user).where(eq(user.id, personId));
  return row ? [row.name, row.email] : [];
}
