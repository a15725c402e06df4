import { z } from 'zod';
import { notFound } from './problem';

/** The id an address names. What is no id names nothing: it is not there. */
export function idIn(given: unknown, what: string): string {
  const parsed = z.uuid().safeParse(given);
  if (!parsed.success) throw notFound(what);
  return parsed.data;
}
