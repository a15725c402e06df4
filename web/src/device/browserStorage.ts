import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction, type StoreNames } from 'idb';
import type { CachedAnswer, DeviceStorage, OwnEvent, WaitingPhoto, WaitingVisit } from './storage';

/** An event as it lies on the disk: whether it waits is a number, since an index holds no null. */
type StoredEvent = OwnEvent & { readonly unsent: 0 | 1 };
const stored = (row: OwnEvent): StoredEvent => ({ ...row, unsent: row.sentAt === null ? 1 : 0 });
const asOwn = ({ unsent: _, ...row }: StoredEvent): OwnEvent => row;

interface DeviceTables extends DBSchema {
  answers: { key: string; value: CachedAnswer };
  events: { key: string; value: StoredEvent; indexes: { visitId: string; unsent: number } };
  visits: { key: string; value: WaitingVisit };
  photos: { key: string; value: WaitingPhoto; indexes: { visitId: string } };
  moved: { key: string; value: { readonly id: string; readonly to: string } };
}
type Database = IDBPDatabase<DeviceTables>;

/** Earlier versions counted the shapes of this database in tens. */
const SHAPES = { first: 10, eventsKnowWhetherTheyWait: 20 } as const;

/** Questions that have another name since the second shape: what a van took along before an update is there after it. */
const NEW_NAMES = { carry: 'prefetch', house: 'business' } as const;

async function bringUp(
  change: IDBPTransaction<DeviceTables, StoreNames<DeviceTables>[], 'versionchange'>,
): Promise<void> {
  const events = change.objectStore('events');
  for (const row of await events.getAll()) await events.put(stored(row));
  const answers = change.objectStore('answers');
  for (const [before, now] of Object.entries(NEW_NAMES)) {
    const row = await answers.get(before);
    if (row) await answers.put(row, now);
    await answers.delete(before);
  }
}

const open = (name: string, onGone: () => void): Promise<Database> =>
  openDB<DeviceTables>(name, SHAPES.eventsKnowWhetherTheyWait, {
    upgrade(database, from, _, change) {
      if (from < SHAPES.first) {
        database.createObjectStore('answers');
        const byId = { keyPath: 'id' } as const;
        database.createObjectStore('events', byId).createIndex('visitId', 'visitId');
        database.createObjectStore('visits', byId);
        database.createObjectStore('photos', byId).createIndex('visitId', 'visitId');
        database.createObjectStore('moved', byId);
      }
      change.objectStore('events').createIndex('unsent', 'unsent');
      // Should it fail, the change fails as a whole, and opening with it.
      void bringUp(change).catch(() => undefined);
    },
    // A newer version in another window waits for this one to let go, and the browser may close it at any time.
    blocking: (_, __, { target }) => {
      (target as IDBDatabase).close();
      onGone();
    },
    terminated: onGone,
  });

/** The browser's own database; opened when it is first asked, and anew where it was closed or would not open. */
export function browserStorage(name = 'dewpond'): DeviceStorage {
  let opened: Promise<Database> | undefined;
  const closed = () => (opened = undefined);
  const database = (): Promise<Database> => {
    if (opened === undefined) {
      opened = open(name, closed);
      opened.catch(closed);
    }
    return opened;
  };

  /** Writes in one step, through to the disk: an empty battery in the next second loses nothing. */
  async function write<const T extends StoreNames<DeviceTables>>(
    tables: readonly T[],
    work: (change: ReturnType<typeof changeOf<T>>) => Promise<unknown>,
  ): Promise<void> {
    const change = changeOf(await database(), tables);
    // Whichever fails first says why; the other is the same failure once more.
    await Promise.all([work(change), change.done]);
  }
  const changeOf = <const T extends StoreNames<DeviceTables>>(from: Database, tables: readonly T[]) =>
    from.transaction([...tables], 'readwrite', { durability: 'strict' });

  const rowsOf = (table: 'visits' | 'photos') => ({
    get: async (id: string) => (await database()).get(table, id),
    all: async () => (await database()).getAll(table),
    put: (row: WaitingVisit | WaitingPhoto) => write([table], (change) => change.objectStore(table).put(row)),
    refuse: (id: string, words: string) =>
      write([table], async (change) => {
        const rows = change.objectStore(table);
        const row = await rows.get(id);
        if (row) await rows.put({ ...row, refused: words });
      }),
    remove: (id: string) => write([table], (change) => change.objectStore(table).delete(id)),
  });

  /** Changes the events of some ids that are there. */
  const changeEvents = (ids: readonly string[], set: Partial<StoredEvent>) =>
    write(['events'], async (change) => {
      const events = change.objectStore('events');
      for (const id of ids) {
        const row = await events.get(id);
        if (row) await events.put({ ...row, ...set });
      }
    });

  return {
    answers: {
      get: async (question) => (await database()).get('answers', question),
      put: (question, row) => write(['answers'], (change) => change.objectStore('answers').put(row, question)),
      clear: () => write(['answers'], (change) => change.objectStore('answers').clear()),
      forgetBefore: (at) =>
        write(['answers'], async (change) => {
          for await (const row of change.objectStore('answers')) if (row.value.at < at) await row.delete();
        }),
    },
    events: {
      get: async (id) => {
        const row = await (await database()).get('events', id);
        return row && asOwn(row);
      },
      unsent: async () => (await (await database()).getAllFromIndex('events', 'unsent', 1)).map(asOwn),
      ofVisit: async (visitId) => (await (await database()).getAllFromIndex('events', 'visitId', visitId)).map(asOwn),
      putAll: (rows) =>
        write(['events'], (change) => Promise.all(rows.map((row) => change.objectStore('events').put(stored(row))))),
      refuse: (id, words) => changeEvents([id], { refused: words }),
      acknowledge: (ids, at) => changeEvents(ids, { sentAt: at, unsent: 0 }),
      removeAll: (ids) =>
        write(['events'], (change) => Promise.all(ids.map((id) => change.objectStore('events').delete(id)))),
      forgetBefore: (at) =>
        write(['events'], async (change) => {
          for await (const row of change.objectStore('events').index('unsent').iterate(0))
            if (row.value.sentAt !== null && row.value.sentAt < at) await row.delete();
        }),
    },
    visits: rowsOf('visits') as DeviceStorage['visits'],
    photos: rowsOf('photos') as DeviceStorage['photos'],
    movedTo: async (visitId) => (await (await database()).get('moved', visitId))?.to,
    move: (from, to) =>
      write(['events', 'photos', 'visits', 'moved'], async (change) => {
        for await (const row of change.objectStore('events').index('visitId').iterate(from))
          await row.update({ ...row.value, visitId: to });
        for await (const row of change.objectStore('photos').index('visitId').iterate(from))
          await row.update({ ...row.value, visitId: to });
        await change.objectStore('moved').put({ id: from, to });
        await change.objectStore('visits').delete(from);
      }),
    clear: () =>
      write(['answers', 'events', 'visits', 'photos', 'moved'], (change) =>
        Promise.all([...change.objectStoreNames].map((table) => change.objectStore(table).clear())),
      ),
  };
}
