import type { HouseWays, Saying } from '@dewpond/core/careplan';
import type { Sign } from '@dewpond/core/findings';
import type { Happening } from '@dewpond/core/visit';
import type { DogProfile, SeenOn } from '@dewpond/contract';
import { sql } from 'drizzle-orm';
import {
  bigint,
  boolean,
  check,
  customType,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgPolicy,
  pgRole,
  pgSchema,
  primaryKey,
  smallint,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core';

/** Everything a business owns. `business_id` comes first in every key; row security is on and forced. */
export const dewpond = pgSchema('dewpond');

/** The role the application connects as: it owns nothing and cannot bypass row security. */
export const appRole = pgRole('dewpond_app').existing();

/**
 * Only rows of the business that the transaction has set. `nullif`, since the setting is '' and not null after a commit.
 */
const OF_THIS_BUSINESS = sql`business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)`;
const ofThisBusiness = (table: string) =>
  pgPolicy(`${table}_of_this_business`, { to: appRole, using: OF_THIS_BUSINESS, withCheck: OF_THIS_BUSINESS });

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });
const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' });
const businessId = () => uuid('business_id').notNull();
const day = (name: string) => date(name, { mode: 'string' });
/** Columns of what a person edits: version for guarding, hash of what was first sent for idempotence. */
const edited = () => ({
  version: integer('version').notNull().default(1),
  madeFrom: text('made_from').notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
});

export const business = dewpond.table(
  'business',
  {
    businessId: uuid('business_id').primaryKey(),
    name: text('name').notNull(),
    zone: text('zone').notNull(),
    units: text('units').$type<'metric' | 'US'>().notNull(),
    ways: jsonb('ways').$type<HouseWays>().notNull(),
    pluckingByVetsOnly: boolean('plucking_by_vets_only').notNull().default(false),
    /** The day the ear-cleaning school last changed: older pad counts are not pooled. */
    schoolChangedOn: day('school_changed_on'),
    version: integer('version').notNull().default(1),
  },
  () => [ofThisBusiness('business')],
);

export const member = dewpond.table(
  'member',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    personId: uuid('person_id').notNull(),
    name: text('name').notNull(),
    role: text('role').$type<'manager' | 'groomer' | 'bather'>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    ofThisBusiness('member'),
  ],
);

export const client = dewpond.table(
  'client',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    phone: text('phone').notNull(),
    email: text('email').notNull(),
    note: text('note').notNull(),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    ofThisBusiness('client'),
  ],
);

export const dog = dewpond.table(
  'dog',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    clientId: uuid('client_id').notNull(),
    name: text('name').notNull(),
    profile: jsonb('profile').$type<DogProfile>().notNull(),
    homeCareChangedOn: day('home_care_changed_on'),
    /** Who saw which trait on the dog itself, and when. */
    seenOn: jsonb('seen_on').$type<SeenOn>().notNull().default({}),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.clientId], foreignColumns: [client.businessId, client.id] }),
    index('dog_by_client').on(t.businessId, t.clientId),
    ofThisBusiness('dog'),
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
    says: jsonb('says').$type<Saying>().notNull(),
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

export const product = dewpond.table(
  'product',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    kind: text('kind').notNull(),
    /** As printed. */
    label: text('label').notNull(),
    /** Parts of water to one of product as an exact fraction, "97/3"; null = ready to use. */
    waterParts: text('water_parts'),
    contactLeast: doublePrecision('contact_least'),
    contactMost: doublePrecision('contact_most'),
    amountFactor: doublePrecision('amount_factor').notNull().default(1),
    suppliedBy: text('supplied_by').$type<'house' | 'vet' | 'owner'>().notNull(),
    costPerMl: doublePrecision('cost_per_ml'),
    strokeMl: doublePrecision('stroke_ml'),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    ofThisBusiness('product'),
  ],
);

export const bottle = dewpond.table(
  'bottle',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    brim: doublePrecision('brim').notNull(),
    line: doublePrecision('line').notNull(),
    graduation: doublePrecision('graduation'),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId], foreignColumns: [business.businessId] }),
    check('bottle_line_below_brim', sql`${t.line} > 0 and ${t.line} <= ${t.brim}`),
    ofThisBusiness('bottle'),
  ],
);

export const appointment = dewpond.table(
  'appointment',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    dogId: uuid('dog_id').notNull(),
    memberId: uuid('member_id').notNull(),
    kind: text('kind').$type<'full visit' | 'bath only' | 'ears and nails'>().notNull(),
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
    day: day('day').notNull(),
    /** Projected from the events: null while open. */
    closed: text('closed').$type<'finished' | 'ended early'>(),
    madeFrom: text('made_from').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    foreignKey({ columns: [t.businessId, t.appointmentId], foreignColumns: [appointment.businessId, appointment.id] }),
    index('visit_by_dog').on(t.businessId, t.dogId, t.day),
    index('visit_by_appointment').on(t.businessId, t.appointmentId),
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
    what: jsonb('what').$type<Happening>().notNull(),
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
    barred: boolean('barred').notNull(),
    looked: boolean('looked').notNull(),
    dirtyPads: smallint('dirty_pads'),
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

export const taskDone = dewpond.table('task_done', { ...ofVisit(), task: text('task').notNull() }, (t) => [
  primaryKey({ columns: [t.businessId, t.visitId, t.task] }),
  foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
  foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
  index('task_done_by_dog').on(t.businessId, t.dogId, t.day),
  ofThisBusiness('task_done'),
]);

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

export const amountUsed = dewpond.table(
  'amount_used',
  {
    ...ofVisit(),
    productId: uuid('product_id').notNull(),
    usedMl: doublePrecision('used_ml').notNull(),
    /** Predicted without the dog's own factor. */
    predictedMl: doublePrecision('predicted_ml').notNull(),
    complete: boolean('complete').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.productId] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('amount_used_by_dog').on(t.businessId, t.dogId),
    ofThisBusiness('amount_used'),
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
