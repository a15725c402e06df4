import { readFileSync } from 'node:fs';
import type { ConnectionOptions } from 'node:tls';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import type { Config } from '../config/config';
import * as authSchema from './authSchema';
import { clientFor } from './client';
import { Standby } from './standby';

export type DatabaseRole = 'owner' | 'app' | 'auth' | 'jobs';

export function connectionString(config: Config, role: DatabaseRole): string {
  const password = {
    owner: config.OWNER_PASSWORD,
    app: config.APP_PASSWORD,
    auth: config.AUTH_PASSWORD,
    jobs: config.JOBS_PASSWORD,
  }[role];
  const name = role === 'owner' ? config.DATABASE_OWNER : `dewpond_${role}`;
  return `postgres://${encodeURIComponent(name)}:${encodeURIComponent(password)}@${config.DATABASE_HOST}:${config.DATABASE_PORT}/${config.DATABASE_NAME}`;
}

/** How the connection is secured; false: not at all, as over loopback. */
export function tlsOf({ DATABASE_TLS, DATABASE_CA }: Config): false | ConnectionOptions {
  if (DATABASE_TLS === 'off') return false;
  return {
    rejectUnauthorized: DATABASE_TLS === 'on',
    ...(DATABASE_CA === '' ? {} : { ca: readFileSync(DATABASE_CA, 'utf8') }),
  };
}

/** The two doors to the database that the application uses; each has a role of its own. */
export interface Databases {
  readonly app: pg.Pool;
  readonly auth: NodePgDatabase<typeof authSchema>;
  readonly pools: readonly pg.Pool[];
  /** To the database itself, past any pooler: what listens keeps its connection. */
  readonly direct: pg.Pool;
  /** What follows the database written to, for reads; null: there is none. */
  readonly standby: Standby | null;
  /** One connection that serves nobody, so that asking whether the database is there waits for nobody. */
  readonly pulse: pg.Pool;
}

/** Whoever waits for a free connection waits for others' work, not for a database that is away: as long as a browser would. */
const QUEUEING_MS = 60_000;

/** Whoever finds no connection to the standby so soon reads at the primary. */
const STANDBY_MS = 500;

/** Connections of one role. None of them takes the process down when it breaks, idle or in the middle of a query. */
export function openPool(config: Config, role: DatabaseRole, max: number, queueingMs = QUEUEING_MS): pg.Pool {
  const pool = new pg.Pool({
    Client: clientFor(config.PREPARED_STATEMENTS),
    connectionString: connectionString(config, role),
    ssl: tlsOf(config),
    max,
    connectionTimeoutMillis: queueingMs,
  });
  // The next query reports it.
  pool.on('error', () => undefined);
  // A client that is taken out has no listener of its own; its query fails, and the pool throws it away.
  pool.on('connect', (client) => client.on('error', () => undefined));
  return pool;
}

export function connect(config: Config): Databases {
  const app = openPool(config, 'app', 10);
  const auth = openPool(config, 'auth', 5);
  const pulse = openPool(config, 'app', 1);
  const { LISTEN_HOST, LISTEN_PORT, READ_HOST, READ_PORT } = config;
  const direct = openPool(
    {
      ...config,
      DATABASE_HOST: LISTEN_HOST === '' ? config.DATABASE_HOST : LISTEN_HOST,
      DATABASE_PORT: LISTEN_PORT ?? config.DATABASE_PORT,
    },
    'app',
    1,
  );
  const reads =
    READ_HOST === ''
      ? null
      : {
          position: openPool(config, 'app', 2),
          rows: openPool({ ...config, DATABASE_HOST: READ_HOST, DATABASE_PORT: READ_PORT }, 'app', 10, STANDBY_MS),
        };
  return {
    app,
    auth: drizzle(auth, { schema: authSchema }),
    pools: [app, auth, pulse, direct, ...(reads ? [reads.position, reads.rows] : [])],
    standby: reads && new Standby(reads.position, reads.rows),
    direct,
    pulse,
  };
}

const PATIENCE_MS = 1000;

/** Whether the database answers within a second, however much the application has to do. */
export async function isAlive({ pulse }: Databases): Promise<boolean> {
  const patience = new Promise<boolean>((done) => setTimeout(() => done(false), PATIENCE_MS).unref());
  const answered = pulse.query('select 1').then(
    () => true,
    () => false,
  );
  return Promise.race([answered, patience]);
}
