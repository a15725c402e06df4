import type { SheetView } from '@dewpond/contract';
import { nextVisit } from '@dewpond/core/careplan';
import { NO_EDITS, makeSheet } from '@dewpond/core/sheet';
import { placeWords, type Wording } from '@dewpond/core/wording';
import { eq } from 'drizzle-orm';
import { appointmentsOfDogs } from '../appointments/queries';
import { photo, sheetEdit } from '../db/schema';
import type { Tenant } from '../db/tenant';
import { planFor } from '../dogs/facts';
import { loadDogs, type DogRecord } from '../dogs/records';
import { loadHouse, type House } from '../house/house';
import { letterheadOf, wordingFor, wordingOf } from '../house/letterhead';
import { dayIn } from '../house/zone';
import { notFound } from '../http/problem';
import { loadVisit, type LoadedVisit } from '../visits/load';

/** The owner sheet of a visit with the groomer's hand on it. */
export async function sheetViewOf(tx: Tenant, visitId: string, now: number): Promise<SheetView> {
  const house = await loadHouse(tx);
  const visit = await loadVisit(tx, house, visitId);
  const [record] = await loadDogs(tx, { ids: [visit.row.dogId] });
  if (!record) throw notFound('dog');
  return sheetViewFor(tx, { house, record }, visit, now);
}

/** The same where the house and the dog as it stands now are known already. */
export async function sheetViewFor(
  tx: Tenant,
  { house, record }: { readonly house: House; readonly record: DogRecord },
  visit: LoadedVisit,
  now: number,
): Promise<SheetView> {
  const visitId = visit.row.id;
  const { edits, version } = await editsOf(tx, visitId);
  return {
    visitId,
    dogId: record.dog.id,
    clientId: record.client.id,
    house: letterheadOf(house),
    owner: record.client.name,
    closed: visit.state.closed !== null,
    drawing: visit.facts.traits,
    ...(await sheetsOf(tx, house, visit, record, now)),
    edits,
    version,
    photos: await photosHere(tx, wordingFor(house, record.client.card), visit),
    photosAgreed: record.client.card.consents.photos?.yes === true,
  };
}

/** What was seen and done comes from the visit's events, what is next from the dog as it stands now. */
async function sheetsOf(
  tx: Tenant,
  house: House,
  visit: LoadedVisit,
  record: DogRecord,
  now: number,
): Promise<Pick<SheetView, 'sheet' | 'inHouseLanguage'>> {
  const today = dayIn(house.zone, now);
  const { due } = planFor(record, house, today);
  // A booking of the visit's own day is that visit.
  const booked = (await appointmentsOfDogs(tx, [record.dog.id])).find(({ state, startsAt }) => {
    const starts = new Date(startsAt);
    return state === 'booked' && starts.getTime() > now && dayIn(house.zone, starts) > visit.facts.today;
  });
  const input = {
    dog: record.dog.name,
    day: visit.facts.today,
    state: visit.state,
    steps: visit.steps,
    places: visit.places,
    judged: visit.judged,
    lastTime: visit.lastTime,
    due,
    nextSuggested: nextVisit(due, today)?.day ?? null,
    nextBooked: booked ? dayIn(house.zone, new Date(booked.startsAt)) : null,
  };
  const [own, houses] = [wordingFor(house, record.client.card), wordingOf(house)];
  return {
    sheet: makeSheet({ ...input, wording: own }),
    inHouseLanguage: own.language === houses.language ? null : makeSheet({ ...input, wording: houses }),
  };
}

/** The hand on a sheet; version 0 and no edits where there was none yet. */
export async function editsOf(tx: Tenant, visitId: string) {
  const [row] = await tx.select().from(sheetEdit).where(eq(sheetEdit.visitId, visitId));
  return row ? { edits: row.edits, version: row.version } : { edits: NO_EDITS, version: 0 };
}

/** Pictures of a visit that have arrived, with the place they show. */
async function photosHere(tx: Tenant, wording: Wording, { row, state }: LoadedVisit): Promise<SheetView['photos']> {
  const arrived = await tx.select({ id: photo.id }).from(photo).where(eq(photo.visitId, row.id));
  const there = new Set(arrived.map(({ id }) => id));
  return state.photos
    .filter(({ photo: id }) => there.has(id))
    .map(({ photo: id, place }) => ({ id, name: placeWords(wording, place) }));
}
