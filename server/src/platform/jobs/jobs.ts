import { setTimeout } from 'node:timers/promises';
import { sql } from 'drizzle-orm';
import type pg from 'pg';
import PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import type { z } from 'zod';
import type { Config } from '../config/config';
import { isAway } from '../db/away';
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

const LOOK_AGAIN_MS = 500;
const TRIES = 20;

/**
 * A statement of the queue; where the database is away for a moment it is asked again. The queue's own statements can be
 * asked twice, and some of them it sends without looking whether they arrived: a failure there would end the process.
 */
async function askPatiently(pool: pg.Pool, text: string, values: unknown[], tries = TRIES): Promise<pg.QueryResult> {
  try {
    return await pool.query(text, values);
  } catch (error) {
    if (tries <= 1 || !isAway(error)) throw error;
    await setTimeout(LOOK_AGAIN_MS);
    return askPatiently(pool, text, values, tries - 1);
  }
}

async function untilThere(pool: pg.Pool, isOver: () => boolean): Promise<void> {
  while (!isOver())
    try {
      await pool.query('select 1');
      return;
    } catch {
      await setTimeout(LOOK_AGAIN_MS);
    }
}

/** Starts the workers; returns how to stop them. A worker opens a tenant transaction of its own for every job. */
export async function startJobs(config: Config, workers: readonly Worker[], log: Logger): Promise<() => Promise<void>> {
  const pool = openPool(config, 'jobs', 2);
  let isStopping = false;
  const boss = new PgBoss({
    // Its own connections would take the process down when they break.
    db: { executeSql: (text: string, values: unknown[]) => askPatiently(pool, text, values) },
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
      try {
        for (const job of jobs) await work(job.data);
      } catch (error) {
        // That a job failed is written down by the queue, which waits for no answer: not before there is a database again.
        if (isAway(error)) await untilThere(pool, () => isStopping);
        throw error;
      }
    });
  }
  return async () => {
    isStopping = true;
    await boss.stop({ graceful: true, timeout: 3000 });
    await pool.end();
  };
}
