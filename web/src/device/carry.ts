import type { CarriedVisit, CarryView, VisitView } from '@dewpond/contract';
import { call } from '../api/call';
import { keepAnswer, orKept, remembered } from './answers';
import { device } from './database';

/** Where the service worker keeps pictures; forgotten at sign-out. */
export const PICTURES = 'dewpond-pictures';

/**
 * Today's and tomorrow's visits, with everything the table needs of them, so that they can be begun, worked and closed
 * without a network. Visits begun already are kept as if they had been opened here.
 */
export async function carryAlong() {
  const carried = await orKept('carry', () => call('GET /api/carry'));
  for (const visit of carried.visits)
    if (visit.visitId !== null)
      await keepAnswer(`visit ${visit.visitId}`, asVisit(visit, visit.visitId, carried.serverNow));
  void lookAtPictures(carried.visits);
  return carried;
}

/** Earlier pictures of the dogs to come, fetched once: the service worker keeps what it has seen. */
async function lookAtPictures(visits: readonly CarriedVisit[]): Promise<void> {
  for (const { photos } of visits)
    for (const { photo } of photos) await fetch(`/api/photos/${photo}`).catch(() => undefined);
}

const asVisit = (
  { startsAt: _, visitId: __, ...prepared }: CarriedVisit,
  id: string,
  serverNow: number,
): VisitView => ({
  ...prepared,
  id,
  serverNow,
});

/** A carried booking as a visit begun here under this id, or null where it was not carried along. */
export async function beginHere(id: string, appointmentId: string | null, dogId: string): Promise<VisitView | null> {
  const carried = await remembered<CarryView>('carry');
  if (!carried) return null;
  const { visits, serverNow } = carried;
  const mine = visits.find(
    (each) => each.visitId === null && each.dog.id === dogId && each.appointmentId === appointmentId,
  );
  if (!mine) return null;
  const visit = asVisit(mine, id, serverNow);
  await keepAnswer(`visit ${id}`, visit);
  return visit;
}

/** A visit by its id: of the office, or as it was kept or begun here. Follows one that was joined with another's. */
export async function askVisit(id: string): Promise<VisitView> {
  const moved = await device.moved.get(id).catch(() => undefined);
  if (moved) return askVisit(moved.to);
  const begunHere = await device.visits.get(id).catch(() => undefined);
  const kept = begunHere ? ((await device.answers.get(`visit ${id}`))?.answer as VisitView | undefined) : undefined;
  return kept ?? orKept(`visit ${id}`, () => call('GET /api/visits/:id', { id }));
}
