import type { MessageDraft } from '@dewpond/contract';
import { LINK_MARK, reachOf, withoutPhone, type MessageKind } from '@dewpond/core/messages';
import { placeOf } from '@dewpond/core/places';
import { showDay, type Day } from '@dewpond/core/units';
import { fillIn, placeWords } from '@dewpond/core/wording';
import { eq } from 'drizzle-orm';
import { client, dog, referral, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { loadBusiness } from '../../records/business/business';
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
  const words = {
    dog: its.dog,
    owner: its.owner,
    business: business.name,
    phone: business.phone,
    time: about.time ?? wording.thisAfternoon,
    day: showDay((visited?.day ?? dayIn(business.zone, now)) as Day, wording.language),
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
