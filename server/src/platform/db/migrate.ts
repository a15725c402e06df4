import { fileURLToPath } from 'node:url';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import PgBoss from 'pg-boss';
import type { Config } from '../config/config';
import { connectionString } from './connect';

const ROLES = ['app', 'auth', 'jobs'] as const;

/**
 * Brings roles and tables up to date, as the owner. Roles can neither bypass row security nor create anything;
 * passwords are set each time, so that the settings are the truth.
 */
export async function migrateDatabase(config: Config, migrations = migrationsFolder()): Promise<void> {
  const client = new pg.Client({ connectionString: connectionString(config, 'owner') });
  await client.connect();
  try {
    await ensureRoles(client, config);
    await migrate(drizzle(client), { migrationsFolder: migrations, migrationsSchema: 'migrations' });
    await ensureJobs(client);
  } finally {
    await client.end();
  }
}

const migrationsFolder = (): string =>
  process.env['MIGRATIONS'] ?? fileURLToPath(new URL('../../../drizzle', import.meta.url));

async function ensureRoles(client: pg.Client, config: Config): Promise<void> {
  const passwords = { app: config.APP_PASSWORD, auth: config.AUTH_PASSWORD, jobs: config.JOBS_PASSWORD };
  for (const role of ROLES) {
    const name = `dewpond_${role}`;
    const { rowCount } = await client.query('select 1 from pg_roles where rolname = $1', [name]);
    const password = client.escapeLiteral(passwords[role]);
    const rights = 'login nosuperuser nobypassrls nocreatedb nocreaterole';
    await client.query(`${rowCount ? 'alter' : 'create'} role ${name} with ${rights} password ${password}`);
  }
  await client.query(`revoke create on schema public from public`);
}

/** The queue has a schema and a role of its own; the app may put ids in, and read nothing else. */
async function ensureJobs(client: pg.Client): Promise<void> {
  const { rows } = await client.query<{ made: boolean }>(`select to_regclass('jobs.version') is not null as made`);
  if (rows[0]?.made) return;
  const plans = PgBoss.getConstructionPlans('jobs').replace(/CREATE SCHEMA IF NOT EXISTS jobs\s*;/i, '');
  await client.query('create schema if not exists jobs authorization dewpond_jobs');
  await client.query('set role dewpond_jobs');
  try {
    await client.query(plans);
  } catch (error) {
    await client.query('rollback');
    throw error;
  } finally {
    await client.query('reset role');
  }
  await client.query('grant usage on schema jobs to dewpond_app');
  await client.query('grant insert, select (id) on jobs.job to dewpond_app');
  await client.query('grant select on jobs.queue to dewpond_app');
}
