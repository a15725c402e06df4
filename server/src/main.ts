import type { Server } from 'node:http';
import { pino } from 'pino';
import { makeApp } from './app';
import { readConfig } from './platform/config/config';
import { assertSchema } from './platform/db/assertSchema';
import { connect } from './platform/db/connect';
import type { Services } from './platform/http/context';
import { workers } from './jobs';
import { startJobs } from './platform/jobs/jobs';
import { openPost } from './platform/post/post';
import { closePools } from './platform/threads/pool';
import { listenForVisits } from './platform/live/news';

const config = readConfig();
// Nothing that serves needs it.
delete process.env['OWNER_PASSWORD'];
const log = pino({ level: config.LOG_LEVEL });
const databases = connect(config);
await assertSchema(databases);
const services: Services = {
  databases,
  now: () => Date.now(),
  news: listenForVisits(databases, log),
  site: { publicUrl: config.PUBLIC_URL, key: config.AUTH_SECRET, tellsBackups: config.BACKUPS === 'told' },
  post: openPost(config),
};
const stopJobs = config.PROCESS === 'web' ? null : await startJobs(config, workers(services), log);
// The scripts wait for this line.
const ready = () => void process.send?.('listening');
const server = config.PROCESS === 'worker' ? null : serve();
if (!server) ready();

function serve(): Server {
  return makeApp(config, services, log).listen(config.PORT, config.HOST, (error) => {
    if (error) {
      log.error({ reason: error.message }, 'cannot listen');
      process.exit(1);
    }
    ready();
    log.info({ port: config.PORT }, 'listening');
  });
}

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  server?.close();
  server?.closeAllConnections();
  await Promise.all([services.news.stop(), stopJobs?.().catch(() => undefined), closePools()]);
  await Promise.all(databases.pools.map((pool) => pool.end()));
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop());
process.on('disconnect', () => void stop());
