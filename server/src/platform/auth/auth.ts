import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { organization, twoFactor } from 'better-auth/plugins';
import { createAccessControl } from 'better-auth/plugins/access';
import type { Config } from '../config/config';
import * as authSchema from '../db/authSchema';
import type { Databases } from '../db/connect';
import { firstBusiness } from './membership';
import { PASSWORD_LENGTH } from './passwords';
import { SESSION_SECONDS } from './sessions';

/** What a role may do to the business itself; daily work is open to all three. */
const access = createAccessControl({
  organization: ['update'],
  member: ['create', 'update', 'delete'],
  invitation: ['create', 'cancel'],
});
const manager = access.newRole({
  organization: ['update'],
  member: ['create', 'update', 'delete'],
  invitation: ['create', 'cancel'],
});
const groomer = access.newRole({ organization: [] });
const bather = access.newRole({ organization: [] });
const trainee = access.newRole({ organization: [] });
const desk = access.newRole({ organization: [] });

/** Sign-in by e-mail and password; an organization is a business. Everything is kept in the schema `auth`. */
export function makeAuth(config: Config, databases: Databases) {
  return betterAuth({
    baseURL: config.PUBLIC_URL,
    secret: config.AUTH_SECRET,
    database: drizzleAdapter(databases.auth, { provider: 'pg', schema: authSchema }),
    trustedOrigins: [config.PUBLIC_URL],
    // People join by an invitation of their business (`features/people`); nobody signs up from outside.
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: PASSWORD_LENGTH.least,
      maxPasswordLength: PASSWORD_LENGTH.most,
    },
    plugins: [
      organization({ ac: access, roles: { manager, groomer, bather, trainee, desk }, creatorRole: 'manager' }),
      twoFactor({ issuer: 'Dewpond' }),
    ],
    session: { expiresIn: SESSION_SECONDS.idle, updateAge: SESSION_SECONDS.update },
    rateLimit: {
      enabled: true,
      storage: 'database',
      window: 60,
      max: 100,
      customRules: {
        '/sign-in/email': { window: 60, max: 8 },
        '/two-factor/*': { window: 60, max: 8 },
      },
    },
    advanced: {
      database: { generateId: 'uuid' },
      useSecureCookies: config.PUBLIC_URL.startsWith('https:'),
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax' },
      // Behind `toNodeHandler` no address is found and all clients would share one bucket; the app sets this header itself.
      ipAddress: { ipAddressHeaders: [CLIENT_IP_HEADER] },
    },
    databaseHooks: {
      session: {
        create: {
          before: async (session) => ({
            data: { ...session, activeOrganizationId: await firstBusiness(databases, session.userId) },
          }),
        },
      },
    },
    telemetry: { enabled: false },
    // Its messages bear what was asked, addresses included: what goes wrong is logged by us, without.
    logger: { disabled: true },
  });
}

export type Auth = ReturnType<typeof makeAuth>;
export const CLIENT_IP_HEADER = 'x-dewpond-client-ip';
