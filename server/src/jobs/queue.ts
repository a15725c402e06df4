import PgBoss from 'pg-boss';
import { sql } from 'drizzle-orm';
import type { Logger } from 'pino';
import { z } from 'zod';
import type { Config } from '../config';
import { connectionString } from '../db/connect';
import type { BusinessId, Tenant } from '../db/tenant';
import type { Services } from '../http/context';
import { keepSheet } from '../sheet/keepSheet';

const SHEET_QUEUE = 'sheet-pdf';

/** A job carries ids, never data. */
const sheetJob = z.object({ businessId: z.uuid(), visitId: z.uuid() });

/** Puts the making of a sheet into the queue, inside the tenant's transaction: no close, no job. */
export async function enqueueSheet(tx: Tenant, job: z.infer<typeof sheetJob>): Promise<void> {
  await tx.execute(
    sql`insert into jobs.job (name, data, retry_limit, retry_delay, retry_backoff) select ${SHEET_QUEUE}, ${JSON.stringify(job)}::jsonb, 3, 10, true where exists (select 1 from jobs.queue where name = ${SHEET_QUEUE})`,
  );
}

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
  return () => boss.stop({ graceful: true, timeout: 3000 });
}
