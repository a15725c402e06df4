import type { NewVisitEvent } from '@dewpond/contract';
import type { CanalHair } from '@dewpond/core/catalogue';
import type { HairBorne, HairCame, HairLeft } from '@dewpond/core/dog';
import type { Sign } from '@dewpond/core/findings';
import type { IncidentKind } from '@dewpond/core/events';
import type { Grade } from '@dewpond/core/places';
import type { Stage, VisitKind } from '@dewpond/core/steps';
import type { WorkOutcome } from '@dewpond/core/visit';
import { sql } from 'drizzle-orm';
import {
  bigint,
  boolean,
  check,
  doublePrecision,
  foreignKey,
  index,
  uniqueIndex,
  integer,
  jsonb,
  primaryKey,
  smallint,
  text,
  uuid,
} from 'drizzle-orm/pg-core';
import { DETAILS, LOOKED, SEEN } from '../shapes/visits';
import { shaped } from '../shapes/shaped';
import { dog } from './book';
import { member } from './business';
import { businessId, byPerson, bytea, day, dewpond, edited, instant, ofThisBusiness } from './tenancy';

export const appointment = dewpond.table(
  'appointment',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    dogId: uuid('dog_id').notNull(),
    memberId: uuid('member_id').notNull(),
    kind: text('kind').$type<VisitKind>().notNull(),
    startsAt: instant('starts_at').notNull(),
    endsAt: instant('ends_at').notNull(),
    state: text('state').$type<'booked' | 'cancelled' | 'done'>().notNull().default('booked'),
    note: text('note').notNull().default(''),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    foreignKey({ columns: [t.businessId, t.memberId], foreignColumns: [member.businessId, member.id] }),
    index('appointment_by_start').on(t.businessId, t.startsAt),
    index('appointment_by_dog').on(t.businessId, t.dogId, t.startsAt),
    check('appointment_takes_time', sql`${t.endsAt} > ${t.startsAt}`),
    ofThisBusiness('appointment'),
  ],
);

export const visit = dewpond.table(
  'visit',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    dogId: uuid('dog_id').notNull(),
    appointmentId: uuid('appointment_id'),
    /** The booking it was begun for a second time, before that was refused: the other visit came first. */
    alsoFor: uuid('also_for'),
    day: day('day').notNull(),
    /** Projected from the events: null while open. */
    closed: text('closed').$type<'finished' | 'ended early'>(),
    /** Projected, too: places that were looked at, and when the dog is fetched again to be finished. */
    looked: shaped('looked', LOOKED).notNull().default([]),
    backOn: day('back_on'),
    madeFrom: text('made_from').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    foreignKey({ columns: [t.businessId, t.appointmentId], foreignColumns: [appointment.businessId, appointment.id] }),
    index('visit_by_dog').on(t.businessId, t.dogId, t.day),
    index('visit_away')
      .on(t.businessId, t.backOn)
      .where(sql`${t.closed} is null`),
    // One booking is one visit, however many devices begin it at once.
    uniqueIndex('visit_of_appointment').on(t.businessId, t.appointmentId),
    ofThisBusiness('visit'),
  ],
);

/** Append-only: the app role may insert and read, never change. */
export const visitEvent = dewpond.table(
  'visit_event',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    visitId: uuid('visit_id').notNull(),
    v: smallint('v').notNull(),
    counter: integer('counter').notNull(),
    device: text('device').notNull(),
    personId: uuid('person_id').notNull(),
    at: bigint('at', { mode: 'number' }).notNull(),
    offset: bigint('offset_ms', { mode: 'number' }),
    /** What its device had seen of the others; null in events of version 1. */
    seen: shaped('seen', SEEN),
    what: jsonb('what').$type<NewVisitEvent['what']>().notNull(),
    madeFrom: text('made_from').notNull(),
    receivedAt: instant('received_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    index('visit_event_by_visit').on(t.businessId, t.visitId),
    ofThisBusiness('visit_event'),
  ],
);

/** Projections: rebuilt from the events by `npm run rebuild-projections`. */
const ofVisit = () => ({
  businessId: businessId(),
  visitId: uuid('visit_id').notNull(),
  dogId: uuid('dog_id').notNull(),
  day: day('day').notNull(),
});

export const findingSeen = dewpond.table(
  'finding',
  {
    ...ofVisit(),
    place: text('place').notNull(),
    sign: text('sign').$type<Sign>().notNull(),
    grade: smallint('grade').$type<1 | 2 | 3>().notNull(),
    answer: boolean('answer'),
    level: text('level').notNull(),
    more: shaped('more', DETAILS),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.place, t.sign] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('finding_by_dog').on(t.businessId, t.dogId, t.day),
    index('finding_by_day').on(t.businessId, t.day),
    ofThisBusiness('finding'),
  ],
);

export const placeCare = dewpond.table(
  'place_care',
  {
    ...ofVisit(),
    place: text('place').notNull(),
    cared: boolean('cared').notNull(),
    /** Looked at by hands that would have cared for it, and it needed nothing. */
    neededNothing: boolean('needed_nothing').notNull().default(false),
    barred: boolean('barred').notNull(),
    looked: boolean('looked').notNull(),
    dirtyPads: smallint('dirty_pads'),
    /** Of an ear: hair in its canal as seen; taken out or trimmed; how much came, how it was borne, what is left. */
    hairSeen: text('hair_seen').$type<CanalHair>(),
    hairDid: text('hair_did').$type<'plucked' | 'trimmed'>(),
    hairCame: text('hair_came').$type<HairCame>(),
    hairBorne: text('hair_borne').$type<HairBorne>(),
    hairLeft: text('hair_left').$type<HairLeft>(),
    dirt: smallint('dirt').$type<0 | 1 | 2 | 3>().notNull(),
    level: text('level').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.place] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('place_care_by_dog').on(t.businessId, t.dogId, t.day),
    ofThisBusiness('place_care'),
  ],
);

/** What a visit came to for a task: done, looked at and in need of nothing, or only seen; and what was seen before. */
export const taskDone = dewpond.table(
  'task_done',
  {
    ...ofVisit(),
    task: text('task').notNull(),
    outcome: text('outcome').$type<WorkOutcome>().notNull().default('done'),
    /** Null where nobody judged it. */
    grade: smallint('grade').$type<Grade>(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.task] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('task_done_by_dog').on(t.businessId, t.dogId, t.day),
    ofThisBusiness('task_done'),
  ],
);

/** What the owner said at handover, newest visit last. */
export const handoverAnswer = dewpond.table(
  'handover_answer',
  { ...ofVisit(), question: text('question').notNull(), answer: boolean('answer').notNull() },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.question] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('handover_answer_by_dog').on(t.businessId, t.dogId, t.day),
    ofThisBusiness('handover_answer'),
  ],
);

/** Hands-on minutes of a stage, against what the business reckons: what a dog's own minutes are learned from. */
export const stageTook = dewpond.table(
  'stage_took',
  {
    ...ofVisit(),
    stage: text('stage').$type<Stage>().notNull(),
    minutes: doublePrecision('minutes').notNull(),
    predicted: doublePrecision('predicted').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.stage] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('stage_took_by_dog').on(t.businessId, t.dogId, t.day),
    ofThisBusiness('stage_took'),
  ],
);

/** Blade, comb or scissors by part of the body, so that next time matches. */
export const toolUsed = dewpond.table(
  'tool_used',
  { ...ofVisit(), part: text('part').notNull(), tool: text('tool').notNull() },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.part] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('tool_used_by_dog').on(t.businessId, t.dogId, t.day),
    ofThisBusiness('tool_used'),
  ],
);

/** Something that went wrong, to be asked after. */
export const incidentSeen = dewpond.table(
  'incident',
  {
    ...ofVisit(),
    eventId: uuid('event_id').notNull(),
    kind: text('kind').$type<IncidentKind>().notNull(),
    place: text('place'),
    done: text('done').notNull(),
    told: text('told').notNull(),
    words: text('words').notNull(),
    askOn: day('ask_on').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.eventId] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('incident_by_dog').on(t.businessId, t.dogId, t.day),
    index('incident_by_day').on(t.businessId, t.askOn),
    ofThisBusiness('incident'),
  ],
);

/** A picture of a place, drawn anew without what a camera writes into it. What it shows, its event says. */
export const photo = dewpond.table(
  'photo',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    visitId: uuid('visit_id').notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    size: integer('size').notNull(),
    bytes: bytea('bytes').notNull(),
    /** Of what was sent, so that sending it again is known from sending another. */
    madeFrom: text('made_from').notNull(),
    addedBy: text('added_by').notNull(),
    personId: byPerson(),
    addedAt: instant('added_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    index('photo_by_visit').on(t.businessId, t.visitId),
    ofThisBusiness('photo'),
  ],
);

/** Which place of the dog a picture shows. Projected; the picture itself may still be on its way. */
export const photoShown = dewpond.table(
  'photo_shown',
  {
    ...ofVisit(),
    photoId: uuid('photo_id').notNull(),
    place: text('place').notNull(),
    sign: text('sign').$type<Sign>(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.photoId] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('photo_shown_by_dog').on(t.businessId, t.dogId, t.day),
    ofThisBusiness('photo_shown'),
  ],
);

/** Events that were refused, as they came: told to the device, and kept, so that nothing is lost. Append-only. */
export const refusedEvent = dewpond.table(
  'refused_event',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    visitId: uuid('visit_id').notNull(),
    personId: uuid('person_id').notNull(),
    words: text('words').notNull(),
    content: jsonb('content').notNull(),
    refusedAt: instant('refused_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    index('refused_event_by_visit').on(t.businessId, t.visitId),
    ofThisBusiness('refused_event'),
  ],
);

/** The owner sheet as a finished PDF, made by a background job at the close of a visit. */
export const sheetPdf = dewpond.table(
  'sheet_pdf',
  {
    businessId: businessId(),
    visitId: uuid('visit_id').notNull(),
    /** Hash of the sheet it was made from: another sheet, another PDF. */
    madeFrom: text('made_from').notNull(),
    bytes: bytea('bytes').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    ofThisBusiness('sheet_pdf'),
  ],
);
