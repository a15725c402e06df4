import type { Interval } from '@dewpond/core/rhythm';
import { useCallback, useEffect, useRef, useState } from 'react';
import { call } from '../../../api/call';
import type { BookCount, BookQuestion, DaysTried, LinesCounted, SchoolTried } from './bookWorker';

interface Counts {
  readonly tried: Readonly<Record<string, SchoolTried>>;
  /** For how many dogs each line of the table of washes, and each row that says how often, decides. */
  readonly decides: LinesCounted['decides'];
  /** The days that were tried last. */
  readonly days: DaysTried | null;
}
export interface BookChanges extends Counts {
  /** Counts the plans that other days for a row would change. */
  readonly tryDays: (row: string, set: Interval | null) => void;
}
const NOTHING: Counts = { tried: {}, decides: {}, days: null };
export const triedKey = (question: string, school: string): string => `${question}: ${school}`;

function counted(counts: Counts, data: BookCount): Counts {
  switch (data.kind) {
    case 'school':
      return { ...counts, tried: { ...counts.tried, [triedKey(data.question, data.school)]: data } };
    case 'lines':
      return { ...counts, decides: data.decides };
    case 'days':
      return { ...counts, days: data };
  }
}

/**
 * How many plans of the whole book each school would change, and other days for a row. The book comes in page by page and
 * is tried in a worker; counts grow as it does. Another version of the business begins anew.
 */
export function useBookChanges(version: number): BookChanges {
  const [counts, setCounts] = useState<{ readonly of: number; readonly counts: Counts }>({ of: 0, counts: NOTHING });
  const ask = useRef<((question: BookQuestion) => void) | null>(null);
  useEffect(() => {
    if (typeof Worker === 'undefined') return;
    const left = new AbortController();
    const worker = new Worker(new URL('./bookWorker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<BookCount>) =>
      setCounts((before) => ({
        of: version,
        counts: counted(before.of === version ? before.counts : NOTHING, data),
      }));
    ask.current = (question) => worker.postMessage(question);
    // Away from the network there is no count; the choice is there all the same.
    readBook((facts) => ask.current?.({ kind: 'page', facts }), left.signal).catch(() => undefined);
    return () => {
      left.abort();
      ask.current = null;
      worker.terminate();
    };
  }, [version]);
  const tryDays = useCallback<BookChanges['tryDays']>((row, set) => ask.current?.({ kind: 'days', row, set }), []);
  return { ...(counts.of === version ? counts.counts : NOTHING), tryDays };
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
