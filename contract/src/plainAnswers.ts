import { z } from 'zod';
import { afterRow, id } from './basics';

/** Something new is there. */
export const made = z.object({ id });
/** A row has its next version. */
export const changed = z.object({ version: z.int() });
export const list = <T extends z.ZodType>(item: T) => z.object({ items: z.array(item) });
/** A long list, page by page. */
export const page = <T extends z.ZodType>(item: T) => z.object({ items: z.array(item), after: afterRow.nullable() });
export const nextPage = z.object({ after: afterRow.optional() });
