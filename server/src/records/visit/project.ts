import type { Shelf } from '../shelf/shelf';
import { INCIDENTS } from '@dewpond/core/events';
import { isCareBarred } from '@dewpond/core/steps';
import {
  cleanDownOf,
  stepsByHouse,
  earHairOf,
  placeNeededNothing,
  placesOfCare,
  stagesTook,
  taskOutcomes,
  wasCaredFor,
  type CleanDown,
} from '@dewpond/core/visit';
import { addDays, type Day } from '@dewpond/core/units';
import { higherLevel, signWords, type Finding, type Level } from '@dewpond/core/findings';
import { lookedAtWith, placeKey, samePlace, type Grade, type Place } from '@dewpond/core/places';
import type { Tenant } from '../../platform/db/tenant';
import { appointment, visit } from '../../platform/db/schema';
import { and, eq, ne } from 'drizzle-orm';
import { referPlaces } from './openReferrals';
import { beforeVisit, type LoadedVisit } from './load';
import { drawForVisit } from './drawForVisit';
import { BY_COAT } from '../dog/ownMinutes';
import { wordsOf, writeWords } from './writeWords';
import { useOf } from './projectUse';
import { writeDifference, type VisitKey, type Written } from './written';

/** The level a finding reached at its place: the highest of the rows it had a part in. */
function levelOf({ judged }: LoadedVisit, found: Finding): Level {
  const { place, sign } = found;
  const key = place.site === 'ear' && place.side === 'none' ? 'ear/left' : placeKey(place);
  const seen = judged[key];
  if (seen?.unknown.some((each) => each.sign === sign)) return seen.level;
  const rows = seen?.matched.filter(({ findings }) => findings.some((each) => each.sign === sign)) ?? [];
  return rows.reduce<Level>((level, { row, asAlways }) => higherLevel(level, asAlways ? 'note' : row.level), 'note');
}

/**
 * Writes what is queried often into tables, in the transaction of the events it comes from: the difference to what stands
 * written, so that a tap costs what it changes, and that the tables can be rebuilt from the events at any time.
 */
export async function project(
  tx: Tenant,
  loaded: LoadedVisit,
  shelf: Shelf,
  written: Written,
  { refers = true }: { /** Opens referrals: not where all is made anew long after. */ readonly refers?: boolean } = {},
): Promise<void> {
  const { row, state } = loaded;
  const key: VisitKey = { visitId: row.id, dogId: row.dogId, day: row.day };
  const use = await useOf(tx, loaded, shelf, written);
  const steps = stepsByHouse(beforeVisit(loaded), loaded);
  await writeDifference(tx, row.id, written, {
    findings: state.findings.map((found) => findingRow(loaded, key, found)),
    care: placesProjected(loaded).map((place) => careRow(loaded, key, place)),
    tasks: taskOutcomes(loaded).map((each) => ({ ...key, ...each })),
    answers: Object.entries(state.answers).map(([question, answer]) => ({ ...key, question, answer })),
    took: stagesTook(loaded.events, state, steps).map((each) => ({ ...key, ...each, basis: BY_COAT })),
    tools: Object.entries(state.tools).map(([part, tool]) => ({ ...key, part, tool })),
    incidents: state.incidents.map((incident) => incidentRow(key, incident)),
    cleanDowns: [cleanDownOf(loaded)].flatMap((each) => (each ? [cleanDownRow(key, each)] : [])),
    photos: state.photos.map(({ photo, place, ...its }) => ({
      ...key,
      ...its,
      photoId: photo,
      place: placeKey(place),
    })),
    ...use.rows,
  });
  await drawForVisit(tx, { id: row.id, dogId: row.dogId, day: row.day as Day }, use.drawn, written.drawn);
  await writeWords(tx, loaded);
  if (refers) await referPlaces(tx, loaded, written.dogsReferrals);
  await writeVisit(tx, loaded);
}

async function writeVisit(tx: Tenant, loaded: LoadedVisit): Promise<void> {
  const { row, state } = loaded;
  const looked = new Set([...state.lookedClear, ...state.findings.map(({ place }) => placeKey(lookedAtWith(place)))]);
  const now = {
    closed: state.closed,
    looked: [...looked].toSorted(),
    backOn: state.away?.back ?? null,
    ownerSaid: state.ownerSaid.join('\n'),
    closingNote: state.notes.join('\n'),
    shown: [...state.shown],
    marksKept: [...state.marksKept],
    wordsWritten: [...new Set([...row.wordsWritten, ...wordsOf(loaded)])],
  };
  const isSame =
    row.closed === now.closed &&
    row.backOn === now.backOn &&
    row.looked.join() === now.looked.join() &&
    row.ownerSaid === now.ownerSaid &&
    row.closingNote === now.closingNote &&
    row.shown.join() === now.shown.join() &&
    row.marksKept.join() === now.marksKept.join() &&
    row.wordsWritten.length === now.wordsWritten.length;
  if (!isSame) await tx.update(visit).set(now).where(eq(visit.id, row.id));
  if (row.appointmentId !== null && state.closed !== null && row.closed !== state.closed) {
    await tx
      .update(appointment)
      .set({ state: 'done' })
      .where(and(eq(appointment.id, row.appointmentId), ne(appointment.state, 'done')));
  }
}

const findingRow = (loaded: LoadedVisit, key: VisitKey, found: Finding) => ({
  ...key,
  place: placeKey(found.place),
  sign: found.sign,
  grade: found.grade,
  answer: found.answer,
  level: levelOf(loaded, found),
  more: found.more ?? null,
});

/** Places of care have a rhythm; of the rest of the dog only what was found is kept. */
function placesProjected({ state, places, facts }: LoadedVisit): Place[] {
  const found = new Set(state.findings.map(({ place }) => placeKey(place)));
  const ofCare = placesOfCare(facts);
  return [
    ...ofCare,
    ...places.filter((place) => !ofCare.some((its) => samePlace(its, place)) && found.has(placeKey(place))),
  ];
}

function careRow(loaded: LoadedVisit, key: VisitKey, place: Place) {
  const { state, judged, bars } = loaded;
  // An ear of no known side: neither was seen clear, whatever was tapped, and neither learns from it.
  const someEar = state.findings.some((found) => found.place.site === 'ear' && found.place.side === 'none');
  const isSeenClear = state.lookedClear.includes(placeKey(place)) && !(someEar && place.site === 'ear');
  const here = state.findings.filter((found) => placeKey(found.place) === placeKey(place));
  const pads = place.site === 'ear' && place.side !== 'none' ? state.pads[place.side] : null;
  return {
    ...key,
    place: placeKey(place),
    cared: wasCaredFor(loaded, place),
    neededNothing: placeNeededNothing(loaded, place),
    barred: isCareBarred(bars, place),
    looked: here.length > 0 || isSeenClear,
    dirtyPads: pads && (pads.clean || pads.dirty > 0) ? pads.dirty : null,
    ...hairColumns(loaded, place),
    dirt: Math.max(0, ...here.filter((found) => signWords(found.sign).dirt).map((found) => found.grade)) as Grade,
    level: judged[placeKey(place)]?.level ?? 'none',
  };
}

/** What became of the hair of an ear; empty at every other place. */
function hairColumns(loaded: LoadedVisit, { site, side }: Place) {
  const hair = site === 'ear' && side !== 'none' ? earHairOf(loaded, side) : null;
  return {
    hairSeen: hair?.seen ?? null,
    hairDid: hair?.did ?? null,
    hairCame: hair?.went?.came ?? null,
    hairBorne: hair?.went?.borne ?? null,
    hairLeft: hair?.went?.left ?? null,
  };
}

const incidentRow = (
  key: VisitKey,
  { by, place, product, ...incident }: LoadedVisit['state']['incidents'][number],
) => ({
  ...key,
  ...incident,
  productId: product?.id ?? null,
  productName: product?.name ?? null,
  eventId: by.id,
  place: place === null ? null : placeKey(place),
  askOn: addDays(key.day as Day, INCIDENTS[incident.kind].followUpDays),
});

const cleanDownRow = (key: VisitKey, { at, person, product, cleaned, left, after, ...line }: CleanDown) => ({
  ...key,
  ...line,
  at: new Date(at),
  personId: person,
  productId: product,
  cleaned: [...cleaned],
  left: [...left],
  after: [...after],
});
