import { pino } from 'pino';
import { makeApp } from './app';
import { readConfig } from './config';
import { connect } from './db/connect';
import type { Services } from './http/context';
import { startJobs } from './jobs/queue';
import { openPost } from './messages/post';
import { closePool } from './heavy/pool';
import { listenForVisits } from './live/visitNews';

const config = readConfig();
const log = pino({ level: config.LOG_LEVEL });
const databases = connect(config);
const services: Services = {
  databases,
  now: () => Date.now(),
  news: listenForVisits(databases, log),
  links: { publicUrl: config.PUBLIC_URL, key: config.AUTH_SECRET },
  post: openPost(config),
};
const stopJobs = await startJobs(config, services, log);
const server = makeApp(config, services, log).listen(config.PORT, config.HOST, (error) => {
  if (error) {
    log.error({ reason: error.message }, 'cannot listen');
    process.exit(1);
  }
  // The scripts wait for this line.
  process.send?.('listening');
  log.info({ port: config.PORT }, 'listening');
});

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  server.close();
  server.closeAllConnections();
  await Promise.all([services.news.stop(), stopJobs().catch(() => undefined), closePool()]);
  await Promise.all(databases.pools.map((pool) => pool.end()));
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop());
process.on('disconnect', () => void stop());
