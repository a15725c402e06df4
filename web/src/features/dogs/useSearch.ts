import { useEffect, useMemo, useRef, useState } from 'react';
import type { SearchAsked, SearchFound } from '../../workers/searchWorker';
import { findDogs, indexDogs, type Findable } from './findDogs';

/** So few are indexed quicker than a worker is started. */
const SMALL_BOOK = 500;

/** Ids that fit the words, best first; null: all. A large book is indexed and searched in a worker, and typing never waits. */
export function useSearch(items: readonly Findable[], words: string): readonly string[] | null {
  const large = items.length > SMALL_BOOK && typeof Worker !== 'undefined';
  const here = useMemo(() => (large ? null : indexDogs(items)), [items, large]);
  const worker = useRef<Worker | null>(null);
  const [found, setFound] = useState<SearchFound>({ n: 0, ids: null });
  const asked = useRef(0);
  useEffect(() => {
    if (!large) return;
    const started = new Worker(new URL('../../workers/searchWorker.ts', import.meta.url), { type: 'module' });
    // An answer to an older question is not shown over a newer one.
    started.onmessage = ({ data }: MessageEvent<SearchFound>) => data.n === asked.current && setFound(data);
    started.postMessage({ kind: 'index', items } satisfies SearchAsked);
    worker.current = started;
    return () => started.terminate();
  }, [items, large]);
  useEffect(() => {
    if (!large) return;
    asked.current += 1;
    worker.current?.postMessage({ kind: 'find', n: asked.current, words } satisfies SearchAsked);
  }, [words, large, items]);
  return useMemo(() => (here ? findDogs(here, words) : found.ids), [here, words, found]);
}
