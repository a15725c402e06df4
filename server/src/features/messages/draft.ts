import type { MessageDraft } from '@dewpond/contract';
import {
  LINK_MARK,
  beforeVisitAdvice,
  reachOf,
  withoutPhone,
  type BeforeVisitAdvice,
  type MessageKind,
} from '@dewpond/core/messages';
import { placeOf } from '@dewpond/core/places';
import { showDay, type Day } from '@dewpond/core/units';
import { fillIn, homeCareName, placeWords, type Wording } from '@dewpond/core/wording';
import { eq, inArray } from 'drizzle-orm';
import { client, dog, referral, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { loadBusiness, loadStockedBusiness } from '../../records/business/business';
import { loadDogs } from '../../records/dog/dogRecord';
import { planFor } from '../../records/dog/facts';
import { productOf } from '../../records/shelf/shelf';
import { loadWords, wordingFor } from '../../records/business/words';
import { dayIn } from '../../platform/time/zone';
import { badField, notFound } from '../../platform/http/problem';

/** How long a page that is sent stays open [house value]. */
export const LINK_DAYS = 60;

interface DraftFor {
  readonly kind: MessageKind;
  readonly visit?: string | undefined;
  readonly time?: string | undefined;
  readonly referral?: string | undefined;
  readonly day?: Day | undefined;
}

/** What the business would write to the owner of these dogs, and by which channels it may. Throws 404 unless they are of one owner. */
export async function draftFor(
  tx: Tenant,
  dogIds: readonly [string, ...string[]],
  about: DraftFor,
  now: number,
): Promise<MessageDraft> {
  const business = await loadBusiness(tx);
  const { owner, card, dogs } = await dogsOfOneOwner(tx, dogIds);
  const [visited] = about.visit ? await tx.select().from(visit).where(eq(visit.id, about.visit)) : [];
  const [open] = about.referral ? await tx.select().from(referral).where(eq(referral.id, about.referral)) : [];
  const wording = wordingFor(await loadWords(tx), card);
  const today = dayIn(business.zone, now);
  const words = {
    dog: new Intl.ListFormat(wording.language, { type: 'conjunction' }).format(dogs.map(({ name }) => name)),
    owner,
    business: business.name,
    phone: business.phone,
    time: about.time ?? wording.thisAfternoon,
    day: showDay(about.day ?? ((visited?.day ?? open?.openedOn ?? today) as Day), wording.language),
    before: about.kind === 'before you come' ? await beforeVisit(tx, dogIds, about.day ?? today, wording) : '',
    tasks: about.kind === 'this week at home' ? await weekAtHome(tx, dogIds[0], today, wording) : '',
    days: String(LINK_DAYS),
    link: LINK_MARK,
    place: open ? placeWords(wording, placeOf(open.place)) : '',
    urgency: open ? (wording.urgency[open.level] ?? '') : '',
  };
  const template = wording.messages[about.kind];
  return {
    owner,
    language: wording.language,
    reach: reachOf(card),
    subject: fillIn(template.subject, words),
    words: fillIn(business.phone === '' ? withoutPhone(template.words) : template.words, words),
  };
}

/** Dogs of one owner, in the order asked for. */
export async function dogsOfOneOwner(tx: Tenant, dogIds: readonly [string, ...string[]]) {
  const rows = await tx
    .select({ id: dog.id, name: dog.name, clientId: client.id, owner: client.name, card: client.card })
    .from(dog)
    .innerJoin(client, eq(client.id, dog.clientId))
    .where(inArray(dog.id, [...dogIds]));
  const dogs = [...new Set(dogIds)].map((id) => rows.find((row) => row.id === id));
  const [first] = dogs;
  if (!first) throw notFound('dog');
  const { clientId, owner, card } = first;
  return {
    clientId,
    owner,
    card,
    dogs: dogs.map((its) => {
      if (its?.clientId !== clientId) throw badField('withDogs', 'They are not all of one owner.');
      return { id: its.id, name: its.name };
    }),
  };
}

/** What its owner is asked for between visits, in one line. */
async function weekAtHome(tx: Tenant, dogId: string, today: Day, wording: Wording): Promise<string> {
  const [record] = await loadDogs(tx, { ids: [dogId] });
  if (!record) return '';
  const { home } = planFor(record, await loadBusiness(tx), today);
  return home.kept.map((task) => homeCareName(wording, task)).join(', ');
}

/** What helps before a visit, as sentences: what suits all of the dogs, and what any of them needs. Nothing where nothing does. */
async function beforeVisit(tx: Tenant, dogIds: readonly string[], on: Day, { before }: Wording): Promise<string> {
  const business = await loadStockedBusiness(tx);
  const advice = (await loadDogs(tx, { ids: [...dogIds] })).map((record) => {
    const { facts, plan } = planFor(record, business, on);
    const wash = plan.bathProduct && productOf(business, plan.bathProduct.productId);
    return beforeVisitAdvice(facts, {
      fromVetsBottle: wash?.suppliedBy === 'vet',
      isFirst: record.visits.length === 0,
    });
  });
  return ALL_ADVICE.filter((each) =>
    FOR_ALL.has(each) ? advice.every((its) => its.includes(each)) : advice.some((its) => its.includes(each)),
  )
    .map((each) => `${before[each]} `)
    .join('');
}

const ALL_ADVICE = ['meal', 'walk', 'bring', 'bottle'] as const satisfies readonly BeforeVisitAdvice[];
/** What one of them must not do is said of none. */
const FOR_ALL: ReadonlySet<BeforeVisitAdvice> = new Set(['meal', 'walk']);
