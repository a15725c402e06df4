import { LINK_MARK, UNSURE_AFTER_MS, afterTry, reachOf, type Outcome } from '@dewpond/core/messages';
import { and, eq, lt, sql } from 'drizzle-orm';
import { client, message } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import { loadBusiness } from '../../records/business/business';
import type { Services } from '../../platform/http/context';
import { enqueue, type JobKind } from '../../platform/jobs/jobs';
import { z } from 'zod';
import { urlOf } from '../../records/links/ownerLinks';
import { letterAsPdf } from '../../records/documents/letterPdf';
import { sheetAsPdf } from '../../records/documents/sheetPdf';
import type { OutgoingMail } from '../../platform/post/carrier';

type MessageRow = typeof message.$inferSelect;

export const MESSAGE_JOB: JobKind<{ businessId: string; messageId: string }> = {
  queue: 'message-send',
  ids: z.object({ businessId: z.uuid(), messageId: z.uuid() }),
  everySeconds: 1,
  atOnce: 5,
};

/**
 * One try to send one message. It is taken in one transaction, handed over outside of any, and its end written in
 * another; what was taken and never ended becomes "unsure" and is not sent again by itself: never twice.
 */
export async function sendMessage(services: Services, businessId: BusinessId, id: string): Promise<void> {
  const taken = await inTenant(services.databases, businessId, (tx) => take(tx, id, services.now()));
  if (!taken) return;
  const { row } = taken;
  const carrier = services.post[row.channel];
  const outcome = await deliver(services, businessId, taken).catch((error: unknown): Outcome => ({
    kind: 'trouble',
    word: error instanceof Error ? error.message : 'Not sent.',
  }));
  await inTenant(services.databases, businessId, async (tx) => {
    const { state, againIn, lastWord } = afterTry(outcome, row.tries);
    const now = services.now();
    const nextTryAt = againIn === null ? null : new Date(now + againIn * 60_000);
    await tx
      .update(message)
      .set({ state, lastWord, nextTryAt, via: carrier.via, sentAt: state === 'sent' ? new Date(now) : null })
      .where(and(eq(message.id, id), eq(message.state, 'sending')));
    if (nextTryAt) await enqueue(tx, MESSAGE_JOB, { businessId, messageId: id }, nextTryAt);
  });
}

interface SentMessage {
  readonly row: MessageRow;
  readonly from: OutgoingMail['from'];
  readonly language: string;
}

/** Takes a waiting message that is due, if the owner still agrees. Only one process gets it. */
async function take(tx: Tenant, id: string, now: number): Promise<SentMessage | null> {
  const [row] = await tx
    .update(message)
    .set({ state: 'sending', takenAt: new Date(now), tries: sql`${message.tries} + 1` })
    .where(and(eq(message.id, id), eq(message.state, 'waiting')))
    .returning();
  if (!row) return null;
  const [owner] = await tx.select({ card: client.card }).from(client).where(eq(client.id, row.clientId));
  const whyNot = owner && reachOf(owner.card).find(({ channel }) => channel === row.channel)?.whyNot;
  if (!owner || whyNot) {
    await tx
      .update(message)
      .set({ state: 'failed', lastWord: whyNot ?? 'This client is gone.' })
      .where(eq(message.id, id));
    return null;
  }
  const business = await loadBusiness(tx);
  return { row, from: { name: business.name, replyTo: business.email }, language: owner.card.language ?? '' };
}

async function deliver(
  services: Services,
  businessId: BusinessId,
  { row, from, language }: SentMessage,
): Promise<Outcome> {
  const attached = [];
  if (row.channel === 'e-mail' && row.kind === 'sheet' && row.visitId !== null)
    attached.push(await sheetAsPdf(services, businessId, row.visitId));
  if (row.channel === 'e-mail' && row.kind === 'vet, please' && row.referralId !== null)
    attached.push(await letterAsPdf(services, businessId, row.referralId));
  const link = row.linkId === null ? '' : urlOf(services.site, businessId, row.linkId);
  return services.post[row.channel].deliver({
    id: row.id,
    ref: `${businessId}.${row.id}`,
    to: row.recipient,
    from,
    subject: row.subject,
    words: row.words.replaceAll(LINK_MARK, link),
    language,
    attached,
  });
}

/** What becomes of a message that was taken and never heard of again: a person decides about it. */
const UNSURE = { state: 'unsure', lastWord: 'We stopped in the middle of sending it. It may have arrived.' } as const;
const unheardOfSince = (now: number) => new Date(now - UNSURE_AFTER_MS);

export const settleUnsure = (tx: Tenant, now: number) =>
  tx
    .update(message)
    .set(UNSURE)
    .where(and(eq(message.state, 'sending'), lt(message.takenAt, unheardOfSince(now))));

/** A message as it will be settled: who looks at it writes nothing. */
export const asSettled = (row: typeof message.$inferSelect, now: number): typeof message.$inferSelect =>
  row.state === 'sending' && row.takenAt !== null && row.takenAt < unheardOfSince(now) ? { ...row, ...UNSURE } : row;
