import { z } from 'zod';
import { id } from './basics';

export const auditEntry = z.object({
  id,
  at: z.string(),
  person: z.string(),
  what: z.enum(['saw', 'changed', 'sent', 'gave away']),
  about: id.nullable(),
  /** Of the dog or client it was about. */
  name: z.string().nullable(),
  words: z.string(),
});
export type AuditEntry = z.infer<typeof auditEntry>;
