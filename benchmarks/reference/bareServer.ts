import { readFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import express from 'express';
import pg from 'pg';

/**
 * Bare Express and pg: for each recorded call a handler that asks the same statements, prepared, those of one round trip
 * in one, and sends the same bytes. What the application's own handlers are measured against.
 */
export interface RecordedCall {
  readonly path: string;
  /** A write: what is new in each call, and stands anew for this in its statements; null: a read. */
  readonly anew: string | null;
  readonly body: string;
  readonly statements: readonly {
    readonly round: number;
    readonly role: 'app' | 'auth';
    readonly text: string;
    readonly values: readonly unknown[];
  }[];
}

const [file = '', port = '0'] = process.argv.slice(2);
const calls = JSON.parse(readFileSync(file, 'utf8')) as readonly RecordedCall[];
const { env } = process;
const pool = (role: 'app' | 'auth', password: string | undefined) => {
  const host = env['DATABASE_HOST'] ?? '127.0.0.1';
  const connectionString = `postgres://dewpond_${role}:${encodeURIComponent(password ?? '')}@${host}:${env['DATABASE_PORT']}/${env['DATABASE_NAME']}`;
  return new pg.Pool({ connectionString, max: 10, pipeline: true });
};
const pools = { app: pool('app', env['APP_PASSWORD']), auth: pool('auth', env['AUTH_PASSWORD']) };
const named = (text: string) => createHash('sha1').update(text).digest('hex').slice(0, 24);

const app = express();
for (const { path, anew, body, statements } of calls) {
  const rounds = [...new Set(statements.map(({ round }) => round))].map((round) =>
    statements
      .filter((each) => each.round === round)
      .map(({ role, text, values }) => ({ role, query: { name: named(text), text, values: [...values] } })),
  );
  const asked = (values: unknown[], id: string | undefined): unknown[] =>
    anew === null || id === undefined ? values : (JSON.parse(JSON.stringify(values).replaceAll(anew, id)) as unknown[]);
  app.all(path, express.json(), async (request, response) => {
    const { events } = (request.body ?? {}) as { events?: { id: string }[] };
    const id = events?.[0]?.id;
    const [ofApp, ofAuth] = await Promise.all([pools.app.connect(), pools.auth.connect()]);
    try {
      for (const round of rounds)
        await Promise.all(
          round.map(({ role, query }) =>
            (role === 'app' ? ofApp : ofAuth).query({ ...query, values: asked(query.values, id) }),
          ),
        );
    } finally {
      ofApp.release();
      ofAuth.release();
    }
    response.type('json').send(body);
  });
}
app.listen(Number(port), '127.0.0.1', () => process.send?.('listening'));
