import { z } from 'zod';
import { problem } from './basics';
import { ENDPOINTS } from './endpoints';
import { FILES, type FileRoute } from './files';

const schema = (type: z.ZodType, io: 'input' | 'output'): object => {
  const { $schema: _, ...json } = z.toJSONSchema(type, { io, unrepresentable: 'any', target: 'draft-2020-12' });
  return json;
};
const json = (type: z.ZodType, io: 'input' | 'output') => ({
  content: { 'application/json': { schema: schema(type, io) } },
});
const binary = (types: readonly string[]) => ({
  content: Object.fromEntries(
    types.map((type) => [
      type,
      { schema: { type: 'string', ...(type.startsWith('text/') ? {} : { format: 'binary' }) } },
    ]),
  ),
});

/** The part of the trade that an address belongs to, by its first word. */
const TAGS: Readonly<Record<string, string>> = {
  health: 'running it',
  status: 'running it',
  session: 'people',
  members: 'people',
  rights: 'people',
  me: 'people',
  people: 'people',
  invitations: 'people',
  'second-factor': 'people',
  kept: 'business',
  tablet: 'people',
  tablets: 'people',
  join: 'people',
  begin: 'people',
  forgotten: 'people',
  'first-steps': 'people',
  audit: 'people',
  'clean-downs': 'business',
  today: 'the day',
  appointments: 'bookings',
  series: 'bookings',
  ahead: 'bookings',
  hours: 'bookings',
  away: 'bookings',
  absences: 'bookings',
  round: 'bookings',
  planning: 'bookings',
  van: 'bookings',
  dogs: 'dogs',
  book: 'dogs',
  breeds: 'dogs',
  weighings: 'dogs',
  instructions: 'dogs',
  programmes: 'dogs',
  clients: 'clients',
  merges: 'clients',
  imports: 'in and out',
  export: 'in and out',
  house: 'in and out',
  vets: 'vets',
  referrals: 'vets',
  watch: 'vets',
  visits: 'visits',
  prefetch: 'visits',
  photos: 'visits',
  'home-photos': 'visits',
  branches: 'house ways',
  business: 'house ways',
  profile: 'house ways',
  products: 'mixing and stock',
  pumps: 'mixing and stock',
  bottles: 'mixing and stock',
  mixing: 'mixing and stock',
  mixes: 'mixing and stock',
  stock: 'mixing and stock',
  lots: 'mixing and stock',
  costs: 'mixing and stock',
  trace: 'mixing and stock',
  links: 'owners',
  messages: 'owners',
  'message-states': 'owners',
  answers: 'owners',
  reminders: 'owners',
  calendars: 'owners',
  owner: 'the owner’s own page',
};

interface OpenApiAddress {
  readonly method: string;
  /** As OpenAPI writes it: "/api/dogs/{id}". */
  readonly path: string;
  readonly tag: string;
  readonly parameters: readonly object[];
}

function addressOf(key: string): OpenApiAddress {
  const [method = '', path = ''] = key.split(' ');
  const tag = TAGS[path.split('/')[2] ?? ''];
  if (tag === undefined) throw new Error(`${path} belongs to no part of the trade: give it a tag.`);
  return {
    method: method.toLowerCase(),
    path: path.replaceAll(/:(\w+)/g, '{$1}'),
    tag,
    parameters: [...path.matchAll(/:(\w+)/g)].map(([, name]) => ({
      name,
      in: 'path',
      required: true,
      schema: { type: 'string' },
    })),
  };
}

const REFUSED = { '4XX': { description: 'Refused, in plain words', ...json(problem, 'output') } };

function endpointOf(key: string, endpoint: (typeof ENDPOINTS)[keyof typeof ENDPOINTS]): [OpenApiAddress, object] {
  const address = addressOf(key);
  const query =
    'query' in endpoint
      ? Object.entries(endpoint.query.shape as Record<string, z.ZodType>).map(([name, type]) => ({
          name,
          in: 'query',
          required: !type.safeParse(undefined).success,
          schema: schema(type, 'input'),
        }))
      : [];
  return [
    address,
    {
      summary: endpoint.says,
      tags: [address.tag],
      parameters: [...address.parameters, ...query],
      ...('body' in endpoint ? { requestBody: { required: true, ...json(endpoint.body, 'input') } } : {}),
      responses: {
        [address.method === 'post' ? '201' : '200']: {
          description: endpoint.says,
          ...json(endpoint.response, 'output'),
        },
        ...REFUSED,
      },
    },
  ];
}

function fileOf(key: string, { says, types }: FileRoute): [OpenApiAddress, object] {
  const address = addressOf(key);
  const sends = address.method === 'put';
  return [
    address,
    {
      summary: says,
      tags: [address.tag],
      parameters: address.parameters,
      ...(sends ? { requestBody: { required: true, ...binary(types) } } : {}),
      responses: { '200': { description: says, ...(sends ? {} : binary(types)) }, ...REFUSED },
    },
  ];
}

/** OpenAPI 3.1 of every endpoint, made from the same schemas that parse, and of every file. */
export function openApiDocument(version: string): object {
  const paths: Record<string, Record<string, object>> = {};
  const all = [
    ...Object.entries(ENDPOINTS).map(([key, endpoint]) => endpointOf(key, endpoint)),
    ...Object.entries(FILES).map(([key, file]) => fileOf(key, file)),
  ];
  for (const [{ method, path }, operation] of all) (paths[path] ??= {})[method] = operation;
  return {
    openapi: '3.1.0',
    info: {
      title: 'Dewpond',
      version,
      description: 'Care plans, mixes, visits and owner sheets of a grooming business.',
    },
    tags: [...new Set(Object.values(TAGS))].map((name) => ({ name })),
    paths,
  };
}
