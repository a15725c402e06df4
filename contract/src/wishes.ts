import { z } from 'zod';
import { daySchema, id, line } from './basics';

/** 0 for Monday to 6 for Sunday. */
const weekday = z.int().min(0).max(6);

export const ownerWishes = z.strictObject({
  weekdays: z.array(weekday).max(7).readonly(),
  part: z.enum(['morning', 'afternoon']).nullable(),
  memberId: id.nullable(),
  pattern: z.strictObject({ from: daySchema, everyWeeks: z.int().min(1).max(26) }).nullable(),
});
/** Words of the business's own: what somebody is good at, what a dog needs. */
export const skills = z
  .array(line(40, 'A skill'))
  .max(12, { error: 'At most twelve.' })
  .refine((all) => new Set(all).size === all.length, { error: 'The same one twice.' });

export const dogNeeds = z.strictObject({
  slot: z.enum(['first', 'last']).nullable(),
  memberId: id.nullable(),
  weekdays: z.array(weekday).max(7).readonly(),
  // Left out by devices of before: it comes to the salon, to anybody.
  where: line(60, 'Where').nullable().default(null),
  skills: skills.readonly().default([]),
  notWith: z.array(id).max(20).readonly().default([]),
});
