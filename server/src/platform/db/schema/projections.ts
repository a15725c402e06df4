import type { CanalHair } from '@dewpond/core/catalogue';
import type { HairBorne, HairCame, HairLeft } from '@dewpond/core/dog';
import type { Sign } from '@dewpond/core/findings';
import type { IncidentKind } from '@dewpond/core/events';
import type { Grade } from '@dewpond/core/places';
import type { Stage } from '@dewpond/core/steps';
import type { WorkOutcome } from '@dewpond/core/visit';
import { boolean, doublePrecision, foreignKey, index, primaryKey, smallint, text, uuid } from 'drizzle-orm/pg-core';
import { COLOUR, DETAILS } from '../shapes/visits';
import { shaped } from '../shapes/shaped';
import { dog } from './book';
import { businessId, day, dewpond, instant, ofThisBusiness } from './tenancy';
import { visit } from './visits';

/** What every table here bears: they are projections, rebuilt from the events by `npm run rebuild-projections`. */
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
    /** What was predicted from: 1, the dog's size; 2, its coat as well. */
    basis: smallint('basis').notNull().default(1),
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

/** What was cleaned after a dog, when, by whom, with what: the business's log. */
export const cleanDown = dewpond.table(
  'clean_down',
  {
    ...ofVisit(),
    eventId: uuid('event_id').notNull(),
    at: instant('at').notNull(),
    personId: uuid('person_id').notNull(),
    cleaned: text('cleaned').array().notNull(),
    /** What belongs to it and was not ticked. */
    left: text('left_out').array().notNull(),
    productId: uuid('product_id'),
    productName: text('product_name'),
    /** How long the disinfectant was on, s, and how long it should have been; null: no clock ran. */
    seconds: doublePrecision('seconds'),
    wanted: doublePrecision('wanted'),
    /** Signs that may spread, found on this dog. */
    after: text('after').array().$type<Sign[]>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.eventId] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('clean_down_by_day').on(t.businessId, t.day),
    ofThisBusiness('clean_down'),
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
    /** The product it happened with. */
    productId: uuid('product_id'),
    productName: text('product_name'),
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

/** Which place of the dog a picture shows. Projected; the picture itself may still be on its way. */
export const photoShown = dewpond.table(
  'photo_shown',
  {
    ...ofVisit(),
    photoId: uuid('photo_id').notNull(),
    place: text('place').notNull(),
    sign: text('sign').$type<Sign>(),
    /** Measured by a white thing in the picture; null: not measured. */
    colour: shaped('colour', COLOUR),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.visitId, t.photoId] }),
    foreignKey({ columns: [t.businessId, t.visitId], foreignColumns: [visit.businessId, visit.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('photo_shown_by_dog').on(t.businessId, t.dogId, t.day),
    ofThisBusiness('photo_shown'),
  ],
);
