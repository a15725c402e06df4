import type { FoundWork, TabletDoor } from '@dewpond/contract';
import { call } from '../api/call';
import { ownWork, storage } from './device';

type PeopleOfTablet = Extract<TabletDoor, { state: 'here' }>['people'];

/** What waits here is put aside at the business, for a manager's word; none of it is lost by that, and none stays here. */
export async function handOver(people: PeopleOfTablet): Promise<void> {
  const memberOf = new Map(people.map(({ personId, memberId }) => [personId, memberId]));
  const visits = await storage.visits.all();
  const photos = await storage.photos.all();
  const events = await ownWork.unsent();
  const known = <R extends { readonly person: string }>(rows: readonly R[]) =>
    rows.flatMap((row) => {
      const memberId = memberOf.get(row.person);
      return memberId === undefined ? [] : [{ row, memberId }];
    });
  const work: FoundWork[] = [
    ...known(visits).map(({ row: { id, dogId, appointmentId, begun }, memberId }): FoundWork => ({
      ...{ kind: 'visit', id, memberId, visitId: id, at: begun?.at ?? 0, offset: begun?.offset ?? null },
      content: { id, dogId, appointmentId, ...(begun ? { begun } : {}) },
    })),
    ...known(events).map(({ row: { id, visitId, event }, memberId }): FoundWork => {
      const { person: _, seen, ...its } = event;
      const { at, offset } = its;
      return {
        kind: 'event',
        id,
        memberId,
        visitId,
        at,
        offset,
        content: { ...its, ...(seen === null ? {} : { seen }) },
      };
    }),
  ];
  for (let from = 0; from < work.length; from += 200) await handed(work.slice(from, from + 200));
  const taken = new Map(events.map(({ event }) => [event.what.type === 'photo taken' ? event.what.photo : '', event]));
  for (const { row, memberId } of known(photos)) {
    const of = taken.get(row.id);
    const its = { memberId, visitId: row.visitId, at: of?.at ?? 0, offset: of?.offset ?? null };
    await handed([{ kind: 'picture', id: row.id, ...its, content: { jpeg: await base64(row.bytes) } }]);
  }
  await ownWork.count();
}

/** Hands some of it over. What was made after the report is refused, and goes from here as well: nobody wants it. */
async function handed(work: FoundWork[]): Promise<void> {
  const { held, refused } = await call('POST /api/tablet/found', { body: { work } });
  const gone = new Set([...held, ...refused.map(({ id }) => id)]);
  const ofKind = (kind: FoundWork['kind']) =>
    work.flatMap((each) => (each.kind === kind && gone.has(each.id) ? [each.id] : []));
  await ownWork.acknowledge(ofKind('event'));
  await Promise.all([
    ...ofKind('visit').map((id) => storage.visits.remove(id)),
    ...ofKind('picture').map((id) => storage.photos.remove(id)),
  ]);
}

async function base64(bytes: Blob): Promise<string> {
  const url = await new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error ?? new Error('The picture cannot be read.'));
    reader.readAsDataURL(bytes);
  });
  return url.slice(url.indexOf(',') + 1);
}
