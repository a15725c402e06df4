import { z } from 'zod';
import { daySchema, id } from './basics';

export const memberView = z.object({
  id,
  /** The person behind it, whose id stands in events. */
  personId: id,
  name: z.string(),
  role: z.enum(['manager', 'groomer', 'bather']),
});
export type MemberView = z.infer<typeof memberView>;

export const sessionView = z.object({
  person: z.object({ id, name: z.string(), email: z.string() }),
  member: memberView,
  business: z.object({ id, name: z.string(), zone: z.string(), units: z.enum(['metric', 'US']) }),
  /** As this person reads them: its own choice, else the business's. */
  units: z.enum(['metric', 'US']),
  ownUnits: z.enum(['metric', 'US']).nullable(),
  today: daySchema,
});
export type SessionView = z.infer<typeof sessionView>;
