import { homeReminding, homeTicking, type OwnerPage } from '@dewpond/contract';
import { atLeast, type Level } from '@dewpond/core/findings';
import { vetLooksDue } from '@dewpond/core/due';
import { channelFor } from '@dewpond/core/messages';
import { placeOf } from '@dewpond/core/places';
import { picturesShown, readSheet } from '@dewpond/core/sheet';
import { addDays, daysBetween, type Day } from '@dewpond/core/units';
import { placeWords } from '@dewpond/core/wording';
import { and, eq, isNull, sql } from 'drizzle-orm';
import express, { Router, type Request, type RequestHandler } from 'express';
import { homeCareOf } from '../../records/homeCare/homeCare';
import {
  client,
  dog,
  homeTick,
  ownerLink,
  photo,
  photoShown,
  referral,
  sheetEdit,
  visit,
} from '../../platform/db/schema';
import { inTenant, readInTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import { planFor } from '../../records/dog/facts';
import { nextDates } from '../../records/due/nextDates';
import { loadDogs } from '../../records/dog/dogRecord';
import { loadStockedBusiness, loadBusiness } from '../../records/business/business';
import { loadWords, profileOf, wordingFor } from '../../records/business/words';
import { dayIn } from '../../platform/time/zone';
import { countKnocks } from '../../platform/auth/knocks';
import type { Services } from '../../platform/http/context';
import { idIn } from '../../platform/http/ids';
import { Refusal, badInput, notFound } from '../../platform/http/problem';
import { letterAsPdf } from '../../records/documents/letterPdf';
import { sendPdf } from '../../platform/http/sendPdf';
import { sheetAsPdf } from '../../records/documents/sheetPdf';
import { sheetViewFor } from '../../records/documents/sheetView';
import { loadVisits } from '../../records/visit/load';
import { keepAnswer, visitsToAnswer } from './answers';
import { keepHomePhoto, pictureBody, sendHomePhoto } from './homePhotos';
import { keepVetLook } from './vetLooks';
import { calendarUrl, openLink } from '../../records/links/ownerLinks';

/** So far back an owner may tick what was forgotten. */
const TICKED_BACK_DAYS = 14;
/** Visits an owner can leaf back to. */
const SHEETS = 4;

interface Guest {
  readonly businessId: BusinessId;
  readonly linkId: string;
  readonly dogId: string;
  readonly until: Date;
}
const GUESTS = new WeakMap<Request, Guest>();
const guestOf = (request: Request): Guest => {
  const guest = GUESTS.get(request);
  if (!guest) throw closed();
  return guest;
};
const closed = () => new Refusal('not found', 'This page is closed. Please ask the salon for a new link.');

/** What owners reach without signing in, each by the secret of their link, which comes in a header and stands in no address. */
export function ownerPages(services: Services): Router {
  const router = Router();
  router.use('/api/owner', knock(services));

  router.get('/api/owner', async (request, response) => {
    const guest = guestOf(request);
    const view = await readInTenant(services.databases, guest.businessId, (tx) => pageFor(tx, services, guest));
    response.set('Cache-Control', 'private, no-store').json(view);
  });

  // Asked by a page that is in sight, never by the loading of it: whoever only fetches links has seen nothing.
  router.post('/api/owner/seen', async (request, response) => {
    const { businessId, linkId } = guestOf(request);
    const now = new Date(services.now());
    await inTenant(services.databases, businessId, (tx) =>
      tx
        .update(ownerLink)
        .set({ seenAt: sql`coalesce(${ownerLink.seenAt}, ${now})`, lastSeenAt: now })
        .where(eq(ownerLink.id, linkId)),
    );
    response.json({});
  });

  router.put('/api/owner/home', express.json({ limit: '10kb' }), async (request, response) => {
    const { businessId, dogId } = guestOf(request);
    const parsed = homeTicking.safeParse(request.body);
    if (!parsed.success) throw badInput(parsed.error);
    const { key, day, done, times, note } = parsed.data;
    await inTenant(services.databases, businessId, async (tx) => {
      const business = await loadBusiness(tx);
      const [record] = await loadDogs(tx, { ids: [dogId] });
      if (!record) throw closed();
      const { tasks, today } = await homeCareOf(tx, business, record, dayIn(business.zone, services.now()));
      if (!tasks.some((task) => task.key === key)) throw notFound('task');
      if (day > today || daysBetween(day, today) > TICKED_BACK_DAYS)
        throw new Refusal('bad input', `Only today and the ${TICKED_BACK_DAYS} days before can be ticked.`);
      const its = and(eq(homeTick.dogId, dogId), eq(homeTick.key, key), eq(homeTick.day, day));
      if (!done) await tx.delete(homeTick).where(its);
      else
        await tx
          .insert(homeTick)
          .values({ dogId, key, day, times, note })
          .onConflictDoUpdate({
            target: [homeTick.businessId, homeTick.dogId, homeTick.key, homeTick.day],
            set: { times, note },
          });
    });
    response.json({});
  });

  router.put('/api/owner/reminder', express.json({ limit: '10kb' }), async (request, response) => {
    const { businessId, dogId } = guestOf(request);
    const parsed = homeReminding.safeParse(request.body);
    if (!parsed.success) throw badInput(parsed.error);
    await inTenant(services.databases, businessId, (tx) =>
      tx.update(dog).set({ homeRemindsOn: parsed.data.weekday }).where(eq(dog.id, dogId)),
    );
    response.json({});
  });

  router.put('/api/owner/vet-looks', express.json({ limit: '10kb' }), async (request, response) => {
    await keepVetLook(services, guestOf(request), request.body);
    response.json({});
  });

  router.put('/api/owner/answers', express.json({ limit: '10kb' }), async (request, response) => {
    await keepAnswer(services, guestOf(request), request.body);
    response.json({});
  });

  router.put('/api/owner/home/photos/:id', pictureBody, async (request, response) => {
    await keepHomePhoto(services, guestOf(request), idIn(request.params['id'], 'picture'), request.body);
    response.json({});
  });

  router.get('/api/owner/home/photos/:id', async (request, response) => {
    await sendHomePhoto(services, response, guestOf(request), idIn(request.params['id'], 'picture'));
  });

  router.get('/api/owner/photos/:id', async (request, response) => {
    const guest = guestOf(request);
    const id = idIn(request.params['id'], 'picture');
    const bytes = await readInTenant(services.databases, guest.businessId, (tx) => shownPicture(tx, guest.dogId, id));
    if (!bytes) throw notFound('picture');
    response.type('image/jpeg').set('Cache-Control', 'private, no-store').send(bytes);
  });

  router.get('/api/owner/sheets/:id', async (request, response) => {
    const guest = guestOf(request);
    const id = idIn(request.params['id'], 'sheet');
    const [its] = await readInTenant(services.databases, guest.businessId, (tx) =>
      tx
        .select({ closed: visit.closed })
        .from(visit)
        .where(and(eq(visit.id, id), eq(visit.dogId, guest.dogId))),
    );
    if (!its?.closed) throw notFound('sheet');
    sendPdf(response, await sheetAsPdf(services, guest.businessId, id));
  });

  router.get('/api/owner/letters/:id', async (request, response) => {
    const guest = guestOf(request);
    const id = idIn(request.params['id'], 'letter');
    const [its] = await readInTenant(services.databases, guest.businessId, (tx) =>
      tx
        .select({ id: referral.id })
        .from(referral)
        .where(and(eq(referral.id, id), eq(referral.dogId, guest.dogId))),
    );
    if (!its) throw notFound('letter');
    sendPdf(response, await letterAsPdf(services, guest.businessId, id));
  });
  return router;
}

function knock(services: Services): RequestHandler {
  const knocks = countKnocks(services.databases);
  return async (request, response, next) => {
    const from = request.ip ?? 'nobody';
    response.set('Referrer-Policy', 'no-referrer').set('X-Robots-Tag', 'noindex, nofollow');
    await knocks.count(from);
    const [, token = ''] = /^Link (.+)$/.exec(request.get('authorization') ?? '') ?? [];
    const opened = await openLink(services.databases, token, services.now());
    if (!opened) {
      await knocks.wrong(from);
      throw closed();
    }
    const { businessId, link } = opened;
    GUESTS.set(request, { businessId, linkId: link.id, dogId: link.dogId, until: link.expiresAt });
    next();
  };
}

/** A picture of this dog that still shows something, was chosen for one of its sheets, and was agreed to; else null. */
async function shownPicture(tx: Tenant, dogId: string, id: string): Promise<Buffer | null> {
  const [row] = await tx
    .select({ bytes: photo.bytes, card: client.card })
    .from(photo)
    .innerJoin(photoShown, eq(photoShown.photoId, photo.id))
    .innerJoin(visit, eq(visit.id, photo.visitId))
    .innerJoin(dog, eq(dog.id, visit.dogId))
    .innerJoin(client, eq(client.id, dog.clientId))
    .where(and(eq(photo.id, id), eq(visit.dogId, dogId)));
  if (!row?.card.consents.photos?.yes) return null;
  const sheets = await tx
    .select({ edits: sheetEdit.edits })
    .from(sheetEdit)
    .innerJoin(visit, eq(visit.id, sheetEdit.visitId))
    .where(eq(visit.dogId, dogId));
  return sheets.some(({ edits }) => edits.photos.includes(id)) ? row.bytes : null;
}

/** This dog and nothing else: its last sheets, letters that are open, what is booked. */
async function pageFor(
  tx: Tenant,
  services: Services,
  { businessId, linkId, dogId, until }: Guest,
): Promise<OwnerPage> {
  const now = services.now();
  const business = await loadStockedBusiness(tx);
  const [record] = await loadDogs(tx, { ids: [dogId] });
  if (!record) throw closed();
  const today = dayIn(business.zone, now);
  const words = await loadWords(tx);
  const { due, facts, plan } = planFor(record, business, today);
  const closedVisits = record.visits.filter((visit) => visit.closed !== null).slice(-SHEETS);
  const visits = await loadVisits(
    tx,
    business,
    closedVisits.map(({ id }) => id),
  );
  // A booking of the day of a visit is that visit.
  const after = closedVisits.at(-1)?.day ?? addDays(today, -1);
  const next = await nextDates(tx, business, { dogId, due, after, now });
  const sheets = [];
  for (const { id } of closedVisits.toReversed()) {
    const visit = visits.get(id);
    if (!visit) continue;
    const { sheet, edits, photos, photosAgreed } = await sheetViewFor(
      tx,
      { business, words, record, due, next },
      visit,
    );
    const shown = photosAgreed ? picturesShown(photos, edits) : [];
    sheets.push({ visitId: id, read: readSheet(sheet, edits), photos: shown });
  }
  const wording = wordingFor(words, record.client.card);
  const letters = await tx
    .select()
    .from(referral)
    .where(and(eq(referral.dogId, dogId), isNull(referral.end)));
  return {
    business: profileOf(business),
    dog: record.dog.name,
    language: wording.language,
    words: wording.page,
    drawing: facts.traits,
    sheets,
    letters: letters
      .filter(({ level }) => atLeast(level, 'vet'))
      .map(({ id, place, level, openedOn }) => ({
        id,
        place: placeWords(wording, placeOf(place)),
        urgency: wording.urgency[level satisfies Level] ?? '',
        openedOn: openedOn as Day,
      })),
    ...(await visitsToAnswer(tx, dogId, business.zone, now)),
    zone: business.zone,
    suggested: next.suggested,
    vetLooks: vetLooksDue(plan, record.instructions, today).map(({ task, last }) => ({
      task,
      name: wording.tasks[task],
      last,
    })),
    home: await homeCareOf(tx, business, record, today),
    reminder: channelFor(record.client.card) && { weekday: record.dog.homeRemindsOn },
    calendar: calendarUrl(services.site, businessId, linkId, 'owner calendar'),
    until: until.toISOString(),
  };
}
