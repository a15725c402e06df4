import { ENTRY_KINDS, type RecordEntry, type EntryKind, type Picture } from '@dewpond/core/record';
import { z } from 'zod';
import { colourReading } from './colours';
import { daySchema, gradeOrNone } from './basics';
import { placeKey } from './trade';

const picture: z.ZodType<Picture> = z.object({
  id: z.string(),
  takenBy: z.enum(['owner', 'salon']),
  grade: gradeOrNone.nullable(),
  colour: colourReading.nullable(),
});

/** One thing on record of a dog. */
export const entry: z.ZodType<RecordEntry> = z.object({
  id: z.string(),
  day: daySchema,
  kind: z.enum(Object.keys(ENTRY_KINDS) as [EntryKind]),
  place: placeKey.nullable(),
  words: z.string(),
  grade: gradeOrNone.nullable(),
  visitId: z.string().nullable(),
  picture: picture.nullable(),
});
