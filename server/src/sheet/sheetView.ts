import type { SheetView } from '@dewpond/contract';
import { nextVisit } from '@dewpond/core/careplan';
import { makeSheet } from '@dewpond/core/sheet';
import { appointmentsOfDogs } from '../appointments/queries';
import type { Tenant } from '../db/tenant';
import { planFor } from '../dogs/facts';
import { loadDogs } from '../dogs/records';
import { loadHouse } from '../house/house';
import { dayIn } from '../house/zone';
import { notFound } from '../http/problem';
import { loadVisit } from '../visits/load';

/** The owner sheet of a visit: what was seen and done comes from its events, what is next from the dog as it stands now. */
export async function sheetViewOf(tx: Tenant, visitId: string, now: number): Promise<SheetView> {
  const house = await loadHouse(tx);
  const visit = await loadVisit(tx, house, visitId);
  const [record] = await loadDogs(tx, { ids: [visit.row.dogId] });
  if (!record) throw notFound('dog');
  const today = dayIn(house.zone, now);
  const { due } = planFor(record, house, today);
  const booked = (await appointmentsOfDogs(tx, [record.dog.id])).find(
    (each) => each.state === 'booked' && new Date(each.startsAt).getTime() > now,
  );
  return {
    visitId,
    dogId: record.dog.id,
    business: house.name,
    owner: record.client.name,
    closed: visit.state.closed !== null,
    drawing: visit.facts.traits,
    sheet: makeSheet({
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
    }),
  };
}
