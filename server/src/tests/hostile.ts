import { ENDPOINTS, type EndpointKey } from '@dewpond/contract';
import { v7 } from 'uuid';
import { z } from 'zod';

export interface HostileRequest {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  /** Text or bytes as sent; null: none. */
  readonly body: string | Buffer | null;
}

/** Ids that are there, so that some requests come as far as the tables. */
export interface KnownIds {
  readonly ids: readonly string[];
}

type Schema = { readonly [key: string]: unknown };
const BODIES = new Map<EndpointKey, Schema | null>(
  (Object.keys(ENDPOINTS) as EndpointKey[]).map((key) => [key, schemaOf(ENDPOINTS[key] as { body?: z.ZodType })]),
);

function schemaOf({ body }: { readonly body?: z.ZodType }): Schema | null {
  return body ? z.toJSONSchema(body, { unrepresentable: 'any', io: 'input', cycles: 'ref' }) : null;
}

/** Addresses beside the table of endpoints: files, calendars, pictures, owners' links, the sign-in library. */
const OTHERS: readonly (readonly [HostileRequest['method'], string])[] = [
  ['get', '/api/export/:text'],
  ['get', '/api/calendars/:text'],
  ['get', '/api/appointments/:id/booking.ics'],
  ['get', '/api/dogs/:id/home.ics'],
  ['get', '/api/photos/:id'],
  ['put', '/api/visits/:id/photos/:id'],
  ['get', '/api/visits/:id/sheet.pdf'],
  ['get', '/api/instructions/:id/letter'],
  ['put', '/api/instructions/:id/letter'],
  ['delete', '/api/instructions/:id/letter'],
  ['get', '/api/mixes/labels.pdf?ids=:text'],
  ['get', '/api/owner/:text'],
  ['post', '/api/owner/:text'],
  ['post', '/api/auth/sign-in/email'],
  ['post', '/api/auth/:text'],
  ['get', '/api/auth/:text'],
  ['get', '/api/:text'],
  ['get', '/:text'],
];

const HOSTILE: readonly unknown[] = [
  '',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\udfff x',
  '’; drop table dewpond.dog; --',
  '<script>alert(1)</script>',
  '../../../etc/passwd',
  'x'.repeat(70_000),
  '\u202e\u200b\uFEFF',
  '0000-01-01',
  '10000-01-01',
  '2026-02-30',
  '+275760-09-13T00:00:00.000Z',
  0,
  -1,
  0.1,
  2 ** 31,
  2 ** 53,
  -(2 ** 63),
  1e308,
  true,
  null,
  [],
  {},
  [[[[]]]],
  { __proto__: null, constructor: 'x' },
  JSON.parse('{"__proto__": {"polluted": true}}'),
];

/** One request nobody means well with; most of it is as the contract wants it, so that the rest is reached. */
export function hostileRequest(random: () => number, known: KnownIds): HostileRequest {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const keys = [...BODIES.keys()];
  const hostile = () => pick(HOSTILE);
  const hostileText = () => {
    const value = hostile();
    return typeof value === 'string' ? value : (JSON.stringify(value) ?? '');
  };
  const id = () => (random() < 0.7 && known.ids.length > 0 ? pick(known.ids) : random() < 0.8 ? v7() : hostileText());
  const fill = (template: string) =>
    template.replaceAll(/:(id|text)/g, (_, kind) => {
      const value = kind === 'id' ? id() : random() < 0.5 ? pick(['dogs.csv', 'x', '.', '%', id()]) : hostileText();
      try {
        return random() < 0.9 ? encodeURIComponent(value).slice(0, 3000) : value.replaceAll(/[^\x21-\x7e]/g, '%');
      } catch {
        return '%ED%A0%80';
      }
    });
  const from = (schema: Schema | boolean, depth = 0): unknown => {
    if (random() < 0.06 || depth > 8 || typeof schema !== 'object') return hostile();
    if ('const' in schema) return schema['const'];
    if (Array.isArray(schema['enum'])) return pick(schema['enum']);
    for (const key of ['anyOf', 'oneOf'] as const)
      if (Array.isArray(schema[key])) return from(pick(schema[key] as Schema[]), depth + 1);
    switch (schema['type']) {
      case 'object': {
        const properties = (schema['properties'] ?? {}) as Record<string, Schema>;
        const entries = Object.entries(properties).filter(() => random() < 0.97);
        const more = random() < 0.03 ? [['extra', hostile()]] : [];
        return Object.fromEntries([...entries.map(([key, each]) => [key, from(each, depth + 1)]), ...more]) as unknown;
      }
      case 'array':
        return Array.from({ length: Math.floor(random() * 3) }, () =>
          from((schema['items'] ?? {}) as Schema, depth + 1),
        );
      case 'string':
        if (schema['format'] === 'uuid') return id();
        return random() < 0.5
          ? pick(['2026-11-25', '2026-11-25T10:00:00.000Z', 'Teasel', '24:1', '24', 'en-GB'])
          : 'word';
      case 'integer':
      case 'number':
        return pick([0, 1, 2, 5, 24, 100]);
      case 'boolean':
        return random() < 0.5;
      case 'null':
        return null;
      default:
        return random() < 0.5
          ? hostile()
          : { id: v7(), v: 2, counter: 1, device: 'd', at: 1, offset: null, what: { type: 'opened' } };
    }
  };
  const strange = random() < 0.1;
  const headers = {
    ...(strange ? { host: pick(['', 'a b', '[::1', 'x:99999999', 'evil.example', '\u00ff']) } : {}),
    ...(random() < 0.05 ? { origin: pick(['http://evil.example', 'null', '', '::']) } : {}),
    ...(random() < 0.05 ? { 'x-forwarded-for': pick(['', '::1', 'not an address', '1.2.3.4, 5.6.7.8']) } : {}),
    ...(random() < 0.1
      ? { authorization: pick(['Link x', 'Link ', `Link ${'A'.repeat(22)}.${'A'.repeat(43)}`, 'Basic x']) }
      : {}),
  };
  if (random() < 0.25) {
    const [method, template] = pick(OTHERS);
    const bytes = pick([
      Buffer.from('%PDF-1.4 '),
      Buffer.from([0x89, 0x50, 0x4e, 0x47]),
      Buffer.alloc(0),
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'),
      Buffer.from(JSON.stringify(hostile() ?? null)),
    ]);
    const type = pick([
      'image/png',
      'image/jpeg',
      'application/pdf',
      'application/json',
      'text/plain',
      'multipart/form-data',
      'x',
    ]);
    const reads = method === 'get';
    return {
      method,
      path: fill(template),
      headers: reads ? headers : { ...headers, 'content-type': type },
      body: reads ? null : bytes,
    };
  }
  const key = pick(keys);
  const [method = 'GET', template = ''] = key.split(' ');
  const query =
    random() < 0.3 ? `?${pick(['day', 'q', 'after', 'from', 'to', 'dog', 'of', 'id'])}=${fill(':text')}` : '';
  const schema = BODIES.get(key) ?? null;
  const broken =
    random() < 0.03 ? pick(['{', '[', 'null', '"x"', '{"a":', `${'['.repeat(5000)}${']'.repeat(5000)}`]) : null;
  return {
    method: method.toLowerCase() as HostileRequest['method'],
    path: fill(template) + query,
    headers: schema ? { ...headers, 'content-type': 'application/json' } : headers,
    body: schema ? (broken ?? JSON.stringify(from(schema)) ?? 'null') : null,
  };
}
