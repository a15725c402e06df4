import type { Shelf } from '../shelf/shelf';
import { INCIDENTS } from '@dewpond/core/events';
import { isCareBarred, stepList, tasksDoneBy } from '@dewpond/core/steps';
import { placesOfCare, stagesTook } from '@dewpond/core/visit';
import { addDays, type Day } from '@dewpond/core/units';
import { higherLevel, signWords, type Finding, type Level } from '@dewpond/core/findings';
import { lookedAtWith, placeKey, samePlace, type Grade } from '@dewpond/core/places';
import type { Tenant } from '../../platform/db/tenant';
import {
  appointment,
  findingSeen,
  handoverAnswer,
  incidentSeen,
  photoShown,
  placeCare,
  stageTook,
  taskDone,
  toolUsed,
  visit,
} from '../../platform/db/schema';
import { and, eq, ne } from 'drizzle-orm';
import { referPlaces } from './openReferrals';
import { caredFor } from './caredFor';
import type { LoadedVisit } from './load';
import { projectUse } from './projectUse';

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
 * Writes what is queried often into tables, in the transaction of the events it comes from. Replaces what was there
 * for this visit, so that the tables can be rebuilt from the events at any time.
 */
export async function project(tx: Tenant, loaded: LoadedVisit, shelf: Shelf): Promise<void> {
  const { row, state, judged, bars, steps, places, facts } = loaded;
  const key = { visitId: row.id, dogId: row.dogId, day: row.day };
  for (const table of [findingSeen, placeCare, taskDone, handoverAnswer, stageTook, toolUsed, incidentSeen, photoShown])
    await tx.delete(table).where(eq(table.visitId, row.id));

  const findings = state.findings.map((found) => ({
    ...key,
    place: placeKey(found.place),
    sign: found.sign,
    grade: found.grade,
    answer: found.answer,
    level: levelOf(loaded, found),
    more: found.more ?? null,
  }));
  if (findings.length > 0) await tx.insert(findingSeen).values(findings);

  // Places of care have a rhythm; of the rest of the dog only what was found is kept here.
  const found = new Set(state.findings.map(({ place }) => placeKey(place)));
  const ofCare = placesOfCare(facts);
  const kept = [
    ...ofCare,
    ...places.filter((place) => !ofCare.some((its) => samePlace(its, place)) && found.has(placeKey(place))),
  ];
  // An ear of no known side: neither was seen clear, whatever was tapped, and neither learns from it.
  const someEar = state.findings.some(({ place }) => place.site === 'ear' && place.side === 'none');
  const care = kept.map((place) => {
    const isSeenClear = state.lookedClear.includes(placeKey(place)) && !(someEar && place.site === 'ear');
    const here = state.findings.filter((found) => placeKey(found.place) === placeKey(place));
    const seen = judged[placeKey(place)];
    const pads = place.site === 'ear' && place.side !== 'none' ? state.pads[place.side] : null;
    return {
      ...key,
      place: placeKey(place),
      cared: caredFor(loaded, place),
      barred: isCareBarred(bars, place),
      looked: here.length > 0 || isSeenClear,
      dirtyPads: pads && (pads.clean || pads.dirty > 0) ? pads.dirty : null,
      dirt: Math.max(0, ...here.filter((found) => signWords(found.sign).dirt).map((found) => found.grade)) as Grade,
      level: seen?.level ?? 'none',
    };
  });
  if (care.length > 0) await tx.insert(placeCare).values(care);

  const did = steps.filter(({ id }) => state.steps[id]?.kind === 'done').flatMap(tasksDoneBy);
  const done = [...new Set(did)].map((task) => ({ ...key, task }));
  if (done.length > 0) await tx.insert(taskDone).values(done);

  const answers = Object.entries(state.answers).map(([question, answer]) => ({ ...key, question, answer }));
  if (answers.length > 0) await tx.insert(handoverAnswer).values(answers);

  await projectWork(tx, key, loaded);
  await projectUse(tx, loaded, shelf);
  await referPlaces(tx, loaded);

  const looked = new Set([...state.lookedClear, ...state.findings.map(({ place }) => placeKey(lookedAtWith(place)))]);
  await tx
    .update(visit)
    .set({ closed: state.closed, looked: [...looked].toSorted(), backOn: state.away?.back ?? null })
    .where(eq(visit.id, row.id));
  if (row.appointmentId !== null && state.closed !== null) {
    await tx
      .update(appointment)
      .set({ state: 'done' })
      .where(and(eq(appointment.id, row.appointmentId), ne(appointment.state, 'done')));
  }
}

interface VisitKey {
  readonly visitId: string;
  readonly dogId: string;
  readonly day: string;
}

/** How long it took, with what, what went wrong, what there is to see of it. */
async function projectWork(tx: Tenant, key: VisitKey, loaded: LoadedVisit): Promise<void> {
  const { state, events, facts, plan, judged, bars, kind, contactMinutes } = loaded;
  // Against the business's own minutes: learning from what was learned would never settle.
  const { findings, plugs } = state;
  const steps = stepList({ kind, facts, plan, contactMinutes, judged, bars, findings, plugs });
  const took = stagesTook(events, state, steps).map((each) => ({ ...key, ...each }));
  if (took.length > 0) await tx.insert(stageTook).values(took);

  const tools = Object.entries(state.tools).map(([part, tool]) => ({ ...key, part, tool }));
  if (tools.length > 0) await tx.insert(toolUsed).values(tools);

  const incidents = state.incidents.map(({ by, place, ...incident }) => ({
    ...key,
    ...incident,
    eventId: by.id,
    place: place === null ? null : placeKey(place),
    askOn: addDays(key.day as Day, INCIDENTS[incident.kind].followUpDays),
  }));
  if (incidents.length > 0) await tx.insert(incidentSeen).values(incidents);

  const photos = state.photos.map(({ photo, place, sign }) => ({
    ...key,
    photoId: photo,
    place: placeKey(place),
    sign,
  }));
  if (photos.length > 0) await tx.insert(photoShown).values(photos);
}
