import { fromNodeHeaders } from 'better-auth/node';
import type { Request, RequestHandler } from 'express';
import type { Databases } from '../db/connect';
import type { BusinessId } from '../db/tenant';
import type { Asker } from '../asker';
import { setAsker } from '../http/context';
import { Refusal } from '../http/problem';
import type { Auth } from './auth';
import { memberOf } from './membership';

/** Lets only signed-in members of a business through, and says for which business they ask. */
export function requireSession(auth: Auth, databases: Databases): RequestHandler {
  return async (request, _response, next) => {
    const asker = await whoAsks(auth, databases, request);
    setAsker(request, asker, () =>
      whoAsks(auth, databases, request).then(
        (now) => now.businessId === asker.businessId,
        () => false,
      ),
    );
    next();
  };
}

/** Name and role are the member's, as the business wrote them; what the account calls itself is nobody's business. */
async function whoAsks(auth: Auth, databases: Databases, request: Request): Promise<Asker> {
  const session = await auth.api.getSession({ headers: fromNodeHeaders(request.headers) });
  if (!session) throw new Refusal('not signed in', 'Please sign in.');
  const businessId = session.session.activeOrganizationId as BusinessId | null | undefined;
  // A membership that was withdrawn closes the door at once, whatever the session remembers.
  const member = businessId ? await memberOf(databases, businessId, session.user.id) : null;
  if (!businessId || !member)
    throw new Refusal('not allowed', 'You belong to no business here. Ask your manager to add you.');
  return { businessId, personId: session.user.id, email: session.user.email, ...member };
}
