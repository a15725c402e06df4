import type { OwnerAnswerView } from '@dewpond/contract';
import { and, asc, eq, isNull, lte } from 'drizzle-orm';
import type { Router } from 'express';
import { appointment, client, dog, ownerAnswer } from '../../platform/db/schema';
import type { Services } from '../../platform/http/context';
import { notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';

/** What owners answered on their pages, until somebody has seen it. */
export function answerRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/answers', async ({ tx }) => {
    const rows = await tx
      .select({ answer: ownerAnswer, booking: appointment, dog: dog.name, owner: client.name, card: client.card })
      .from(ownerAnswer)
      .innerJoin(dog, eq(dog.id, ownerAnswer.dogId))
      .innerJoin(client, eq(client.id, dog.clientId))
      .leftJoin(appointment, eq(appointment.id, ownerAnswer.appointmentId))
      .where(isNull(ownerAnswer.seenAt))
      .orderBy(asc(ownerAnswer.toldAt), asc(ownerAnswer.id));
    // Who takes a time and then cannot come cannot come.
    const newest = rows.filter(
      ({ answer }, i) =>
        answer.appointmentId === null ||
        !rows.slice(i + 1).some((later) => later.answer.appointmentId === answer.appointmentId),
    );
    return {
      items: newest.map(({ answer, booking, dog: name, owner, card }): OwnerAnswerView => ({
        id: answer.id,
        dogId: answer.dogId,
        dog: name,
        owner,
        phone: card.phones[0]?.number ?? '',
        says: answer.says,
        note: answer.note,
        toldAt: answer.toldAt.toISOString(),
        booking: booking && {
          id: booking.id,
          startsAt: booking.startsAt.toISOString(),
          endsAt: booking.endsAt.toISOString(),
        },
      })),
    };
  });

  route(router, services, 'PUT /api/answers/:id', async ({ tx, asker, params, body, now }) => {
    const seen = body.seen
      ? { seenAt: new Date(now), seenBy: asker.personName, personId: asker.personId }
      : { seenAt: null, seenBy: null, personId: null };
    const [row] = await tx.update(ownerAnswer).set(seen).where(eq(ownerAnswer.id, params.id)).returning();
    if (!row) throw notFound('answer');
    // With it goes what it took the place of.
    if (row.appointmentId !== null && body.seen)
      await tx
        .update(ownerAnswer)
        .set(seen)
        .where(and(eq(ownerAnswer.appointmentId, row.appointmentId), lte(ownerAnswer.toldAt, row.toldAt)));
    return {};
  });
}
