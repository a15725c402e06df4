import { toNodeHandler } from 'better-auth/node';
import express, { Router } from 'express';
import { z } from 'zod';
import type { Config } from '../config/config';
import { badInput, busy, notFound } from '../http/problem';
import { assertStorable } from '../http/storable';
import { CLIENT_IP_HEADER, type Auth } from './auth';

const password = z.string().min(1).max(200);

/**
 * What of the sign-in library answers, and what it is sent. It mounts many more addresses; of those none is used, so none
 * is open.
 */
const OPEN: Readonly<Record<string, z.ZodType>> = {
  '/sign-in/email': z.strictObject({
    email: z.string().max(254),
    password,
    rememberMe: z.boolean().optional(),
  }),
  '/sign-out': z.strictObject({}).optional(),
  '/change-password': z.strictObject({
    currentPassword: password,
    newPassword: password,
    revokeOtherSessions: z.boolean().optional(),
  }),
};

/** Signing in and out, and changing one's password. */
export function signIn(config: Config, auth: Auth): Router {
  const router = Router();
  const handler = toNodeHandler(auth);
  const { host } = new URL(config.PUBLIC_URL);
  const body = express.json({ limit: '10kb' });
  for (const [path, schema] of Object.entries(OPEN))
    router.post(`/api/auth${path}`, body, assertStorable, async (request, response) => {
      const parsed = schema.safeParse(request.body);
      if (!parsed.success) throw badInput(parsed.error);
      request.headers[CLIENT_IP_HEADER] = request.ip ?? '127.0.0.1';
      // Whatever the client calls us, we know where we are reached.
      request.headers.host = host;
      request.body = parsed.data ?? {};
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
