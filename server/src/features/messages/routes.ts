import type { MessageView } from '@dewpond/contract';
import { LINK_MARK, mayTryAgain, mayWithdraw, reachOf } from '@dewpond/core/messages';
import { and, desc, eq } from 'drizzle-orm';
import type { Router } from 'express';
import { v7 } from 'uuid';
import { client, dog, message, referral, visit } from '../../platform/db/schema';
import type { Services } from '../../platform/http/context';
import { Refusal, badField, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { insertOnce, wasSentBefore } from '../../platform/http/writes';
import { enqueue } from '../../platform/jobs/jobs';
import { makeLink } from '../../records/links/ownerLinks';
import { LINK_DAYS, draftFor } from './draft';
import { MESSAGE_JOB, settleUnsure } from './sendMessage';

/** The outbox shows this many. */
const NEWEST = 300;

export function messageRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/dogs/:id/draft', ({ tx, params, query, now }) =>
    draftFor(tx, params.id, query, now),
  );

  route(router, services, 'GET /api/messages', async ({ tx, query, now }) => {
    await settleUnsure(tx, now);
    const rows = await tx
      .select({ message, client: client.name, dog: dog.name })
      .from(message)
      .innerJoin(client, eq(client.id, message.clientId))
      .leftJoin(dog, eq(dog.id, message.dogId))
      .where(query.dog === undefined ? undefined : eq(message.dogId, query.dog))
      .orderBy(desc(message.createdAt), desc(message.id))
      .limit(NEWEST);
    return { items: rows.map(view) };
  });

  route(router, services, 'POST /api/messages', async ({ tx, asker, body, now }) => {
    const madeFrom = contentHash(body);
    if (await wasSentBefore(tx, message, { id: body.id, madeFrom })) return { id: body.id };
    const [its] = await tx
      .select({ clientId: client.id, card: client.card })
      .from(dog)
      .innerJoin(client, eq(client.id, dog.clientId))
      .where(eq(dog.id, body.dogId));
    if (!its) throw notFound('dog');
    if (body.visitId !== null) {
      const [there] = await tx
        .select({ id: visit.id })
        .from(visit)
        .where(and(eq(visit.id, body.visitId), eq(visit.dogId, body.dogId)));
      if (!there) throw notFound('visit');
    }
    if (body.referralId !== null) {
      const [there] = await tx
        .select({ id: referral.id })
        .from(referral)
        .where(and(eq(referral.id, body.referralId), eq(referral.dogId, body.dogId)));
      if (!there) throw notFound('referral');
    }
    const reach = reachOf(its.card).find(({ channel }) => channel === body.channel);
    if (!reach || reach.whyNot !== null) throw badField('channel', reach?.whyNot ?? 'There is no such channel.');
    const linkId = body.words.includes(LINK_MARK) ? v7() : null;
    if (linkId !== null)
      await makeLink(
        tx,
        services.site,
        asker.businessId,
        { id: linkId, dogId: body.dogId, days: LINK_DAYS, by: asker.personName, personId: asker.personId },
        now,
      );
    const isNew = await insertOnce(tx, message, {
      ...body,
      clientId: its.clientId,
      linkId,
      recipient: reach.to,
      state: 'waiting',
      askedBy: asker.personName,
      personId: asker.personId,
      madeFrom,
      createdAt: new Date(now),
    });
    if (isNew) await enqueue(tx, MESSAGE_JOB, { businessId: asker.businessId, messageId: body.id });
    return { id: body.id };
  });

  route(router, services, 'PUT /api/messages/:id', async ({ tx, asker, params, body, now }) => {
    await settleUnsure(tx, now);
    const [row] = await tx.select().from(message).where(eq(message.id, params.id)).for('update');
    if (!row) throw notFound('message');
    const set = async (change: Partial<typeof message.$inferInsert>) => {
      await tx.update(message).set(change).where(eq(message.id, row.id));
    };
    if (body.what === 'again') {
      if (!mayTryAgain(row.state)) throw new Refusal('conflict', `It is ${row.state}: there is nothing to send again.`);
      await set({ state: 'waiting', tries: 0, nextTryAt: null, lastWord: `Sent again by ${asker.personName}.` });
      await enqueue(tx, MESSAGE_JOB, { businessId: asker.businessId, messageId: row.id });
    } else if (body.what === 'withdraw') {
      if (!mayWithdraw(row.state)) throw new Refusal('conflict', 'It is on its way already.');
      await set({ state: 'withdrawn', nextTryAt: null, lastWord: `Withdrawn by ${asker.personName}.` });
    } else {
      if (row.via !== 'stand-in' || row.state !== 'sent')
        throw new Refusal('conflict', 'Only what the stand-in has sent can be let bounce.');
      await set({ state: 'bounced', lastWord: 'The stand-in says: no such box here.' });
    }
    return {};
  });
}

/** A private link is shown as what it is; the secret is known to the owner alone. */
const MASKED = '(the owner’s private page)';

interface Joined {
  readonly message: typeof message.$inferSelect;
  readonly client: string;
  readonly dog: string | null;
}

const view = ({ message: row, client: name, dog: dogName }: Joined): MessageView => ({
  id: row.id,
  clientId: row.clientId,
  client: name,
  dogId: row.dogId,
  dog: dogName,
  visitId: row.visitId,
  kind: row.kind,
  channel: row.channel,
  to: row.recipient,
  subject: row.subject,
  words: row.words.replaceAll(LINK_MARK, MASKED),
  attached:
    row.channel !== 'e-mail'
      ? null
      : row.kind === 'sheet'
        ? 'the sheet'
        : row.kind === 'vet, please' && row.referralId !== null
          ? 'the letter'
          : null,
  state: row.state,
  tries: row.tries,
  nextTryAt: row.nextTryAt?.toISOString() ?? null,
  lastWord: row.lastWord,
  via: row.via,
  askedBy: row.askedBy,
  createdAt: row.createdAt.toISOString(),
  sentAt: row.sentAt?.toISOString() ?? null,
});
