import { sql } from 'drizzle-orm';
import request from 'supertest';
import { expect, test } from 'vitest';
import pg from 'pg';
import { makeApp } from '../app';
import { connectionString } from '../platform/db/connect';
import { inTenant } from '../platform/db/tenant';
import { backupOld } from '../records/business/oldBackup';
import { bareApp, config, databases, log, openSalon, services } from './salon';

const owner = async <T extends object>(text: string, values: unknown[] = []) => {
  const client = new pg.Client({ connectionString: connectionString(config, 'owner') });
  await client.connect();
  return client.query<T>(text, values).finally(() => client.end());
};

test('the status says of backups what the command wrote down', async () => {
  const salon = await openSalon();
  const before = await salon.call('GET /api/status');
  expect(before.body).toMatchObject({ version: expect.any(String), proxy: null, messages: { failed: 0 } });
  expect(before.body.databaseBytes).toBeGreaterThan(1e6);
  await owner('insert into auth.backup_run (bytes, seconds, is_ok, words) values (5, 1, true, $1)', ['']);
  await owner('insert into auth.backup_run (bytes, seconds, is_ok, words) values (0, 1, false, $1)', ['No space']);
  expect((await salon.call('GET /api/status')).body.backup).toMatchObject({
    good: { bytes: 5 },
    last: { isOk: false, words: 'No space' },
  });
  expect((await salon.call('GET /api/session')).body.backupOld).toBeNull();
  await owner(`update auth.backup_run set at = now() - interval '5 days'`);
  expect((await salon.call('GET /api/session')).body.backupOld).toBe(5);
  const bather = await openSalon('bather');
  expect((await bather.call('GET /api/session')).body.backupOld).toBeNull();
  expect((await bather.call('GET /api/status')).status).toBe(403);
  await owner('delete from auth.backup_run');
});

test('a business that never had a backup is told after its first days', () => {
  const now = Date.parse('2026-11-25T09:00:00Z');
  expect(backupOld(null, '2026-11-24T09:00:00Z', now)).toBeNull();
  expect(backupOld(null, '2026-11-20T09:00:00Z', now)).toBe(5);
  expect(backupOld('2026-11-24T09:00:00Z', '2026-01-01T09:00:00Z', now)).toBeNull();
  // As soon as the status calls it old, and not before.
  expect(backupOld('2026-11-23T09:00:00Z', null, now)).toBeNull();
  expect(backupOld('2026-11-23T08:59:00Z', null, now)).toBe(2);
  expect(backupOld(null, null, now)).toBeNull();
});

test('metrics are for whoever shows the token, and name no address that somebody made up', async () => {
  expect((await request(bareApp).get('/metrics')).status).toBe(404);
  const app = makeApp({ ...config, METRICS_TOKEN: 'a-token-for-metrics' }, services, log);
  await request(app).get('/api/health');
  await request(app).get('/api/nobody-ever-served-this');
  expect((await request(app).get('/metrics').set('Authorization', 'Bearer another')).status).toBe(404);
  const { text, status } = await request(app).get('/metrics').set('Authorization', 'Bearer a-token-for-metrics');
  expect(status).toBe(200);
  expect(text).toMatch(/dewpond_request_seconds_count\{method="GET",route="\/api\/health",status="200"\} 1/);
  expect(text).toMatch(/dewpond_refused_total\{status="404"\}/);
  expect(text).toMatch(/dewpond_database_connections\{state="idle"\} \d/);
  expect(text).not.toMatch(/nobody-ever/);
});

test('who starts and stops processes is told whether this one lives and can answer', async () => {
  expect((await request(bareApp).get('/api/health/live')).body).toEqual({ status: 'ok' });
  expect((await request(bareApp).get('/api/health/ready')).body).toEqual({ status: 'ok' });
});

test('a slow statement is counted, and its log says what was asked and not about whom', async () => {
  const shown = async (): Promise<number> => {
    const app = makeApp({ ...config, METRICS_TOKEN: 'a-token-for-metrics' }, services, log);
    const { text } = await request(app).get('/metrics').set('Authorization', 'Bearer a-token-for-metrics');
    return Number(/^dewpond_slow_statements_total (\d+)$/m.exec(text)?.[1]);
  };
  const before = await shown();
  const salon = await openSalon();
  await inTenant(databases, salon.businessId, (tx) => tx.execute(sql`select pg_sleep(0.6), ${'Quillfeather'}::text`));
  expect((await shown()) - before).toBeGreaterThanOrEqual(1);
  const settings = await databases.app.query<{ name: string; setting: string }>(
    `select name, setting from pg_settings where name in ('log_min_duration_statement', 'log_parameter_max_length', 'log_parameter_max_length_on_error') order by name`,
  );
  expect(settings.rows.map(({ setting }) => setting)).toEqual(['500', '0', '0']);
});
