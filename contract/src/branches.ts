import { BRANCH_KINDS } from '@dewpond/core/bookings';
import { z } from 'zod';
import { daySchema, id, line, many, newId, text, version } from './basics';

const branchFields = { name: line(60, 'The name'), kind: z.enum(BRANCH_KINDS) };

/** A salon or a van of the business, as everybody sees it. */
export const branchNamed = z.object({ id, name: z.string(), kind: z.enum(BRANCH_KINDS) });

export const branchView = branchNamed.extend({
  version,
  /** Null: open. */
  closedOn: daySchema.nullable(),
  dogs: z.int(),
  people: z.int(),
  /** Products of which something is there. */
  products: z.int(),
});
export type BranchView = z.infer<typeof branchView>;

export const branchesView = z.object({
  items: many(branchView),
  /** Dogs and people that do not belong to the first branch: to which. */
  dogs: z.record(id, id),
  people: z.record(id, id),
});
export type BranchesView = z.infer<typeof branchesView>;

export const newBranch = z.strictObject({ id: newId, ...branchFields });
export const branchEdit = z.strictObject({ version, ...branchFields });
export const branchOpening = z.strictObject({ version, open: z.boolean() });
/** To which branch a dog or a person belongs. */
export const belonging = z.strictObject({ branchId: id });

/** So much of a product goes from the branch one stands at to another. Ml as bought. */
export const stockMove = z.strictObject({
  id: newId,
  productId: id,
  ml: z.number({ error: 'Give a number.' }).positive({ error: 'More than 0 ml moves.' }).max(1_000_000),
  toBranchId: id,
  /** The container it is in; null: no lot is known. */
  lotId: id.nullable().default(null),
  reason: text(200).default(''),
});
