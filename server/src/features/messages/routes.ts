import type { MessageView } from '@dewpond/contract';
import { LINK_MARK, mayTryAgain, mayWithdraw } from '@dewpond/core/messages';
import { and, desc, eq, inArray, or, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { may } from '../../platform/auth/mayAsk';
import { client, dog, message, referral, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { Refusal, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { enqueue } from '../../platform/jobs/jobs';
import { draftFor } from './draft';
import { MESSAGE_JOB, asSettled, settleUnsure } from './sendMessage';
import { writeMessage } from './writeMessage';

/** The outbox shows this many. */
const NEWEST = 300;

export function messageRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/dogs/:id/draft', ({ tx, params, query, now }) =>
    draftFor(tx, [params.id, ...(query.with ?? [])], query, now),
  );

  route(router, services, 'GET /api/messages', async ({ tx, asker, query, now }) => {
    const rows = await tx
      .select({ message, client: client.name, dog: dog.name })
      .from(message)
      .innerJoin(client, eq(client.id, message.clientId))
      .leftJoin(dog, eq(dog.id, message.dogId))
      .where(
        query.dog === undefined
          ? undefined
          : or(eq(message.dogId, query.dog), sql`${message.withDogs} @> ${JSON.stringify([query.dog])}::jsonb`),
      )
      .orderBy(desc(message.createdAt), desc(message.id))
      .limit(NEWEST);
    const names = await dogNames(tx, [...new Set(rows.flatMap((row) => row.message.withDogs))]);
    const items = rows.map((row) => view({ ...row, message: asSettled(row.message, now) }, names));
    if (may(asker, 'see addresses')) return { items };
    return { items: items.map((each) => (each.channel === 'e-mail' ? { ...each, to: '' } : each)) };
  });

  route(router, services, 'POST /api/messages', async ({ tx, asker, body, now }) => {
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
    const { businessId, personName: name, personId } = asker;
    await writeMessage(tx, services.site, { businessId, name, personId }, body, now);
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

async function dogNames(tx: Tenant, ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await tx
    .select({ id: dog.id, name: dog.name })
    .from(dog)
    .where(inArray(dog.id, [...ids]));
  return new Map(rows.map(({ id, name }) => [id, name]));
}

const view = ({ message: row, client: name, dog: first }: Joined, names: ReadonlyMap<string, string>): MessageView => ({
  id: row.id,
  clientId: row.clientId,
  client: name,
  dogId: row.dogId,
  dog: first && [first, ...row.withDogs.flatMap((id) => names.get(id) ?? [])].join(', '),
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
  arrivedAt: row.arrivedAt?.toISOString() ?? null,
});
