import './plainWords';
import { isDay, type Day } from '@dewpond/core/units';
import type { Interval } from '@dewpond/core/rhythm';
import { FOLD_SITES, SITES } from '@dewpond/core/places';
import { z } from 'zod';

/** Client-made id, UUID version 7 (RFC 9562), so that a write can be sent twice and kept once. */
export const newId = z.uuidv7({ error: 'An id must be a UUID version 7.' });
export const id = z.uuid({ error: 'That is not an id.' });

/**
 * The last row of a page, to ask for the next one with: its id and its name, by which lists are sorted. It holds where
 * that row is gone by then.
 */
export const afterRow = z
  .string()
  .regex(/^[\da-f]{8}(-[\da-f]{4}){3}-[\da-f]{12} /, { error: 'That is no row of a list.' })
  .max(500);

/** A day of this life: before and after it lie slips of the finger, and what no calendar of the database holds. */
const isSensibleDay = (text: string): text is Day => isDay(text) && text >= '1900-01-01' && text < '2200-01-01';

export const daySchema = z
  .string()
  .refine(isSensibleDay, {
    error: 'Give a date like 2026-11-25.',
  })
  .transform((text) => text);

/** Text that is not empty, trimmed, 1 to `most` characters. */
export const line = (most: number, what: string) =>
  z
    .string()
    .trim()
    .min(1, { error: `${what} is missing.` })
    .max(most, { error: `${what} is longer than ${most} characters.` });

/** Free text, may be empty. */
export const text = (most: number) =>
  z
    .string()
    .trim()
    .max(most, { error: `Longer than ${most} characters.` });

/** Guards an edit: the version the editor saw. */
export const version = z.int().min(1);

export const side = z.enum(['left', 'right']);
export const place = z.strictObject({
  site: z.enum(SITES as readonly [(typeof SITES)[number]]),
  side: z.enum(['left', 'right', 'none']),
});
export const foldDepths = z.partialRecord(z.enum(FOLD_SITES), z.enum(['light', 'deep'])).transform((folds) => folds);
export const grade = z.union([z.literal(1), z.literal(2), z.literal(3)]);
/** 0: seen clear. */
export const gradeOrNone = z.union([z.literal(0), grade]);
/** A list that whoever gets it only reads. */
export const many = <T extends z.ZodType>(item: T) => z.array(item).readonly();

/** How often: least, usual, most, in days. */
export const interval: z.ZodType<Interval, Interval> = z.object({
  least: z.number(),
  usual: z.number(),
  most: z.number(),
});

/** What every refusal looks like. `message` is for people; `fields` point at what to mend. */
export const problem = z.object({
  error: z.object({
    kind: z.enum([
      'bad input',
      'not signed in',
      'not allowed',
      'not found',
      'conflict',
      'too large',
      'too many',
      'busy',
      'server',
    ]),
    message: z.string(),
    fields: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
    /** On a conflict: how it stands now, and what was sent. */
    current: z.unknown().optional(),
    yours: z.unknown().optional(),
    /** Where a time is taken: the next ones that are free. */
    free: z.array(z.object({ memberId: id, startsAt: z.string(), minutes: z.number() })).optional(),
  }),
});
export type Problem = z.infer<typeof problem>;

/** A word that was said on a day. */
export const wordOfDay = z.object({ day: daySchema, words: z.string() });
