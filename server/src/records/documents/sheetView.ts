import type { SheetView } from '@dewpond/contract';
import type { DueLine } from '@dewpond/core/due';
import { NO_EDITS, makeSheet, pairPictures } from '@dewpond/core/sheet';
import { showDay, type Day } from '@dewpond/core/units';
import { placeWords, sentence, type Wording } from '@dewpond/core/wording';
import { eq, inArray } from 'drizzle-orm';
import { nextDates, type NextDates } from '../due/nextDates';
import { photo, sheetEdit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { planFor } from '../dog/facts';
import { loadDogs, type DogRecord } from '../dog/dogRecord';
import { loadStockedBusiness, type Business } from '../business/business';
import { loadWords, profileOf, wordingFor, wordingOf, type BusinessWords } from '../business/words';
import { dayIn } from '../../platform/time/zone';
import { notFound } from '../../platform/http/problem';
import { oftenAtVisit } from '../visit/often';
import { fromLost } from '../visit/fromLost';
import { loadVisit, type LoadedVisit } from '../visit/load';

/** The owner sheet of a visit with the groomer's hand on it. */
export async function sheetViewOf(tx: Tenant, visitId: string, now: number): Promise<SheetView> {
  const business = await loadStockedBusiness(tx);
  const visit = await loadVisit(tx, business, visitId);
  const [record] = await loadDogs(tx, { ids: [visit.row.dogId] });
  if (!record) throw notFound('dog');
  const { due } = planFor(record, business, dayIn(business.zone, now));
  const next = await nextDates(tx, business, { dogId: record.dog.id, due, after: visit.facts.today, now });
  return sheetViewFor(tx, { business, words: await loadWords(tx), record, due, next }, visit);
}

interface SheetContext {
  readonly business: Business;
  readonly words: BusinessWords;
  /** The dog as it stands now. */
  readonly record: DogRecord;
  /** Of the dog now, the same on all of its sheets: asked for once. */
  readonly due: readonly DueLine[];
  readonly next: NextDates;
}

/** The same where the business, its words and the dog are known already. */
export async function sheetViewFor(tx: Tenant, known: SheetContext, visit: LoadedVisit): Promise<SheetView> {
  const { business, words, record } = known;
  const visitId = visit.row.id;
  const { edits, version } = await editsOf(tx, visitId);
  return {
    visitId,
    dogId: record.dog.id,
    clientId: record.client.id,
    business: profileOf(business),
    owner: record.client.name,
    closed: visit.state.closed !== null,
    drawing: visit.facts.traits,
    ...sheetsOf(known, visit),
    edits,
    version,
    photos: await photosHere(tx, wordingFor(words, record.client.card), visit),
    fromLost: await fromLost(tx, visitId),
    photosAgreed: record.client.card.consents.photos?.yes === true,
  };
}

/** What was seen and done comes from the visit's events, what is next from the dog as it stands now. */
function sheetsOf(
  { words, record, due, next }: SheetContext,
  visit: LoadedVisit,
): Pick<SheetView, 'sheet' | 'inBusinessLanguage' | 'next'> {
  const input = {
    dog: record.dog.name,
    day: visit.facts.today,
    state: visit.state,
    steps: visit.steps,
    places: visit.places,
    judged: visit.judged,
    lastTime: visit.lastTime,
    often: oftenAtVisit(visit),
    due,
    isPuppyNew: visit.lastTime === null && visit.facts.lifeStage === 'puppy',
    asked: visit.planned.plan.bathProduct,
    next,
  };
  const [own, ofBusiness] = [wordingFor(words, record.client.card), wordingOf(words)];
  return {
    next,
    sheet: makeSheet({ ...input, wording: own }),
    inBusinessLanguage: own.language === ofBusiness.language ? null : makeSheet({ ...input, wording: ofBusiness }),
  };
}

/** The hand on a sheet; version 0 and no edits where there was none yet. */
export async function editsOf(tx: Tenant, visitId: string) {
  const [row] = await tx.select().from(sheetEdit).where(eq(sheetEdit.visitId, visitId));
  return row ? { edits: row.edits, version: row.version } : { edits: NO_EDITS, version: 0 };
}

/** Pictures of a visit that have arrived, with the place they show and what to hold beside them. */
async function photosHere(
  tx: Tenant,
  wording: Wording,
  { row, record, state }: LoadedVisit,
): Promise<SheetView['photos']> {
  if (state.photos.length === 0) return [];
  const asked = [...state.photos, ...record.photos].map(({ photo: id }) => id);
  const arrived = await tx.select({ id: photo.id }).from(photo).where(inArray(photo.id, asked));
  const isHere = ({ photo: id }: { readonly photo: string }) => arrived.some((each) => each.id === id);
  return pairPictures(state.photos.filter(isHere), record.photos.filter(isHere)).map(({ taken, beside }) => {
    const place = placeWords(wording, taken.place);
    const on = (day: Day) => sentence(wording, 'pictureOn', { place, day: showDay(day, wording.language) });
    const picture = (name: string, by: { readonly id: string; readonly name: string } | null) => ({
      ...{ id: taken.photo, name, beside: by },
    });
    switch (beside?.kind) {
      case 'then':
        return picture(on(row.day as Day), { id: beside.photo, name: on(beside.day) });
      case 'before':
        return picture(sentence(wording, 'pictureAfter', { place }), {
          id: beside.photo,
          name: sentence(wording, 'pictureBefore', { place }),
        });
      case undefined:
        return picture(place, null);
    }
  });
}
