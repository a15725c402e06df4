import type { WatchItem } from '@dewpond/contract';
import { namePlace, placeOf } from '@dewpond/core/places';
import { showDay, type Day } from '@dewpond/core/units';
import { INCIDENTS } from '@dewpond/core/events';
import { inArray } from 'drizzle-orm';
import { incidentSeen } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { DogRecord } from '../../records/dog/dogRecord';

/** An incident is asked after until the dog has been here again; then it was seen with one's own eyes. */
export async function incidentsToAskAfter(tx: Tenant, records: readonly DogRecord[]): Promise<WatchItem[]> {
  const byDog = new Map(records.map((record) => [record.dog.id, record]));
  const rows = await tx
    .select()
    .from(incidentSeen)
    .where(inArray(incidentSeen.dogId, [...byDog.keys()]));
  return rows.flatMap(({ dogId, visitId, day, kind, place, done, told, askOn }) => {
    const record = byDog.get(dogId);
    const after = record?.visits.slice(record.visits.findIndex(({ id }) => id === visitId) + 1) ?? [];
    if (!record || after.some(({ closed }) => closed !== null)) return [];
    const what = [INCIDENTS[kind].name, done.replace(/\.$/, ''), told === '' ? 'nobody told yet' : `${told} was told`];
    return [
      {
        dogId,
        dog: record.dog.name,
        owner: record.client.name,
        phone: record.client.card.phones[0]?.number ?? '',
        place: place === null ? 'incident' : `incident, ${namePlace(placeOf(place))}`,
        words: `${what.filter((each) => each !== '').join('; ')}. Ask how it is from ${showDay(askOn as Day)}.`,
        level: 'tell',
        day: day as Day,
        visitId,
      },
    ];
  });
}
