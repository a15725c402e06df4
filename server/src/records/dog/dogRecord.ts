import type { EarlierPhoto, VisitView } from '@dewpond/contract';
import type { Instruction, Saying, ShownToday } from '@dewpond/core/dog';
import { learnDogFactor } from '@dewpond/core/dilution';
import type { Finding } from '@dewpond/core/findings';
import type { Noticed } from '@dewpond/core/due';
import type { HomeTick } from '@dewpond/core/homecare';
import { handlingMarks } from '@dewpond/core/handling';
import { placeKey, placeOf, type PlaceKey, type Side } from '@dewpond/core/places';
import { placeRecord, type PlaceRecord, type PlaceVisit } from '@dewpond/core/rhythm';
import { millilitres, type Day } from '@dewpond/core/units';
import { group } from 'd3-array';
import type { client, dog, instruction } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { anyOf, together, type AskedFor } from '../../platform/db/together';
import { dogQueries, type DogRows } from './dogRows';
import { toHoldBeside } from './toHoldBeside';
import { keptEarHair, type KeptEarHair } from './keptEarHair';

/** A finding as it was kept, with the visit's day and its level. */
export type StoredFinding = Finding & { readonly visitId: string; readonly day: Day; readonly level: string };
type OfVisit<T> = T & { readonly day: Day };
type CareRow = OfVisit<DogRows['care'][number]>;

/** Handling in short, as it must be in sight. */
export const marksOf = ({ dog: { profile } }: { readonly dog: Pick<DogRecord['dog'], 'profile'> }): string[] =>
  handlingMarks(profile.handling, profile.canStandThroughBath);

/** The newest word of a kind that was said at a visit. */
export function lastWord(
  visits: DogRecord['visits'],
  kind: 'ownerSaid' | 'closingNote',
): { readonly day: Day; readonly words: string } | null {
  const last = visits.findLast((each) => each[kind] !== '');
  return last ? { day: last.day, words: last[kind] } : null;
}

/** All that is stored of one dog, ready for the core. */
export interface DogRecord {
  readonly dog: typeof dog.$inferSelect;
  readonly client: typeof client.$inferSelect;
  /** The newest answer to each question of handover; to one of the household, whichever of its dogs it was told of. */
  readonly answers: VisitView['lastAnswers'];
  readonly instructions: readonly (Instruction & { readonly version: number })[];
  readonly visits: readonly {
    readonly id: string;
    readonly day: Day;
    readonly closed: string | null;
    readonly looked: readonly PlaceKey[];
    /** Its booking had a visit already, begun before. */
    readonly begunTwice: boolean;
    /** What the owner said at the door, and the closing note; may be empty. */
    readonly ownerSaid: string;
    readonly closingNote: string;
    /** How the dog showed itself. */
    readonly shown: readonly ShownToday[];
  }[];
  readonly care: readonly CareRow[];
  readonly findings: readonly StoredFinding[];
  readonly tasks: readonly OfVisit<DogRows['tasks'][number]>[];
  /** The clock of each task without the clock of a place, by `taskKey`. */
  readonly taskRecords: Readonly<Partial<Record<string, PlaceRecord>>>;
  readonly places: Readonly<Partial<Record<PlaceKey, PlaceRecord>>>;
  readonly earHair: Readonly<Record<Side, KeptEarHair>>;
  readonly amountFactor: number;
  readonly amountLessons: number;
  /** How long each stage took at its visits. */
  readonly took: readonly OfVisit<DogRows['took'][number]>[];
  /** Blade or comb by part of the body, as used last. */
  readonly tools: Readonly<Record<string, string>>;
  /** The picture of each place that today's is held beside. */
  readonly photos: readonly EarlierPhoto[];
  /** What the owner ticked in the weeks before the last visit, and since. */
  readonly ticks: readonly HomeTick[];
  /** What the owner noticed at home, and when it was told. */
  readonly noticed: readonly { readonly noticed: Noticed; readonly toldAt: Date }[];
  /** Products that its skin reacted to at the table. */
  readonly reactedTo: readonly string[];
  /** Places a vet should see, open. */
  readonly referred: readonly { readonly place: PlaceKey; readonly openedOn: Day }[];
}

/** The visit that a dog is taken at: what came later is not known yet. */
export interface AsKnownAt {
  readonly id: string;
  readonly createdAt: Date;
}

const dogRows = together((select, { ids }: { ids: AskedFor<readonly string[]> }) =>
  dogQueries(select, (dogId) => anyOf(dogId, ids)),
);

/**
 * Loads dogs with their history in one statement, however many dogs. With `before`, only what was known when that
 * visit began: a sheet made again next year says the same.
 */
export async function loadDogs(
  tx: Tenant,
  { ids, before }: { readonly ids: readonly string[]; readonly before?: AsKnownAt },
): Promise<DogRecord[]> {
  return ids.length === 0 ? [] : recordsOf(await dogRows(tx, { ids }), before);
}

/** The same row, which bears the day of its visit now: there are thousands of them, and nobody else has this one. */
function datedOn<T>(row: T, day: Day): OfVisit<T> {
  const dated = row as T & { day: Day };
  dated.day = day;
  return dated;
}

/** Rows by what they belong to; there are thousands in a book's history, and texts for keys. */
function grouped<T>(rows: readonly T[], keyOf: (row: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const key = keyOf(row);
    const its = groups.get(key);
    if (its === undefined) groups.set(key, [row]);
    else its.push(row);
  }
  return groups;
}

/** Rows of some dogs, by dog; those of visits in the order of the visits, and only of visits known then. */
function byDog(rows: DogRows, before: AsKnownAt | undefined) {
  const visits = before ? rows.visits.filter((each) => isEarlier(each, before)) : rows.visits;
  const known = <T extends { readonly visitId: string }>(list: readonly T[]) => {
    const ofVisits = grouped(list, (row) => row.visitId);
    const byDogs = new Map<string, OfVisit<T>[]>();
    for (const { id, dogId, day } of ofVisits.size === 0 ? [] : visits) {
      const its = byDogs.get(dogId) ?? [];
      byDogs.set(dogId, its);
      for (const row of ofVisits.get(id) ?? []) its.push(datedOn(row, day as Day));
    }
    return byDogs;
  };
  return {
    instructions: grouped(rows.instructions, (row) => row.dogId),
    visits: grouped(visits, (row) => row.dogId),
    care: known(rows.care),
    findings: known(rows.findings),
    tasks: known(rows.tasks),
    amounts: known(rows.amounts),
    answers: known(rows.answers),
    ofHousehold: grouped(
      before ? rows.ofHousehold.filter((each) => isEarlier(each, before)) : rows.ofHousehold,
      (row) => row.household,
    ),
    took: known(rows.took),
    tools: known(rows.tools),
    photos: known(rows.photos),
    ticks: grouped(rows.ticks, (row) => row.dogId),
    noticed: grouped(rows.noticed, (row) => row.dogId),
    reacted: known(rows.reacted),
    referrals: known(rows.referrals),
  };
}

const isEarlier = (each: AsKnownAt, than: AsKnownAt): boolean =>
  each.id !== than.id &&
  (each.createdAt < than.createdAt || (Number(each.createdAt) === Number(than.createdAt) && each.id < than.id));

/** Dogs as the core reads them, of rows that were loaded. */
export function recordsOf(rows: DogRows, before?: AsKnownAt): DogRecord[] {
  const of = byDog(rows, before);
  return rows.dogs.map((row): DogRecord => {
    const { id } = row.dog;
    const said = (of.instructions.get(id) ?? []).map(asInstruction);
    const cared = of.care.get(id) ?? [];
    const lessons = (of.amounts.get(id) ?? []).map((each) => ({
      used: millilitres(each.usedMl),
      predicted: millilitres(each.predictedMl),
      complete: each.complete,
    }));
    return {
      dog: row.dog,
      client: row.client,
      instructions: said,
      visits: (of.visits.get(id) ?? []).map(asPastVisit),
      care: cared,
      findings: (of.findings.get(id) ?? []).map(asFinding),
      tasks: of.tasks.get(id) ?? [],
      taskRecords: { ...taskRecords(of.tasks.get(id) ?? []), ...vetLooks(said) },
      answers: Object.fromEntries(
        [...(of.answers.get(id) ?? []), ...(of.ofHousehold.get(row.client.householdId ?? row.client.id) ?? [])].map(
          ({ question, answer, day }) => [question, { answer, day: day as Day }],
        ),
      ),
      places: placeRecords(cared, said),
      earHair: { left: keptEarHair(cared, 'ear/left'), right: keptEarHair(cared, 'ear/right') },
      amountFactor: learnDogFactor(lessons),
      amountLessons: lessons.filter((each) => each.complete && each.used > 0).length,
      took: of.took.get(id) ?? [],
      tools: Object.fromEntries((of.tools.get(id) ?? []).map(({ part, tool }) => [part, tool])),
      photos: toHoldBeside(of.photos.get(id) ?? []),
      ticks: (of.ticks.get(id) ?? []).map(({ key, day, times }) => ({ key, day: day as Day, times })),
      noticed: (of.noticed.get(id) ?? []).map(({ says, toldAt }) => ({ noticed: says as Noticed, toldAt })),
      reactedTo: (of.reacted.get(id) ?? []).flatMap(({ productId }) => productId ?? []),
      referred: (of.referrals.get(id) ?? []).map(({ place, openedOn }) => ({ place, openedOn: openedOn as Day })),
    };
  });
}

const asPastVisit = (row: DogRows['visits'][number]): DogRecord['visits'][number] => ({
  id: row.id,
  day: row.day as Day,
  closed: row.closed,
  looked: row.looked,
  begunTwice: row.alsoFor !== null,
  ownerSaid: row.ownerSaid,
  closingNote: row.closingNote,
  shown: row.shown,
});

const asFinding = (row: OfVisit<DogRows['findings'][number]>): StoredFinding => ({
  visitId: row.visitId,
  day: row.day,
  level: row.level,
  place: placeOf(row.place),
  sign: row.sign,
  grade: row.grade,
  answer: row.answer,
  ...(row.more ? { more: row.more } : {}),
});

export const asInstruction = (
  row: Omit<typeof instruction.$inferSelect, 'businessId'>,
): DogRecord['instructions'][number] => ({
  version: row.version,
  id: row.id,
  by: row.by,
  who: row.who,
  place: row.place === null ? null : placeOf(row.place),
  says: row.says,
  from: row.fromDay as Day,
  until: row.untilDay as Day | null,
});

const NO_ANSWER: ReadonlySet<Saying['kind']> = new Set<Saying['kind']>([
  'lift',
  'uses',
  'product',
  'bath product',
  'vet saw',
  'at home',
]);

function placeRecords(care: readonly CareRow[], instructions: readonly Instruction[]): DogRecord['places'] {
  const byPlace = group(care, (row) => row.place as PlaceKey);
  return Object.fromEntries(
    [...byPlace].map(([key, rows]) => {
      const visits = rows.map((row): PlaceVisit => ({
        day: row.day,
        cared: row.cared,
        neededNothing: row.neededNothing,
        barred: row.barred,
        looked: row.looked,
        dirtyPads: row.dirtyPads,
        dirt: row.dirt,
      }));
      const answers = instructions
        // A lift opens one procedure, drops may be from another day, a product is for the care once there is care again:
        // none of them is an answer to what was found.
        .filter(
          ({ by, place, says }) =>
            by === 'vet' && !NO_ANSWER.has(says.kind) && place !== null && placeKey(place) === key,
        )
        .map((each) => each.from);
      return [key, placeRecord(visits, answers)];
    }),
  );
}

/** What is on record of each task: a grade is a look, and no stop of a place holds a task's clock. */
function taskRecords(rows: DogRecord['tasks']): DogRecord['taskRecords'] {
  const byTask = group(rows, (row) => row.task);
  return Object.fromEntries(
    [...byTask].map(([task, its]) => {
      const visits = its.map(({ day, outcome, grade }): PlaceVisit => ({
        day,
        cared: outcome === 'done',
        neededNothing: outcome === 'not needed',
        barred: false,
        looked: grade !== null,
        dirtyPads: null,
        dirt: grade ?? 0,
      }));
      return [task, placeRecord(visits, [])];
    }),
  );
}

/** Looks that only a vet has, each by the days on which one had it. */
function vetLooks(instructions: readonly Instruction[]): DogRecord['taskRecords'] {
  const looks = instructions.flatMap(({ says }) => (says.kind === 'vet saw' ? [says] : []));
  return Object.fromEntries(
    [...group(looks, ({ task }) => task)].map(([task, its]) => {
      const lastCare =
        its
          .map(({ on }) => on)
          .toSorted()
          .at(-1) ?? null;
      return [task, { ...placeRecord([], []), lastCare }];
    }),
  );
}
