import type { Letterhead } from '@dewpond/contract';
import { nameBreeds, type Traits } from '@dewpond/core/catalogue';
import { letterFor, type Letter } from '@dewpond/core/letter';
import { placeKey, placeOf, type Grade, type PlaceKey } from '@dewpond/core/places';
import { didLines } from '@dewpond/core/sheet';
import { showDay, yearsOld, type Day } from '@dewpond/core/units';
import { fillIn, type Wording } from '@dewpond/core/wording';
import { eq } from 'drizzle-orm';
import { photo, referral } from '../db/schema';
import { inTenant, type BusinessId, type Tenant } from '../db/tenant';
import { loadDogs } from '../dogs/records';
import { loadHouse } from '../house/house';
import { letterheadOf, wordingOf } from '../house/letterhead';
import type { Services } from '../http/context';
import { notFound } from '../http/problem';
import { heavily } from '../heavy/pool';
import { loadVisit } from '../visits/load';

/** All that stands on a letter to a vet. */
export interface LetterView {
  readonly house: Letterhead;
  readonly day: Day;
  readonly dog: { readonly name: string; readonly chip: string | null };
  readonly owner: string;
  readonly phone: string;
  readonly letter: Letter;
  readonly drawing: Traits;
  readonly grades: Readonly<Partial<Record<PlaceKey, Grade>>>;
  /** JPEG bytes of that place, newest first, two at most. */
  readonly photos: readonly Buffer[];
  /** What stands around it, in the house's language. */
  readonly wording: Wording;
  readonly legend: string;
}

/** Pictures on one page. */
const PHOTOS = 2;

/** The letter of a referral, as a PDF of one page. */
export async function keepLetter(
  services: Services,
  businessId: BusinessId,
  referralId: string,
): Promise<{ name: string; bytes: Buffer }> {
  const view = await inTenant(services.databases, businessId, (tx) => letterView(tx, referralId));
  const bytes = await heavily('letter', { view });
  return { name: `${view.dog.name}-${view.day}-letter`, bytes };
}

async function letterView(tx: Tenant, referralId: string): Promise<LetterView> {
  const [row] = await tx.select().from(referral).where(eq(referral.id, referralId));
  if (!row) throw notFound('letter');
  const house = await loadHouse(tx);
  const visit = await loadVisit(tx, house, row.visitId);
  const [record] = await loadDogs(tx, { ids: [row.dogId] });
  if (!record) throw notFound('dog');
  const place = placeOf(row.place);
  const earlier = visit.record.visits
    .filter(({ closed, looked }) => closed !== null && looked.includes(row.place))
    .map(({ id, day }) => ({ day, findings: visit.record.findings.filter((found) => found.visitId === id) }));
  const here = visit.state.photos.filter((each) => placeKey(each.place) === row.place).slice(-PHOTOS);
  const photos = [];
  for (const { photo: id } of here.toReversed()) {
    const [kept] = await tx.select({ bytes: photo.bytes }).from(photo).where(eq(photo.id, id));
    if (kept) photos.push(kept.bytes);
  }
  const worst = Math.max(
    1,
    ...visit.state.findings.filter((found) => placeKey(found.place) === row.place).map(({ grade }) => grade),
  ) as Grade;
  const wording = wordingOf(house);
  const { profile } = record.dog;
  return {
    house: letterheadOf(house),
    day: row.openedOn as Day,
    dog: {
      name: record.dog.name,
      chip: profile.chip === '' ? null : profile.chip,
    },
    owner: record.client.name,
    phone: record.client.card.phones[0]?.number ?? '',
    letter: letterFor({
      dog: {
        name: record.dog.name,
        breeds: nameBreeds(profile.breeds, house.catalogue),
        weight: visit.facts.weight,
        years: profile.born === null ? null : yearsOld(profile.born, visit.facts.today),
      },
      place,
      looks: [...earlier, { day: row.openedOn as Day, findings: visit.state.findings }],
      done: didLines({ ...visit, wording }, []).map(({ words }) => words),
      bars: visit.bars,
      wording,
    }),
    drawing: visit.facts.traits,
    grades: { [row.place]: worst },
    photos,
    wording,
    legend: fillIn(wording.letter.legend, {
      grades: wording.grades.slice(1).join(', '),
      day: showDay(row.openedOn as Day, wording.language),
    }),
  };
}
