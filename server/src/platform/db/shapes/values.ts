import type { Day } from '@dewpond/core/units';
import { z } from 'zod';
import type { Shape } from './shaped';

/**
 * Kinds of values in kept JSON. They say what a thing is, not how much of it is taken in: what was once accepted is never
 * refused because a limit has become narrower.
 */
export const day = z.string().transform((each) => each as Day);
/** One of a table of words. */
export const oneOf = <T extends string>(words: readonly T[]) => z.enum(words as [T, ...T[]]);
/** A word that a newer version, or another table, may know: kept as it is. */
export const wordOf = <T extends string>() => z.string().transform((each) => each as T);
export const words = z.string().default('');

/** A shape that has had no other before. */
export const first = <T>(name: string, is: z.ZodType<T>): Shape<T> => ({ name, is, before: [] });

/** Ids, or words of the business's own. */
export const LIST: Shape<readonly string[]> = first('a list of words', z.array(z.string()));
