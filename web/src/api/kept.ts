import { createSyncStoragePersister } from '@tanstack/query-sync-storage-persister';
import type { PersistQueryClientOptions } from '@tanstack/react-query-persist-client';

/** What the bench needs without a network: who one is, what stands on the shelves, the day's mixes. */
const KEPT: readonly string[] = ['session', 'house', 'bench'];
const STORED_AS = 'dewpond-kept';
const DAY_MS = 86_400_000;

/** Keeps these answers on the device for a day; the version of their shape is in the name, so that an update drops them. */
export const kept: Omit<PersistQueryClientOptions, 'queryClient'> = {
  persister: createSyncStoragePersister({ storage: window.localStorage, key: STORED_AS }),
  maxAge: DAY_MS,
  buster: 'v1',
  dehydrateOptions: {
    shouldDehydrateQuery: ({ queryKey, state }) => state.status === 'success' && KEPT.includes(String(queryKey[0])),
  },
};

/** Whoever signs out leaves nothing behind on the device. */
export const forgetKept = (): void => localStorage.removeItem(STORED_AS);
