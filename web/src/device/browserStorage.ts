import { Dexie, type EntityTable, type Table } from 'dexie';
import type { CachedAnswer, DeviceStorage, OwnEvent, WaitingPhoto, WaitingVisit } from './storage';

/** An event as it lies on the disk: whether it waits is a number, since an index holds no null. */
type StoredEvent = OwnEvent & { readonly unsent: 0 | 1 };
const stored = (row: OwnEvent): StoredEvent => ({ ...row, unsent: row.sentAt === null ? 1 : 0 });
const asOwn = ({ unsent: _, ...row }: StoredEvent): OwnEvent => row;

/** Questions that have another name since version 2: what a van took along before an update is there after it. */
const NEW_NAMES = { carry: 'prefetch', house: 'business' } as const;
async function renamed(answers: Table<CachedAnswer, string>): Promise<void> {
  for (const [before, name] of Object.entries(NEW_NAMES)) {
    const row = await answers.get(before);
    if (row) await answers.put(row, name);
    await answers.delete(before);
  }
}

class DeviceDatabase extends Dexie {
  answers!: Table<CachedAnswer, string>;
  events!: EntityTable<StoredEvent, 'id'>;
  visits!: EntityTable<WaitingVisit, 'id'>;
  photos!: EntityTable<WaitingPhoto, 'id'>;
  moved!: EntityTable<{ readonly id: string; readonly to: string }, 'id'>;

  constructor(name: string) {
    // Written through to the disk: an empty battery in the next second loses nothing.
    super(name, { chromeTransactionDurability: 'strict' });
    this.version(1).stores({
      answers: '',
      events: 'id, visitId',
      visits: 'id',
      photos: 'id, visitId',
      moved: 'id',
    });
    this.version(2)
      .stores({ events: 'id, visitId, unsent' })
      .upgrade(async (change) => {
        await change
          .table<StoredEvent>('events')
          .toCollection()
          .modify((row) => void Object.assign(row, stored(row)));
        await renamed(change.table<CachedAnswer, string>('answers'));
      });
  }
}

/** The browser's own database. */
export function browserStorage(name = 'dewpond'): DeviceStorage {
  const database = new DeviceDatabase(name);
  const { answers, events, visits, photos, moved } = database;
  const rowsOf = <Row extends { readonly id: string; readonly refused: string | null }>(table: Table<Row, string>) => ({
    get: (id: string) => table.get(id),
    all: () => table.toArray(),
    put: async (row: Row) => void (await table.put(row)),
    refuse: async (id: string, words: string) => {
      await table
        .where('id')
        .equals(id)
        .modify({ refused: words } as Partial<Row> as never);
    },
    remove: (id: string) => table.delete(id),
  });
  return {
    answers: {
      get: (question) => answers.get(question),
      put: async (question, row) => void (await answers.put(row, question)),
      clear: () => answers.clear(),
      forgetBefore: async (at) => void (await answers.filter((row) => row.at < at).delete()),
    },
    events: {
      get: async (id) => {
        const row = await events.get(id);
        return row && asOwn(row);
      },
      unsent: async () => (await events.where('unsent').equals(1).toArray()).map(asOwn),
      ofVisit: async (visitId) => (await events.where('visitId').equals(visitId).toArray()).map(asOwn),
      putAll: async (rows) => void (await events.bulkPut(rows.map(stored))),
      refuse: async (id, words) => void (await events.update(id, { refused: words })),
      acknowledge: async (ids, at) => {
        await events
          .where('id')
          .anyOf([...ids])
          .modify({ sentAt: at, unsent: 0 });
      },
      removeAll: (ids) => events.bulkDelete([...ids]),
      forgetBefore: async (at) => {
        await events
          .where('unsent')
          .equals(0)
          .filter(({ sentAt }) => sentAt !== null && sentAt < at)
          .delete();
      },
    },
    visits: rowsOf(visits as unknown as Table<WaitingVisit, string>),
    photos: rowsOf(photos as unknown as Table<WaitingPhoto, string>),
    movedTo: async (visitId) => (await moved.get(visitId))?.to,
    move: (from, to) =>
      database.transaction('rw', events, photos, visits, moved, async () => {
        await events.where({ visitId: from }).modify({ visitId: to });
        await photos.where({ visitId: from }).modify({ visitId: to });
        await moved.put({ id: from, to });
        await visits.delete(from);
      }),
    clear: async () => void (await Promise.all(database.tables.map((table) => table.clear()))),
  };
}
