import { ENDPOINTS, type EndpointKey } from '@dewpond/contract';
import express, { type Express } from 'express';
import { isDeepStrictEqual } from 'node:util';

/** As it goes over the wire. */
const sent = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

/** The endpoint that an address belongs to; one without a number goes before one with. */
function endpointAt(method: string, path: string): EndpointKey | undefined {
  const keys = Object.keys(ENDPOINTS) as EndpointKey[];
  const fits = (key: string) => {
    const [its, template = ''] = key.split(' ');
    return its === method && new RegExp(`^${template.replaceAll(/:\w+/g, '[^/]+')}$`).test(path);
  };
  return keys.find((key) => key === `${method} ${path}`) ?? keys.find(fits);
}

/** What an answer promises and does not hold, or holds and does not speak of; null: it is as the contract says. */
function broken(key: EndpointKey, body: unknown): string | null {
  const parsed = ENDPOINTS[key].response.safeParse(body);
  if (!parsed.success) return `${key} answers what the contract does not say: ${parsed.error.message}`;
  const said = sent(parsed.data);
  return isDeepStrictEqual(said, body) ? null : `${key} answers more than the contract says: ${difference(said, body)}`;
}

/**
 * The application with every answer held against its schema, whoever asked: one that breaks its promise comes out as a
 * fault of the server (500) that says which.
 */
export function heldToContract(app: Express): Express {
  const held = express();
  held.set('trust proxy', app.get('trust proxy'));
  held.use((request, response, next) => {
    const json = response.json.bind(response);
    response.json = (body: unknown) => {
      const key = response.statusCode < 300 ? endpointAt(request.method, request.path) : undefined;
      const why = key && broken(key, sent(body));
      if (!why) return json(body);
      return response.status(500) && json({ error: { kind: 'server', message: why } });
    };
    next();
  });
  held.use(app);
  return held;
}

function difference(said: unknown, body: unknown, path = ''): string {
  if (isDeepStrictEqual(said, body)) return '';
  if (typeof body !== 'object' || body === null || typeof said !== 'object' || said === null)
    return `${path || 'the whole'}: ${JSON.stringify(body)} where the contract has ${JSON.stringify(said)}`;
  const keys = new Set([...Object.keys(body), ...Object.keys(said)]);
  for (const key of keys) {
    const at = difference(
      (said as Record<string, unknown>)[key],
      (body as Record<string, unknown>)[key],
      `${path}/${key}`,
    );
    if (at !== '') return at;
  }
  return path;
}
