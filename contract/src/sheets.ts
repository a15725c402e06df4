import { ALL_SECTIONS, type OwnerSheet, type ReadLine, type ReadSheet, type SheetEdits } from '@dewpond/core/sheet';
import { z } from 'zod';
import { daySchema, gradeOrNone, id, line, place } from './basics';
import { traits } from './facts';
import { businessProfile } from './profile';
import { level, placeKey, task } from './trade';
import { fromLost } from './visits';

const section = z.enum(ALL_SECTIONS);
/** A sentence on a sheet of one page. */
const sentence = line(600, 'The sentence');

const sheetEdits = z
  .strictObject({
    lines: z.record(
      z.string().max(200),
      z.strictObject({ section, made: z.string().max(2000), words: sentence.nullable() }),
    ),
    added: z
      .array(z.strictObject({ id, section, words: sentence }))
      .max(20, { error: 'Twenty lines of your own at most.' }),
    photos: z.array(id).max(6, { error: 'Six pictures at most.' }),
  })
  .refine(({ lines }) => Object.keys(lines).length <= 200, { error: 'Too many changes.' })
  .transform((edits): SheetEdits => edits);

/** Version 0: no hand was on it yet. */
export const sheetEditing = z.strictObject({ version: z.int().min(0), edits: sheetEdits });

const sheetEditsRead: z.ZodType<SheetEdits> = z.object({
  lines: z.record(z.string(), z.object({ section, made: z.string(), words: z.string().nullable() })),
  added: z.array(z.object({ id, section, words: z.string() })),
  photos: z.array(id),
});

const sheetFrame: z.ZodType<OwnerSheet['frame']> = z.object({
  title: z.string(),
  forOwner: z.string(),
  headings: z.record(section, z.string()),
  presses: z.string().nullable(),
  foot: z.string(),
  sides: z.object({ left: z.string(), right: z.string() }),
});

const saw: z.ZodType<OwnerSheet['saw'][number]> = z.object({
  place,
  grade: gradeOrNone,
  level,
  key: z.string(),
  words: z.string(),
});

const sheetLine: z.ZodType<OwnerSheet['did'][number]> = z.object({ key: z.string(), words: z.string() });

const homeCareLine: z.ZodType<OwnerSheet['homeCare'][number]> = z.object({ task, key: z.string(), words: z.string() });

const ownerSheetRead: z.ZodType<OwnerSheet> = z.object({
  dog: z.string(),
  day: daySchema,
  language: z.string(),
  frame: sheetFrame,
  saw: z.array(saw),
  clear: sheetLine.nullable(),
  suggest: z.array(sheetLine),
  care: z.array(sheetLine),
  did: z.array(sheetLine),
  homeCare: z.array(homeCareLine),
  together: z.array(z.object({ key: z.string(), words: z.string(), of: z.array(z.string()) })),
  level,
  lookAgain: z.boolean(),
});

const readLine: z.ZodType<ReadLine> = z.object({
  key: z.string(),
  words: z.string(),
  grade: gradeOrNone.nullable(),
  task: task.nullable(),
});

/** A sheet as an owner reads it. */
export const readSheet: z.ZodType<ReadSheet> = z.object({
  dog: z.string(),
  day: daySchema,
  language: z.string(),
  frame: sheetFrame,
  grades: z.partialRecord(placeKey, gradeOrNone),
  parts: z.array(z.object({ section: section, lines: z.array(readLine) })),
});

/** A picture and what it shows, as an owner reads it. */
export const sheetPhoto = z.object({
  id,
  name: z.string(),
  /** Of the same place, from an earlier visit or before the work. */
  beside: z.object({ id, name: z.string() }).nullable(),
});
export type SheetPhoto = z.infer<typeof sheetPhoto>;

export const sheetView = z.object({
  visitId: id,
  dogId: id,
  clientId: id,
  business: businessProfile,
  owner: z.string(),
  closed: z.boolean(),
  sheet: ownerSheetRead,
  /** The same in the business's language, to be read by the groomer; null where the owner reads that, too. */
  inBusinessLanguage: ownerSheetRead.nullable(),
  edits: sheetEditsRead,
  version: z.int(),
  /** Pictures of this visit; shown to the owner when chosen. */
  photos: z.array(sheetPhoto),
  /** The owner agreed to pictures on the sheet. */
  photosAgreed: z.boolean(),
  /** When the dog comes next; what is suggested beside a booking is sooner than it. */
  next: z.object({ booked: daySchema.nullable(), suggested: daySchema.nullable() }),
  fromLost: fromLost.nullable(),
  drawing: traits,
});
export type SheetView = z.infer<typeof sheetView>;
