import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { call } from '../../api/call';
import type { SchoolTried } from '../../workers/bookWorker';

export type BookChanges = Readonly<Record<string, SchoolTried>>;
export const triedKey = (question: string, school: string): string => `${question}: ${school}`;

/** How many plans of the whole book each school would change; counts come in one by one from a worker. */
export function useBookChanges(version: number): BookChanges {
  const { data } = useQuery({ queryKey: ['book', version], queryFn: () => call('GET /api/book') });
  const [counts, setCounts] = useState<{ readonly of: unknown; readonly changes: BookChanges }>({
    of: null,
    changes: {},
  });
  useEffect(() => {
    if (!data || typeof Worker === 'undefined') return;
    const worker = new Worker(new URL('../../workers/bookWorker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data: tried }: MessageEvent<SchoolTried>) =>
      setCounts(({ of, changes }) => ({
        of: data,
        changes: { ...(of === data ? changes : {}), [triedKey(tried.question, tried.school)]: tried },
      }));
    worker.postMessage(data.items);
    return () => worker.terminate();
  }, [data]);
  return counts.of === data ? counts.changes : {};
}
