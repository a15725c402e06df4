import { GIVEN_UP } from '@dewpond/core/bookings';
import { visitName } from '@dewpond/core/steps';
import { TZDate } from '@date-fns/tz';
import { and, asc, eq, gte, isNull, notInArray, type SQL } from 'drizzle-orm';
import { Router, type Response } from 'express';
import { v7 } from 'uuid';
import { isMember } from '../../platform/auth/membership';
import { appointment, business as businessRow, client, dog, member, ownerLink } from '../../platform/db/schema';
import { readInTenant, type Tenant } from '../../platform/db/tenant';
import { loadDogs } from '../../records/dog/dogRecord';
import { loadBusiness, type Business } from '../../records/business/business';
import { dayIn } from '../../platform/time/zone';
import { askerOf, readTenantOf, type Services } from '../../platform/http/context';
import { idIn } from '../../platform/http/ids';
import { Refusal, notFound } from '../../platform/http/problem';
import { asSeen, updateGuarded } from '../../platform/http/writes';
import { guarded, route } from '../../platform/http/route';
import { calendarUrl, hashOfToken, openNow, readToken, secretHash } from '../../records/links/ownerLinks';
import { bookingsCalendar, type CalendarEntry } from '../../records/appointments/calendar';
import { homeCalendar } from './calendar';
import { fillIn } from '@dewpond/core/wording';
import { homeCareOf, homeSince } from '../../records/homeCare/homeCare';

/** A groomer's calendar reaches back so far. */
const LOOKED_BACK_MS = 31 * 86_400_000;

/** Calendars one subscribes to: their address is their key, as calendar programs know no other. */
export function calendarFeeds(services: Services): Router {
  const router = Router();
  router.get('/api/calendars/:token', async (request, response) => {
    const read = readToken((request.params.token ?? '').replace(/\.ics$/, ''));
    const now = services.now();
    const text =
      read &&
      (await readInTenant(services.databases, read.businessId, async (tx) => {
        const business = await loadBusiness(tx).catch(() => null);
        return (
          business &&
          ((await ownersFeed(tx, business, hashOfToken(read), now)) ??
            (await groomersFeed(tx, services, business, hashOfToken(read), now)) ??
            (await businessFeed(tx, business, hashOfToken(read), now)))
        );
      }));
    if (!text) throw new Refusal('not found', 'This calendar is closed.');
    sendCalendar(response, text);
  });
  return router;
}

function sendCalendar(response: Response, text: string): void {
  response
    .type('text/calendar; charset=utf-8')
    .set('Cache-Control', 'private, no-store')
    .set('X-Robots-Tag', 'noindex, nofollow')
    .set('Content-Disposition', 'inline; filename="calendar.ics"')
    .send(text);
}

async function ownersFeed(tx: Tenant, business: Business, hash: string, now: number): Promise<string | null> {
  const link = await openNow(tx, eq(ownerLink.calendarHash, hash), now);
  return link && homeCalendarOf(tx, business, link.dogId, now);
}

/** Home care and bookings of one dog. Throws when it is gone. */
export async function homeCalendarOf(tx: Tenant, business: Business, dogId: string, now: number): Promise<string> {
  const [record] = await loadDogs(tx, { ids: [dogId] });
  if (!record) throw notFound('dog');
  const today = dayIn(business.zone, now);
  const { tasks, language, words } = await homeCareOf(tx, business, record, today);
  const rows = await tx
    .select()
    .from(appointment)
    .where(
      and(eq(appointment.dogId, dogId), eq(appointment.state, 'booked'), gte(appointment.startsAt, new Date(now))),
    );
  return homeCalendar({
    dog: record.dog.name,
    business: business.name,
    zone: business.zone,
    today,
    now,
    since: homeSince(record, business.zone),
    tasks,
    language,
    words,
    bookings: rows.map((row) =>
      booking(row, fillIn(words.bookingAt, { dog: record.dog.name, business: business.name })),
    ),
    id: dogId,
  });
}

const booking = (
  { id, startsAt, endsAt }: Pick<typeof appointment.$inferSelect, 'id' | 'startsAt' | 'endsAt'>,
  words: string,
): CalendarEntry => ({ id, startsAt: startsAt.toISOString(), endsAt: endsAt.toISOString(), words });

async function groomersFeed(
  tx: Tenant,
  { databases }: Services,
  business: Business,
  hash: string,
  now: number,
): Promise<string | null> {
  const [person] = await tx
    .select()
    .from(member)
    .where(and(eq(member.feedHash, hash), isNull(member.leftAt)));
  if (!person || !(await isMember(databases, person.businessId, person.personId))) return null;
  const bookings = await bookedSince(tx, business, now, eq(appointment.memberId, person.id));
  return bookingsCalendar(
    `${person.name}, ${business.name}`,
    business.zone,
    now,
    bookings.map(({ its, words }) => booking(its, words)),
  );
}

/** All bookings, with whose they are. */
async function businessFeed(tx: Tenant, business: Business, hash: string, now: number): Promise<string | null> {
  const [open] = await tx
    .select({ id: businessRow.businessId })
    .from(businessRow)
    .where(eq(businessRow.feedHash, hash));
  if (!open) return null;
  const bookings = await bookedSince(tx, business, now);
  return bookingsCalendar(
    business.name,
    business.zone,
    now,
    bookings.map(({ its: row, words, person }) => booking(row, `${words}, ${person}`)),
  );
}

/** What is booked from a month back on; `which`: of some of them. */
async function bookedSince(tx: Tenant, { zone }: Business, now: number, which?: SQL) {
  const rows = await tx
    .select({ its: appointment, dog: dog.name, owner: client.name, person: member.name })
    .from(appointment)
    .innerJoin(dog, eq(dog.id, appointment.dogId))
    .innerJoin(client, eq(client.id, dog.clientId))
    .innerJoin(member, eq(member.id, appointment.memberId))
    .where(
      and(
        which,
        notInArray(appointment.state, [...GIVEN_UP]),
        gte(appointment.startsAt, new TZDate(now - LOOKED_BACK_MS, zone)),
      ),
    )
    .orderBy(asc(appointment.startsAt), asc(appointment.id));
  return rows.map(({ its: row, dog: name, owner, person }) => ({
    its: row,
    person,
    words: `${name} (${owner}), ${visitName(row)}`,
  }));
}

/** What the salon asks about calendars and home care. */
export function calendarRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/dogs/:id/home', async ({ tx, params, today }) => {
    const business = await loadBusiness(tx);
    const [record] = await loadDogs(tx, { ids: [params.id] });
    if (!record) throw notFound('dog');
    return homeCareOf(tx, business, record, today);
  });

  route(router, services, 'PUT /api/dogs/:id/home', async ({ tx, params, body, today }) => {
    const current = async () => {
      const [row] = await tx
        .select({ version: dog.version, minutes: dog.homeMinutes })
        .from(dog)
        .where(eq(dog.id, params.id));
      return row;
    };
    const before = await current();
    // What is done at home changes: the rhythm of the salon is learnt from here on.
    const set = {
      homeMinutes: body.minutes,
      ...(before?.minutes === body.minutes ? {} : { homeCareChangedOn: today }),
    };
    const seen = { id: params.id, version: body.version };
    return updateGuarded(asSeen(tx, dog, seen, set), { what: 'dog', current, yours: body });
  });

  route(router, services, 'GET /api/me/calendar', async ({ tx, asker }) => {
    const [me] = await tx.select().from(member).where(eq(member.personId, asker.personId));
    return { url: me?.feedId ? calendarUrl(services.site, asker.businessId, me.feedId, 'groomer') : null };
  });

  route(router, services, 'PUT /api/me/calendar', async ({ tx, asker, body }) => {
    // A new number each time: the address of before opens nothing any more.
    const feedId = body.open ? v7() : null;
    const feedHash = feedId && secretHash(services.site, asker.businessId, feedId, 'groomer');
    await tx.update(member).set({ feedId, feedHash }).where(eq(member.personId, asker.personId));
    return { url: feedId && calendarUrl(services.site, asker.businessId, feedId, 'groomer') };
  });

  route(router, services, 'GET /api/business/calendar', async ({ tx, asker }) => {
    const [row] = await tx.select({ feedId: businessRow.feedId }).from(businessRow);
    return { url: row?.feedId ? calendarUrl(services.site, asker.businessId, row.feedId, 'business calendar') : null };
  });

  route(router, services, 'PUT /api/business/calendar', async ({ tx, asker, body }) => {
    const feedId = body.open ? v7() : null;
    const feedHash = feedId && secretHash(services.site, asker.businessId, feedId, 'business calendar');
    await tx.update(businessRow).set({ feedId, feedHash });
    return { url: feedId && calendarUrl(services.site, asker.businessId, feedId, 'business calendar') };
  });

  router.get(
    '/api/appointments/:id/booking.ics',
    guarded('GET /api/appointments/:id/booking.ics'),
    async (request, response) => {
      const id = idIn(request.params.id, 'booking');
      const text = await readTenantOf(services, askerOf(request), async (tx) => {
        const business = await loadBusiness(tx);
        const [row] = await tx
          .select({ its: appointment, dog: dog.name })
          .from(appointment)
          .innerJoin(dog, eq(dog.id, appointment.dogId))
          .where(eq(appointment.id, id));
        if (!row) throw notFound('booking');
        const words = `${row.dog} at ${business.name}`;
        return bookingsCalendar(words, business.zone, services.now(), [booking(row.its, words)]);
      });
      sendCalendar(response, text);
    },
  );

  router.get('/api/dogs/:id/home.ics', guarded('GET /api/dogs/:id/home.ics'), async (request, response) => {
    const id = idIn(request.params.id, 'dog');
    const text = await readTenantOf(services, askerOf(request), async (tx) =>
      homeCalendarOf(tx, await loadBusiness(tx), id, services.now()),
    );
    sendCalendar(response, text);
  });
}
