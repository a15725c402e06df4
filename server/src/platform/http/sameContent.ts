import { createHash } from 'node:crypto';
import { Refusal } from './problem';

/** A hash that does not depend on the order of keys. */
export function contentHash(content: unknown): string {
  return createHash('sha256').update(canonical(content)).digest('hex');
}

function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (value !== null && typeof value === 'object') {
    const entries = Object.entries(value).filter(([, each]) => each !== undefined);
    return `{${entries
      .toSorted(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, each]) => `${JSON.stringify(key)}:${canonical(each)}`)
      .join(',')}}`;
  }
  return JSON.stringify(value) ?? 'null';
}

/** The same id with the same content is acknowledged; with other content it is refused. */
export function assertSame(madeFrom: string, hash: string): void {
  if (madeFrom !== hash)
    throw new Refusal('conflict', 'That id was already used for something else. Nothing was changed.');
}
