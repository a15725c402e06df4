import { z } from 'zod';
import { daySchema, id } from './basics';

/** 0 for Monday to 6 for Sunday. */
const weekday = z.int().min(0).max(6);

export const ownerWishes = z.strictObject({
  weekdays: z.array(weekday).max(7).readonly(),
  part: z.enum(['morning', 'afternoon']).nullable(),
  memberId: id.nullable(),
  pattern: z.strictObject({ from: daySchema, everyWeeks: z.int().min(1).max(26) }).nullable(),
});
export const dogNeeds = z.strictObject({
  slot: z.enum(['first', 'last']).nullable(),
  memberId: id.nullable(),
  weekdays: z.array(weekday).max(7).readonly(),
});
