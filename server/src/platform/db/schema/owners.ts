import type { MessageChannel, MessageKind, MessageState } from '@dewpond/core/messages';
import type { Level } from '@dewpond/core/findings';
import type { PlaceKey } from '@dewpond/core/places';
import { foreignKey, index, integer, primaryKey, smallint, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { LIST } from '../shapes/values';
import { ANSWER, EDITS, END, TOLD, VET_ANSWER } from '../shapes/visits';
import { shaped } from '../shapes/shaped';
import { client, dog } from './book';
import { businessId, byPerson, bytea, day, dewpond, edited, instant, ofThisBusiness } from './tenancy';
import { visit } from './visits';

/** What a groomer's hand made of a sheet, apart from what is made from the visit. */
export const sheetEdit = dewpond.table(
  'sheet_edit',
  {
    businessId: businessId(),
    visitId: uuid('visit_id').notNull(),
    edits: shaped('edits', EDITS).notNull(),
    version: integer('version').notNull().default(1),
    editedBy: text('edited_by').notNull(),
    personId: byPerson(),
    editedAt: instant('edited_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    ofThisBusiness('sheet_edit'),
  ],
);

/** A page for an owner behind a link. Only the hash of its secret is kept. */
export const ownerLink = dewpond.table(
  'owner_link',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    dogId: uuid('dog_id').notNull(),
    secretHash: text('secret_hash').notNull(),
    /** Of the calendar's own secret: who has the calendar's address cannot open the page with it. */
    calendarHash: text('calendar_hash'),
    expiresAt: instant('expires_at').notNull(),
    revokedAt: instant('revoked_at'),
    createdBy: text('created_by').notNull(),
    personId: byPerson(),
    createdAt: instant('created_at').notNull().defaultNow(),
    /** When a page that somebody could see first asked for it, and last; mail scanners show nothing to anybody. */
    seenAt: instant('seen_at'),
    lastSeenAt: instant('last_seen_at'),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    uniqueIndex('owner_link_by_secret').on(t.businessId, t.secretHash),
    uniqueIndex('owner_link_by_calendar').on(t.businessId, t.calendarHash),
    index('owner_link_by_dog').on(t.businessId, t.dogId),
    ofThisBusiness('owner_link'),
  ],
);

/** A message to an owner, as it goes out. A private link stands in it as a mark; the secret is put in when it is sent. */
export const message = dewpond.table(
  'message',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    clientId: uuid('client_id').notNull(),
    dogId: uuid('dog_id'),
    /** Dogs of the same owner that it is about as well. */
    withDogs: shaped('with_dogs', LIST).notNull().default([]),
    visitId: uuid('visit_id'),
    referralId: uuid('referral_id'),
    linkId: uuid('link_id'),
    kind: text('kind').$type<MessageKind>().notNull(),
    channel: text('channel').$type<MessageChannel>().notNull(),
    recipient: text('recipient').notNull(),
    subject: text('subject').notNull(),
    words: text('words').notNull(),
    state: text('state').$type<MessageState>().notNull(),
    tries: smallint('tries').notNull().default(0),
    nextTryAt: instant('next_try_at'),
    /** What the mail server, or we, last had to say about it. */
    lastWord: text('last_word').notNull().default(''),
    via: text('via').$type<'stand-in' | 'smtp' | 'http'>(),
    askedBy: text('asked_by').notNull(),
    personId: byPerson(),
    madeFrom: text('made_from').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
    takenAt: instant('taken_at'),
    sentAt: instant('sent_at'),
    /** Its carrier said so; null: nobody has. */
    arrivedAt: instant('arrived_at'),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.clientId], foreignColumns: [client.businessId, client.id] }),
    index('message_by_day').on(t.businessId, t.createdAt),
    index('message_by_client').on(t.businessId, t.clientId, t.createdAt),
    index('message_by_dog').on(t.businessId, t.dogId, t.createdAt),
    index('message_waiting').on(t.businessId, t.state, t.nextTryAt),
    ofThisBusiness('message'),
  ],
);

/** A place that a vet should see, from the finding to the end of it. */
export const referral = dewpond.table(
  'referral',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    dogId: uuid('dog_id').notNull(),
    visitId: uuid('visit_id').notNull(),
    place: text('place').$type<PlaceKey>().notNull(),
    level: text('level').$type<Level>().notNull(),
    openedOn: day('opened_on').notNull(),
    told: shaped('told', TOLD),
    answer: shaped('answer', ANSWER),
    vet: shaped('vet', VET_ANSWER),
    end: shaped('ended', END),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    // One visit refers one place once, however often its events are read again.
    uniqueIndex('referral_of_visit').on(t.businessId, t.visitId, t.place),
    index('referral_by_dog').on(t.businessId, t.dogId),
    ofThisBusiness('referral'),
  ],
);

/** What an owner says was done at home, a task and a day each. It does not move the salon’s next visit. */
export const homeTick = dewpond.table(
  'home_tick',
  {
    businessId: businessId(),
    dogId: uuid('dog_id').notNull(),
    key: text('key').notNull(),
    day: day('day').notNull(),
    /** How often on that day: one wipe is one tick. */
    times: smallint('times').notNull().default(1),
    note: text('note').notNull().default(''),
    tickedAt: instant('ticked_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.dogId, t.key, t.day] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('home_tick_by_day').on(t.businessId, t.dogId, t.day),
    ofThisBusiness('home_tick'),
  ],
);

/** A picture an owner adds to a tick, drawn anew as every picture is. */
export const homePhoto = dewpond.table(
  'home_photo',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    dogId: uuid('dog_id').notNull(),
    day: day('day').notNull(),
    size: integer('size').notNull(),
    bytes: bytea('bytes').notNull(),
    madeFrom: text('made_from').notNull(),
    sentAt: instant('sent_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('home_photo_by_dog').on(t.businessId, t.dogId, t.day),
    ofThisBusiness('home_photo'),
  ],
);
