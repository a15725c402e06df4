import { channelFor } from '@dewpond/core/messages';
import { addDays, showTime, type Day } from '@dewpond/core/units';
import { and, asc, eq, gte, inArray, lt, ne } from 'drizzle-orm';
import { v5 } from 'uuid';
import { z } from 'zod';
import { appointment, client, dog, message } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import type { JobKind } from '../../platform/jobs/jobs';
import { dayIn, minuteIn, spanOf } from '../../platform/time/zone';
import { loadBusiness } from '../../records/business/business';
import { draftFor } from './draft';
import { writeMessage } from './writeMessage';

/** Who writes what goes out by itself. */
const BY_ITSELF = 'the evening reminder';
/** A dog that was reminded of within this time is not reminded of again, ms. */
const LATELY = 3 * 86_400_000;

export const REMIND_JOB: JobKind<{ businessId: string }> = {
  queue: 'reminders',
  ids: z.object({ businessId: z.uuid() }),
  everySeconds: 20,
  atOnce: 5,
  oncePer: ({ businessId }) => businessId,
};

/**
 * The evening before, if the business wants that and its hour has come: one message to each owner who may be written to, about
 * all of their dogs that come tomorrow and were not reminded of. Run again, nobody is written to twice. Answers how many were.
 */
export async function remindOwners(services: Services, businessId: BusinessId): Promise<number> {
  return inTenant(services.databases, businessId, async (tx) => {
    const now = services.now();
    const { zone, remindsAt } = await loadBusiness(tx);
    if (remindsAt === null || minuteIn(zone, new Date(now)) < remindsAt) return 0;
    const day = addDays(dayIn(zone, now), 1);
    const visits = await comingOn(tx, zone, day, now);
    let written = 0;
    for (const clientId of new Set(visits.map((each) => each.clientId)))
      written += await remind(tx, services, businessId, {
        day,
        zone,
        visits: visits.filter((each) => each.clientId === clientId),
      });
    return written;
  });
}

interface ComingTomorrow {
  readonly clientId: string;
  readonly dogId: string;
  readonly startsAt: Date;
}

/** Who comes on a day and was not reminded of, by hand or by itself. */
async function comingOn(tx: Tenant, zone: string, day: Day, now: number): Promise<ComingTomorrow[]> {
  const { start, end } = spanOf(zone, day);
  const rows = await tx
    .select({ clientId: dog.clientId, dogId: dog.id, startsAt: appointment.startsAt })
    .from(appointment)
    .innerJoin(dog, eq(dog.id, appointment.dogId))
    .where(and(eq(appointment.state, 'booked'), gte(appointment.startsAt, start), lt(appointment.startsAt, end)))
    .orderBy(asc(appointment.startsAt));
  if (rows.length === 0) return [];
  const reminded = await tx
    .select({ dogId: message.dogId, withDogs: message.withDogs })
    .from(message)
    .where(
      and(
        eq(message.kind, 'before you come'),
        ne(message.state, 'withdrawn'),
        gte(message.createdAt, new Date(now - LATELY)),
        inArray(message.clientId, [...new Set(rows.map(({ clientId }) => clientId))]),
      ),
    );
  const known = new Set(reminded.flatMap(({ dogId, withDogs }) => [dogId, ...withDogs]));
  return rows.filter(({ dogId }) => !known.has(dogId));
}

interface Reminder {
  readonly day: Day;
  readonly zone: string;
  /** Of one owner, the first first. */
  readonly visits: readonly ComingTomorrow[];
}

async function remind(
  tx: Tenant,
  services: Services,
  businessId: BusinessId,
  { day, zone, visits }: Reminder,
): Promise<number> {
  const [first] = visits;
  if (!first) return 0;
  const [row] = await tx.select({ card: client.card }).from(client).where(eq(client.id, first.clientId));
  const reach = row && channelFor(row.card);
  if (!reach) return 0;
  const [dogId, ...withDogs] = [...new Set(visits.map((each) => each.dogId))];
  if (dogId === undefined) return 0;
  const time = showTime(minuteIn(zone, first.startsAt), false).padStart(5, '0');
  const now = services.now();
  const kind = 'before you come';
  const { subject, words } = await draftFor(tx, [dogId, ...withDogs], { kind, day, time }, now);
  const { channel } = reach;
  await writeMessage(
    tx,
    services.site,
    { businessId, name: BY_ITSELF, personId: null },
    {
      // Of these dogs at this time: what changes after a reminder is another one.
      id: v5(`reminder ${day} ${time} ${[dogId, ...withDogs].join()}`, first.clientId),
      ...{ dogId, withDogs, offers: [], visitId: null, referralId: null, kind, channel, subject, words },
    },
    now,
  );
  return 1;
}
