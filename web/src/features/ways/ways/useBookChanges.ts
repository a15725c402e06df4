import { useEffect, useState } from 'react';
import { call } from '../../../api/call';
import type { LinesCounted, SchoolTried } from './bookWorker';

export interface BookChanges {
  readonly tried: Readonly<Record<string, SchoolTried>>;
  /** For how many dogs each line of the table of washes decides. */
  readonly decides: LinesCounted['decides'];
}
const NOTHING: BookChanges = { tried: {}, decides: {} };
export const triedKey = (question: string, school: string): string => `${question}: ${school}`;

/**
 * How many plans of the whole book each school would change. The book comes in page by page and is tried in a worker;
 * counts grow as it does. Another version of the business begins anew.
 */
export function useBookChanges(version: number): BookChanges {
  const [counts, setCounts] = useState<{ readonly of: number; readonly changes: BookChanges }>({
    of: 0,
    changes: NOTHING,
  });
  useEffect(() => {
    if (typeof Worker === 'undefined') return;
    const left = new AbortController();
    const worker = new Worker(new URL('./bookWorker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<SchoolTried | LinesCounted>) =>
      setCounts(({ of, changes }) => {
        const { tried, decides } = of === version ? changes : NOTHING;
        return {
          of: version,
          changes:
            'decides' in data
              ? { tried, decides: data.decides }
              : { tried: { ...tried, [triedKey(data.question, data.school)]: data }, decides },
        };
      });
    // Away from the network there is no count; the choice is there all the same.
    readBook((items) => worker.postMessage(items), left.signal).catch(() => undefined);
    return () => {
      left.abort();
      worker.terminate();
    };
  }, [version]);
  return counts.of === version ? counts.changes : NOTHING;
}

type Page = Awaited<ReturnType<typeof call<'GET /api/book'>>>;

async function readBook(take: (items: Page['items']) => void, left: AbortSignal): Promise<void> {
  for (let after: string | null | undefined; after !== null && !left.aborted;) {
    const page: Page = await call('GET /api/book', after ? { query: { after } } : {});
    if (left.aborted) return;
    take(page.items);
    after = page.after;
  }
}
