import { DEED_IDS, ROLES } from '@dewpond/core/rights';
import { z } from 'zod';
import { daySchema, id, many } from './basics';
import { branchNamed } from './branches';

export const memberView = z.object({
  id,
  /** The person behind it, whose id stands in events. */
  personId: id,
  name: z.string(),
  role: z.enum(ROLES),
});
export type MemberView = z.infer<typeof memberView>;

/** What a house has decided otherwise than is shipped: by deed, who may besides the owner-manager. */
export const houseRights = z.partialRecord(z.enum(DEED_IDS), z.array(z.enum(ROLES)).max(ROLES.length).readonly());
export const rightsView = z.object({ version: z.int(), own: houseRights });
export const rightsEdit = z.strictObject({ version: z.int(), own: houseRights });

export const sessionView = z.object({
  person: z.object({ id, name: z.string(), email: z.string() }),
  member: memberView,
  rights: houseRights,
  /** Whether this person has a second proof for signing in, and has to. */
  secondFactor: z.object({ has: z.boolean(), asked: z.boolean() }),
  /** The shared tablet it is on; `byPin`: whoever asks came to it by a PIN. */
  tablet: z.object({ id, name: z.string(), lockAfterMin: z.int(), byPin: z.boolean() }).nullable(),
  /** For whoever sees the status: days since the last good backup, when that is too many; null: all is well. */
  backupOld: z.int().nullable(),
  /** Salons and vans that are open, and where this person belongs; the first of them is the first there was. */
  branches: many(branchNamed),
  branchId: id,
  business: z.object({ id, name: z.string(), zone: z.string(), units: z.enum(['metric', 'US']) }),
  /** As this person reads them: its own choice, else the business's. */
  units: z.enum(['metric', 'US']),
  ownUnits: z.enum(['metric', 'US']).nullable(),
  today: daySchema,
});
export type SessionView = z.infer<typeof sessionView>;
