import PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import type { Config } from '../config';
import { openPool } from '../db/connect';
import type { BusinessId } from '../db/tenant';
import type { Services } from '../http/context';
import { runImport } from '../imports/runImport';
import { sendMessage } from '../messages/sendMessage';
import { keepSheet } from '../sheet/keepSheet';
import { IMPORT_QUEUE, MESSAGE_QUEUE, SHEET_QUEUE, importJob, messageJob, sheetJob } from './enqueue';

/** Starts the worker; returns how to stop it. The worker opens a tenant transaction of its own for every job. */
export async function startJobs(config: Config, services: Services, log: Logger): Promise<() => Promise<void>> {
  const pool = openPool(config, 'jobs', 2);
  const boss = new PgBoss({
    // Its own connections would take the process down when they break.
    db: { executeSql: (text: string, values: unknown[]) => pool.query(text, values) },
    schema: 'jobs',
    migrate: false,
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
  return async () => {
    await boss.stop({ graceful: true, timeout: 3000 });
    await pool.end();
  };
}
