import { customType } from 'drizzle-orm/pg-core';
import type { z } from 'zod';

/** What stands in a column of JSON, and how what stood there before is brought up to date. */
export interface Shape<T> {
  /** "a dog's profile" */
  readonly name: string;
  readonly is: z.ZodType<T>;
  /**
   * From each earlier version to the one after it, the oldest first: the first makes version 2 of version 1. Only an
   * object has a version; what has none is of version 1.
   */
  readonly before: readonly ((stored: Readonly<Record<string, unknown>>) => Readonly<Record<string, unknown>>)[];
}

/** Kept JSON that is not of its shape. The log holds codes and no messages: what and where stands in the code. */
class NotItsShape extends Error {
  constructor(
    name: string,
    readonly code: string,
  ) {
    super(`What is kept of ${name} ${code}.`);
  }
}

/** Under this key an object says its version. */
const VERSION = 'v';

const isObject = (stored: unknown): stored is Readonly<Record<string, unknown>> =>
  typeof stored === 'object' && stored !== null && !Array.isArray(stored);

/** What was kept, in today's shape. Throws, without a word of the content, where it has none that is known. */
export function readStored<T>({ name, is, before }: Shape<T>, stored: unknown): T {
  const parsed = is.safeParse(upToToday(name, before, stored));
  if (parsed.success) return parsed.data;
  const paths = parsed.error.issues.map(({ path, code }) => `${path.join('.')} (${code})`);
  throw new NotItsShape(name, `has another shape: ${paths.slice(0, 3).join(', ')}`);
}

function upToToday(name: string, before: Shape<unknown>['before'], stored: unknown): unknown {
  if (!isObject(stored) || before.length === 0) return stored;
  const { [VERSION]: said, ...content } = stored;
  const version = typeof said === 'number' ? said : 1;
  if (version > before.length + 1) throw new NotItsShape(name, 'was written by a newer Dewpond');
  return before.slice(version - 1).reduce((older, upgrade) => upgrade(older), content);
}

/** As it is written down: with its version once there is a second. */
export const writeStored = <T>({ before }: Shape<T>, value: T): unknown =>
  before.length > 0 && isObject(value) ? { ...value, [VERSION]: before.length + 1 } : value;

/** A column of JSON that is parsed whenever it is read. */
export const shaped = <T>(column: string, shape: Shape<T>) =>
  customType<{ data: T; driverData: unknown }>({
    dataType: () => 'jsonb',
    fromDriver: (stored) => readStored(shape, stored),
    toDriver: (value) => JSON.stringify(writeStored(shape, value)),
  })(column);
