import type { HomeCareView } from '@dewpond/contract';
import { homeShare, weeklyMinutes } from '@dewpond/core/homecare';
import { homeLeftTold, homeTaskTold } from '@dewpond/core/wording';
import { addDays, type Day } from '@dewpond/core/units';
import { and, eq, gte } from 'drizzle-orm';
import { homePhoto, homeTick } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { planFor } from '../dog/facts';
import { homeBathFor } from '../homeBath/homeBath';
import { loadShelf } from '../shelf/shelf';
import type { DogRecord } from '../dog/dogRecord';
import type { Business } from '../business/business';
import { loadWords, wordingFor } from '../business/words';
import { dayIn } from '../../platform/time/zone';

/** Ticks are held against what was asked for over so many days. */
const LOOKED_BACK_DAYS = 28;

/** Days are counted from the last visit; for a dog that was never here, from when it came into the book. */
export const homeSince = (record: DogRecord, zone: string): Day =>
  record.visits.findLast(({ closed }) => closed !== null)?.day ?? dayIn(zone, record.dog.createdAt);

/** What an owner does between visits, on which days, and what was ticked; in that owner's language. */
export async function homeCareOf(tx: Tenant, business: Business, record: DogRecord, today: Day): Promise<HomeCareView> {
  const wording = wordingFor(await loadWords(tx), record.client.card);
  const planned = planFor(record, business, today);
  const { home } = planned;
  const agreed = record.dog.homeBath;
  const tasks = home.kept.map((task) => homeTaskTold(wording, task));
  const since = homeSince(record, business.zone);
  const from = addDays(today, -LOOKED_BACK_DAYS);
  const rows = await tx
    .select()
    .from(homeTick)
    .where(and(eq(homeTick.dogId, record.dog.id), gte(homeTick.day, from)));
  const photos = await tx
    .select({ id: homePhoto.id, day: homePhoto.day })
    .from(homePhoto)
    .where(and(eq(homePhoto.dogId, record.dog.id), gte(homePhoto.day, from)))
    .orderBy(homePhoto.sentAt);
  const ticks = rows.map(({ key, day, times, note }) => ({ key, day: day as Day, times, note }));
  return {
    language: wording.language,
    words: wording.page,
    since,
    today,
    tasks,
    minutes: {
      wanted: home.asked,
      agreed: record.dog.homeMinutes,
      asked: Math.round(home.kept.reduce((sum, task) => sum + weeklyMinutes(task), 0)),
    },
    left: home.left.map((each) => homeLeftTold(wording, each)),
    bath: agreed && homeBathFor({ planned, business, shelf: await loadShelf(tx) }, agreed, wording),
    version: record.dog.version,
    ticks,
    photos: photos.map(({ id, day }) => ({ id, day: day as Day })),
    // Before the visit another plan was asked for: it is not held against this one.
    share: homeShare(tasks, since, ticks, from > since ? from : since, today),
  };
}
