import { OF_THE_HOUSEHOLD } from '@dewpond/core/events';
import { ALL_NOTICED } from '@dewpond/core/due';
import { HABIT_DAYS } from '@dewpond/core/homecare';
import {
  and,
  asc,
  eq,
  gt,
  inArray,
  isNotNull,
  isNull,
  lte,
  max,
  or,
  sql,
  type Column,
  type SQL,
  type Table,
} from 'drizzle-orm';
import { alias, type QueryBuilder } from 'drizzle-orm/pg-core';
import {
  amountUsed,
  client,
  dog,
  findingSeen,
  handoverAnswer,
  homeTick,
  ownerAnswer,
  incidentSeen,
  instruction,
  photoShown,
  placeCare,
  referral,
  stageTook,
  taskDone,
  toolUsed,
  visit,
} from '../../platform/db/schema';
import { ownColumns, type RowsOf } from '../../platform/db/together';

/** The columns of a table of visits but for those that its visit has as well: there are many rows of each. */
function ofVisit<T extends Table>(table: T): Omit<T['_']['columns'], 'businessId' | 'dogId' | 'day'> {
  const { dogId: _, day: __, ...columns } = ownColumns(table) as Record<string, unknown>;
  return columns as Omit<T['_']['columns'], 'businessId' | 'dogId' | 'day'>;
}

/** The dogs that are asked for, and their clients, beside all dogs of their households. */
const asked = alias(dog, 'asked');
const theirs = alias(client, 'their_client');

function ticksQuery(select: QueryBuilder, among: (dogId: Column) => SQL) {
  const last = select
    .select({ dogId: visit.dogId, day: max(visit.day).as('last_day') })
    .from(visit)
    .where(and(isNotNull(visit.closed), among(visit.dogId)))
    .groupBy(visit.dogId)
    .as('last_closed');
  return select
    .select({ dogId: homeTick.dogId, key: homeTick.key, day: homeTick.day, times: homeTick.times })
    .from(homeTick)
    .innerJoin(last, eq(last.dogId, homeTick.dogId))
    .where(
      and(
        among(homeTick.dogId),
        lte(homeTick.day, last.day),
        gt(homeTick.day, sql`${last.day} - ${sql.raw(String(HABIT_DAYS))}`),
      ),
    );
}

/**
 * All that is kept of some dogs, archived or not, as selects; dogs by name, each list as its readers expect it.
 * @param among which dogs: a condition on a column that names one.
 */
export const dogQueries = (select: QueryBuilder, among: (dogId: Column) => SQL) => ({
  dogs: select
    .select()
    .from(dog)
    .innerJoin(client, eq(client.id, dog.clientId))
    .where(among(dog.id))
    .orderBy(asc(dog.name)),
  instructions: select
    .select(ownColumns(instruction))
    .from(instruction)
    .where(among(instruction.dogId))
    .orderBy(asc(instruction.createdAt)),
  visits: select
    .select({
      id: visit.id,
      dogId: visit.dogId,
      day: visit.day,
      createdAt: visit.createdAt,
      closed: visit.closed,
      looked: visit.looked,
      alsoFor: visit.alsoFor,
      ownerSaid: visit.ownerSaid,
      closingNote: visit.closingNote,
      shown: visit.shown,
    })
    .from(visit)
    .where(among(visit.dogId))
    .orderBy(asc(visit.day), asc(visit.createdAt), asc(visit.id)),
  care: select.select(ofVisit(placeCare)).from(placeCare).where(among(placeCare.dogId)).orderBy(asc(placeCare.place)),
  findings: select
    .select(ofVisit(findingSeen))
    .from(findingSeen)
    .where(among(findingSeen.dogId))
    .orderBy(asc(findingSeen.place), asc(findingSeen.sign)),
  tasks: select.select(ofVisit(taskDone)).from(taskDone).where(among(taskDone.dogId)).orderBy(asc(taskDone.task)),
  amounts: select
    .select({
      visitId: amountUsed.visitId,
      usedMl: amountUsed.usedMl,
      predictedMl: amountUsed.predictedMl,
      complete: amountUsed.complete,
    })
    .from(amountUsed)
    .where(among(amountUsed.dogId)),
  answers: select.select(ofVisit(handoverAnswer)).from(handoverAnswer).where(among(handoverAnswer.dogId)),
  // One answer for all dogs of a household, the newest last; whose dog it was told of does not matter.
  ofHousehold: select
    .selectDistinct({
      household: sql<string>`coalesce(${client.householdId}, ${client.id})`.as('household'),
      id: visit.id,
      createdAt: visit.createdAt,
      day: visit.day,
      question: handoverAnswer.question,
      answer: handoverAnswer.answer,
    })
    .from(asked)
    .innerJoin(theirs, eq(theirs.id, asked.clientId))
    .innerJoin(client, or(eq(client.id, theirs.id), eq(client.householdId, theirs.householdId)))
    .innerJoin(dog, eq(dog.clientId, client.id))
    .innerJoin(
      handoverAnswer,
      and(eq(handoverAnswer.dogId, dog.id), inArray(handoverAnswer.question, [...OF_THE_HOUSEHOLD])),
    )
    .innerJoin(visit, eq(visit.id, handoverAnswer.visitId))
    .where(among(asked.id))
    .orderBy(asc(visit.day), asc(visit.createdAt), asc(visit.id)),
  took: select.select(ofVisit(stageTook)).from(stageTook).where(among(stageTook.dogId)),
  tools: select.select(ofVisit(toolUsed)).from(toolUsed).where(among(toolUsed.dogId)),
  photos: select.select(ofVisit(photoShown)).from(photoShown).where(among(photoShown.dogId)),
  // What was ticked in the weeks that a habit is judged by: those before the last visit.
  ticks: ticksQuery(select, among),
  noticed: select
    .select({ dogId: ownerAnswer.dogId, says: ownerAnswer.says, toldAt: ownerAnswer.toldAt })
    .from(ownerAnswer)
    .where(and(among(ownerAnswer.dogId), inArray(ownerAnswer.says, [...ALL_NOTICED]))),
  reacted: select
    .select({ visitId: incidentSeen.visitId, productId: incidentSeen.productId })
    .from(incidentSeen)
    .where(and(among(incidentSeen.dogId), eq(incidentSeen.kind, 'skin reacts'), isNotNull(incidentSeen.productId))),
  referrals: select
    .select(ownColumns(referral))
    .from(referral)
    .where(and(isNull(referral.end), among(referral.dogId))),
});

export type DogRows = RowsOf<ReturnType<typeof dogQueries>>;
