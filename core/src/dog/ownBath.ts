import type { BodyWash } from '../dilution';

/** What a bath takes a product for: the names of its tasks. */
export const BATH_TASKS = ['bath', 'second wash', 'face wash', 'conditioner'] as const;
export type BathTask = (typeof BATH_TASKS)[number];

/** Lines of the table of washes that a business sees otherwise, by their id. */
export type WashKinds = Readonly<Record<string, BodyWash>>;

/** A product that this dog gets for a part of its bath, with the reason; null: none for that part. */
export type OwnBath = Readonly<
  Partial<Record<BathTask, { readonly productId: string | null; readonly because: string }>>
>;
