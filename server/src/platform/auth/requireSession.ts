import type { RequestHandler } from 'express';
import type { Config } from '../config/config';
import type { Databases } from '../db/connect';
import { setAsker } from '../http/context';
import type { Auth } from './auth';
import { whoAsks } from './whoAsks';

/** Lets only signed-in members of a business through, and says for which business they ask. */
export function requireSession(config: Config, auth: Auth, databases: Databases): RequestHandler {
  return async (request, _response, next) => {
    const asker = await whoAsks(config, auth, databases, request);
    setAsker(request, asker, () =>
      whoAsks(config, auth, databases, request).then(
        (now) => now.businessId === asker.businessId,
        () => false,
      ),
    );
    next();
  };
}
