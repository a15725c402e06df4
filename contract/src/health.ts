import { z } from 'zod';

export const health = z.object({
  status: z.enum(['ok', 'degraded']),
  version: z.string(),
  database: z.enum(['ok', 'unreachable']),
});
export const alive = health.pick({ status: true });
