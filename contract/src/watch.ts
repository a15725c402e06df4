import { z } from 'zod';
import { daySchema, id } from './basics';

export const watchItem = z.object({
  dogId: id,
  dog: z.string(),
  owner: z.string(),
  phone: z.string(),
  place: z.string(),
  words: z.string(),
  level: z.string(),
  day: daySchema,
  visitId: id,
});
export type WatchItem = z.infer<typeof watchItem>;
