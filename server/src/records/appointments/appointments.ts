import type { Appointment } from '@dewpond/contract';
import { and, asc, eq, gte, lt, type SQL } from 'drizzle-orm';
import type { QueryBuilder } from 'drizzle-orm/pg-core';
import { isHere } from '../../platform/db/branch';
import { appointment, client, dog, member, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { anyOf, together, type AskedFor, type RowsOf } from '../../platform/db/together';

const bookedQuery = (select: QueryBuilder, where: SQL | undefined) =>
  select
    .select({
      id: appointment.id,
      version: appointment.version,
      dogId: appointment.dogId,
      memberId: appointment.memberId,
      kind: appointment.kind,
      agreed: appointment.agreed,
      startsAt: appointment.startsAt,
      endsAt: appointment.endsAt,
      state: appointment.state,
      mayMove: appointment.mayMove,
      seriesId: appointment.seriesId,
      confirmedAt: appointment.confirmedAt,
      note: appointment.note,
      dogName: dog.name,
      ownerId: client.id,
      ownerName: client.name,
      memberName: member.name,
      visitId: visit.id,
    })
    .from(appointment)
    .innerJoin(dog, eq(dog.id, appointment.dogId))
    .innerJoin(client, eq(client.id, dog.clientId))
    .innerJoin(member, eq(member.id, appointment.memberId))
    .leftJoin(visit, eq(visit.appointmentId, appointment.id))
    .where(where)
    .orderBy(asc(appointment.startsAt));
type BookedRows = RowsOf<{ booked: ReturnType<typeof bookedQuery> }>;

const shown = ({ booked }: BookedRows): Appointment[] =>
  booked.map(({ confirmedAt, ...each }) => ({
    ...each,
    startsAt: each.startsAt.toISOString(),
    endsAt: each.endsAt.toISOString(),
    saidYes: confirmedAt !== null,
  }));

const between = together((select, { start, end }: { start: AskedFor<Date>; end: AskedFor<Date> }) => ({
  booked: bookedQuery(
    select,
    and(isHere(dog.branchId), gte(appointment.startsAt, start), lt(appointment.startsAt, end)),
  ),
}));
/** Bookings of dogs of the branch in force. */
export const appointmentsBetween = async (tx: Tenant, start: Date, end: Date): Promise<Appointment[]> =>
  shown(await between(tx, { start, end }));

const ofDogs = together((select, { dogIds }: { dogIds: AskedFor<readonly string[]> }) => ({
  booked: bookedQuery(select, anyOf(appointment.dogId, dogIds)),
}));
export const appointmentsOfDogs = async (tx: Tenant, dogIds: readonly string[]): Promise<Appointment[]> =>
  shown(await ofDogs(tx, { dogIds }));

const ahead = together((select, { from }: { from: AskedFor<Date> }) => ({
  booked: select
    .select({ dogId: appointment.dogId, startsAt: appointment.startsAt })
    .from(appointment)
    .where(and(gte(appointment.startsAt, from), eq(appointment.state, 'booked')))
    .orderBy(asc(appointment.startsAt)),
}));

/** When the next booking of every dog begins, by dog. */
export async function nextBooked(tx: Tenant, from: Date): Promise<Map<string, string>> {
  const { booked } = await ahead(tx, { from });
  return new Map(booked.toReversed().map(({ dogId, startsAt }) => [dogId, startsAt.toISOString()]));
}
