import {
  CANAL_HAIR,
  COATS,
  COAT_DENSITIES,
  COAT_LENGTHS,
  EAR_CARRIAGES,
  EYE_SETS,
  HANDLING,
  MUZZLES,
  SHEDDING,
  TEARING,
  type Breed,
  type Handling,
} from '@dewpond/core/catalogue';
import { z } from 'zod';
import { foldDepths, line, text } from './basics';
import { handling, traits } from './facts';

/** A breed the business adds, or a shipped one as the business sees it. Kilograms. */
export const ownBreed = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{2,60}$/, { error: 'Small letters, digits and dashes.' }),
  name: line(80, 'The name'),
  alsoCalled: z.array(line(80, 'The other name')).max(6).default([]),
  weightKg: z
    .tuple([z.number().min(0.3), z.number().max(130)])
    .refine(([least, most]) => least <= most, { error: 'The lighter end is heavier than the other.' }),
  traits: z.strictObject({
    coat: z.enum(COATS),
    coatLength: z.enum(COAT_LENGTHS),
    coatDensity: z.enum(COAT_DENSITIES),
    shedding: z.enum(SHEDDING),
    ears: z.enum(EAR_CARRIAGES),
    canalHair: z.enum(CANAL_HAIR),
    muzzle: z.enum(MUZZLES),
    eyeSet: z.enum(EYE_SETS),
    tearing: z.enum(TEARING),
    folds: foldDepths,
  }),
  handling: z.array(z.enum(Object.keys(HANDLING) as [Handling, ...Handling[]])).default([]),
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
  breed: breed,
  version: z.number(),
});
export type OwnBreedView = z.infer<typeof ownBreedView>;
