import type { Finding } from '@dewpond/core/findings';
import type { Place } from '@dewpond/core/places';
import type { Day } from '@dewpond/core/units';
import type { Asker } from '../platform/asker';
import { visit } from '../platform/db/schema';
import type { BusinessId, Tenant } from '../platform/db/tenant';
import { contentHash } from '../platform/http/sameContent';
import { readForEvents, sortGiven, takeInto } from '../features/visits/takeEvents';
import { playVisit, toEvents } from './pastVisit';
import type { DemoDog } from './shape';

/** The clock of the invented town. */
export const ZONE = 'Europe/London';

export interface SeededMember {
  readonly id: string;
  readonly personId: string;
  readonly name: string;
}

export interface VisitSeeding {
  readonly tx: Tenant;
  readonly businessId: BusinessId;
  readonly random: () => number;
  readonly makeId: (at: number) => string;
}

export interface InventedVisit {
  readonly dogId: string;
  readonly on: Day;
  readonly begins: Date;
  readonly by: SeededMember | undefined;
  readonly appointmentId: string | null;
  /** Found besides the drawn dirt, at the places that are looked at. */
  readonly alsoFound: (places: readonly Place[]) => readonly Finding[];
}

/** An invented visit, through the same door as a tablet's events. Throws where the server refuses what it tells. */
export async function seedVisit(
  { tx, businessId, random, makeId }: VisitSeeding,
  demo: DemoDog,
  { dogId, on, begins, by, appointmentId, alsoFound }: InventedVisit,
): Promise<void> {
  const id = makeId(begins.getTime());
  await tx.insert(visit).values({
    id,
    dogId,
    appointmentId,
    day: on,
    madeFrom: contentHash({ id, dogId }),
    createdAt: begins,
  });
  const asker: Asker = {
    businessId,
    personId: by?.personId ?? '',
    personName: by?.name ?? '',
    email: '',
    role: 'groomer',
    rights: {},
    ...{ sessionId: '', lastBackup: null, hereSince: null, tablet: null, byPin: false, branchAsked: null },
    secondFactor: { has: false, asked: false },
    zone: ZONE,
  };
  const read = await readForEvents(tx, id, []);
  const played = playVisit(read.before, demo, read.business, random, alsoFound(read.before.places));
  const events = toEvents(played, begins.getTime(), makeId);
  const { refused } = await takeInto(read, tx, asker, sortGiven(events), begins.getTime());
  if (refused[0]) throw new Error(`The demo world tells what the server refuses: ${refused[0].words}`);
}
