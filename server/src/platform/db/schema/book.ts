import type { ProgrammeKind } from '@dewpond/core/programme';
import { sql } from 'drizzle-orm';
import {
  boolean,
  check,
  doublePrecision,
  foreignKey,
  index,
  integer,
  primaryKey,
  smallint,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import {
  CARD,
  HOME_BATH,
  LESSONS,
  MOVED,
  NEXT_DUE,
  PROFILE,
  REPORT,
  ROWS,
  SAYING,
  SEEN_ON,
  TAKES,
} from '../shapes/clients';
import { shaped } from '../shapes/shaped';
import { IN_WEEKS, NEEDS, WISHES } from '../shapes/weeks';
import { atBranch, business } from './business';
import { branchId, businessId, byPerson, bytea, day, dewpond, edited, instant, ofThisBusiness } from './tenancy';

/** People who belong together: their dogs are best booked on one day. */
export const household = dewpond.table(
  'household',
  { businessId: businessId(), id: uuid('id').notNull(), name: text('name').notNull() },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    ofThisBusiness('household'),
  ],
);

/** A practice or a vet the business talks to. */
export const vet = dewpond.table(
  'vet',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    practice: text('practice').notNull(),
    phone: text('phone').notNull(),
    email: text('email').notNull(),
    address: text('address').notNull(),
    note: text('note').notNull(),
    archivedOn: day('archived_on'),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    ofThisBusiness('vet'),
  ],
);

/** One import of a file, by a background job; its rows are known by it, so that all of it can be undone. */
export const importRun = dewpond.table(
  'import_run',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    by: text('by').notNull(),
    personId: byPerson(),
    fileName: text('file_name').notNull(),
    /** Where its dogs are cared for. */
    branchId: branchId(),
    /** Clients and dogs ready to be written; emptied once they are. */
    rows: shaped('rows', ROWS).notNull(),
    state: text('state').$type<'waiting' | 'running' | 'done' | 'cancelled' | 'failed' | 'undone'>().notNull(),
    done: integer('done').notNull().default(0),
    total: integer('total').notNull(),
    cancelled: boolean('cancelled').notNull().default(false),
    report: shaped('report', REPORT),
    madeFrom: text('made_from').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    atBranch(t),
    ofThisBusiness('import_run'),
  ],
);

export const client = dewpond.table(
  'client',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    card: shaped('card', CARD).notNull(),
    householdId: uuid('household_id'),
    /** When its visits are best; null: nothing was said. */
    wishes: shaped('wishes', WISHES),
    archivedOn: day('archived_on'),
    importId: uuid('import_id'),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    foreignKey({ columns: [t.businessId, t.householdId], foreignColumns: [household.businessId, household.id] }),
    foreignKey({ columns: [t.businessId, t.importId], foreignColumns: [importRun.businessId, importRun.id] }),
    index('client_by_household').on(t.businessId, t.householdId),
    index('client_by_import').on(t.businessId, t.importId),
    ofThisBusiness('client'),
  ],
);

export const dog = dewpond.table(
  'dog',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    clientId: uuid('client_id').notNull(),
    branchId: branchId(),
    vetId: uuid('vet_id'),
    name: text('name').notNull(),
    profile: shaped('profile', PROFILE).notNull(),
    homeCareChangedOn: day('home_care_changed_on'),
    /** Minutes a week that its owner has for care at home; null: nothing was agreed, all is asked. */
    homeMinutes: smallint('home_minutes'),
    /** Weekday on which its owner wants a word about home care, 0 Monday to 6 Sunday; null: none was asked for. */
    homeRemindsOn: smallint('home_reminds_on'),
    /** What its owner bathes it with at home, and how often; null: no bath at home was agreed. */
    homeBath: shaped('home_bath', HOME_BATH),
    /** Who saw which trait on the dog itself, and when. */
    seenOn: shaped('seen_on', SEEN_ON).notNull().default({}),
    /** Where it must be in a day; null: anywhere. */
    needs: shaped('needs', NEEDS),
    /** A chip's number is one dog's. */
    chip: text('chip'),
    archivedOn: day('archived_on'),
    importId: uuid('import_id'),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.clientId], foreignColumns: [client.businessId, client.id] }),
    foreignKey({ columns: [t.businessId, t.vetId], foreignColumns: [vet.businessId, vet.id] }),
    foreignKey({ columns: [t.businessId, t.importId], foreignColumns: [importRun.businessId, importRun.id] }),
    atBranch(t),
    index('dog_by_client').on(t.businessId, t.clientId),
    index('dog_by_import').on(t.businessId, t.importId),
    uniqueIndex('dog_chip_once').on(t.businessId, t.chip),
    ofThisBusiness('dog'),
  ],
);

/** One weight a day; the profile has the newest. */
export const weighing = dewpond.table(
  'weighing',
  {
    businessId: businessId(),
    dogId: uuid('dog_id').notNull(),
    day: day('day').notNull(),
    kg: doublePrecision('kg').notNull(),
    by: text('by').notNull(),
    personId: byPerson(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.dogId, t.day] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    check('weighing_of_a_dog', sql`${t.kg} > 0`),
    ofThisBusiness('weighing'),
  ],
);

export const instruction = dewpond.table(
  'instruction',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    dogId: uuid('dog_id').notNull(),
    by: text('by').$type<'vet' | 'owner'>().notNull(),
    who: text('who').notNull(),
    /** A place key such as "ear/left"; null for the whole dog. */
    place: text('place'),
    says: shaped('says', SAYING).notNull(),
    fromDay: day('from_day').notNull(),
    untilDay: day('until_day'),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('instruction_by_dog').on(t.businessId, t.dogId),
    ofThisBusiness('instruction'),
  ],
);

/** The scanned letter or photo behind an instruction. */
export const letter = dewpond.table(
  'letter',
  {
    businessId: businessId(),
    instructionId: uuid('instruction_id').notNull(),
    fileName: text('file_name').notNull(),
    mediaType: text('media_type').$type<'image/jpeg' | 'application/pdf'>().notNull(),
    size: integer('size').notNull(),
    bytes: bytea('bytes').notNull(),
    addedBy: text('added_by').notNull(),
    personId: byPerson(),
    addedAt: instant('added_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.instructionId] }),
    foreignKey({ columns: [t.businessId, t.instructionId], foreignColumns: [instruction.businessId, instruction.id] }),
    ofThisBusiness('letter'),
  ],
);

/** Short lessons for a young or nervous dog, apart from its visits. */
export const programme = dewpond.table(
  'programme',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    dogId: uuid('dog_id').notNull(),
    kind: text('kind').$type<ProgrammeKind>().notNull(),
    startedOn: day('started_on').notNull(),
    endedOn: day('ended_on'),
    lessons: shaped('lessons', LESSONS).notNull().default([]),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('programme_by_dog').on(t.businessId, t.dogId),
    ofThisBusiness('programme'),
  ],
);

/** Two clients or two dogs that turned out to be one; what was moved is kept, so that it can be taken back. */
export const merge = dewpond.table(
  'merge',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    of: text('of').$type<'client' | 'dog'>().notNull(),
    keptId: uuid('kept_id').notNull(),
    goneId: uuid('gone_id').notNull(),
    moved: shaped('moved', MOVED).notNull(),
    by: text('by').notNull(),
    personId: byPerson(),
    at: instant('at').notNull().defaultNow(),
    undoneAt: instant('undone_at'),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    ofThisBusiness('merge'),
  ],
);

/**
 * What is next due for a dog, kept so that a long list need not be reckoned anew. Every dog has a row from its first day
 * on. Triggers make it stale whenever
 * something changes that a plan depends on: `madeOn` null is a change of the dog's own, and any other day than today is
 * stale, too (a house way that changes sets one before all days).
 */
export const dogDue = dewpond.table(
  'dog_due',
  {
    businessId: businessId(),
    dogId: uuid('dog_id').notNull(),
    madeOn: day('made_on'),
    next: shaped('next', NEXT_DUE),
    /** What its visits take of which product, from when, and how often. */
    takes: shaped('takes', TAKES),
    /** What weeks are planned with; null where nothing comes round. */
    inWeeks: shaped('in_weeks', IN_WEEKS),
    openVet: boolean('open_vet').notNull().default(false),
    /** Something was found that still wants an eye: it is on the watch list. */
    watched: boolean('watched').notNull().default(false),
    /** Another each time it is made stale: whoever reckoned from what was before keeps nothing over it. */
    touched: uuid('touched').notNull().defaultRandom(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.dogId] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }).onDelete('cascade'),
    index('dog_due_to_watch')
      .on(t.businessId)
      .where(sql`${t.watched} or ${t.madeOn} is null`),
    // Stale ones are read from its beginning: null, days before today, today.
    index('dog_due_by_day').on(t.businessId, t.madeOn.asc().nullsFirst()),
    ofThisBusiness('dog_due'),
  ],
);
