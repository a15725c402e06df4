import { FOR_PERSON } from '@dewpond/contract';
import type { Request, RequestHandler } from 'express';
import type { Config } from '../config/config';
import type { Databases } from '../db/connect';
import type { Asker } from '../asker';
import { setAsker } from '../http/context';
import { Refusal } from '../http/problem';
import type { Auth } from './auth';
import { whoAsks } from './whoAsks';

/**
 * A page says for whom it asks. On a shared tablet somebody else may have come meanwhile, in another window or while this
 * was on its way: then it is not done, for it would be done in the wrong name.
 */
function assertIsThem(request: Request, { personId }: Asker): void {
  const meant = request.get(FOR_PERSON);
  if (meant !== undefined && meant !== personId)
    throw new Refusal(
      'not signed in',
      'Somebody else has come to this device meanwhile. Nothing was done in their name.',
    );
}

/** Lets only signed-in members of a business through, and says for which business they ask. */
export function requireSession(config: Config, auth: Auth, databases: Databases): RequestHandler {
  return async (request, _response, next) => {
    const asker = await whoAsks(config, auth, databases, request);
    assertIsThem(request, asker);
    setAsker(request, asker, () =>
      whoAsks(config, auth, databases, request).then(
        (now) => now.businessId === asker.businessId,
        () => false,
      ),
    );
    next();
  };
}
