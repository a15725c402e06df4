import type { VisitView } from '@dewpond/contract';
import type { MixesAvailable } from '../../records/mixing/dayPlan';
import { atLeast, type Level, findingWords } from '@dewpond/core/findings';
import { placeKey } from '@dewpond/core/places';
import { shownByClocks } from '@dewpond/core/visit';
import { describe } from '../../records/dog/facts';
import { mixesFor, needsOfBath } from '../../records/dog/bathNeeds';
import { lastWord, marksOf } from '../../records/dog/dogRecord';
import { ownMinutes } from '../../records/dog/ownMinutes';
import { openFindings } from '../../records/dog/openFindings';
import type { StockedBusiness } from '../../records/business/business';
import type { prepareFor } from '../../records/visit/load';

type PreparedParts = ReturnType<typeof prepareFor>;

/** All a device needs of a visit before anything happens, whether it was begun or is only booked. */
export async function preparedView(
  business: StockedBusiness,
  available: MixesAvailable,
  { record, planned, contents, bath, bookingNote, lastTime }: PreparedParts,
  appointmentId: string | null,
): Promise<Omit<VisitView, 'id' | 'events' | 'fromLost' | 'serverNow'>> {
  const { facts } = planned;
  const products = needsOfBath(planned, business, 1).needs.map(({ product }) => product.id);
  return {
    dog: {
      id: record.dog.id,
      name: record.dog.name,
      words: describe(record, facts, business),
      handling: marksOf(record),
      weightKg: facts.weight,
    },
    owner: { name: record.client.name, phones: record.client.card.phones.map(({ number }) => number) },
    appointmentId,
    kind: contents.kind,
    agreed: contents.agreed ?? null,
    day: facts.today,
    facts,
    contactMinutes: bath.contactMinutes,
    contactMost: bath.contactMost,
    bath: bath.shown,
    minutesFactor: ownMinutes(record, facts),
    style: record.dog.profile.style,
    tools: { ...record.tools },
    photos: [...record.photos],
    mixes: mixesFor(planned, business, record.amountFactor),
    openMixes: await available(products, record.dog.id, facts.today),
    lastTime,
    askAgain: openFindings(record)
      .filter(({ level }) => !atLeast(level as Level, 'vet'))
      .map(({ place, day, ...seen }) => ({ place: placeKey(place), words: findingWords(seen), day })),
    referred: [...record.referred],
    atTheDoor: {
      booking: bookingNote,
      dog: record.dog.profile.note,
      ownerSaid: lastWord(record.visits, 'ownerSaid'),
      closing: lastWord(record.visits, 'closingNote'),
    },
    shownBefore: [...new Set([...record.visits.flatMap(({ shown }) => shown), ...shownByClocks(record.took)])],
    lastAnswers: record.answers,
  };
}
