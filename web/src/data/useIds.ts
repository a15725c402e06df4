import { useRef } from 'react';
import { v7 } from 'uuid';

/**
 * Ids for several new things that go with one write: by the id of the write and a key of the thing. Sent again after an
 * answer that never came, each thing has the id it had; the next write has others.
 */
export function useIds(): (write: string, key: string) => string {
  const held = useRef({ write: '', ids: new Map<string, string>() });
  return (write, key) => {
    if (held.current.write !== write) held.current = { write, ids: new Map() };
    const { ids } = held.current;
    const id = ids.get(key) ?? v7();
    ids.set(key, id);
    return id;
  };
}
