import type { newSeries, seriesMade } from '@dewpond/contract';
import { NEAR_DAYS, USUAL_PLACES, bookOf, seriesDays } from '@dewpond/core/bookings';
import { daysBetween, type Day } from '@dewpond/core/units';
import { eq } from 'drizzle-orm';
import type { z } from 'zod';
import { v5 } from 'uuid';
import { appointment } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { assertSame, contentHash } from '../../platform/http/sameContent';
import { atMinute, dayIn, minuteIn } from '../../platform/time/zone';
import { spanFrom, writeBookings, type Moment } from '../../records/appointments/makeBooking';
import { loadTime } from '../../records/weeks/loadWeeks';

/**
 * Books the further visits of a series, each on the wall's own time, whatever the clocks do. Sent again, it books nothing
 * twice: the id of each follows from that of the series. They may be moved when weeks are planned anew.
 */
export async function makeSeries(
  tx: Tenant,
  { id, everyWeeks, until, startsAt, minutes, ...rest }: z.output<typeof newSeries>,
  { zone, now }: Moment,
): Promise<z.infer<typeof seriesMade>> {
  const first = dayIn(zone, new Date(startsAt));
  const from = minuteIn(zone, new Date(startsAt));
  const pattern = { first, everyWeeks, until, time: { from, to: from + minutes } };
  const madeFrom = contentHash({ id, everyWeeks, until, startsAt, minutes, ...rest });
  const known = await tx.select().from(appointment).where(eq(appointment.seriesId, id));
  const [same] = known;
  if (same) {
    assertSame(same.madeFrom, madeFrom);
    const days = seriesDays({ ...pattern, isFree: () => true });
    const booked = known.map((each) => dayIn(zone, each.startsAt)).toSorted();
    const near = (asked: Day) => booked.some((each) => Math.abs(daysBetween(asked, each)) <= NEAR_DAYS);
    return { booked, left: days.map(({ asked }) => asked).filter((asked) => !near(asked)) };
  }
  const time = await loadTime(tx, {
    zone,
    now,
    first,
    days: Math.max(1, daysBetween(first, until) + 4),
    places: USUAL_PLACES,
  });
  const { blocks } = bookOf({ ...time, dogs: [], drive: {} });
  const isFree = (day: Day, span: { readonly from: number; readonly to: number }) =>
    blocks.some(
      (block) =>
        block.person === rest.memberId &&
        block.day === daysBetween(first, day) &&
        block.from <= span.from &&
        span.to <= block.to,
    );
  const days = seriesDays({ ...pattern, isFree });
  const found = days.flatMap(({ asked, day }) => (day === null ? [] : [{ asked, day }]));
  await writeBookings(
    tx,
    found.map(({ asked, day }) => ({
      ...rest,
      ...spanFrom(atMinute(zone, day, from).toISOString(), minutes),
      id: v5(asked, id),
      seriesId: id,
      mayMove: true,
      madeFrom,
    })),
  );
  return {
    booked: found.map(({ day }) => day),
    left: days.filter(({ day }) => day === null).map(({ asked }) => asked),
  };
}
