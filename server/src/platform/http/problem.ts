import type { Problem } from '@dewpond/contract';
import type { z } from 'zod';

type ProblemKind = Problem['error']['kind'];
const STATUS: Readonly<Record<ProblemKind, number>> = {
  'bad input': 422,
  'not signed in': 401,
  'not allowed': 403,
  'not found': 404,
  conflict: 409,
  'too large': 413,
  'too many': 429,
  busy: 503,
  server: 500,
};

/** A refusal that a person can read and act on. Thrown by services, turned into the answer in one place. */
export class Refusal extends Error {
  readonly status: number;
  constructor(
    readonly kind: ProblemKind,
    message: string,
    readonly more: Omit<Problem['error'], 'kind' | 'message'> = {},
  ) {
    super(message);
    this.status = STATUS[kind];
  }
  toJSON(): Problem {
    return { error: { kind: this.kind, message: this.message, ...this.more } };
  }
}

export const notFound = (what: string): Refusal => new Refusal('not found', `There is no such ${what} here.`);

/** Seconds after which it is worth trying again. */
export const RETRY_AFTER = 2;

/** Not now: the same request will do in a moment. */
export const busy = (message: string): Refusal => new Refusal('busy', message);

/** Field by field what was wrong with the input. */
export function badInput(error: z.ZodError): Refusal {
  const fields = error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message }));
  const first = fields[0];
  return new Refusal(
    'bad input',
    first ? `${first.path ? `${first.path}: ` : ''}${first.message}` : 'That does not fit.',
    { fields },
  );
}

export const badField = (path: string, message: string): Refusal =>
  new Refusal('bad input', message, { fields: [{ path, message }] });

/** Somebody else changed it first: both versions go back, so that nothing is lost. */
export const conflict = (message: string, current: unknown, yours: unknown): Refusal =>
  new Refusal('conflict', message, { current, yours });
