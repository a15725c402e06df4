import type { Appointment, DogView, VisitMark } from '@dewpond/contract';
import { waysFromRecord, type VisitOfRecord } from '@dewpond/core/changes';
import { nextVisit, type DueLine } from '@dewpond/core/due';
import { productsOf } from '@dewpond/core/needs';
import { restraintOf } from '@dewpond/core/careplan';
import { gradeOfPads, worstRipples } from '@dewpond/core/findings';
import { SIDES, namePlace, placeKey, placeOf, type Grade, type Place, type PlaceKey } from '@dewpond/core/places';
import { DRIFT, worseProbability, oneSidedProbability, type RhythmQuestion } from '@dewpond/core/rhythm';
import type { Task } from '@dewpond/core/tasks';
import type { Day } from '@dewpond/core/units';
import { group } from 'd3-array';
import { type StockedBusiness, type Business } from '../../records/business/business';
import { clientShown } from '../../records/client/client';
import { driverWords } from '../../records/due/bookDue';
import { lastWord, marksOf, type DogRecord } from '../../records/dog/dogRecord';
import { bathOf, needsOfVisit } from '../../records/dog/bathNeeds';
import { planFor } from '../../records/dog/facts';
import { openFindings } from '../../records/dog/openFindings';
import type { StockedProduct } from '../../records/shelf/shelf';
import type { DogExtras } from './extras';

export function dogView(
  record: DogRecord,
  extras: DogExtras,
  business: StockedBusiness,
  today: Day,
  appointments: Appointment[],
): DogView {
  const planned = planFor(record, business, today);
  const { due, plan, facts } = planned;
  const next = nextVisit(due, today);
  const prescribed = plan.bathProduct && business.products.find((each) => each.id === plan.bathProduct?.productId);
  return {
    id: record.dog.id,
    version: record.dog.version,
    profile: record.dog.profile,
    client: clientShown(record.client, extras.household),
    today,
    due: [...due],
    bathProduct: plan.bathProduct && {
      name: prescribed?.name ?? 'a product of its own',
      contactMinutes: plan.bathProduct.contactMinutes,
      nothingElse: plan.bathProduct.nothingElse,
      who: plan.bathProduct.who,
    },
    instructions: record.instructions.map((given) => ({ ...given, letter: extras.letters.get(given.id) ?? null })),
    homeCareChangedOn: record.dog.homeCareChangedOn as Day | null,
    facts,
    seenOn: record.dog.seenOn,
    nextVisit: next && { day: next.day, drivenBy: driverWords(due, next.drivenBy) },
    visits: visitMarks(record),
    drift: drift(record, business, due, today),
    openFindings: openFindings(record).map(({ place, sign, grade, answer, day, level }) => ({
      place,
      sign,
      grade,
      answer,
      day,
      level,
    })),
    proposedWays: waysFromRecord({ facts, visits: visitsOfRecord(record) }),
    notes: { ownerSaid: lastWord(record.visits, 'ownerSaid'), closing: lastWord(record.visits, 'closingNote') },
    appointments,
    amounts: {
      factor: record.amountFactor,
      lessons: record.amountLessons,
      products: latherings(
        productsOf(needsOfVisit({ kind: 'full visit' }, planned, business, record.amountFactor).needs),
      ),
    },
    bath: bathOf(planned, business).shown,
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

/** What of each line's product its amount hangs on. */
const latherings = (products: Partial<Record<Task, StockedProduct>>): DogView['amounts']['products'] =>
  Object.fromEntries(
    Object.entries(products).map(([task, { kind, amountFactor, dilution }]) => [
      task,
      { kind, amountFactor, dilution: { kind: dilution.kind } },
    ]),
  );

/** Past visits as the core reads them for another way. */
function visitsOfRecord({ visits, care, findings }: DogRecord): VisitOfRecord[] {
  const carePer = group(care, (row) => row.visitId);
  const foundPer = group(findings, (found) => found.visitId);
  return visits.map(({ id }) => ({
    findings: foundPer.get(id) ?? [],
    places: (carePer.get(id) ?? []).map(({ place, cared, looked, dirtyPads, hairBorne }) => ({
      place: placeOf(place),
      cared,
      looked,
      dirtyPads,
      hairBorne,
    })),
  }));
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
      tasks: tasks.filter((each) => each.visitId === id).map(({ task, outcome, grade }) => ({ task, outcome, grade })),
    };
  });
}

/** "Getting worse" and "one-sided", where the record is sure enough. */
function drift(record: DogRecord, business: Business, due: readonly DueLine[], today: Day): DogView['drift'] {
  const ask = (line: DueLine): RhythmQuestion | null => {
    const { interval, place } = line.line;
    const stored = place && record.places[placeKey(place)];
    if (!interval || !stored || !line.rhythm) return null;
    return {
      observations: stored.observations,
      plan: interval,
      today,
      homeCareChangedOn: record.dog.homeCareChangedOn as Day | null,
      schoolChangedOn: business.schoolChangedOn,
    };
  };
  return due.flatMap((line) => {
    const { place } = line.line;
    const question = ask(line);
    if (!place || !question) return [];
    const worse = worseProbability(question) ?? 0;
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
    const sided = otherQuestion ? (oneSidedProbability(question, otherQuestion) ?? 0) : 0;
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
