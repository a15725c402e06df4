import { ENDPOINTS, type EndpointKey } from '@dewpond/contract';
import { isDeepStrictEqual } from 'node:util';

/** As it goes over the wire. */
const sent = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

/** Holds an answer against its schema: all it promises is there, and nothing it does not speak of. */
export function holdToSchema(key: EndpointKey, body: unknown): void {
  // A test may ask for an address as it stands; what that answers is compared whole.
  if (!Object.hasOwn(ENDPOINTS, key)) return;
  const parsed = ENDPOINTS[key].response.safeParse(body);
  if (!parsed.success) throw new Error(`${key} answers what the contract does not say: ${parsed.error.message}`);
  if (!isDeepStrictEqual(sent(parsed.data), body))
    throw new Error(`${key} answers more than the contract says: ${difference(sent(parsed.data), body)}`);
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
