import { useEffect, useState } from 'react';
import { call } from '../../api/call';
import { queryClient } from '../../data/queries';

/**
 * Has the server reckon what is due, piece by piece, while a large book is not done, then asks anew for what was shown
 * without it; returns how many dogs are left.
 */
export function useReckoning(waiting: number, shown: 'dogs' | 'stock'): number {
  const [left, setLeft] = useState<number | null>(null);
  useEffect(() => {
    if (waiting === 0) return;
    const until = new AbortController();
    const reckon = async () => {
      for (let rest = waiting; rest > 0 && !until.signal.aborted;) {
        rest = (await call('POST /api/book/reckon', { body: {} })).left;
        if (!until.signal.aborted) setLeft(rest);
      }
      if (!until.signal.aborted) await queryClient.invalidateQueries({ queryKey: [shown] });
    };
    // Away from the network the list stays as it is; it is tried again when the screen is opened anew.
    reckon().catch(() => undefined);
    return () => until.abort();
  }, [waiting, shown]);
  return waiting === 0 ? 0 : (left ?? waiting);
}
