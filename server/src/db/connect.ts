import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import type { Config } from '../config';
import * as authSchema from './authSchema';
import * as schema from './schema';

export type Role = 'owner' | 'app' | 'auth' | 'jobs';

export function connectionString(config: Config, role: Role): string {
  const password = {
    owner: config.OWNER_PASSWORD,
    app: config.APP_PASSWORD,
    auth: config.AUTH_PASSWORD,
    jobs: config.JOBS_PASSWORD,
  }[role];
  return `postgres://dewpond_${role}:${encodeURIComponent(password)}@${config.DATABASE_HOST}:${config.DATABASE_PORT}/${config.DATABASE_NAME}`;
}

/** The two doors to the database that the application uses; each has a role of its own. */
export interface Databases {
  readonly app: NodePgDatabase<typeof schema>;
  readonly auth: NodePgDatabase<typeof authSchema>;
  readonly pools: readonly pg.Pool[];
}

export function connect(config: Config): Databases {
  const pool = (role: Role, max: number) => {
    const made = new pg.Pool({ connectionString: connectionString(config, role), max, connectionTimeoutMillis: 5000 });
    // An idle connection that breaks must not take the process down; the next query reports it.
    made.on('error', () => undefined);
    return made;
  };
  const app = pool('app', 10);
  const auth = pool('auth', 5);
  return { app: drizzle(app, { schema }), auth: drizzle(auth, { schema: authSchema }), pools: [app, auth] };
}
