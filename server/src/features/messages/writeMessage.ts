import type { ParsedBodyOf } from '@dewpond/contract';
import { LINK_MARK, reachOf } from '@dewpond/core/messages';
import { v7 } from 'uuid';
import { message, visitOffer } from '../../platform/db/schema';
import type { BusinessId, Tenant } from '../../platform/db/tenant';
import type { SiteSettings } from '../../platform/http/context';
import { badField } from '../../platform/http/problem';
import { contentHash } from '../../platform/http/sameContent';
import { insertOnce, wasSentBefore } from '../../platform/http/writes';
import { enqueue } from '../../platform/jobs/jobs';
import { makeLink } from '../../records/links/ownerLinks';
import { LINK_DAYS, dogsOfOneOwner } from './draft';
import { MESSAGE_JOB } from './sendMessage';

/** Who writes: a person, or the business by itself. */
interface Writer {
  readonly businessId: BusinessId;
  readonly name: string;
  readonly personId: string | null;
}

/** Writes a message with its page and the times it offers, and the job that sends it; sent again, nothing is done again. */
export async function writeMessage(
  tx: Tenant,
  site: SiteSettings,
  { businessId, name, personId }: Writer,
  body: ParsedBodyOf<'POST /api/messages'>,
  now: number,
): Promise<void> {
  const { offers, ...words } = body;
  const { withDogs, ...alone } = words;
  // A message of one dog that offers nothing is known by what was sent before there were others and times.
  const madeFrom = contentHash(withDogs.length + offers.length === 0 ? alone : body);
  if (await wasSentBefore(tx, message, { id: body.id, madeFrom })) return;
  const { clientId, card, dogs } = await dogsOfOneOwner(tx, [body.dogId, ...withDogs]);
  if (offers.some(({ dogId }) => !dogs.some(({ id }) => id === dogId)))
    throw badField('offers', 'A time is offered for a dog that the message is not about.');
  const reach = reachOf(card).find(({ channel }) => channel === body.channel);
  if (!reach || reach.whyNot !== null) throw badField('channel', reach?.whyNot ?? 'There is no such channel.');
  const linkId = body.words.includes(LINK_MARK) ? v7() : null;
  if (linkId !== null)
    await makeLink(tx, site, businessId, { id: linkId, dogId: body.dogId, days: LINK_DAYS, by: name, personId }, now);
  const isNew = await insertOnce(tx, message, {
    ...words,
    clientId,
    linkId,
    recipient: reach.to,
    state: 'waiting',
    askedBy: name,
    personId,
    madeFrom,
    createdAt: new Date(now),
  });
  if (!isNew) return;
  if (offers.length > 0)
    await tx
      .insert(visitOffer)
      .values(offers.map((each) => ({ ...each, messageId: body.id, startsAt: new Date(each.startsAt) })))
      .onConflictDoNothing();
  await enqueue(tx, MESSAGE_JOB, { businessId, messageId: body.id });
}
