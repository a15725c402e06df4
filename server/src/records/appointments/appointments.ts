import type { Appointment } from '@dewpond/contract';
import { and, asc, eq, gte, inArray, lt, type SQL } from 'drizzle-orm';
import { appointment, client, dog, member, visit } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';

async function find(tx: Tenant, where: SQL | undefined): Promise<Appointment[]> {
  const rows = await tx
    .select({
      appointment,
      dogName: dog.name,
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
  return rows.map(({ appointment: each, ...names }) => ({
    id: each.id,
    version: each.version,
    dogId: each.dogId,
    memberId: each.memberId,
    kind: each.kind,
    startsAt: each.startsAt.toISOString(),
    endsAt: each.endsAt.toISOString(),
    state: each.state,
    note: each.note,
    ...names,
  }));
}

export const appointmentsBetween = (tx: Tenant, start: Date, end: Date): Promise<Appointment[]> =>
  find(tx, and(gte(appointment.startsAt, start), lt(appointment.startsAt, end)));

export const appointmentsOfDogs = (tx: Tenant, dogIds: readonly string[]): Promise<Appointment[]> =>
  find(tx, inArray(appointment.dogId, [...dogIds]));

/** The next booking of every dog, by dog. */
export async function nextBooked(tx: Tenant, from: Date): Promise<Map<string, Appointment>> {
  const rows = await find(tx, and(gte(appointment.startsAt, from), eq(appointment.state, 'booked')));
  return new Map(rows.toReversed().map((each) => [each.dogId, each]));
}
