import { useEffect, useMemo, useRef, useState } from 'react';
import type { SearchAsked, SearchFound } from './searchWorker';
import { findDogs, indexDogs, type Findable } from './findDogs';

/** So few are indexed quicker than a worker is started. */
const SMALL_BOOK = 500;

/**
 * Those that fit the words, best first; null: all. A large book is indexed and searched in a worker, and typing never
 * waits.
 */
export function useSearch<T extends Findable>(items: readonly T[], words: string): readonly T[] | null {
  const large = items.length > SMALL_BOOK && typeof Worker !== 'undefined';
  const here = useMemo(() => (large ? null : indexDogs(items)), [items, large]);
  const worker = useRef<Worker | null>(null);
  const [found, setFound] = useState<SearchFound & { readonly of: readonly T[] }>({ n: 0, places: null, of: items });
  const asked = useRef(0);
  useEffect(() => {
    if (!large) return;
    const started = new Worker(new URL('./searchWorker.ts', import.meta.url), { type: 'module' });
    // An answer to an older question is not shown over a newer one.
    started.onmessage = ({ data }: MessageEvent<SearchFound>) =>
      data.n === asked.current && setFound({ ...data, of: items });
    started.postMessage({ kind: 'index', items: items.map(findableOf) } satisfies SearchAsked);
    worker.current = started;
    return () => started.terminate();
  }, [items, large]);
  useEffect(() => {
    if (!large) return;
    asked.current += 1;
    worker.current?.postMessage({ kind: 'find', n: asked.current, words } satisfies SearchAsked);
  }, [words, large, items]);
  return useMemo(() => {
    const places = here ? findDogs(here, words) : found.places;
    // Places of another list say nothing of this one: all of it stands until the worker has answered.
    if (places === null || (!here && found.of !== items)) return null;
    return Array.from(places, (place) => items[place]).filter((item) => item !== undefined);
  }, [here, words, found, items]);
}

/** Only what is searched for goes over to the worker. */
const findableOf = ({ id, name, owner, breed, phone, street }: Findable): Findable => ({
  id,
  name,
  owner,
  breed,
  phone,
  street,
});
