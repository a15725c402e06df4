import type { NewVisitEvent } from '@dewpond/contract';
import type { VisitKind } from '@dewpond/core/steps';
import { sql } from 'drizzle-orm';
import {
  boolean,
  bigint,
  check,
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
import { AGREED, LOOKED, SEEN, SHOWN_LIST, WORDS_WRITTEN } from '../shapes/visits';
import { SET_BY_HAND } from '../shapes/weeks';
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
    /** What was agreed for it; null: what its kind contains. */
    agreed: shaped('agreed', AGREED),
    startsAt: instant('starts_at').notNull(),
    endsAt: instant('ends_at').notNull(),
    state: text('state').$type<'booked' | 'cancelled' | 'no show' | 'done'>().notNull().default('booked'),
    /** When it was cancelled, and by whom: how late that was is told when they book again. */
    cancelledAt: instant('cancelled_at'),
    cancelledBy: text('cancelled_by').$type<'owner' | 'business'>(),
    /** It may be moved when weeks are planned anew. */
    mayMove: boolean('may_move').notNull().default(false),
    /** When the owner said yes to this time. */
    confirmedAt: instant('confirmed_at'),
    /** Bookings made as one series. */
    seriesId: uuid('series_id'),
    /** Where it was set by hand in its day; null: wherever it fits best. */
    byHand: shaped('by_hand', SET_BY_HAND),
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
    /** What the owner said at the door, and the groomer's closing note. */
    ownerSaid: text('owner_said').notNull().default(''),
    closingNote: text('closing_note').notNull().default(''),
    /** How the dog showed itself, and what of it was written on the dog. */
    shown: shaped('shown', SHOWN_LIST).notNull().default([]),
    marksKept: shaped('marks_kept', SHOWN_LIST).notNull().default([]),
    /** Which bottles and words of it have been written into the book. */
    wordsWritten: shaped('words_written', WORDS_WRITTEN).notNull().default([]),
    /** Since when its words and pictures are no longer kept, by the house's choice. */
    wordsGoneOn: day('words_gone_on'),
    madeFrom: text('made_from').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    foreignKey({ columns: [t.businessId, t.appointmentId], foreignColumns: [appointment.businessId, appointment.id] }),
    index('visit_by_dog').on(t.businessId, t.dogId, t.day),
    index('visit_by_day').on(t.businessId, t.day),
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
