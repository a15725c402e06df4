import type { PrefetchedVisit, PrefetchView, VisitView } from '@dewpond/contract';
import { askedHere } from '../api/atBranch';
import { call } from '../api/call';
import { answers, storage } from './device';

/** Where the service worker keeps pictures; forgotten at sign-out. */
export const PICTURES = 'dewpond-pictures';

/**
 * Today's and tomorrow's visits, with everything the table needs of them, so that they can be begun, worked and closed
 * without a network. Visits begun already are kept as if they had been opened here.
 */
export async function prefetchVisits() {
  const prefetched = await answers.orCached(askedHere('prefetch'), () => call('GET /api/prefetch'));
  for (const visit of prefetched.visits)
    if (visit.visitId !== null)
      await answers.put(`visit ${visit.visitId}`, asVisit(visit, visit.visitId, prefetched.serverNow));
  void lookAtPictures(prefetched.visits);
  return prefetched;
}

/** Earlier pictures of the dogs to come, fetched once: the service worker keeps what it has seen. */
async function lookAtPictures(visits: readonly PrefetchedVisit[]): Promise<void> {
  for (const { photos } of visits)
    for (const { photo } of photos) await fetch(`/api/photos/${photo}`).catch(() => undefined);
}

const asVisit = (
  { startsAt: _, visitId: __, ...prepared }: PrefetchedVisit,
  id: string,
  serverNow: number,
): VisitView => ({
  ...prepared,
  id,
  fromLost: null,
  serverNow,
});

/** A carried booking as a visit begun here under this id, or null where it was not carried along. */
export async function beginHere(id: string, appointmentId: string | null, dogId: string): Promise<VisitView | null> {
  const prefetched = await answers.get<PrefetchView>(askedHere('prefetch'));
  if (!prefetched) return null;
  const { visits, serverNow } = prefetched;
  const mine = visits.find(
    (each) => each.visitId === null && each.dog.id === dogId && each.appointmentId === appointmentId,
  );
  if (!mine) return null;
  const visit = asVisit(mine, id, serverNow);
  await answers.put(`visit ${id}`, visit);
  return visit;
}

/** A visit by its id: of the server, or as it was kept or begun here. Follows one that was joined with another's. */
export async function askVisit(id: string): Promise<VisitView> {
  const moved = await storage.movedTo(id).catch(() => undefined);
  if (moved !== undefined) return askVisit(moved);
  const begunHere = await storage.visits.get(id).catch(() => undefined);
  const cached = begunHere ? ((await storage.answers.get(`visit ${id}`))?.answer as VisitView | undefined) : undefined;
  return cached ?? answers.orCached(`visit ${id}`, () => call('GET /api/visits/:id', { id }));
}

/** Visits begun on this device without a booking that the server does not know yet, each with its dog. */
export async function begunHere(): Promise<
  { readonly visitId: string; readonly dogId: string; readonly dog: string }[]
> {
  const rows = await storage.visits.all().catch(() => []);
  const unbooked = rows.filter(({ appointmentId, refused }) => appointmentId === null && refused === null);
  return Promise.all(
    unbooked.map(async ({ id, dogId }) => ({ visitId: id, dogId, dog: (await askVisit(id)).dog.name })),
  );
}
