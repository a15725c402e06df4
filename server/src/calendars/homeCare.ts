import type { HomeCareView } from '@dewpond/contract';
import { homeShare, homeTasks } from '@dewpond/core/homecare';
import { homeTaskTold } from '@dewpond/core/wording';
import { addDays, type Day } from '@dewpond/core/units';
import { and, eq, gte } from 'drizzle-orm';
import { homePhoto, homeTick } from '../db/schema';
import type { Tenant } from '../db/tenant';
import { planFor } from '../dogs/facts';
import type { DogRecord } from '../dogs/records';
import type { House } from '../house/house';
import { wordingFor } from '../house/letterhead';
import { dayIn } from '../house/zone';

/** Ticks are held against what was asked for over so many days. */
const LOOKED_BACK_DAYS = 28;

/** Days are counted from the last visit; for a dog that was never here, from when it came into the book. */
export const homeSince = (record: DogRecord, zone: string): Day =>
  record.visits.findLast(({ closed }) => closed !== null)?.day ?? dayIn(zone, record.dog.createdAt);

/** What an owner does between visits, on which days, and what was ticked; in that owner's language. */
export async function homeCareOf(tx: Tenant, house: House, record: DogRecord, today: Day): Promise<HomeCareView> {
  const wording = wordingFor(house, record.client.card);
  const tasks = homeTasks(planFor(record, house, today).due).map((task) => homeTaskTold(wording, task));
  const since = homeSince(record, house.zone);
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
  const ticks = rows.map(({ key, day, note }) => ({ key, day: day as Day, note }));
  return {
    language: wording.language,
    words: wording.page,
    since,
    today,
    tasks,
    ticks,
    photos: photos.map(({ id, day }) => ({ id, day: day as Day })),
    // Before the visit another plan was asked for: it is not held against this one.
    share: homeShare(tasks, since, ticks, from > since ? from : since, today),
  };
}
