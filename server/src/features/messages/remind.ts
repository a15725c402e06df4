import { channelFor } from '@dewpond/core/messages';
import { addDays, showTime, type Day } from '@dewpond/core/units';
import { and, asc, eq, gte, inArray, lt, ne } from 'drizzle-orm';
import { v5 } from 'uuid';
import { appointment, client, dog, message } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { dayIn, minuteIn, spanOf } from '../../platform/time/zone';
import { loadBusiness } from '../../records/business/business';
import { draftFor } from './draft';
import { writeMessage } from './writeMessage';

/** Who writes what goes out by itself. */
const BY_ITSELF = 'the evening reminder';
/** Whoever was written to by hand within this time is not written to again, ms. */
const LATELY = 3 * 86_400_000;

/**
 * The evening before, if the business wants that and its hour has come: one message to each owner who may be written to, about
 * all of their dogs that come tomorrow. Run again, nobody is written to twice. Answers how many were.
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

/** Who comes on a day and was not reminded by hand. */
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
    .select({ clientId: message.clientId })
    .from(message)
    .where(
      and(
        eq(message.kind, 'before you come'),
        ne(message.state, 'withdrawn'),
        gte(message.createdAt, new Date(now - LATELY)),
        inArray(message.clientId, [...new Set(rows.map(({ clientId }) => clientId))]),
      ),
    );
  const know = new Set(reminded.map(({ clientId }) => clientId));
  return rows.filter(({ clientId }) => !know.has(clientId));
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
      id: v5(`reminder ${day}`, first.clientId),
      ...{ dogId, withDogs, offers: [], visitId: null, referralId: null, kind, channel, subject, words },
    },
    now,
  );
  return 1;
}
