import { KEPT_KINDS, isRetention, type KeptKind } from '@dewpond/core/ways';
import { z } from 'zod';
import { daySchema, version } from './basics';

const retention = z
  .partialRecord(z.enum(KEPT_KINDS), z.int())
  .refine(
    (chosen) =>
      Object.entries(chosen).every(([kind, months]) => months === undefined || isRetention(kind as KeptKind, months)),
    { error: 'That is none of the times to choose from.' },
  );
/** How much of a kind would go with a choice, and the oldest day of it. */
const goes = z.object({ count: z.int(), oldest: daySchema.nullable() });
export const keptView = z.object({
  version,
  /** What is chosen. */
  retention,
  /** By kind and months of the table: what would go tonight. */
  goes: z.record(z.enum(KEPT_KINDS), z.record(z.string(), goes)),
});
export type KeptView = z.infer<typeof keptView>;
export const keptEdit = z.strictObject({ version, retention });
