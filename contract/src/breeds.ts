import type { Breed } from '@dewpond/core/catalogue';
import { z } from 'zod';
import { line, text } from './basics';
import { TRAIT_FIELDS, handling, traits } from './facts';

/** A breed the business adds, or a shipped one as the business sees it. Kilograms. */
export const ownBreed = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{2,60}$/, { error: 'Small letters, digits and dashes.' }),
  name: line(80, 'The name'),
  alsoCalled: z.array(line(80, 'The other name')).max(6).default([]),
  weightKg: z
    .tuple([z.number().min(0.3), z.number().max(130)])
    .refine(([least, most]) => least <= most, { error: 'The lighter end is heavier than the other.' }),
  traits: z.strictObject(TRAIT_FIELDS),
  handling: z.array(handling).default([]),
  why: text(200).default(''),
});
/** Version 0: there is none yet. */
export const ownBreedEdit = z.strictObject({ version: z.int().min(0), breed: ownBreed });

const breed: z.ZodType<Breed> = z.object({
  id: z.string(),
  name: z.string(),
  alsoCalled: z.array(z.string()),
  weightKg: z.tuple([z.number(), z.number()]),
  traits,
  handling: z.array(handling),
  parents: z.array(z.string()),
  why: z.string().nullable(),
  earOdds: z.number().nullable(),
});

/** A breed of the business's own. */
export const ownBreedView = z.object({
  breed,
  version: z.number(),
});
export type OwnBreedView = z.infer<typeof ownBreedView>;
