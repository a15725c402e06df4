import type { WatchItem } from '@dewpond/contract';
import { namePlace, placeKey, placeOf } from '@dewpond/core/places';
import type { DogRecord } from '../../records/dog/dogRecord';
import { openFindings, type OpenFinding } from '../../records/dog/openFindings';

export function watchItems(record: DogRecord, words: (found: OpenFinding) => string): WatchItem[] {
  return openFindings(record).map((found) => ({
    dogId: record.dog.id,
    dog: record.dog.name,
    owner: record.client.name,
    phone: record.client.card.phones[0]?.number ?? '',
    place: namePlace(placeOf(placeKey(found.place))),
    words: `${words(found)}${found.clearLooks === 1 ? '; seen clear once since' : ''}`,
    level: found.level,
    day: found.day,
    visitId: found.visitId,
  }));
}
