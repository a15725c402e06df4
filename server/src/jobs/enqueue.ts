import { sql } from 'drizzle-orm';
import { z } from 'zod';
import type { Tenant } from '../db/tenant';

export const SHEET_QUEUE = 'sheet-pdf';
export const IMPORT_QUEUE = 'book-import';
export const MESSAGE_QUEUE = 'message-send';

/** A job carries ids, never data. */
export const sheetJob = z.object({ businessId: z.uuid(), visitId: z.uuid() });
export const importJob = z.object({ businessId: z.uuid(), importId: z.uuid() });
export const messageJob = z.object({ businessId: z.uuid(), messageId: z.uuid() });

/** Inside the tenant's transaction: no commit, no job. */
const enqueue = (tx: Tenant, queue: string, job: object, from: Date = new Date()) =>
  tx.execute(
    sql`insert into jobs.job (name, data, retry_limit, retry_delay, retry_backoff, start_after) select ${queue}, ${JSON.stringify(job)}::jsonb, 3, 10, true, ${from.toISOString()}::timestamptz where exists (select 1 from jobs.queue where name = ${queue})`,
  );

/** Puts the making of a sheet into the queue. */
export const enqueueSheet = (tx: Tenant, job: z.infer<typeof sheetJob>) => enqueue(tx, SHEET_QUEUE, job);
/** Puts an import into the queue. */
export const enqueueImport = (tx: Tenant, job: z.infer<typeof importJob>) => enqueue(tx, IMPORT_QUEUE, job);

/** Puts the sending of a message into the queue, now or later. */
export const enqueueMessage = (tx: Tenant, job: z.infer<typeof messageJob>, from?: Date) =>
  enqueue(tx, MESSAGE_QUEUE, job, from);
