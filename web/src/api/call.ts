import { atBranch } from './atBranch';
import { askedFirst, forWhom } from './forWhom';
import { noteServerClock } from './serverClock';
import type { BodyOf, EndpointKey, Problem, ResponseOf } from '@dewpond/contract';

/** A refusal of the server, in its own plain words. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem['error'],
  ) {
    super(problem.message);
  }
  /** The same, where what was refused is a part of what a form sends. */
  under(path: string): Refused {
    const fields = this.problem.fields?.map((field) => ({ ...field, path: `${path}.${field.path}` }));
    return new Refused(this.status, fields ? { ...this.problem, fields } : this.problem);
  }
}

/** Passes an error on; a refusal as one of a part of what a form sends. */
export const refusedUnder =
  (path: string) =>
  (error: unknown): never => {
    throw error instanceof Refused ? error.under(path) : error;
  };

/** No answer came: the network or the server is away, and nobody knows whether it arrived. */
export class Unreached extends Error {}

interface CallOptions<K extends EndpointKey> {
  readonly id?: string;
  readonly query?: Readonly<Record<string, string>>;
  readonly body?: BodyOf<K>;
  /** A server that says nothing for so long, ms, is taken as away. */
  readonly patience?: number;
}

/** Calls an endpoint of the contract. Throws {@link Refused}, or {@link Unreached} when no answer came. */
export async function call<K extends EndpointKey>(key: K, given: CallOptions<K> = {}): Promise<ResponseOf<K>> {
  const [method = 'GET', template = ''] = key.split(' ');
  const path = template.replace(':id', given.id ?? '');
  const query = given.query ? `?${new URLSearchParams(given.query)}` : '';
  const isOfTablet = path.startsWith('/api/tablet/') || path === '/api/tablet';
  if (!isOfTablet) await askedFirst();
  const response = await fetch(path + query, {
    method,
    ...(given.patience === undefined ? {} : { signal: AbortSignal.timeout(given.patience) }),
    headers: {
      // Who is signed in is asked by whoever does not know it yet.
      ...(isOfTablet || key === 'GET /api/session' ? {} : { ...forWhom(), ...atBranch() }),
      ...(given.body === undefined ? {} : { 'content-type': 'application/json' }),
    },
    ...(given.body === undefined ? {} : { body: JSON.stringify(given.body) }),
  }).catch(() => {
    throw new Unreached('The server cannot be reached. Nothing was lost; try again when the network is back.');
  });
  noteServerClock(response.headers.get('date'));
  const answer: unknown = await response.json().catch(() => null);
  if (!response.ok) {
    const error = (answer as Problem | null)?.error ?? {
      kind: 'server' as const,
      message: 'Something went wrong on our side.',
    };
    throw new Refused(response.status, error);
  }
  return answer as ResponseOf<K>;
}
