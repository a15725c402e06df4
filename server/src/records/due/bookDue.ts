import { TASKS, taskKey } from '@dewpond/core/tasks';
import { namePlace } from '@dewpond/core/places';
import type { DogListItem } from '@dewpond/contract';
import { nextVisit, type DueLine } from '@dewpond/core/due';
import { nameBreeds } from '@dewpond/core/catalogue';
import { ownGap, type Coming } from '@dewpond/core/stock';
import { addDays, type Day } from '@dewpond/core/units';
import { and, asc, count, eq, gt, isNull, or, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { nextBooked } from '../appointments/appointments';
import { client, dog, dogDue } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { loadStockedBusiness, type StockedBusiness, type Business } from '../business/business';
import { asBought } from '../shelf/shelf';
import { spanOf } from '../../platform/time/zone';
import { planFor, type Planned } from '../dog/facts';
import { needsOfVisit } from '../dog/bathNeeds';
import { loadDogs, marksOf, type DogRecord } from '../dog/dogRecord';

/** The task and the place of the next visit in words: "clean ears, left ear". */
export function driverWords(due: readonly DueLine[], key: string): string {
  const line = due.find((each) => taskKey(each.line) === key)?.line;
  if (!line) return key;
  const name = TASKS[line.task].name.toLowerCase();
  return line.place ? `${name}, ${namePlace(line.place)}` : name;
}

/** So many dogs are reckoned while a list is asked for; a larger book is reckoned piece by piece. */
const AT_ONCE = 300;

/** Dogs that are there and whose kept due is stale today. */
const stale = (today: Day) => and(isNull(dog.archivedOn), or(isNull(dogDue.madeOn), sql`${dogDue.madeOn} <> ${today}`));

/** A dog whose due is stale, with the mark that its last change set; null: nothing was ever kept of it. */
export interface StaleDog {
  readonly id: string;
  readonly touched: string | null;
}

export const staleDogs = (tx: Tenant, today: Day): Promise<StaleDog[]> =>
  tx
    .select({ id: dog.id, touched: dogDue.touched })
    .from(dog)
    .leftJoin(dogDue, eq(dogDue.dogId, dog.id))
    .where(stale(today));

/** Reckons what is next due for some of the dogs it is stale for; returns how many are left. */
export async function reckonDue(tx: Tenant, today: Day): Promise<number> {
  const waiting = await staleDogs(tx, today);
  if (waiting.length > 0) await keepDue(tx, today, waiting.slice(0, AT_ONCE));
  return Math.max(0, waiting.length - AT_ONCE);
}

/**
 * Reckons and keeps what is next due for these dogs. All that it depends on is read after the marks: what was changed since
 * bears another mark, and is not overwritten with what may have been read before.
 */
export async function keepDue(tx: Tenant, today: Day, dogs: readonly StaleDog[]): Promise<void> {
  const business = await loadStockedBusiness(tx);
  const marks = new Map(dogs.map(({ id, touched }) => [id, touched]));
  const records = await loadDogs(tx, { ids: [...marks.keys()] });
  if (records.length === 0) return;
  await tx
    .insert(dogDue)
    .values(
      records.map((record) => ({
        dogId: record.dog.id,
        madeOn: today,
        touched: marks.get(record.dog.id) ?? v7(),
        ...dueOf(record, business, today),
      })),
    )
    .onConflictDoUpdate({
      target: [dogDue.businessId, dogDue.dogId],
      set: {
        madeOn: today,
        next: sql`excluded.next`,
        openVet: sql`excluded.open_vet`,
        takes: sql`excluded.takes`,
      },
      setWhere: sql`${dogDue.touched} = excluded.touched`,
    });
}

function dueOf(
  record: DogRecord,
  business: StockedBusiness,
  today: Day,
): Pick<typeof dogDue.$inferInsert, 'next' | 'openVet' | 'takes'> {
  const planned = planFor(record, business, today);
  const { due } = planned;
  const next = nextVisit(due, today);
  return {
    next: next && {
      day: next.day,
      task: driverWords(due, next.drivenBy),
      late: due.some((each) => each.state === 'late'),
    },
    openVet: Object.values(record.places).some((place) => place.suspended),
    takes: takesOf(planned, business, record, next?.day ?? null),
  };
}

/**
 * What a full visit takes of each product as bought, when the next is expected and how often it comes: for the stock ahead.
 * A dog comes as it has come, whatever the plan would have.
 */
function takesOf(
  { facts, plan }: Planned,
  business: StockedBusiness,
  { amountFactor, visits }: DogRecord,
  due: Day | null,
): Omit<Coming, 'booked'> {
  const { needs } = needsOfVisit('full visit', facts, plan, business, amountFactor);
  const bath = plan.lines.find(({ task }) => task === 'bath');
  const days = visits.map(({ day }) => day);
  const own = ownGap(days);
  const last = days.at(-1);
  return {
    due: own !== null && last !== undefined ? addDays(last, own) : due,
    every: own ?? bath?.interval?.usual ?? null,
    uses: needs.map(({ product, ml }) => ({ productId: product.id, ml: asBought(product, ml) })),
  };
}

/** Every dog of the book with what is next due, as far as it is reckoned. */
export async function listDogs(tx: Tenant, business: Business, today: Day): Promise<DogListItem[]> {
  await reckonDue(tx, today);
  // From the morning on: a dog that is late for its nine o'clock is booked all the same.
  const booked = await nextBooked(tx, spanOf(business.zone, today).start);
  const rows = await tx
    .select({ dog, client: { id: client.id, name: client.name, card: client.card }, due: dogDue })
    .from(dog)
    .innerJoin(client, eq(client.id, dog.clientId))
    .leftJoin(dogDue, eq(dogDue.dogId, dog.id))
    .orderBy(asc(dog.name));
  return rows.map(({ dog: row, client: owner, due }): DogListItem => {
    const fresh = due?.madeOn === today;
    return {
      id: row.id,
      name: row.name,
      breed: nameBreeds(row.profile.breeds, business.catalogue),
      ownerId: owner.id,
      owner: owner.name,
      phone: owner.card.phones.map(({ number }) => number).join(', '),
      street: owner.card.address.street,
      chip: row.chip ?? '',
      archived: row.archivedOn !== null,
      weightKg: row.profile.weightKg,
      handling: marksOf({ dog: row }),
      next: fresh ? due.next : null,
      nextBooked: booked.get(row.id)?.startsAt ?? null,
      openVet: fresh && due.openVet,
      reckoned: fresh || row.archivedOn !== null,
    };
  });
}

/** Dogs of one page of the book, in the order of their ids. */
export async function bookPage(
  tx: Tenant,
  after: string | undefined,
): Promise<{ ids: string[]; after: string | null; of: number }> {
  const [counted] = await tx.select({ of: count() }).from(dog).where(isNull(dog.archivedOn));
  const rows = await tx
    .select({ id: dog.id })
    .from(dog)
    .where(and(isNull(dog.archivedOn), after === undefined ? undefined : gt(dog.id, after)))
    .orderBy(asc(dog.id))
    .limit(AT_ONCE);
  const ids = rows.map(({ id }) => id);
  return { ids, after: ids.length < AT_ONCE ? null : (ids.at(-1) ?? null), of: counted?.of ?? 0 };
}
