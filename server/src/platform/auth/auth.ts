import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { organization } from 'better-auth/plugins';
import { createAccessControl } from 'better-auth/plugins/access';
import { eq } from 'drizzle-orm';
import type { Config } from '../config/config';
import * as authSchema from '../db/authSchema';
import type { Databases } from '../db/connect';

/** A session in use is prolonged once in so long. */
export const SESSION_UPDATE_SECONDS = 60 * 60 * 24;

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
    // People join by invitation of their business, which is still to come; nobody signs up from outside.
    emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: 10 },
    plugins: [organization({ ac: access, roles: { manager, groomer, bather, trainee, desk }, creatorRole: 'manager' })],
    session: { expiresIn: 60 * 60 * 24 * 14, updateAge: SESSION_UPDATE_SECONDS },
    rateLimit: {
      enabled: true,
      storage: 'database',
      window: 60,
      max: 100,
      customRules: { '/sign-in/email': { window: 60, max: 8 } },
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

async function firstBusiness(databases: Databases, userId: string): Promise<string | null> {
  const [membership] = await databases.auth
    .select({ id: authSchema.member.organizationId })
    .from(authSchema.member)
    .where(eq(authSchema.member.userId, userId))
    .orderBy(authSchema.member.createdAt)
    .limit(1);
  return membership?.id ?? null;
}
