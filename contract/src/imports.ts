import { z } from 'zod';
import { id, line, newId, text } from './basics';
import { clientCard } from './clients';
import { dogProfile } from './dogs';

/** One import holds at most so many rows. */
export const IMPORT_ROWS = 20_000;
/** A file larger than this is not read at all: 20,000 rows take about 4 MB. */
export const IMPORT_FILE_LIMIT = 24 * 1024 * 1024;

/** A client with dogs, ready to be written; `line` is where it stood in the file. `known`: the client is in the book already. */
export const importRow = z.strictObject({
  line: z.int().min(1),
  client: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('new'), id: newId, name: line(120, 'The name'), card: clientCard }),
    z.strictObject({ kind: z.literal('known'), id }),
  ]),
  dogs: z.array(z.strictObject({ id: newId, profile: dogProfile })).max(20),
});
export type ImportRow = z.output<typeof importRow>;
export type ImportRowInput = z.input<typeof importRow>;

export const newImport = z.strictObject({
  id: newId,
  fileName: text(200),
  rows: z
    .array(importRow)
    .min(1, { error: 'No rows were chosen.' })
    .max(IMPORT_ROWS, { error: `At most ${IMPORT_ROWS} rows at once.` }),
});

export const importReport = z.object({
  clients: z.number(),
  dogs: z.number(),
  /** Why it failed or was refused, in words; empty when it went well. */
  words: z.string(),
});
export type ImportReport = z.infer<typeof importReport>;

export const importView = z.object({
  id,
  fileName: z.string(),
  by: z.string(),
  at: z.string(),
  state: z.enum(['waiting', 'running', 'done', 'cancelled', 'failed', 'undone']),
  done: z.int(),
  total: z.int(),
  report: importReport.nullable(),
});
export type ImportView = z.infer<typeof importView>;

export const importStep = z.strictObject({ step: z.enum(['cancel', 'undo']) });
