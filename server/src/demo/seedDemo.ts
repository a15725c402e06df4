import { dogProfile } from '@dewpond/contract';
import { USUAL_WEEK, weekdayOf, type WeekHours } from '@dewpond/core/bookings';
import { DEFAULT_HOUSE_WAYS } from '@dewpond/core/ways';
import { addDays, day, type Day } from '@dewpond/core/units';
import type { VisitKind } from '@dewpond/core/steps';
import { randomLcg } from 'd3-random';
import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { Auth } from '../platform/auth/auth';
import * as authSchema from '../platform/db/authSchema';
import type { Databases } from '../platform/db/connect';
import {
  appointment,
  branch,
  business,
  client,
  dog,
  instruction,
  member,
  programme,
  vet,
  weighing,
} from '../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../platform/db/tenant';
import { contentHash } from '../platform/http/sameContent';
import { dayIn, instantIn } from '../platform/time/zone';
import { cardOf } from './owners';
import { seedLarge, type LargeSeeding } from './large/seedLarge';
import { seedVisit, ZONE, type SeededMember } from './seedVisit';
import { seedMixesPast, seedCounts, seedShelf } from './seedShelf';
import { productNamed, seedAtHome } from './seedAtHome';
import { seedMessages, seedReferrals } from './seedOwners';
import type { DemoBusiness, DemoDog, DemoPerson } from './shape';
import { DEMO_BUSINESSES, DEMO_PASSWORD } from './world';

const SEED = 20_261;

interface Seeding {
  readonly tx: Tenant;
  readonly businessId: BusinessId;
  readonly today: Day;
  readonly random: () => number;
  readonly makeId: (at: number) => string;
  readonly members: readonly SeededMember[];
}

/** How the business of a real size is seeded; without it there are the dogs that have stories, and nobody else. */
export type LargeHow = Pick<LargeSeeding, 'worker' | 'shares' | 'households' | 'analyse'>;

/** On a business until its world is finished: whoever stops the first start half-way is told, and is not left with half. */
const BEGUN = JSON.stringify({ demo: 'begun' });

/**
 * Fills an empty database with the invented world. Says nothing and does nothing when a business is there already. Throws
 * where an earlier start was stopped before the world was finished.
 */
export async function seedDemo(
  databases: Databases,
  auth: Auth,
  now: number,
  tell: (words: string) => void,
  large: LargeHow | null = null,
): Promise<boolean> {
  const { organization } = authSchema;
  const [unfinished] = await databases.auth
    .select()
    .from(organization)
    .where(eq(organization.metadata, BEGUN))
    .limit(1);
  if (unfinished) throw new Error('The demo world was begun and never finished. Make it anew: npm run demo -- --fresh');
  const [known] = await databases.auth.select({ id: organization.id }).from(organization).limit(1);
  if (known) return false;
  const random = randomLcg(SEED);
  const makeId = (at: number) =>
    v7({ msecs: at, random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)) });
  for (const demo of DEMO_BUSINESSES) {
    const { businessId, people } = await seedPeople(databases, auth, demo, now);
    await inTenant(databases, businessId, (tx) => seedBusiness(tx, businessId, dayIn(ZONE, now), demo, people));
    for (const each of demo.dogs) {
      await inTenant(databases, businessId, (tx) =>
        seedDog({ tx, businessId, today: dayIn(ZONE, now), random, makeId, members: people }, each),
      );
      tell(`${demo.name}: ${each.profile.name}`);
    }
    if (large && demo.slug === 'withy-quay')
      await seedLarge({ databases, businessId, today: dayIn(ZONE, now), demo, members: people, tell, ...large });
    await inTenant(databases, businessId, async (tx) => {
      const shelving = { tx, today: dayIn(ZONE, now), by: people[0]?.name ?? '', zone: ZONE };
      await seedMixesPast(shelving, demo, random);
      await seedCounts(shelving, demo);
      const seeding = { ...shelving, makeId };
      await seedReferrals(seeding);
      await seedMessages(seeding);
    });
  }
  await databases.auth.update(organization).set({ metadata: null }).where(eq(organization.metadata, BEGUN));
  return true;
}

async function seedPeople(databases: Databases, auth: Auth, demo: DemoBusiness, now: number) {
  const context = await auth.$context;
  const businessId = v7() as BusinessId;
  await databases.auth
    .insert(authSchema.organization)
    .values({ id: businessId, name: demo.name, slug: demo.slug, createdAt: new Date(now), metadata: BEGUN });
  const people = [];
  for (const person of demo.people) people.push(await seedPerson(context, person));
  return { businessId, people };
}

async function seedPerson(context: Awaited<Auth['$context']>, { name, email, role }: DemoPerson) {
  const user = await context.internalAdapter.createUser(
    { name, email, emailVerified: true },
    { method: 'email-password' },
  );
  await context.internalAdapter.linkAccount({
    userId: user.id,
    providerId: 'credential',
    accountId: user.id,
    password: await context.password.hash(DEMO_PASSWORD),
  });
  return { id: v7(), personId: user.id, name, role };
}

/** The usual week, and today in any case: there is always a day to be looked at. */
const weekWith = (today: Day): WeekHours => {
  const [monday = []] = USUAL_WEEK;
  const early = monday.map((span, i) => ({ ...span, from: i === 0 ? 8 * 60 + 30 : span.from }));
  return USUAL_WEEK.map((hours, weekday) => (hours.length > 0 || weekday === weekdayOf(today) ? early : []));
};

async function seedBusiness(
  tx: Tenant,
  businessId: BusinessId,
  today: Day,
  demo: DemoBusiness,
  people: readonly { id: string; personId: string; name: string; role: DemoPerson['role'] }[],
) {
  await tx.insert(business).values({
    businessId,
    name: demo.name,
    phone: demo.phone,
    email: demo.email,
    zone: ZONE,
    units: 'metric',
    ways: { ...DEFAULT_HOUSE_WAYS, ...demo.ways },
  });
  if (demo.van) await tx.update(branch).set({ van: demo.van });
  await tx.insert(member).values(people.map((person) => ({ ...person, week: weekWith(today) })));
  await seedShelf({ tx, today, by: people[0]?.name ?? '', zone: ZONE }, demo);
  const vets = (demo.vets ?? []).map((each) => ({
    id: v7(),
    ...each,
    email: '',
    note: '',
    madeFrom: each.name,
  }));
  if (vets.length > 0) await tx.insert(vet).values(vets);
}

async function seedDog(seeding: Seeding, demo: DemoDog): Promise<void> {
  const { tx, today } = seeding;
  const { ageYears, ...given } = demo.profile;
  // A puppy is some five months old, whatever the day.
  const born = ageYears === 0 ? addDays(today, -152) : day(`${Number(today.slice(0, 4)) - ageYears}-04-18`);
  const profile = dogProfile.parse({ ...given, born });
  const clientId = v7();
  const dogId = v7();
  await tx.insert(client).values({ id: clientId, ...cardOf(demo.owner), madeFrom: contentHash(demo.owner) });
  await tx.insert(dog).values({
    id: dogId,
    clientId,
    vetId: await vetNamed(tx, demo.vet),
    name: profile.name,
    profile,
    madeFrom: contentHash(profile),
  });
  await seedWeights(seeding, demo, dogId);
  await seedLessons(seeding, demo, dogId);
  for (let n = demo.visits - 1; n >= 0; n--) await seedStoryVisit(seeding, demo, dogId, n);
  await seedPrescription(seeding, demo, dogId);
  await seedAtHome(seeding, demo, dogId);
  await seedBookings(seeding, demo, dogId);
}

async function vetNamed(tx: Tenant, name: string | undefined): Promise<string | null> {
  if (name === undefined) return null;
  const [row] = await tx.select({ id: vet.id }).from(vet).where(eq(vet.name, name));
  return row?.id ?? null;
}

async function seedWeights({ tx, today, members }: Seeding, demo: DemoDog, dogId: string): Promise<void> {
  const by = members[0]?.name ?? '';
  const past = (demo.weights ?? []).map(([ago, kg]) => ({ day: addDays(today, -ago), kg }));
  const rows = [...past, { day: today, kg: demo.profile.weightKg }];
  await tx.insert(weighing).values(rows.map((row) => ({ dogId, by, ...row })));
}

async function seedLessons({ tx, today, members }: Seeding, { lessons }: DemoDog, dogId: string): Promise<void> {
  if (!lessons) return;
  const held = lessons.map(([goal, went, ago]) => ({
    id: v7(),
    goal,
    went,
    on: addDays(today, -ago),
    by: members[1]?.name ?? '',
  }));
  await tx.insert(programme).values({
    id: v7(),
    dogId,
    kind: 'young',
    startedOn: held[0]?.on ?? today,
    lessons: held,
    madeFrom: contentHash(held),
  });
}

/** The n-th visit before the last. */
async function seedStoryVisit(seeding: Seeding, demo: DemoDog, dogId: string, n: number): Promise<void> {
  const { tx, businessId, today, random, makeId, members } = seeding;
  const on = addDays(
    today,
    -(demo.lastVisitDaysAgo + n * demo.everyDays + (n === 0 ? 0 : Math.floor(random() * 7) - 3)),
  );
  await seedVisit({ tx, businessId, random, makeId }, demo, {
    dogId,
    on,
    begins: instantIn(ZONE, on, '09:30'),
    by: members[0],
    appointmentId: null,
    picture: demo.pictures?.find(({ visitsAgo }) => visitsAgo === n),
    alsoFound: () => (n === 0 ? (demo.lastFound ?? []) : []),
  });
}

async function seedPrescription({ tx, today }: Seeding, { prescribed }: DemoDog, dogId: string): Promise<void> {
  if (!prescribed) return;
  const says = {
    kind: 'bath product',
    productId: await productNamed(tx, prescribed.product),
    contactMinutes: prescribed.contactMinutes,
    nothingElse: true,
  } as const;
  await tx.insert(instruction).values({
    id: v7(),
    dogId,
    by: 'vet',
    who: prescribed.who,
    place: null,
    says,
    fromDay: addDays(today, -prescribed.since),
    untilDay: addDays(today, prescribed.until),
    madeFrom: contentHash(says),
  });
}

async function seedBookings({ tx, today, members }: Seeding, demo: DemoDog, dogId: string): Promise<void> {
  const book = async (on: Day, at: string, person: number, minutes: number, kind: VisitKind) => {
    const startsAt = instantIn(ZONE, on, at);
    const who = members[person];
    if (!who) throw new Error(`No person ${person} in the demo world.`);
    await tx.insert(appointment).values({
      id: v7(),
      dogId,
      memberId: who.id,
      kind,
      startsAt,
      endsAt: new Date(startsAt.getTime() + minutes * 60_000),
      madeFrom: contentHash({ dogId, on, at }),
    });
  };
  if (demo.today) await book(today, demo.today.at, demo.today.person, demo.today.minutes, demo.today.kind);
  if (demo.booked)
    await book(
      addDays(today, demo.booked.inDays),
      demo.booked.at,
      demo.booked.person,
      demo.booked.minutes,
      demo.booked.kind ?? 'full visit',
    );
}
