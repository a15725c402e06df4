import { daySchema, id } from './basics';
import { z } from 'zod';
import { sign } from './trade';

/** A visit of the log, newest first: what was cleaned after its dog, or that nothing was told. */
export const cleanDownLine = z.object({
  visitId: id,
  day: daySchema,
  dog: z.string(),
  done: z
    .object({
      at: z.string(),
      /** Null: no longer of the business. */
      by: z.string().nullable(),
      cleaned: z.array(z.string()),
      left: z.array(z.string()),
      with: z.string().nullable(),
      /** Seconds the disinfectant was on, and should have been; null: no clock ran. */
      seconds: z.number().nullable(),
      wanted: z.number().nullable(),
      after: z.array(sign),
    })
    .nullable(),
});
export type CleanDownLine = z.infer<typeof cleanDownLine>;
