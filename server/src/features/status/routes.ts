import type { StatusView } from '@dewpond/contract';
import { UNSURE_AFTER_MS } from '@dewpond/core/messages';
import { count, desc, eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { VERSION } from '../../platform/config/version';
import { backupRun } from '../../platform/db/authSchema';
import { changesOf } from '../../platform/db/migrate';
import { message } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { route } from '../../platform/http/route';

const STARTED = Date.now() - Math.round(process.uptime() * 1000);

interface QueueRow extends Record<string, unknown> {
  readonly queue: string;
  readonly waiting: number;
  readonly failed: number;
  readonly oldest: string | null;
}

export async function queuesNow(tx: Pick<Tenant, 'execute'>): Promise<StatusView['queues']> {
  const { rows } = await tx.execute<QueueRow>(sql`select * from accounts.queues() order by queue`);
  // The queue's own; they are no work of ours.
  return rows
    .filter(({ queue }) => !queue.startsWith('__'))
    .map(({ oldest, ...each }) => ({ ...each, oldest: oldest === null ? null : new Date(oldest).toISOString() }));
}

async function backupsNow({ databases, site }: Services): Promise<StatusView['backup']> {
  const runs = () => databases.auth.select().from(backupRun).orderBy(desc(backupRun.at)).limit(1);
  const [good] = await runs().where(eq(backupRun.isOk, true));
  const [last] = await runs();
  return {
    told: site.tellsBackups,
    good: good ? { at: good.at.toISOString(), bytes: good.bytes, seconds: good.seconds } : null,
    last: last ? { at: last.at.toISOString(), isOk: last.isOk, words: last.words } : null,
  };
}

/** How the installation is. `proxy` says what is wrong in front of it. */
export function statusRoutes(router: Router, services: Services, proxy: () => string | null): void {
  route(router, services, 'GET /api/status', async ({ tx, now }) => {
    const { rows: size } = await tx.execute<{ bytes: string }>(
      sql`select pg_database_size(current_database())::text as bytes`,
    );
    // What was taken and never heard of again is unsure, though nobody has written so yet.
    const unheardOfSince = new Date(now - UNSURE_AFTER_MS);
    const state = sql<string>`case when ${message.state} = 'sending' and ${message.takenAt} < ${unheardOfSince} then 'unsure' else ${message.state} end`;
    const states = await tx
      .select({ state, n: count() })
      .from(message)
      .groupBy(sql`1`);
    const inState = (state: string) => states.find((each) => each.state === state)?.n ?? 0;
    return {
      version: VERSION,
      changes: await changesOf(services.databases.pulse),
      since: new Date(STARTED).toISOString(),
      databaseBytes: Number(size[0]?.bytes ?? 0),
      backup: await backupsNow(services),
      queues: await queuesNow(tx),
      messages: { waiting: inState('waiting'), failed: inState('failed'), unsure: inState('unsure') },
      proxy: proxy(),
      now: new Date(now).toISOString(),
    };
  });
}
