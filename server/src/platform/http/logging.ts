import { createHash } from 'node:crypto';
import type { Request, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { askerIfAny } from './context';

/**
 * One line of JSON a call, and nothing in it but what is named here: no body, no query of the database, no name, no
 * secret of an address. Who it was is an id; where from is the address.
 * @param inLogs an address as it may be written down.
 */
export const logCalls = (log: Logger, inLogs: (url: string) => string): RequestHandler =>
  pinoHttp({
    logger: log,
    autoLogging: { ignore: (request) => !request.url?.toLowerCase().startsWith('/api') },
    serializers: {
      req: ({ method, url, id }: { method: string; url: string; id: unknown }) => ({ method, url: inLogs(url), id }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
      err: traceOf,
    },
    customProps: (request) => whoAndWhere(request as Request),
  });

/** The person's id, or of a try to sign in a number that stands for the account that was named; and the address. */
function whoAndWhere(request: Request): object {
  const asker = askerIfAny(request);
  const named: unknown = request.path.endsWith('/sign-in/email')
    ? (request.body as { email?: unknown } | undefined)?.email
    : null;
  return {
    address: request.ip ?? null,
    ...(asker ? { account: asker.personId, business: asker.businessId } : {}),
    ...(typeof named === 'string' ? { account: accountNumber(named) } : {}),
  };
}

/** The same for the same account, and nobody's address can be read off it. */
export const accountNumber = (email: string): string =>
  `tried ${createHash('sha256').update(email.trim().toLowerCase()).digest('hex').slice(0, 12)}`;

/** What of an error is written down: its kind and where it arose. Its words may hold what a client typed. */
export interface Trace {
  readonly name: string;
  readonly code: string | null;
  readonly at: readonly string[];
  readonly cause: Trace | null;
}

export function traceOf(error: unknown, depth = 0): Trace {
  if (!(error instanceof Error)) return { name: typeof error, code: null, at: [], cause: null };
  const { code } = error as { code?: unknown };
  const frames = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  return {
    name: error.name,
    code: typeof code === 'string' ? code : null,
    at: frames.slice(0, 8).map((line) => line.trim()),
    cause: error.cause !== undefined && depth < 3 ? traceOf(error.cause, depth + 1) : null,
  };
}
