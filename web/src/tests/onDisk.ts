import { Dexie } from 'dexie';

/** What lies in a table of this device's database, read past the application. */
export async function onDisk(table: 'answers' | 'events' | 'visits' | 'photos', name = 'dewpond'): Promise<unknown[]> {
  const disk = await new Dexie(name).open();
  const rows: unknown[] = await disk.table(table).toArray();
  disk.close();
  return rows;
}
