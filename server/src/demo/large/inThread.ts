import { once } from 'node:events';
import { Worker } from 'node:worker_threads';
import type { ShareWorker } from './seedLarge';
import type { LargeShare } from './seedShare';

/** A share of the dogs is seeded in a thread of its own: each visit is played, judged and written as any other. */
export function inThread(share: LargeShare): ShareWorker {
  const thread = new Worker(new URL('./seedShare.js', import.meta.url), {
    workerData: share,
    // Fewer, larger sweeps of new objects.
    resourceLimits: { maxYoungGenerationSizeMb: 128 },
  });
  const ask = async (days: readonly string[] | null) => {
    thread.postMessage(days);
    const [{ why }] = (await once(thread, 'message')) as [{ readonly why: string | null }];
    if (why !== null) throw new Error(why);
  };
  return {
    week: (from, to) => ask([from, to]),
    end: async () => {
      await ask(null);
      await thread.terminate();
    },
  };
}
