import type { EarlierPhoto, VisitView } from '@dewpond/contract';
import type { Instruction } from '@dewpond/core/dog';
import { learnDogFactor } from '@dewpond/core/dilution';
import type { Finding } from '@dewpond/core/findings';
import { handlingMarks } from '@dewpond/core/handling';
import { placeKey, placeOf, type PlaceKey } from '@dewpond/core/places';
import { placeRecord, type PlaceRecord, type PlaceVisit } from '@dewpond/core/rhythm';
import { millilitres, type Day } from '@dewpond/core/units';
import { minutesFactor } from '@dewpond/core/visit';
import { type Stage } from '@dewpond/core/steps';
import { group } from 'd3-array';
import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import {
  amountUsed,
  client,
  dog,
  findingSeen,
  handoverAnswer,
  instruction,
  photoShown,
  placeCare,
  referral,
  stageTook,
  taskDone,
  toolUsed,
  visit,
} from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';

/** A finding as it was kept, with the visit's day and its level. */
export type StoredFinding = Finding & { readonly visitId: string; readonly day: Day; readonly level: string };
type CareRow = typeof placeCare.$inferSelect;

/** Handling in short, as it must be in sight. */
export const marksOf = ({ dog: { profile } }: Pick<DogRecord, 'dog'>): string[] =>
  handlingMarks(profile.handling, profile.canStandThroughBath);

/** All that is stored of one dog, ready for the core. */
export interface DogRecord {
  readonly dog: typeof dog.$inferSelect;
  readonly client: typeof client.$inferSelect;
  /** The newest answer to each question of handover. */
  readonly answers: VisitView['lastAnswers'];
  readonly instructions: readonly (Instruction & { readonly version: number })[];
  readonly visits: readonly {
    readonly id: string;
    readonly day: Day;
    readonly closed: string | null;
    readonly looked: readonly PlaceKey[];
    /** Its booking had a visit already, begun before. */
    readonly begunTwice: boolean;
  }[];
  readonly care: readonly CareRow[];
  readonly findings: readonly StoredFinding[];
  readonly tasks: readonly { readonly visitId: string; readonly day: Day; readonly task: string }[];
  readonly places: Readonly<Partial<Record<PlaceKey, PlaceRecord>>>;
  readonly amountFactor: number;
  readonly amountLessons: number;
  /** This dog's minutes against the business's, by stage. */
  readonly minutesFactor: Readonly<Partial<Record<Stage, number>>>;
  /** Blade or comb by part of the body, as used last. */
  readonly tools: Readonly<Record<string, string>>;
  /** The newest picture of each place. */
  readonly photos: readonly EarlierPhoto[];
  /** Places a vet should see, open. */
  readonly referred: readonly { readonly place: PlaceKey; readonly openedOn: Day }[];
}

/**
 * Loads dogs with their history in a fixed number of queries, however many dogs. With `before`, only what was known
 * when that visit began: a sheet made again next year says the same.
 */
export async function loadDogs(
  tx: Tenant,
  options: { ids?: readonly string[]; before?: { createdAt: Date; id: string } } = {},
): Promise<DogRecord[]> {
  const { ids, before } = options;
  if (ids?.length === 0) return [];
  const list = ids ? [...ids] : null;
  const dogs = await tx
    .select()
    .from(dog)
    .innerJoin(client, eq(client.id, dog.clientId))
    // Asked for by name a dog that is put away is there; among all it is not.
    .where(list ? inArray(dog.id, list) : isNull(dog.archivedOn))
    .orderBy(asc(dog.name));
  const instructions = await tx
    .select()
    .from(instruction)
    .where(list ? inArray(instruction.dogId, list) : undefined)
    .orderBy(asc(instruction.createdAt));
  const allVisits = await tx
    .select()
    .from(visit)
    .where(list ? inArray(visit.dogId, list) : undefined)
    .orderBy(asc(visit.day), asc(visit.createdAt), asc(visit.id));
  const visits = before
    ? allVisits.filter(
        (each) =>
          each.id !== before.id &&
          (each.createdAt < before.createdAt ||
            (Number(each.createdAt) === Number(before.createdAt) && each.id < before.id)),
      )
    : allVisits;
  const care = await tx
    .select()
    .from(placeCare)
    .where(list ? inArray(placeCare.dogId, list) : undefined);
  const findings = await tx
    .select()
    .from(findingSeen)
    .where(list ? inArray(findingSeen.dogId, list) : undefined);
  const tasks = await tx
    .select()
    .from(taskDone)
    .where(list ? inArray(taskDone.dogId, list) : undefined)
    .orderBy(asc(taskDone.task));
  const amounts = await tx
    .select()
    .from(amountUsed)
    .where(list ? inArray(amountUsed.dogId, list) : undefined);
  const answers = await tx
    .select()
    .from(handoverAnswer)
    .where(list ? inArray(handoverAnswer.dogId, list) : undefined);

  const took = await tx
    .select()
    .from(stageTook)
    .where(list ? inArray(stageTook.dogId, list) : undefined);
  const tools = await tx
    .select()
    .from(toolUsed)
    .where(list ? inArray(toolUsed.dogId, list) : undefined);
  const photos = await tx
    .select()
    .from(photoShown)
    .where(list ? inArray(photoShown.dogId, list) : undefined);

  const referrals = await tx
    .select()
    .from(referral)
    .where(and(isNull(referral.end), list ? inArray(referral.dogId, list) : undefined));

  const visitOrder = new Map(visits.map((each, i) => [each.id, i]));
  const known = <T extends { visitId: string }>(rows: readonly T[]) =>
    rows
      .filter((row) => visitOrder.has(row.visitId))
      .toSorted((a, b) => (visitOrder.get(a.visitId) ?? 0) - (visitOrder.get(b.visitId) ?? 0));
  const byDog = {
    instructions: group(instructions, (row) => row.dogId),
    visits: group(visits, (row) => row.dogId),
    care: group(known(care), (row) => row.dogId),
    findings: group(known(findings), (row) => row.dogId),
    tasks: group(known(tasks), (row) => row.dogId),
    amounts: group(known(amounts), (row) => row.dogId),
    answers: group(known(answers), (row) => row.dogId),
    took: group(known(took), (row) => row.dogId),
    tools: group(known(tools), (row) => row.dogId),
    photos: group(known(photos), (row) => row.dogId),
    referrals: group(known(referrals), (row) => row.dogId),
  };
  return dogs.map((row): DogRecord => {
    const id = row.dog.id;
    const said = (byDog.instructions.get(id) ?? []).map(asInstruction);
    const cared = byDog.care.get(id) ?? [];
    const lessons = (byDog.amounts.get(id) ?? []).map((each) => ({
      used: millilitres(each.usedMl),
      predicted: millilitres(each.predictedMl),
      complete: each.complete,
    }));
    return {
      dog: row.dog,
      client: row.client,
      instructions: said,
      visits: (byDog.visits.get(id) ?? []).map((each) => ({
        id: each.id,
        day: each.day as Day,
        closed: each.closed,
        looked: each.looked,
        begunTwice: each.alsoFor !== null,
      })),
      care: cared,
      findings: (byDog.findings.get(id) ?? []).map((each) => ({
        visitId: each.visitId,
        day: each.day as Day,
        level: each.level,
        place: placeOf(each.place),
        sign: each.sign,
        grade: each.grade,
        answer: each.answer,
        ...(each.more ? { more: each.more } : {}),
      })),
      tasks: (byDog.tasks.get(id) ?? []).map((each) => ({
        visitId: each.visitId,
        day: each.day as Day,
        task: each.task,
      })),
      answers: Object.fromEntries(
        (byDog.answers.get(id) ?? []).map(({ question, answer, day }) => [question, { answer, day: day as Day }]),
      ),
      places: placeRecords(cared, said),
      amountFactor: learnDogFactor(lessons),
      amountLessons: lessons.filter((each) => each.complete && each.used > 0).length,
      minutesFactor: Object.fromEntries(
        [...group(byDog.took.get(id) ?? [], (each) => each.stage)].map(([stage, each]) => [stage, minutesFactor(each)]),
      ),
      tools: Object.fromEntries((byDog.tools.get(id) ?? []).map(({ part, tool }) => [part, tool])),
      photos: newestOfEach(byDog.photos.get(id) ?? []),
      referred: (byDog.referrals.get(id) ?? []).map(({ place, openedOn }) => ({ place, openedOn: openedOn as Day })),
    };
  });
}

const newestOfEach = (rows: readonly (typeof photoShown.$inferSelect)[]): EarlierPhoto[] => [
  ...new Map(
    rows.map(({ photoId, place, sign, day }): [string, EarlierPhoto] => [
      place,
      { photo: photoId, place: place as PlaceKey, sign, day: day as Day },
    ]),
  ).values(),
];

export const asInstruction = (row: typeof instruction.$inferSelect): DogRecord['instructions'][number] => ({
  version: row.version,
  id: row.id,
  by: row.by,
  who: row.who,
  place: row.place === null ? null : placeOf(row.place),
  says: row.says,
  from: row.fromDay as Day,
  until: row.untilDay as Day | null,
});

function placeRecords(care: readonly CareRow[], instructions: readonly Instruction[]): DogRecord['places'] {
  const byPlace = group(care, (row) => row.place as PlaceKey);
  return Object.fromEntries(
    [...byPlace].map(([key, rows]) => {
      const visits = rows.map((row): PlaceVisit => ({
        day: row.day as Day,
        cared: row.cared,
        barred: row.barred,
        looked: row.looked,
        dirtyPads: row.dirtyPads,
        dirt: row.dirt,
      }));
      const answers = instructions
        // A lift opens one procedure; it is no answer to what was found.
        .filter(
          ({ by, place, says }) => by === 'vet' && says.kind !== 'lift' && place !== null && placeKey(place) === key,
        )
        .map((each) => each.from);
      return [key, placeRecord(visits, answers)];
    }),
  );
}
