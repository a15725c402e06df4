import type { MessageDraft } from '@dewpond/contract';
import { LINK_MARK, beforeVisitAdvice, reachOf, withoutPhone, type MessageKind } from '@dewpond/core/messages';
import { placeOf } from '@dewpond/core/places';
import { showDay, type Day } from '@dewpond/core/units';
import { fillIn, placeWords, type Wording } from '@dewpond/core/wording';
import { eq } from 'drizzle-orm';
import { client, dog, referral, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { loadBusiness, loadStockedBusiness } from '../../records/business/business';
import { loadDogs } from '../../records/dog/dogRecord';
import { planFor } from '../../records/dog/facts';
import { productOf } from '../../records/shelf/shelf';
import { loadWords, wordingFor } from '../../records/business/words';
import { dayIn } from '../../platform/time/zone';
import { notFound } from '../../platform/http/problem';

/** How long a page that is sent stays open [house value]. */
export const LINK_DAYS = 60;

interface DraftFor {
  readonly kind: MessageKind;
  readonly visit?: string | undefined;
  readonly time?: string | undefined;
  readonly referral?: string | undefined;
  readonly day?: Day | undefined;
}

/** What the business would write to this dog's owner, and by which channels it may. */
export async function draftFor(tx: Tenant, dogId: string, about: DraftFor, now: number): Promise<MessageDraft> {
  const business = await loadBusiness(tx);
  const [its] = await tx
    .select({ dog: dog.name, owner: client.name, card: client.card })
    .from(dog)
    .innerJoin(client, eq(client.id, dog.clientId))
    .where(eq(dog.id, dogId));
  if (!its) throw notFound('dog');
  const [visited] = about.visit ? await tx.select().from(visit).where(eq(visit.id, about.visit)) : [];
  const [open] = about.referral ? await tx.select().from(referral).where(eq(referral.id, about.referral)) : [];
  const wording = wordingFor(await loadWords(tx), its.card);
  const today = dayIn(business.zone, now);
  const words = {
    dog: its.dog,
    owner: its.owner,
    business: business.name,
    phone: business.phone,
    time: about.time ?? wording.thisAfternoon,
    day: showDay(about.day ?? ((visited?.day ?? today) as Day), wording.language),
    before: about.kind === 'before you come' ? await beforeVisit(tx, dogId, about.day ?? today, wording) : '',
    days: String(LINK_DAYS),
    link: LINK_MARK,
    place: open ? placeWords(wording, placeOf(open.place)) : '',
    urgency: open ? (wording.urgency[open.level] ?? '') : '',
  };
  const template = wording.messages[about.kind];
  return {
    owner: its.owner,
    language: wording.language,
    reach: reachOf(its.card),
    subject: fillIn(template.subject, words),
    words: fillIn(business.phone === '' ? withoutPhone(template.words) : template.words, words),
  };
}

/** What helps before a visit, as sentences; nothing where nothing does. */
async function beforeVisit(tx: Tenant, dogId: string, on: Day, { before }: Wording): Promise<string> {
  const business = await loadStockedBusiness(tx);
  const [record] = await loadDogs(tx, { ids: [dogId] });
  if (!record) return '';
  const { facts, plan } = planFor(record, business, on);
  const wash = plan.bathProduct && productOf(business, plan.bathProduct.productId);
  return beforeVisitAdvice(facts, wash?.suppliedBy === 'vet')
    .map((each) => `${before[each]} `)
    .join('');
}
