import { fileURLToPath } from 'node:url';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { readMigrationFiles } from 'drizzle-orm/migrator';
import pg from 'pg';
import PgBoss from 'pg-boss';
import type { Config } from '../config/config';
import { connectionString, tlsOf } from './connect';

const ROLES = ['app', 'auth', 'jobs'] as const;
const RIGHTS = 'login nosuperuser nobypassrls nocreatedb nocreaterole';
/** Two that start at once wait for each other: any number, the same for all. */
const LOCK = 4_310_054;
/** PostgreSQL says so where something is not allowed. */
const NOT_ALLOWED = '42501';

/** What has to be done by somebody with more rights, as SQL to hand over. */
export class NeedsAdministrator extends Error {
  constructor(readonly statements: readonly string[]) {
    super(
      `The owner of this database may not make roles. Give this to its administrator, then start again:\n\n${statements.join('\n')}\n`,
    );
  }
}

/** A database that a newer version has changed: an older one leaves it alone. */
export class NewerDatabase extends Error {
  constructor(database: number, own: number) {
    super(
      `This database is of a newer version of Dewpond (${database} changes, this version knows ${own}). Nothing was changed. Start the newer version, or restore a backup of before.`,
    );
  }
}

/**
 * Brings roles and tables up to date, as the owner, who need be no superuser. Whoever else does the same waits. Roles can
 * neither bypass row security nor create anything; passwords are set each time, so that the settings are the truth. Throws
 * {@link NeedsAdministrator} where the owner may not make them, {@link NewerDatabase} where a newer version was here.
 */
export async function migrateDatabase(config: Config, migrations = migrationsFolder()): Promise<void> {
  const client = new pg.Client({ connectionString: connectionString(config, 'owner'), ssl: tlsOf(config) });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [LOCK]);
    await assertNotNewer(client, migrations);
    await ensureRoles(client, config);
    await migrate(drizzle(client), { migrationsFolder: migrations, migrationsSchema: 'migrations' });
    // Whoever serves looks whether these are its own tables.
    await client.query('grant usage on schema migrations to dewpond_app');
    await client.query('grant select on migrations.__drizzle_migrations to dewpond_app');
    await ensureJobs(client);
    await letOwnerThrough(client);
  } finally {
    await client.end();
  }
}

export const migrationsFolder = (): string =>
  process.env['MIGRATIONS'] ?? fileURLToPath(new URL('../../../drizzle', import.meta.url));

/** How many changes a database has had; 0: it is empty. */
export async function changesOf(client: Pick<pg.Client, 'query'> | pg.Pool): Promise<number> {
  const { rows: found } = await client.query<{ known: boolean }>(
    `select to_regclass('migrations.__drizzle_migrations') is not null as known`,
  );
  if (!found[0]?.known) return 0;
  const { rows } = await client.query<{ n: number }>('select count(*)::int as n from migrations.__drizzle_migrations');
  return rows[0]?.n ?? 0;
}

/** How many this version knows. */
export const changesKnown = (migrations = migrationsFolder()): number =>
  readMigrationFiles({ migrationsFolder: migrations }).length;

async function assertNotNewer(client: pg.Client, migrations: string): Promise<void> {
  const [database, own] = [await changesOf(client), changesKnown(migrations)];
  if (database > own) throw new NewerDatabase(database, own);
}

async function ensureRoles(client: pg.Client, config: Config): Promise<void> {
  const passwords = { app: config.APP_PASSWORD, auth: config.AUTH_PASSWORD, jobs: config.JOBS_PASSWORD };
  const statements = [];
  for (const role of ROLES) {
    const name = `dewpond_${role}`;
    const { rows } = await client.query<{ above: boolean }>(
      'select rolsuper or rolbypassrls as above from pg_roles where rolname = $1',
      [name],
    );
    if (rows[0]?.above)
      throw new Error(`The role ${name} may see every business. Take that from it: alter role ${name} ${RIGHTS}.`);
    const password = client.escapeLiteral(passwords[role]);
    statements.push(
      rows.length > 0
        ? `alter role ${name} with password ${password};`
        : `create role ${name} with ${RIGHTS} password ${password};`,
    );
  }
  if (!(await mayMakeRoles(client))) {
    // Made by an administrator: what they are is his business.
    if (statements.every((each) => each.startsWith('alter'))) return;
    const { user, database } = client;
    const grants = [
      `grant dewpond_jobs to ${client.escapeIdentifier(user ?? '')};`,
      `grant create on database ${client.escapeIdentifier(database ?? '')} to ${client.escapeIdentifier(user ?? '')};`,
    ];
    throw new NeedsAdministrator([...statements, ...grants]);
  }
  for (const each of statements) await client.query(each);
  await client.query('revoke create on schema public from public').catch((error: { code?: string }) => {
    // The schema is an administrator's; without a role that may create there nothing is lost.
    if (error.code !== NOT_ALLOWED) throw error;
  });
}

async function mayMakeRoles(client: pg.Client): Promise<boolean> {
  const { rows } = await client.query<{ may: boolean }>(
    'select rolsuper or rolcreaterole as may from pg_roles where rolname = current_user',
  );
  return rows[0]?.may ?? false;
}

const isSuperuser = async (client: pg.Client): Promise<boolean> =>
  (
    await client.query<{ is: boolean }>(
      'select rolsuper or rolbypassrls as is from pg_roles where rolname = current_user',
    )
  ).rows[0]?.is ?? false;

/**
 * Row security is forced, so that not even the owner slips past by mistake. An owner that is no superuser has to be let
 * through by name: else the next migration would move no rows, and say nothing.
 */
async function letOwnerThrough(client: pg.Client): Promise<void> {
  if (await isSuperuser(client)) return;
  const { rows } = await client.query<{ name: string }>(
    `select c.relname as name from pg_class c join pg_namespace n on n.oid = c.relnamespace
     where n.nspname = 'dewpond' and c.relkind in ('r', 'p') and c.relrowsecurity
       and not exists (select from pg_policy p where p.polrelid = c.oid and p.polname = 'owner_moves_rows')`,
  );
  for (const { name } of rows)
    await client.query(
      `create policy owner_moves_rows on dewpond.${client.escapeIdentifier(name)} to current_user using (true) with check (true)`,
    );
}

/** The queue has a schema and a role of its own; the app may put ids in, and read nothing else. */
async function ensureJobs(client: pg.Client): Promise<void> {
  const { rows } = await client.query<{ made: boolean }>(`select to_regclass('jobs.version') is not null as made`);
  if (rows[0]?.made) return;
  const plans = PgBoss.getConstructionPlans('jobs').replace(/CREATE SCHEMA IF NOT EXISTS jobs\s*;/i, '');
  if (!(await isSuperuser(client))) await client.query('grant dewpond_jobs to current_user').catch(() => undefined);
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
  await client.query('set role dewpond_jobs');
  await client.query('grant usage on schema jobs to dewpond_app');
  await client.query('grant insert, select (id) on jobs.job to dewpond_app');
  await client.query('grant select on jobs.queue to dewpond_app');
  await client.query('reset role');
}
