import { fromNodeHeaders } from 'better-auth/node';
import { and, eq } from 'drizzle-orm';
import type { RequestHandler } from 'express';
import { member } from '../db/authSchema';
import type { Databases } from '../db/connect';
import type { BusinessId } from '../db/tenant';
import { setAsker, type Asker } from '../http/context';
import { Refusal } from '../http/problem';
import type { Auth } from './auth';

/** Lets only signed-in members of a business through, and says for which business they ask. */
export function requireSession(auth: Auth, databases: Databases): RequestHandler {
  return async (request, _response, next) => {
    const session = await auth.api.getSession({ headers: fromNodeHeaders(request.headers) });
    if (!session) throw new Refusal('not signed in', 'Please sign in.');
    const businessId = session.session.activeOrganizationId;
    // A membership that was withdrawn closes the door at once, whatever the session remembers.
    const [membership] = businessId
      ? await databases.auth
          .select({ role: member.role })
          .from(member)
          .where(and(eq(member.organizationId, businessId), eq(member.userId, session.user.id)))
      : [];
    if (!businessId || !membership)
      throw new Refusal('not allowed', 'You belong to no business here. Ask your manager to add you.');
    setAsker(request, {
      businessId: businessId as BusinessId,
      personId: session.user.id,
      personName: session.user.name,
      email: session.user.email,
      role: membership.role as Asker['role'],
    });
    next();
  };
}
