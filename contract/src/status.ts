import { z } from 'zod';
import { many } from './basics';

/** How the installation is, in what a manager can act on. */
export const statusView = z.object({
  version: z.string(),
  /** Migrations the tables have had. */
  changes: z.int(),
  /** Since when this process serves. */
  since: z.string(),
  databaseBytes: z.int(),
  /** The last good one and the last try; both null: there was none. */
  backup: z.object({
    told: z.boolean(),
    good: z.object({ at: z.string(), bytes: z.int(), seconds: z.number() }).nullable(),
    last: z.object({ at: z.string(), isOk: z.boolean(), words: z.string() }).nullable(),
  }),
  queues: many(z.object({ queue: z.string(), waiting: z.int(), failed: z.int(), oldest: z.string().nullable() })),
  messages: z.object({ waiting: z.int(), failed: z.int(), unsure: z.int() }),
  /** What is wrong with the proxy in front; null: nothing is. */
  proxy: z.string().nullable(),
  /** How far this device’s clock is from the server’s is reckoned by the screen. */
  now: z.string(),
});
export type StatusView = z.infer<typeof statusView>;
