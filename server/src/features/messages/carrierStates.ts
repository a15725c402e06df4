import { carrierWord } from '@dewpond/contract';
import { afterCarrier, type CarrierWord } from '@dewpond/core/messages';
import { eq } from 'drizzle-orm';
import express, { Router, type Request } from 'express';
import { message } from '../../platform/db/schema';
import { inTenant, type BusinessId } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { badInput, notFound, Refusal } from '../../platform/http/problem';
import { isSigned } from '../../platform/post/signed';

/**
 * What a carrier says later of a text message it took. Signed; said twice it is as said once.
 * @param secret shared with the carrier; empty: nobody may say anything.
 */
export function carrierStates(services: Services, secret: string): Router {
  const router = Router();
  const raw = express.raw({ type: 'application/json', limit: '10kb' });
  router.post('/api/message-states', raw, async (request, response) => {
    if (secret === '') throw notFound('address');
    const body = Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0);
    if (!isSigned({ ...headersOf(request), secret, body }, services.now()))
      throw new Refusal('not signed in', 'That is not signed, or too old.');
    const parsed = carrierWord.safeParse(asJson(body));
    if (!parsed.success) throw badInput(parsed.error);
    const { ref, state: said, word } = parsed.data;
    await inTenant(services.databases, ref.businessId as BusinessId, async (tx) => {
      const [row] = await tx.select().from(message).where(eq(message.id, ref.messageId)).for('update');
      if (!row) throw notFound('message');
      // Faster than our own hand: it is told again.
      if (row.state === 'sending') throw new Refusal('conflict', 'Say it again in a moment.');
      if (isOfEarlierTry(row, said, Number(request.get('webhook-timestamp')) * 1000)) return;
      const after = afterCarrier({ state: row.state, arrived: row.arrivedAt !== null }, said);
      if (after === null) return;
      await tx
        .update(message)
        .set({
          state: after.state,
          arrivedAt: after.arrived ? new Date(services.now()) : null,
          sentAt: row.sentAt ?? (after.state === 'sent' ? new Date(services.now()) : null),
          lastWord: word ?? row.lastWord,
        })
        .where(eq(message.id, row.id));
    });
    response.json({});
  });
  return router;
}

/** Clocks of carriers differ from ours by so much at most [house value]. */
const CLOCKS_DIFFER_MS = 5000;

/** It came back, was sent once more, and what was said of the earlier try is said again: said before this try was made. */
const isOfEarlierTry = ({ takenAt }: typeof message.$inferSelect, said: CarrierWord, saidAt: number): boolean =>
  said === 'not delivered' && takenAt !== null && saidAt + CLOCKS_DIFFER_MS < takenAt.getTime();

const headersOf = (request: Request) => ({
  id: request.get('webhook-id') ?? '',
  timestamp: request.get('webhook-timestamp') ?? '',
  signature: request.get('webhook-signature') ?? '',
});

function asJson(body: Buffer): unknown {
  try {
    return JSON.parse(body.toString('utf8'));
  } catch {
    return null;
  }
}
