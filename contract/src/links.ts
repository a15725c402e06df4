import { z } from 'zod';
import { id, newId } from './basics';

export const newOwnerLink = z.strictObject({ id: newId, dogId: id, days: z.int().min(1).max(365) });
export const ownerLinkView = z.object({
  id,
  url: z.string(),
  expiresAt: z.string(),
  revokedAt: z.string().nullable(),
  seenAt: z.string().nullable(),
  lastSeenAt: z.string().nullable(),
  createdBy: z.string(),
  createdAt: z.string(),
});
export type OwnerLinkView = z.infer<typeof ownerLinkView>;
