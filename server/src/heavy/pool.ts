import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { busy } from '../http/problem';
import { passed, toPass } from './passing';
import type { Work, WorkKind } from './worker';

/** So many threads beside the one that serves, and so much may wait for them; then "not now" is the better answer. */
const THREADS = 2;
const MOST_WAITING = 40;

/** A thread runs the built file: beside the built server, or where the source is run from, in the folder of builds. */
const workerFile = (): string => {
  const beside = fileURLToPath(new URL('./worker.js', import.meta.url));
  return existsSync(beside) ? beside : fileURLToPath(new URL('../../dist/worker.js', import.meta.url));
};

let pool: Piscina | null = null;

const open = (): Piscina =>
  (pool ??= new Piscina({
    filename: workerFile(),
    minThreads: 0,
    maxThreads: THREADS,
    maxQueue: MOST_WAITING,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: 512 },
  }));

/** Does one piece of heavy work in a thread of its own. Throws 503 when too much waits already. */
export async function heavily<K extends WorkKind>(
  kind: K,
  given: Parameters<Work[K]>[0],
): Promise<Awaited<ReturnType<Work[K]>>> {
  const threads = open();
  if (threads.queueSize >= MOST_WAITING) throw busy('Much is being drawn just now. Try again in a moment.');
  return passed(await threads.run({ kind, given: toPass(given) })) as Awaited<ReturnType<Work[K]>>;
}

export async function closePool(): Promise<void> {
  const closing = pool;
  pool = null;
  await closing?.destroy();
}
