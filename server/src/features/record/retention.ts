import type { KeptView } from '@dewpond/contract';
import { KEPT_KINDS, RETENTION, keptFrom, type KeptKind, type Retention } from '@dewpond/core/ways';
import type { Day } from '@dewpond/core/units';
import { and, eq, inArray, lt, ne, notInArray, sql, type SQL } from 'drizzle-orm';
import { z } from 'zod';
import { business, homePhoto, message, photo, photoShown, sheetPdf, visit } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import type { JobKind } from '../../platform/jobs/jobs';
import { atMinute, dayIn, minuteIn } from '../../platform/time/zone';
import { eraseVisits } from './erase';

/** Nobody looks for anything before three in the morning [house value]. */
const AFTER = 3 * 60;
/** Takes the place of a message's words; how such a one is known. */
const LET_GO = 'No longer kept.';

export const LET_GO_JOB: JobKind<{ businessId: string }> = {
  queue: 'let-go',
  ids: z.object({ businessId: z.uuid() }),
  everySeconds: 20,
  atOnce: 1,
  oncePer: ({ businessId }) => businessId,
};

/** Visits of dogs that are put away, those whose words have not gone yet; `since`: the dog's last visit. */
const GONE = sql`
  select v.id, v.day, l.since from dewpond.visit v join dewpond.dog d on d.business_id = v.business_id and d.id = v.dog_id
  join (select business_id, dog_id, max(day) as since from dewpond.visit group by 1, 2) l
    on l.business_id = v.business_id and l.dog_id = v.dog_id
  where d.archived_on is not null and v.closed is not null and v.words_gone_on is null`;

/** What there is of each kind, a row a piece: its day, and since when it is as old as it is, both on the business's own clock. */
const THERE_IS: Readonly<Record<KeptKind, (zone: string) => SQL>> = {
  pictures: () => sql`
    select v.day, v.day as since from dewpond.photo p join dewpond.visit v on v.business_id = p.business_id and v.id = p.visit_id
    union all select day, day as since from dewpond.home_photo`,
  messages: (zone) => sql`
    select day, day as since from (
      select (created_at at time zone ${zone})::date as day from dewpond.message
      where words <> ${LET_GO} and state not in ('waiting', 'sending')) m`,
  log: (zone) =>
    sql`select day, day as since from (select (at at time zone ${zone})::date as day from dewpond.audit) a`,
  'dogs gone': () => GONE,
};

/** For every time that can be chosen for a kind, what would go; in one statement. */
async function goesOf(tx: Tenant, kind: KeptKind, zone: string, today: Day): Promise<KeptView['goes'][KeptKind]> {
  const times = RETENTION[kind].after.map((months) => ({ months, before: keptFrom(today, months) }));
  const { rows } = await tx.execute<{ months: number; count: number; oldest: Day | null }>(sql`
    select t.months, count(i.day)::int as count, min(i.day)::text as oldest
    from json_to_recordset(${JSON.stringify(times)}::json) as t (months int, before date)
    left join (${THERE_IS[kind](zone)}) i on i.since < t.before
    group by t.months`);
  return Object.fromEntries(rows.map(({ months, count, oldest }) => [months, { count, oldest }]));
}

/** What is chosen, and for every time that can be chosen what would go. */
export async function keptNow(tx: Tenant, today: Day): Promise<KeptView> {
  const [house] = await tx
    .select({ version: business.version, retention: business.retention, zone: business.zone })
    .from(business);
  if (!house) throw new Error('A business without a row.');
  const { zone, ...chosen } = house;
  const goes = await Promise.all(KEPT_KINDS.map(async (kind) => [kind, await goesOf(tx, kind, zone, today)] as const));
  return { ...chosen, goes: Object.fromEntries(goes) as KeptView['goes'] };
}

interface LetGoAsked {
  readonly tx: Tenant;
  readonly zone: string;
  /** The first day that is kept. */
  readonly from: Day;
  readonly today: Day;
}

/** How each kind goes. */
const LETS_GO: Readonly<Record<KeptKind, (asked: LetGoAsked) => Promise<unknown>>> = {
  pictures: async ({ tx, from }) => {
    const old = tx.select({ id: visit.id }).from(visit).where(lt(visit.day, from));
    await tx.delete(photoShown).where(inArray(photoShown.visitId, old));
    await tx.delete(photo).where(inArray(photo.visitId, old));
    // A sheet that was printed once holds its pictures; it is made anew, without them, when somebody asks for it.
    await tx.delete(sheetPdf).where(inArray(sheetPdf.visitId, old));
    await tx.delete(homePhoto).where(lt(homePhoto.day, from));
  },
  messages: ({ tx, zone, from }) =>
    tx
      .update(message)
      .set({ subject: LET_GO, words: LET_GO, recipient: '', lastWord: '' })
      .where(
        and(
          lt(message.createdAt, atMinute(zone, from, 0)),
          notInArray(message.state, ['waiting', 'sending']),
          // Not written anew every night.
          ne(message.words, LET_GO),
        ),
      ),
  // The application's role adds to the log and nothing else: a function of the database takes away what is old.
  log: ({ tx, zone, from }) => tx.execute(sql`select accounts.let_log_go(${atMinute(zone, from, 0)})`),
  'dogs gone': async ({ tx, from, today }) => {
    const { rows } = await tx.execute<{ id: string }>(sql`select id from (${GONE}) gone where since < ${from}`);
    const ids = rows.map(({ id }) => id);
    if (ids.length === 0) return;
    await tx.execute(sql`select set_config('dewpond.erasing', 'yes', true)`);
    await eraseVisits(tx, ids);
    await tx.execute(sql`select set_config('dewpond.erasing', '', true)`);
    await tx.update(visit).set({ wordsGoneOn: today }).where(inArray(visit.id, ids));
  },
};

/** Lets go of what is older than the house keeps. */
export async function letGo(
  tx: Tenant,
  retention: Retention,
  { zone, today }: { zone: string; today: Day },
): Promise<void> {
  for (const kind of KEPT_KINDS) {
    const months = retention[kind];
    if (months !== undefined) await LETS_GO[kind]({ tx, zone, today, from: keptFrom(today, months) });
  }
}

/**
 * Once a day, from three o'clock on a business's own clock: whoever chose wrongly has the rest of the day to choose again.
 * Answers whether it was done now.
 */
export async function letGoAtNight(services: Services, businessId: BusinessId): Promise<boolean> {
  const now = services.now();
  return inTenant(services.databases, businessId, async (tx) => {
    const [house] = await tx
      .select({ zone: business.zone, retention: business.retention, letGoOn: business.letGoOn })
      .from(business)
      .for('update');
    if (!house) return false;
    const today = dayIn(house.zone, now);
    if (minuteIn(house.zone, new Date(now)) < AFTER || house.letGoOn === today) return false;
    await tx.update(business).set({ letGoOn: today }).where(eq(business.businessId, businessId));
    await letGo(tx, house.retention, { zone: house.zone, today });
    return true;
  });
}
