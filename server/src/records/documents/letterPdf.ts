import { nameBreeds } from '@dewpond/core/catalogue';
import { letterFor } from '@dewpond/core/letter';
import { placeKey, placeOf, type Grade } from '@dewpond/core/places';
import { didLines } from '@dewpond/core/sheet';
import { showDay, yearsOld, type Day } from '@dewpond/core/units';
import { fillIn } from '@dewpond/core/wording';
import { eq } from 'drizzle-orm';
import { photo, referral } from '../../platform/db/schema';
import { readInTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import { loadDogs } from '../dog/dogRecord';
import { loadStockedBusiness } from '../business/business';
import { loadWords, profileOf, wordingOf } from '../business/words';
import type { Services } from '../../platform/http/context';
import { notFound } from '../../platform/http/problem';
import { LETTER_PDF, type PrintedLetter } from './pdfs';
import { inThread } from '../../platform/threads/pool';
import { oftenByNow } from '../visit/often';
import { loadVisit } from '../visit/load';

/** Pictures on one page. */
const PHOTOS = 2;

/** The letter of a referral, as a PDF of one page. */
export async function letterAsPdf(
  services: Services,
  businessId: BusinessId,
  referralId: string,
): Promise<{ name: string; bytes: Buffer }> {
  const view = await readInTenant(services.databases, businessId, (tx) => letterView(tx, referralId));
  const bytes = await inThread(LETTER_PDF, { view });
  return { name: `${view.dog.name}-${view.day}-letter`, bytes };
}

async function letterView(tx: Tenant, referralId: string): Promise<PrintedLetter> {
  const [row] = await tx.select().from(referral).where(eq(referral.id, referralId));
  if (!row) throw notFound('letter');
  const business = await loadStockedBusiness(tx);
  const visit = await loadVisit(tx, business, row.visitId);
  const [record] = await loadDogs(tx, { ids: [row.dogId] });
  if (!record) throw notFound('dog');
  const place = placeOf(row.place);
  const earlier = visit.record.visits
    .filter(({ closed, looked }) => closed !== null && looked.includes(row.place))
    .map(({ id, day }) => ({ day, findings: visit.record.findings.filter((found) => found.visitId === id) }));
  const here = visit.state.photos.filter((each) => placeKey(each.place) === row.place).slice(-PHOTOS);
  const photos = [];
  for (const { photo: id } of here.toReversed()) {
    const [stored] = await tx.select({ bytes: photo.bytes }).from(photo).where(eq(photo.id, id));
    if (stored) photos.push(stored.bytes);
  }
  const worst = Math.max(
    1,
    ...visit.state.findings.filter((found) => placeKey(found.place) === row.place).map(({ grade }) => grade),
  ) as Grade;
  const wording = wordingOf(await loadWords(tx));
  const { profile } = record.dog;
  return {
    business: profileOf(business),
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
        breeds: nameBreeds(profile.breeds, business.catalogue),
        weight: visit.facts.weight,
        years: profile.born === null ? null : yearsOld(profile.born, visit.facts.today),
      },
      place,
      looks: [...earlier, { day: row.openedOn as Day, findings: visit.state.findings }],
      often: oftenByNow(record, place),
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
