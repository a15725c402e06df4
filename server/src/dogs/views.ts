import { nextVisit, productFactors, restraintOf, visitNeeds, type DueLine } from '@dewpond/core/careplan';
import { TASKS, taskKey } from '@dewpond/core/tasks';
import { clearSince, stillWatched, type PastLook } from '@dewpond/core/referral';
import { LEVELS, atLeast, gradeOfPads, worstRipples, type Level } from '@dewpond/core/findings';
import { SIDES, namePlace, placeKey, placeOf, type Grade, type Place, type PlaceKey } from '@dewpond/core/places';
import { DRIFT, gettingWorse, oneSided, type RhythmQuestion } from '@dewpond/core/rhythm';
import type { Day } from '@dewpond/core/units';
import type { Appointment, DogView, VisitMark, WatchItem } from '@dewpond/contract';
import { group } from 'd3-array';
import type { House } from '../house/house';
import { planFor } from './facts';
import { clientShown } from '../clients/views';
import type { DogExtras } from './extras';
import { marksOf, type DogRecord } from './records';

/** The task and the place of the next visit in words: "clean ears, left ear". */
export function driverWords(due: readonly DueLine[], key: string): string {
  const line = due.find((each) => taskKey(each.line) === key)?.line;
  if (!line) return key;
  const name = TASKS[line.task].name.toLowerCase();
  return line.place ? `${name}, ${namePlace(line.place)}` : name;
}

export function dogView(
  record: DogRecord,
  extras: DogExtras,
  house: House,
  today: Day,
  appointments: Appointment[],
): DogView {
  const { due, plan, facts } = planFor(record, house, today);
  const next = nextVisit(due, today);
  const prescribed = plan.bathProduct && house.products.find((each) => each.id === plan.bathProduct?.productId);
  return {
    id: record.dog.id,
    version: record.dog.version,
    profile: record.dog.profile,
    client: clientShown(record.client, extras.household),
    today,
    due: [...due],
    bathProduct: plan.bathProduct && { ...plan.bathProduct, name: prescribed?.name ?? 'a product of its own' },
    instructions: record.instructions.map((given) => ({ ...given, letter: extras.letters.get(given.id) ?? null })),
    homeCareChangedOn: record.dog.homeCareChangedOn as Day | null,
    facts,
    seenOn: record.dog.seenOn,
    nextVisit: next && { day: next.day, drivenBy: driverWords(due, next.drivenBy) },
    visits: visitMarks(record),
    drift: drift(record, house, due, today),
    openFindings: openFindings(record).map(({ place, sign, grade, answer, day, level }) => ({
      place,
      sign,
      grade,
      answer,
      day,
      level,
    })),
    appointments,
    amounts: {
      factor: record.amountFactor,
      lessons: record.amountLessons,
      products: productFactors(visitNeeds('all', facts, plan, house.products, record.amountFactor).needs),
    },
    archivedOn: record.dog.archivedOn as Day | null,
    marks: marksOf(record),
    restraint: restraintOf(facts),
    vet: extras.vet,
    weighings: extras.weighings,
    programme: extras.programme,
    likelySame: extras.likelySame,
    merges: extras.merges,
  };
}

/** Past visits as ripples: the worst of each place, whatever the sign. */
function visitMarks({ visits, care, findings, tasks }: DogRecord): VisitMark[] {
  const carePer = group(care, (row) => row.visitId);
  return visits.map(({ id, day }) => {
    const rows = carePer.get(id) ?? [];
    const found = findings.filter((each) => each.visitId === id);
    const grades = rows
      .filter((row) => row.looked || row.cared)
      .map((row): [PlaceKey, Grade] => {
        const here = worstRipples(found.filter((each) => placeKey(each.place) === row.place));
        return [row.place as PlaceKey, Math.max(row.dirt, gradeOfPads(row.dirtyPads ?? 0), here) as Grade];
      });
    return {
      visitId: id,
      day,
      grades: Object.fromEntries(grades),
      barred: rows.filter((row) => row.barred).map((row) => row.place as PlaceKey),
      tasks: tasks.filter((each) => each.visitId === id).map((each) => each.task),
    };
  });
}

/** "Getting worse" and "one-sided", where the record is sure enough. */
function drift(record: DogRecord, house: House, due: readonly DueLine[], today: Day): DogView['drift'] {
  const ask = (line: DueLine): RhythmQuestion | null => {
    const { interval, place } = line.line;
    const kept = place && record.places[placeKey(place)];
    if (!interval || !kept || !line.rhythm) return null;
    return {
      observations: kept.observations,
      plan: interval,
      today,
      homeCareChangedOn: record.dog.homeCareChangedOn as Day | null,
      schoolChangedOn: house.schoolChangedOn,
    };
  };
  return due.flatMap((line) => {
    const { place } = line.line;
    const question = ask(line);
    if (!place || !question) return [];
    const worse = gettingWorse(question) ?? 0;
    const otherLine = SIDES.map((side): Place => ({ ...place, side })).find(
      (each) => each.side !== place.side && place.side !== 'none',
    );
    const other =
      otherLine &&
      due.find(
        (each) =>
          each.line.task === line.line.task && each.line.place && placeKey(each.line.place) === placeKey(otherLine),
      );
    const otherQuestion = other && ask(other);
    const sided = otherQuestion ? (oneSided(question, otherQuestion) ?? 0) : 0;
    return [
      ...(worse >= DRIFT.worseCertainty
        ? [{ place: placeKey(place), words: `The ${namePlace(place)} gets dirty faster than it used to.` }]
        : []),
      ...(sided >= DRIFT.oneSidedCertainty
        ? [{ place: placeKey(place), words: `The ${namePlace(place)} gets dirty much faster than the other side.` }]
        : []),
    ];
  });
}

/** A finding that is still asked after, and how often its place was seen clear since. */
export type OpenFinding = DogRecord['findings'][number] & { readonly clearLooks: number };

/**
 * Findings that still want an eye, most urgent first. One for a vet holds until its place is seen clear, or the vet has
 * answered; what is watched or told is let go when it was seen clear twice.
 */
export function openFindings(record: DogRecord): OpenFinding[] {
  const newest = new Map(record.care.filter((row) => row.looked).map((row) => [row.place, row]));
  const looks = record.visits.map(({ id, looked }): PastLook => ({
    looked,
    found: record.findings.filter(({ visitId }) => visitId === id).map(({ place }) => placeKey(place)),
  }));
  return record.findings
    .flatMap((found): OpenFinding[] => {
      const key = placeKey(found.place);
      const level = found.level as Level;
      if (!atLeast(level, 'watch')) return [];
      const at = record.visits.findIndex(({ id }) => id === found.visitId);
      const clearLooks = clearSince(looks, at, key);
      if (!atLeast(level, 'vet')) return stillWatched(clearLooks) ? [{ ...found, clearLooks: clearLooks ?? 0 }] : [];
      const latest = newest.get(key);
      const answered = !(record.places[key]?.suspended ?? false) && latest?.barred === true;
      return latest?.visitId === found.visitId && !answered ? [{ ...found, clearLooks: 0 }] : [];
    })
    .toSorted((a, b) => LEVELS.indexOf(b.level as Level) - LEVELS.indexOf(a.level as Level));
}

export function watchItems(record: DogRecord, words: (found: OpenFinding) => string): WatchItem[] {
  return openFindings(record).map((found) => ({
    dogId: record.dog.id,
    dog: record.dog.name,
    owner: record.client.name,
    phone: record.client.card.phones[0]?.number ?? '',
    place: namePlace(placeOf(placeKey(found.place))),
    words: `${words(found)}${found.clearLooks === 1 ? '; seen clear once since' : ''}`,
    level: found.level,
    day: found.day,
    visitId: found.visitId,
  }));
}
