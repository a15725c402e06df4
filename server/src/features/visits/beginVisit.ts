import type { BodyOf } from '@dewpond/contract';
import { and, eq } from 'drizzle-orm';
import type { Asker } from '../../platform/asker';
import { appointment, dog, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { badField, conflict } from '../../platform/http/problem';
import { assertSame, contentHash } from '../../platform/http/sameContent';
import { dayIn } from '../../platform/time/zone';

/** A visit begun without a network is told of later, but not so much later. */
const LATE_MS = 60 * 86_400_000;

/** When it was begun: by the device, corrected by what it knows of its clock; else now. A clock that is far off counts for nothing. */
function begunWhen(begun: { readonly at: number; readonly offset: number | null } | undefined, now: number): number {
  if (begun === undefined) return now;
  const at = begun.at + (begun.offset ?? 0);
  return at > now - LATE_MS && at <= now ? at : now;
}

/** Begins a visit, once. Throws 409 with the other one's id where its booking was begun before. */
export async function beginVisit(
  tx: Tenant,
  asker: Pick<Asker, 'zone'>,
  body: BodyOf<'POST /api/visits'>,
  now: number,
): Promise<{ readonly id: string }> {
  const [known] = await tx.select({ id: dog.id }).from(dog).where(eq(dog.id, body.dogId));
  if (!known) throw badField('dogId', 'There is no such dog here.');
  const { begun: begunAt, ...its } = body;
  const madeFrom = contentHash(its);
  const [before] = await tx.select().from(visit).where(eq(visit.id, body.id));
  if (before) {
    assertSame(before.madeFrom, madeFrom);
    return { id: body.id };
  }
  if (body.appointmentId !== null) {
    const [booked] = await tx
      .select({ id: appointment.id })
      .from(appointment)
      .where(and(eq(appointment.id, body.appointmentId), eq(appointment.dogId, body.dogId)));
    if (!booked) throw badField('appointmentId', 'That booking is not for this dog.');
  }
  const written = await tx
    .insert(visit)
    .values({
      ...its,
      day: dayIn(asker.zone, begunWhen(begunAt, now)),
      madeFrom,
      createdAt: new Date(now),
    })
    .onConflictDoNothing()
    .returning({ id: visit.id });
  if (written.length > 0) return { id: body.id };
  // Another device was faster, by a moment or by a day: with the same visit, or with one of its own.
  const [same] = await tx.select().from(visit).where(eq(visit.id, body.id));
  if (same) {
    assertSame(same.madeFrom, madeFrom);
    return { id: body.id };
  }
  const [begun] = await tx
    .select({ id: visit.id })
    .from(visit)
    .where(eq(visit.appointmentId, body.appointmentId ?? ''));
  throw conflict('This visit was already begun on another device.', begun, body);
}
