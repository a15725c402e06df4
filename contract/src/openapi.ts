import { z } from 'zod';
import { problem } from './basics';
import { ENDPOINTS } from './endpoints';

const schema = (type: z.ZodType, io: 'input' | 'output'): object => {
  const { $schema: _, ...json } = z.toJSONSchema(type, { io, unrepresentable: 'any', target: 'draft-2020-12' });
  return json;
};
const json = (type: z.ZodType, io: 'input' | 'output') => ({
  content: { 'application/json': { schema: schema(type, io) } },
});

/** OpenAPI 3.1 of every endpoint, made from the same schemas that parse. */
export function openApiDocument(version: string): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const [key, endpoint] of Object.entries(ENDPOINTS)) {
    const [method = '', path = ''] = key.split(' ');
    const parameters = [...path.matchAll(/:(\w+)/g)].map(([, name]) => ({
      name,
      in: 'path',
      required: true,
      schema: { type: 'string' },
    }));
    const query =
      'query' in endpoint
        ? Object.entries(endpoint.query.shape as Record<string, z.ZodType>).map(([name, type]) => ({
            name,
            in: 'query',
            required: !type.safeParse(undefined).success,
            schema: schema(type, 'input'),
          }))
        : [];
    (paths[path.replaceAll(/:(\w+)/g, '{$1}')] ??= {})[method.toLowerCase()] = {
      summary: endpoint.says,
      parameters: [...parameters, ...query],
      ...('body' in endpoint ? { requestBody: { required: true, ...json(endpoint.body, 'input') } } : {}),
      responses: {
        [method === 'POST' ? '201' : '200']: { description: endpoint.says, ...json(endpoint.response, 'output') },
        '4XX': { description: 'Refused, in plain words', ...json(problem, 'output') },
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Dewpond',
      version,
      description: 'Care plans, mixes, visits and owner sheets of a grooming business.',
    },
    paths,
  };
}
