import { homeDays } from '@dewpond/core/homecare';
import { channelFor } from '@dewpond/core/messages';
import { addDays, daysBetween, type Day } from '@dewpond/core/units';
import { eq, isNull } from 'drizzle-orm';
import { homeCareOf } from '../records/homeCare/homeCare';
import { client, dog, homeTick, message, referral, visit } from '../platform/db/schema';
import type { Tenant } from '../platform/db/tenant';
import { instantIn } from '../platform/time/zone';
import { loadDogs } from '../records/dog/dogRecord';
import { loadBusiness, type Business } from '../records/business/business';
import { draftFor } from '../features/messages/draft';

interface SeedOwners {
  readonly tx: Tenant;
  readonly today: Day;
  readonly by: string;
  readonly makeId: (at: number) => string;
}

/** An owner does not take longer in this world than this many days to say what the vet said. */
const ANSWERED_AFTER_DAYS = 14;

/** What came of places a vet should see: told at the door; older ones answered and closed, new ones still open. */
export async function seedReferrals({ tx, today, by }: SeedOwners): Promise<void> {
  const open = await tx.select().from(referral).where(isNull(referral.end));
  for (const { id, openedOn } of open) {
    const on = openedOn as Day;
    const old = daysBetween(on, today) > ANSWERED_AFTER_DAYS;
    await tx
      .update(referral)
      .set({
        told: { how: 'at the door', on, by },
        answer: { answer: old ? 'has been' : 'will go', words: old ? '' : 'On Friday, if they have time.', on },
        ...(old
          ? {
              vet: {
                who: 'Dr Oyelaran',
                words: 'Looked at it, nothing to worry about. Care as before.',
                on: addDays(on, 5),
                instructionId: null,
              },
              end: { outcome: 'seen by a vet, all well' as const, on: addDays(on, 6), by },
            }
          : {}),
      })
      .where(eq(referral.id, id));
  }
}

/** An owner who agreed to messages ticks most of what is done at home: seven in ten, and more of the teeth than of the ears. */
async function seedTicks({ tx, today }: SeedOwners, business: Business, dogId: string): Promise<void> {
  const [record] = await loadDogs(tx, { ids: [dogId] });
  if (!record) return;
  const { tasks, since } = await homeCareOf(tx, business, record, today);
  const ticks = tasks.flatMap(({ key, ...task }, row) =>
    homeDays(task, since, since, addDays(today, -1))
      .filter((_, i) => (i * 7 + row * 3) % 10 < 7)
      .map((day) => ({ dogId, key, day })),
  );
  if (ticks.length > 0) await tx.insert(homeTick).values(ticks);
}

/** Sheets of the last visits as they were sent, to owners who agreed to it. */
export async function seedMessages(seeding: SeedOwners): Promise<void> {
  const { tx, by, makeId } = seeding;
  const business = await loadBusiness(tx);
  const { zone } = business;
  const dogs = await tx
    .select({ dog, card: client.card, clientId: client.id })
    .from(dog)
    .innerJoin(client, eq(client.id, dog.clientId));
  for (const { dog: its, card, clientId } of dogs) {
    const reach = channelFor(card);
    const last = (await tx.select().from(visit).where(eq(visit.dogId, its.id)))
      .filter(({ closed }) => closed !== null)
      .toSorted((a, b) => (a.day < b.day ? 1 : -1))[0];
    if (!reach || !last) continue;
    const at = instantIn(zone, last.day as Day, '16:20');
    const { subject, words } = await draftFor(tx, [its.id], { kind: 'sheet', visit: last.id }, at.getTime());
    await seedTicks(seeding, business, its.id);
    await tx.insert(message).values({
      id: makeId(at.getTime()),
      clientId,
      dogId: its.id,
      visitId: last.id,
      kind: 'sheet',
      channel: reach.channel,
      recipient: reach.to,
      subject,
      words,
      state: 'sent',
      tries: 1,
      via: 'stand-in',
      lastWord: 'Taken by the stand-in. Nothing left this machine.',
      askedBy: by,
      madeFrom: 'demo',
      createdAt: at,
      takenAt: at,
      sentAt: at,
    });
  }
}
