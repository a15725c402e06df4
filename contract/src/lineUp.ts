import { PARTS_OF_DAY, PLACES, type WorkGroup, type SetByHand } from '@dewpond/core/lineup';
import { z } from 'zod';
import { id, many } from './basics';

const part = z.enum(PARTS_OF_DAY);
export const minuteOfDay = z.int().min(0).max(1440);
/** A part of a visit, as a day is lined up from. */
export const group: z.ZodType<WorkGroup> = z.object({
  part,
  at: z.array(z.enum(PLACES)),
  minutes: z.number(),
  stretches: many(z.object({ name: z.string(), minutes: z.number(), dwell: z.boolean() })),
  rest: z.number(),
});
/** What was set by hand for one booking of the day. */
export const setByHand: z.ZodType<SetByHand> = z.strictObject({
  person: id.nullable(),
  pins: z.array(z.strictObject({ part, from: minuteOfDay })).max(PARTS_OF_DAY.length),
});
