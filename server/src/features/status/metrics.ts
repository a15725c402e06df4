import { timingSafeEqual } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { Router, type RequestHandler } from 'express';
import { drizzle } from 'drizzle-orm/node-postgres';
import { Counter, Gauge, Histogram, Registry, collectDefaultMetrics } from 'prom-client';
import type { Config } from '../../platform/config/config';
import { SLOW_MS, slowStatements } from '../../platform/db/client';
import { backupRun } from '../../platform/db/authSchema';
import type { Services } from '../../platform/http/context';
import { notFound } from '../../platform/http/problem';
import { queuesNow } from './routes';

/** Seconds; a tap at the table is meant to be answered within a tenth. */
const BUCKETS = [0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10];

/** Figures of this process and of the queues, as Prometheus reads them; behind a token. */
export function metrics(
  config: Config,
  { databases }: Services,
): { readonly count: RequestHandler; readonly router: Router } {
  const register = new Registry();
  collectDefaultMetrics({ register });
  const answered = new Histogram({
    name: 'dewpond_request_seconds',
    help: 'How long answers took, by address of the contract',
    labelNames: ['method', 'route', 'status'],
    buckets: BUCKETS,
    registers: [register],
  });
  const refused = new Counter({
    name: 'dewpond_refused_total',
    help: 'Answers that refused, by status',
    labelNames: ['status'],
    registers: [register],
  });
  const waiting = new Gauge({
    name: 'dewpond_queue_waiting',
    help: 'Jobs that wait or are worked off',
    labelNames: ['queue'],
    registers: [register],
  });
  const failed = new Gauge({
    name: 'dewpond_queue_failed',
    help: 'Jobs that were given up',
    labelNames: ['queue'],
    registers: [register],
  });
  const lag = new Gauge({
    name: 'dewpond_queue_lag_seconds',
    help: 'How long the oldest job that could begin has waited',
    labelNames: ['queue'],
    registers: [register],
  });
  const pool = new Gauge({
    name: 'dewpond_database_connections',
    help: 'Connections of this process',
    labelNames: ['state'],
    registers: [register],
  });
  const slow = new Gauge({
    name: 'dewpond_slow_statements_total',
    help: `Statements of this process that took longer than ${SLOW_MS} ms`,
    registers: [register],
  });
  const reads = new Gauge({
    name: 'dewpond_reads_total',
    help: 'Transactions of this process that only read, by where: at the standby, or at the primary although there is one',
    labelNames: ['from'],
    registers: [register],
  });
  const backup = new Gauge({
    name: 'dewpond_last_backup_timestamp_seconds',
    help: 'When the last good backup was made; 0: none was',
    registers: [register],
  });

  const gather = async () => {
    const queues = await queuesNow(drizzle(databases.app));
    for (const gauge of [waiting, failed, lag]) gauge.reset();
    for (const { queue, waiting: n, failed: lost, oldest } of queues) {
      waiting.set({ queue }, n);
      failed.set({ queue }, lost);
      lag.set({ queue }, oldest === null ? 0 : Math.max(0, (Date.now() - Date.parse(oldest)) / 1000));
    }
    const { totalCount, idleCount, waitingCount } = databases.app;
    slow.set(slowStatements.count);
    pool.set({ state: 'busy' }, totalCount - idleCount);
    pool.set({ state: 'idle' }, idleCount);
    pool.set({ state: 'asked for' }, waitingCount);
    for (const [from, n] of Object.entries(databases.standby?.reads ?? {})) reads.set({ from }, n);
    const [good] = await databases.auth
      .select({ at: sql<string | null>`max(${backupRun.at})` })
      .from(backupRun)
      .where(sql`${backupRun.isOk}`);
    backup.set(good?.at ? Date.parse(good.at) / 1000 : 0);
  };

  const router = Router();
  router.get('/metrics', async (request, response) => {
    if (!isShown(request.get('authorization') ?? '', config.METRICS_TOKEN)) throw notFound('address');
    await gather();
    response.type(register.contentType).send(await register.metrics());
  });
  const countCall: RequestHandler = (request, response, next) => {
    const end = answered.startTimer();
    response.once('finish', () => {
      const route = (request.route as { path?: string } | undefined)?.path;
      // What has no address of its own is one line: whoever asks for random ones fills no memory.
      end({ method: request.method, route: route ?? 'other', status: response.statusCode });
      if (response.statusCode >= 400) refused.inc({ status: response.statusCode });
    });
    next();
  };
  return { count: countCall, router };
}

function isShown(header: string, token: string): boolean {
  if (token === '') return false;
  const [given, wanted] = [Buffer.from(header), Buffer.from(`Bearer ${token}`)];
  return given.length === wanted.length && timingSafeEqual(given, wanted);
}
