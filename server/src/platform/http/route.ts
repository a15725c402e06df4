import {
  ENDPOINTS,
  type Endpoint,
  type EndpointKey,
  type ParsedBodyOf,
  type QueryOf,
  type ResponseOf,
  type SignedInKey,
} from '@dewpond/contract';
import type { RequestHandler, Router } from 'express';
import { z } from 'zod';
import { assertMayAsk } from '../auth/mayAsk';
import { noteCall, notesNothing } from '../audit/audit';
import { askerOf, readTenantOf, tenantOf, type Call, type Services } from './context';
import { dayIn } from '../time/zone';
import { badInput, notFound } from './problem';

/** Shown by doing it and taking it back. */
const REHEARSED: ReadonlySet<EndpointKey> = new Set(['GET /api/clients/:id/merge', 'GET /api/dogs/:id/merge']);
const isOnlyRead = (key: EndpointKey): boolean => key.startsWith('GET') && notesNothing(key) && !REHEARSED.has(key);

type ParamsOf<K extends string> = K extends `${string}:id${string}` ? { readonly id: string } : Record<never, string>;

/**
 * Serves one endpoint of the contract: parses query, body and id, opens the tenant's transaction, calls `answer`.
 * A call that is refused rolls the whole transaction back: nothing is half-written.
 */
export function route<K extends EndpointKey & SignedInKey>(
  router: Router,
  services: Services,
  key: K,
  answer: (call: Call<ParamsOf<K>, ParsedBodyOf<K>, QueryOf<K>>) => Promise<ResponseOf<K>>,
): void {
  const [method, path] = key.split(' ') as ['GET' | 'POST' | 'PUT', string];
  const endpoint: Endpoint = ENDPOINTS[key];
  const inTransaction = isOnlyRead(key) ? readTenantOf : tenantOf;
  router[method.toLowerCase() as 'get' | 'post' | 'put'](path, async (request, response) => {
    const asker = askerOf(request);
    assertMayAsk(asker, key);
    if ('id' in request.params && !z.uuid().safeParse(request.params['id']).success)
      throw notFound(path.split('/')[2]?.replace(/s$/, '') ?? 'thing');
    const body = parse(endpoint.body, request.body);
    const query = parse(endpoint.query, request.query);
    const now = services.now();
    const result = await inTransaction(services, asker, async (tx) => {
      const answered = await answer({
        tx,
        asker,
        params: request.params as ParamsOf<K>,
        body: body as ParsedBodyOf<K>,
        query: query as QueryOf<K>,
        now,
        today: dayIn(asker.zone, now),
      });
      await noteCall(tx, asker, key, { id: request.params['id'], body, now });
      return answered;
    });
    response.status(method === 'POST' ? 201 : 200).json(result);
  });
}

type NameIn<Rest> = Rest extends `${infer Name}/${string}` ? Name : Rest;
/** What is named in an address: of "/api/dogs/:id/record.:form", id and form. */
type NamedIn<Path> = Path extends `${string}:${infer Rest}`
  ? Readonly<Record<NameIn<Rest>, string>> & NamedIn<Rest>
  : Readonly<Record<never, string>>;

/** In front of handlers that are not by `route`, as those of files: lets through whoever the table of rights allows it. */
export const guarded =
  <K extends SignedInKey>(key: K): RequestHandler<NamedIn<K>> =>
  (request, _response, next) => {
    assertMayAsk(askerOf(request), key);
    next();
  };

function parse(schema: z.ZodType | undefined, input: unknown): unknown {
  if (!schema) return undefined;
  const parsed = schema.safeParse(input);
  if (!parsed.success) throw badInput(parsed.error);
  return parsed.data;
}
