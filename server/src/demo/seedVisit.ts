import type { Happening } from '@dewpond/core/events';
import type { Finding } from '@dewpond/core/findings';
import type { Place } from '@dewpond/core/places';
import type { Day } from '@dewpond/core/units';
import type { Asker } from '../platform/asker';
import { visit } from '../platform/db/schema';
import type { BusinessId, Tenant } from '../platform/db/tenant';
import { contentHash } from '../platform/http/sameContent';
import { readForEvents, sortGiven, takeInto } from '../features/visits/takeEvents';
import { playVisit, toEvents } from './pastVisit';
import { randomLcg } from 'd3-random';
import { keepPicture, madeFromBytes } from '../features/visits/photos';
import { drawEye } from './drawEye';
import type { DemoDog, DemoPicture } from './shape';

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
  /** Drawn for this visit, before it closes. */
  readonly picture?: DemoPicture | undefined;
  /** Found besides the drawn dirt, at the places that are looked at. */
  readonly alsoFound: (places: readonly Place[]) => readonly Finding[];
}

/** An invented visit, through the same door as a tablet's events. Throws where the server refuses what it tells. */
export async function seedVisit(
  { tx, businessId, random, makeId }: VisitSeeding,
  demo: DemoDog,
  { dogId, on, begins, by, appointmentId, picture, alsoFound }: InventedVisit,
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
  const taken = picture ? await seedPicture({ tx, makeId }, asker, { visitId: id, picture, at: begins.getTime() }) : [];
  const happened = [...played.happened.slice(0, -1), ...taken, ...played.happened.slice(-1)];
  const events = toEvents({ ...played, happened }, begins.getTime(), makeId);
  const { refused } = await takeInto(read, tx, asker, sortGiven(events), begins.getTime());
  if (refused[0]) throw new Error(`The demo world tells what the server refuses: ${refused[0].words}`);
}

const LEFT_EYE: Place = { site: 'eye', side: 'left' };

/** A picture of the left eye, kept and measured; with a dice of its own, so that nothing else of the story changes. */
async function seedPicture(
  { tx, makeId }: Pick<VisitSeeding, 'tx' | 'makeId'>,
  asker: Asker,
  { visitId, picture, at }: { readonly visitId: string; readonly picture: DemoPicture; readonly at: number },
): Promise<readonly Happening[]> {
  const { drawn, colour } = await drawEye(picture, randomLcg(picture.stain));
  const photo = makeId(at);
  await keepPicture(tx, asker, { id: photo, visitId, madeFrom: madeFromBytes(visitId, drawn.bytes), drawn });
  return [
    { type: 'found', finding: { place: LEFT_EYE, sign: 'eye stain', grade: picture.grade, answer: true } },
    { type: 'photo taken', photo, place: LEFT_EYE, sign: 'eye stain' },
    ...(colour ? [{ type: 'colour measured', photo, colour } as const] : []),
  ];
}
