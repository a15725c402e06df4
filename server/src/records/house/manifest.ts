import { z } from 'zod';

/** What the file of a house says of itself: `manifest.json` in it. */
export const houseManifest = z.strictObject({
  format: z.literal(1),
  holds: z.literal('a whole business'),
  at: z.iso.datetime(),
  /** How many changes the tables had: only an installation with the same takes them in. */
  changes: z.int().positive(),
  business: z.strictObject({ id: z.uuid(), name: z.string() }),
  /** Who signs in, and by which address; never a password. */
  people: z.array(z.strictObject({ personId: z.uuid(), name: z.string(), email: z.email() })),
  /** Rows of each table, by its name. */
  tables: z.record(z.string(), z.int().nonnegative()),
  /** SHA-256 of each file that is taken in, by its path. */
  files: z.record(z.string(), z.string().regex(/^[0-9a-f]{64}$/)),
});
export type HouseManifest = z.output<typeof houseManifest>;

export const MANIFEST = 'manifest.json';
export const pathOfTable = (name: string): string => `tables/${name}.jsonl`;
