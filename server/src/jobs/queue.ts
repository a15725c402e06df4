import PgBoss from 'pg-boss';
import { sql } from 'drizzle-orm';
import type { Logger } from 'pino';
import { z } from 'zod';
import type { Config } from '../config';
import { connectionString } from '../db/connect';
import type { BusinessId, Tenant } from '../db/tenant';
import type { Services } from '../http/context';
import { runImport } from '../imports/runImport';
import { sendMessage } from '../messages/sendMessage';
import { keepSheet } from '../sheet/keepSheet';

const SHEET_QUEUE = 'sheet-pdf';
const IMPORT_QUEUE = 'book-import';
const MESSAGE_QUEUE = 'message-send';

/** A job carries ids, never data. */
const sheetJob = z.object({ businessId: z.uuid(), visitId: z.uuid() });
const importJob = z.object({ businessId: z.uuid(), importId: z.uuid() });
const messageJob = z.object({ businessId: z.uuid(), messageId: z.uuid() });

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

/** Starts the worker; returns how to stop it. The worker opens a tenant transaction of its own for every job. */
export async function startJobs(config: Config, services: Services, log: Logger): Promise<() => Promise<void>> {
  const boss = new PgBoss({
    connectionString: connectionString(config, 'jobs'),
    schema: 'jobs',
    migrate: false,
    max: 2,
    schedule: false,
  });
  boss.on('error', (error) => {
    log.warn({ reason: error.message }, 'the job queue has trouble');
  });
  await boss.start();
  await boss.createQueue(SHEET_QUEUE);
  await boss.work(SHEET_QUEUE, { pollingIntervalSeconds: 2 }, async (jobs) => {
    for (const job of jobs) {
      const { businessId, visitId } = sheetJob.parse(job.data);
      await keepSheet(services, businessId as BusinessId, visitId);
    }
  });
  await boss.createQueue(IMPORT_QUEUE);
  await boss.work(IMPORT_QUEUE, { pollingIntervalSeconds: 1 }, async (jobs) => {
    for (const job of jobs) {
      const { businessId, importId } = importJob.parse(job.data);
      await runImport(services, businessId as BusinessId, importId);
    }
  });
  await boss.createQueue(MESSAGE_QUEUE);
  await boss.work(MESSAGE_QUEUE, { pollingIntervalSeconds: 1, batchSize: 5 }, async (jobs) => {
    for (const job of jobs) {
      const { businessId, messageId } = messageJob.parse(job.data);
      await sendMessage(services, businessId as BusinessId, messageId);
    }
  });
  return () => boss.stop({ graceful: true, timeout: 3000 });
}
