import {
  needsAt,
  pricesLater,
  type BookedVisit,
  type DogInWeeks,
  type DogOfWeeks,
  type KeptPrices,
  type PlacesOfSalon,
  type Weeks,
} from '@dewpond/core/bookings';
import type { Coordinates } from '@dewpond/core/clients';
import { warmMonths } from '@dewpond/core/dog';
import { USUAL_VAN, driveToStop } from '@dewpond/core/route';
import { addDays, daysBetween, type Day } from '@dewpond/core/units';
import { and, asc, eq, gte, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import { isHere, isHereOrEverywhere } from '../../platform/db/branch';
import { appointment, away, branch, client, dog, dogDue, member, weekPlan } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { together, type AskedFor } from '../../platform/db/together';
import { dayIn, minuteIn, spanOf } from '../../platform/time/zone';
import { branchInForce, branchQuery, peopleHere } from '../business/branches';

export interface WeeksAsked {
  readonly zone: string;
  readonly now: number;
  readonly first: Day;
  readonly days: number;
  /** What the salon has. */
  readonly places: Pick<PlacesOfSalon, 'tables' | 'tubs' | 'dryers'>;
}

/** Everybody's time: who works when, who is away, what is booked already. */
const timeRows = together(
  (select, { start, end, first }: { start: AskedFor<Date>; end: AskedFor<Date>; first: AskedFor<string> }) => ({
    branches: branchQuery(select),
    people: select
      .select({ id: member.id, week: member.week, skills: member.skills, branchId: member.branchId })
      .from(member)
      .where(isNull(member.leftAt))
      .orderBy(asc(member.name), asc(member.id)),
    away: select
      .select({ person: away.memberId, from: away.fromDay, to: away.toDay })
      .from(away)
      .where(and(gte(away.toDay, first), isHereOrEverywhere(away.branchId))),
    booked: select
      .select({
        id: appointment.id,
        dog: appointment.dogId,
        person: appointment.memberId,
        kind: appointment.kind,
        startsAt: appointment.startsAt,
        endsAt: appointment.endsAt,
        mayMove: appointment.mayMove,
        isHere: sql<boolean>`${isHere(dog.branchId)}`,
      })
      .from(appointment)
      .innerJoin(dog, eq(dog.id, appointment.dogId))
      .where(and(eq(appointment.state, 'booked'), gte(appointment.startsAt, start), lt(appointment.startsAt, end)))
      .orderBy(asc(appointment.startsAt)),
  }),
);

const household = sql<string>`coalesce(${client.householdId}, ${client.id})`;

const dogRows = together((select) => ({
  dogs: select
    .select({
      id: dog.id,
      household: household.as('household'),
      its: dogDue.inWeeks,
      wishes: client.wishes,
      needs: dog.needs,
      at: sql<Coordinates | null>`${client.card}->'address'->'coordinates'`,
    })
    .from(dog)
    .innerJoin(client, eq(client.id, dog.clientId))
    .innerJoin(dogDue, eq(dogDue.dogId, dog.id))
    .where(and(isNull(dog.archivedOn), isNotNull(dogDue.inWeeks), isHere(dog.branchId)))
    .orderBy(asc(dog.id)),
  branches: branchQuery(select),
  van: select.select({ van: branch.van }).from(branch).where(isHere(branch.id)),
}));

/** All that weeks are planned from. Dogs whose due is not worked out yet are not among them. */
export async function loadWeeks(tx: Tenant, asked: WeeksAsked): Promise<Weeks> {
  const [time, { dogs, van, branches }] = await Promise.all([loadTime(tx, asked), dogRows(tx, {})]);
  const here = branchInForce(branches);
  const withNeeds = dogs.map((each) => ({ ...each, needs: needsAt(here, each.needs) }));
  const drive: Record<string, number> = {};
  for (const { household: id, needs, at } of withNeeds)
    if (needs?.where) drive[id] = driveToStop(van[0]?.van ?? USUAL_VAN, at);
  return {
    ...time,
    drive,
    dogs: withNeeds.flatMap(({ at: _, ...row }): DogOfWeeks[] => (row.its ? [{ ...row, its: row.its }] : [])),
  };
}

/** The same without dogs: when there is time. */
export async function loadTime(
  tx: Tenant,
  { zone, now, first, days, places }: WeeksAsked,
): Promise<Omit<Weeks, 'dogs' | 'drive'>> {
  const { start, end } = spanOf(zone, first, addDays(first, days - 1));
  const rows = await timeRows(tx, { start, end, first });
  const people = peopleHere(rows.people, rows.branches);
  const works = new Set(people.map(({ id }) => id));
  return {
    first,
    days,
    over: dayIn(zone, now) === first ? minuteIn(zone, new Date(now)) : 0,
    people: people.map(({ id, week, skills }) => ({ id, skills, week })),
    away: rows.away.map(({ person, from, to }) => ({ person, from: from as Day, to: to as Day })),
    // Whoever works here may have a dog of another branch: her time is taken, no table here is.
    booked: rows.booked
      .filter((each) => each.isHere || works.has(each.person))
      .map((each): BookedVisit => {
        const day = dayIn(zone, each.startsAt);
        const from = minuteIn(zone, each.startsAt);
        return {
          id: each.id,
          dog: each.dog,
          person: each.person,
          day,
          from,
          to: from + (Number(each.endsAt) - Number(each.startsAt)) / 60_000,
          choice: each.kind === 'lesson' ? null : each.kind === 'ears and nails' ? 'short' : 'full',
          mayMove: each.mayMove,
          ...(each.isHere ? {} : { elsewhere: true }),
        };
      }),
    tables: places.tables,
    tubs: places.tubs,
    dryers: places.dryers,
    warm: warmMonths(aheadIn(zone, first, '01'), aheadIn(zone, first, '07')),
  };
}

/** Minutes that a zone is ahead of UTC at noon in the middle of a month of that year. */
function aheadIn(zone: string, day: Day, month: string): number {
  const noon = new Date(`${day.slice(0, 4)}-${month}-15T12:00:00Z`);
  const minutes = minuteIn(zone, noon) - 12 * 60;
  return minutes + 1440 * daysBetween(`${day.slice(0, 4)}-${month}-15` as Day, dayIn(zone, noon));
}

/** What the last planning found the days to be worth, seen from `first`; nothing where none was made. */
export async function keptPrices(tx: Tenant, first: Day): Promise<KeptPrices> {
  const [row] = await tx
    .select({ firstDay: weekPlan.firstDay, prices: weekPlan.prices })
    .from(weekPlan)
    .where(isHere(weekPlan.branchId));
  return row ? pricesLater(row.prices, Math.max(0, daysBetween(row.firstDay as Day, first))) : {};
}

/** One dog in the weeks, as it stands now: its household and what was said of it. */
export async function dogOfWeeks(
  tx: Tenant,
  dogId: string,
  its: DogInWeeks,
): Promise<(DogOfWeeks & { readonly drive: number }) | null> {
  const [row] = await tx
    .select({
      ...{ id: dog.id, household, wishes: client.wishes, needs: dog.needs },
      at: sql<Coordinates | null>`${client.card}->'address'->'coordinates'`,
    })
    .from(dog)
    .innerJoin(client, eq(client.id, dog.clientId))
    .where(eq(dog.id, dogId));
  if (!row) return null;
  const { at, ...rest } = row;
  const [here] = await tx
    .select({ id: branch.id, name: branch.name, kind: branch.kind, van: branch.van })
    .from(branch)
    .where(isHere(branch.id));
  const needs = here ? needsAt(here, rest.needs) : rest.needs;
  return { ...rest, needs, its, drive: needs?.where ? driveToStop(here?.van ?? USUAL_VAN, at) : 0 };
}

/** Other dogs of a household. */
export async function dogsOfHousehold(
  tx: Tenant,
  householdId: string,
  but: string,
): Promise<{ id: string; name: string; clientId: string }[]> {
  const rows = await tx
    .select({ id: dog.id, name: dog.name, clientId: dog.clientId })
    .from(dog)
    .innerJoin(client, eq(client.id, dog.clientId))
    .where(and(eq(household, householdId), isNull(dog.archivedOn)));
  return rows.filter(({ id }) => id !== but);
}
