import { weekdayOf } from '@dewpond/core/bookings';
import { homeShare } from '@dewpond/core/homecare';
import { channelFor } from '@dewpond/core/messages';
import { addDays } from '@dewpond/core/units';
import { and, eq, isNull } from 'drizzle-orm';
import { v5 } from 'uuid';
import { dog } from '../../platform/db/schema';
import { inTenant, type BusinessId } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { dayIn, minuteIn } from '../../platform/time/zone';
import { loadBusiness } from '../../records/business/business';
import { loadDogs } from '../../records/dog/dogRecord';
import { homeCareOf } from '../../records/homeCare/homeCare';
import { draftFor } from './draft';
import { writeMessage } from './writeMessage';

/** In the evening, when there is time for it, minutes after midnight [house value]. */
const AT = 18 * 60;
/** Who ticked so much of what the last week asked for is left in peace [house value]. */
const DONE_FROM = 0.6;
const LOOKED_BACK_DAYS = 6;

/**
 * The word about home care that owners asked for on their page: once a week, on their evening, only to who may be written to, and
 * not where most of it is ticked. Run again, nobody is written to twice. Answers how many were.
 */
export async function remindOfHomeCare(services: Services, businessId: BusinessId): Promise<number> {
  return inTenant(services.databases, businessId, async (tx) => {
    const now = services.now();
    const business = await loadBusiness(tx);
    if (minuteIn(business.zone, new Date(now)) < AT) return 0;
    const today = dayIn(business.zone, now);
    const asked = await tx
      .select({ id: dog.id })
      .from(dog)
      .where(and(eq(dog.homeRemindsOn, weekdayOf(today)), isNull(dog.archivedOn)));
    let written = 0;
    for (const record of await loadDogs(tx, { ids: asked.map(({ id }) => id) })) {
      const reach = channelFor(record.client.card);
      const { tasks, since, ticks } = await homeCareOf(tx, business, record, today);
      const week = homeShare(tasks, since, ticks, addDays(today, -LOOKED_BACK_DAYS), today);
      if (!reach || tasks.length === 0 || (week.asked > 0 && week.done >= DONE_FROM * week.asked)) continue;
      const { id: dogId } = record.dog;
      const kind = 'this week at home';
      const { subject, words } = await draftFor(tx, [dogId], { kind }, now);
      await writeMessage(
        tx,
        services.site,
        { businessId, name: 'the weekly word', personId: null },
        {
          id: v5(`${kind} ${today}`, dogId),
          ...{ dogId, withDogs: [], offers: [], visitId: null, referralId: null, kind, channel: reach.channel },
          ...{ subject, words },
        },
        now,
      );
      written += 1;
    }
    return written;
  });
}
