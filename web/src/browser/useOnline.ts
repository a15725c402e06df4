import { useSyncExternalStore } from 'react';

function subscribe(told: () => void): () => void {
  const events = ['online', 'offline'] as const;
  for (const event of events) window.addEventListener(event, told);
  return () => {
    for (const event of events) window.removeEventListener(event, told);
  };
}

/** Whether the device has a network at all; the server may be away all the same. */
export const useOnline = (): boolean => useSyncExternalStore(subscribe, () => navigator.onLine);
