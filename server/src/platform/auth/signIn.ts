import { toNodeHandler } from 'better-auth/node';
import { eq } from 'drizzle-orm';
import express, { Router, type Request, type Response } from 'express';
import { z } from 'zod';
import type { Config } from '../config/config';
import { user } from '../db/authSchema';
import type { Databases } from '../db/connect';
import { badField, badInput, busy, notFound } from '../http/problem';
import { assertStorable } from '../http/storable';
import { CLIENT_IP_HEADER, type Auth } from './auth';
import { countWrongPasswords } from './knocks';
import { noteDevice, type DeviceNote } from './knownDevices';
import { whyNoPassword } from './passwords';

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
export function signIn(config: Config, auth: Auth, databases: Databases, onNewDevice: DeviceNote): Router {
  const router = Router();
  const handler = toNodeHandler(auth);
  const { host } = new URL(config.PUBLIC_URL);
  const body = express.json({ limit: '10kb' });
  const wrong = countWrongPasswords(databases);

  const noting = (request: Request, response: Response) =>
    noteDevice(config, auth, databases, { request, response, onNew: onNewDevice });
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
    '/two-factor/verify-totp': (request, response) => noting(request, response),
    '/two-factor/verify-backup-code': (request, response) => noting(request, response),
    '/change-password': async (request) => {
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

/** Names that must not be a password of whoever asks. */
async function knownOf(auth: Auth, { auth: door }: Databases, request: Request): Promise<string[]> {
  const headers = new Headers({ cookie: request.headers.cookie ?? '' });
  const session = await auth.api.getSession({ headers }).catch(() => null);
  if (!session) return [];
  const [row] = await door.select().from(user).where(eq(user.id, session.user.id));
  return row ? [row.name, row.email] : [];
}
