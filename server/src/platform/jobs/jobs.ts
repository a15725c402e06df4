import { sql } from 'drizzle-orm';
import PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import type { z } from 'zod';
import type { Config } from '../config/config';
import { openPool } from '../db/connect';
import type { Tenant } from '../db/tenant';

/** A kind of work for later: its queue, and what a job of it carries: ids, never data. */
export interface JobKind<Ids> {
  readonly queue: string;
  readonly ids: z.ZodType<Ids>;
  /** How often the queue is looked at, and how many jobs are taken at once. */
  readonly everySeconds: number;
  readonly atOnce: number;
  /** Put into its queue by the clock, once for all processes: a cron expression, in UTC. */
  readonly byClock?: string;
  /** One job that waits does for all who ask for the same; this tells what is the same. */
  readonly oncePer?: (ids: Ids) => string;
}

/** Puts a job into its queue inside the tenant's transaction, now or for later: no commit, no job. */
export function enqueue<Ids>(tx: Tenant, { queue, oncePer }: JobKind<Ids>, ids: Ids, from: Date = new Date()) {
  // What waits under policy "short" is there once for its key.
  const [policy, key] = oncePer === undefined ? [null, null] : ['short', oncePer(ids)];
  return tx.execute(
    sql`insert into jobs.job (name, data, retry_limit, retry_delay, retry_backoff, start_after, policy, singleton_key) select ${queue}, ${JSON.stringify(ids)}::jsonb, 3, 10, true, ${from.toISOString()}::timestamptz, ${policy}, ${key} where exists (select 1 from jobs.queue where name = ${queue}) on conflict do nothing`,
  );
}

/** A kind of job with who does it. */
export interface Worker {
  readonly kind: Pick<JobKind<unknown>, 'queue' | 'everySeconds' | 'atOnce' | 'byClock'>;
  readonly work: (data: unknown) => Promise<void>;
}

export const worker = <Ids>(kind: JobKind<Ids>, work: (ids: Ids) => Promise<unknown>): Worker => ({
  kind,
  work: async (data) => void (await work(kind.ids.parse(data))),
});

/** Starts the workers; returns how to stop them. A worker opens a tenant transaction of its own for every job. */
export async function startJobs(config: Config, workers: readonly Worker[], log: Logger): Promise<() => Promise<void>> {
  const pool = openPool(config, 'jobs', 2);
  const boss = new PgBoss({
    // Its own connections would take the process down when they break.
    db: { executeSql: (text: string, values: unknown[]) => pool.query(text, values) },
    schema: 'jobs',
    migrate: false,
    schedule: true,
  });
  boss.on('error', (error) => {
    log.warn({ reason: error.message }, 'the job queue has trouble');
  });
  await boss.start();
  for (const { kind, work } of workers) {
    await boss.createQueue(kind.queue);
    if (kind.byClock !== undefined) await boss.schedule(kind.queue, kind.byClock, {});
    await boss.work(kind.queue, { pollingIntervalSeconds: kind.everySeconds, batchSize: kind.atOnce }, async (jobs) => {
      for (const job of jobs) await work(job.data);
    });
  }
  return async () => {
    await boss.stop({ graceful: true, timeout: 3000 });
    await pool.end();
  };
}
