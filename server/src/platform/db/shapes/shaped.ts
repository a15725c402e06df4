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
  readonly before: readonly ((kept: Readonly<Record<string, unknown>>) => Readonly<Record<string, unknown>>)[];
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

const isObject = (kept: unknown): kept is Readonly<Record<string, unknown>> =>
  typeof kept === 'object' && kept !== null && !Array.isArray(kept);

/** What was kept, in today's shape. Throws, without a word of the content, where it has none that is known. */
export function readKept<T>({ name, is, before }: Shape<T>, kept: unknown): T {
  const parsed = is.safeParse(upToToday(name, before, kept));
  if (parsed.success) return parsed.data;
  const paths = parsed.error.issues.map(({ path, code }) => `${path.join('.')} (${code})`);
  throw new NotItsShape(name, `has another shape: ${paths.slice(0, 3).join(', ')}`);
}

function upToToday(name: string, before: Shape<unknown>['before'], kept: unknown): unknown {
  if (!isObject(kept) || before.length === 0) return kept;
  const { [VERSION]: said, ...content } = kept;
  const version = typeof said === 'number' ? said : 1;
  if (version > before.length + 1) throw new NotItsShape(name, 'was written by a newer Dewpond');
  return before.slice(version - 1).reduce((older, upgrade) => upgrade(older), content);
}

/** As it is written down: with its version once there is a second. */
export const writeKept = <T>({ before }: Shape<T>, value: T): unknown =>
  before.length > 0 && isObject(value) ? { ...value, [VERSION]: before.length + 1 } : value;

/** A column of JSON that is parsed whenever it is read. */
export const shaped = <T>(column: string, shape: Shape<T>) =>
  customType<{ data: T; driverData: unknown }>({
    dataType: () => 'jsonb',
    fromDriver: (kept) => readKept(shape, kept),
    toDriver: (value) => JSON.stringify(writeKept(shape, value)),
  })(column);
