import { dogProfile } from '@dewpond/contract';
import { addDays, day, type Day } from '@dewpond/core/units';
import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { Databases } from '../../platform/db/connect';
import { appointment, branch, client, dog, member, product, vet, weighing } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import { contentHash } from '../../platform/http/sameContent';
import { addEntry, lockProducts, stockByProduct } from '../../records/shelf/ledger';
import { cardOf } from '../owners';
import type { SeededMember } from '../seedVisit';
import type { DemoBusiness } from '../shape';
import { CORACLE_VAN } from '../coracle';
import { beginsAt } from './bookTimes';
import type { DogNeeds } from '@dewpond/core/bookings';
import { FIRST_DAY_AGO, VAN_AREA, weekOf, type BookLine } from './keepBook';
import { largeWorld, type LargeWorld } from './largeWorld';
import type { LargeShare } from './seedShare';

const WEEK = 7;
/** Weeks. */
const HALF_YEAR = 26;
/** A container comes when less than this is left beyond what the house keeps in reserve, ml. */
const REORDER = 1500;

/** Seeds the visits of one share of the dogs, week by week: here, or in a thread. */
export interface ShareWorker {
  readonly week: (from: Day, to: Day) => Promise<void>;
  readonly end: () => Promise<void>;
}

export interface LargeSeeding {
  readonly databases: Databases;
  readonly businessId: BusinessId;
  readonly today: Day;
  readonly demo: DemoBusiness;
  readonly members: readonly SeededMember[];
  /** Left out: as many as design asks for. */
  readonly households?: number;
  readonly shares: number;
  readonly worker: (share: LargeShare) => ShareWorker;
  /** Has the database look at its tables anew: its plans are for those of a minute ago, and these grow fast. */
  readonly analyse: () => Promise<unknown>;
  readonly tell: (words: string) => void;
}

/** The other dogs of a business of a real size, with their book and eighteen months of visits, in the order of the days. */
export async function seedLarge(seeding: LargeSeeding): Promise<void> {
  const { databases, businessId, today, demo, members, households, shares, tell } = seeding;
  const world = largeWorld(demo, today, households);
  const dogIds = world.dogs.map(() => v7());
  const entryIds = world.book.map(() => v7());
  await inTenant(databases, businessId, async (tx) => {
    await seedDogs(tx, world, dogIds, today, members);
    await seedBook(tx, world.book, { dogIds, entryIds, members });
    await seedVanDays(tx, members);
  });
  const workers = Array.from({ length: shares }, (_, part) =>
    seeding.worker({
      businessId,
      today,
      slug: demo.slug,
      members,
      households: households ?? null,
      dogIds,
      entryIds,
      part,
      shares,
    }),
  );
  try {
    for (let ago = FIRST_DAY_AGO; ago > 0; ago -= WEEK) {
      const [from, to] = [addDays(today, -ago), addDays(today, -Math.max(1, ago - WEEK + 1))];
      await inTenant(databases, businessId, (tx) => restock(tx, demo, from, members));
      await Promise.all(workers.map(({ week }) => week(from, to)));
      if (Math.ceil(ago / WEEK) % HALF_YEAR !== 0) continue;
      await seeding.analyse();
      tell(`${demo.name}: the weeks up to ${to}`);
    }
  } finally {
    await Promise.all(workers.map(({ end }) => end()));
  }
}

/** The van comes to it. */
const AT_HOME_ON_AN_ISLET: DogNeeds = {
  slot: null,
  memberId: null,
  weekdays: [],
  where: VAN_AREA,
  skills: [],
  notWith: [],
};

async function seedDogs(
  tx: Tenant,
  { dogs }: LargeWorld,
  dogIds: readonly string[],
  today: Day,
  members: readonly SeededMember[],
): Promise<void> {
  const owners = new Map<string, string>();
  const vets = await tx.select({ id: vet.id }).from(vet).orderBy(vet.name);
  const clients = [];
  for (const { owner } of dogs) {
    if (owners.has(owner.phone)) continue;
    const id = v7();
    owners.set(owner.phone, id);
    clients.push({ id, ...cardOf(owner), madeFrom: contentHash(owner) });
  }
  await tx.insert(client).values(clients);
  const rows = dogs.map(({ owner, isOutlying, profile: { ageYears, ...given } }, i) => {
    const profile = dogProfile.parse({ ...given, born: bornOn(today, ageYears, i) });
    return {
      id: dogIds[i] ?? '',
      clientId: owners.get(owner.phone) ?? '',
      vetId: vets[i % 3]?.id ?? null,
      name: profile.name,
      profile,
      needs: isOutlying ? AT_HOME_ON_AN_ISLET : null,
      madeFrom: contentHash(profile),
    };
  });
  await tx.insert(dog).values(rows);
  const by = members[0]?.name ?? '';
  await tx
    .insert(weighing)
    .values(rows.map(({ id, profile }) => ({ dogId: id, by, day: today, kg: profile.weightKg })));
}

const bornOn = (today: Day, ageYears: number, i: number): Day =>
  day(
    `${Number(today.slice(0, 4)) - ageYears}-${String(1 + (i % 9)).padStart(2, '0')}-${String(1 + (i % 28)).padStart(2, '0')}`,
  );

interface Ids {
  readonly dogIds: readonly string[];
  readonly entryIds: readonly string[];
  readonly members: readonly SeededMember[];
}

async function seedBook(tx: Tenant, book: readonly BookLine[], { dogIds, entryIds, members }: Ids): Promise<void> {
  const rows = book.map((entry, i) => {
    const startsAt = beginsAt(entry);
    return {
      id: entryIds[i] ?? '',
      dogId: dogIds[entry.dog] ?? '',
      memberId: members[entry.person]?.id ?? '',
      kind: entry.kind,
      startsAt,
      endsAt: new Date(startsAt.getTime() + entry.minutes * 60_000),
      // A visit that is closed makes its booking done.
      state: entry.state === 'done' ? ('booked' as const) : entry.state,
      ...(entry.cancelledHours === null
        ? {}
        : {
            cancelledAt: new Date(startsAt.getTime() - entry.cancelledHours * 3_600_000),
            cancelledBy: 'owner' as const,
          }),
      madeFrom: contentHash(entry),
    };
  });
  for (let i = 0; i < rows.length; i += 500) await tx.insert(appointment).values(rows.slice(i, i + 500));
}

/** The first of them is with the van on two days, for whoever lives outside the town. */
async function seedVanDays(tx: Tenant, members: readonly SeededMember[]): Promise<void> {
  await tx.update(branch).set({ van: CORACLE_VAN });
  for (const [i, { id }] of members.entries()) {
    const [row] = await tx.select({ week: member.week }).from(member).where(eq(member.id, id));
    if (row)
      await tx
        .update(member)
        .set({ week: weekOf(i, row.week ?? undefined) })
        .where(eq(member.id, id));
  }
}

/** What runs low is delivered by the container, as the weeks go by. */
async function restock(tx: Tenant, demo: DemoBusiness, on: Day, members: readonly SeededMember[]): Promise<void> {
  const [rows, stock] = [
    await tx.select({ id: product.id, name: product.name }).from(product),
    await stockByProduct(tx),
  ];
  for (const { name, safetyMl, containerMl } of demo.products) {
    const its = rows.find((each) => each.name === name);
    const known = its && stock.get(its.id);
    if (!its || known === undefined || known > safetyMl + REORDER) continue;
    await lockProducts(tx, [its.id]);
    await addEntry(tx, {
      productId: its.id,
      kind: 'delivery',
      movement: { kind: 'delivery', ml: containerMl, reason: '' },
      day: on,
      by: members[0]?.name ?? '',
    });
  }
}
