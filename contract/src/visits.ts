import { FINDING_COLOURS, FINDING_SMELLS, PAD_COLOURS, isKnownSign, mayBeAt, type Sign } from '@dewpond/core/findings';
import { isWhole } from '@dewpond/core/places';
import type { Bottle, MixCard } from '@dewpond/core/dilution';
import {
  EVENT_VERSION,
  HANDOVER_QUESTIONS,
  INCIDENT_KINDS,
  OWNER_ANSWERS,
  type HandoverQuestion,
  type IncidentKind,
  type VisitEvent,
} from '@dewpond/core/events';
import { VISIT_KINDS } from '@dewpond/core/steps';
import type { Minutes } from '@dewpond/core/units';
import { z } from 'zod';
import { daySchema, grade, id, line, many, newId, place, side, text } from './basics';
import { dogFacts, findingRead } from './facts';
import { bottleShown } from './products';
import { caution, placeKey, productKind, stage } from './trade';

/** A sign of a newer device is taken in as well: it bars its place until this version knows it. */
const sign = line(60, 'The sign').transform((name) => name as Sign);
const stepId = line(60, 'The step');

const details = z.strictObject({
  colour: z.exactOptional(z.enum(FINDING_COLOURS)),
  smell: z.exactOptional(z.enum(FINDING_SMELLS)),
  mm: z.exactOptional(z.int().min(1).max(500)),
  known: z.exactOptional(z.boolean()),
  vetKnew: z.exactOptional(daySchema),
  painful: z.exactOptional(z.boolean()),
  words: z.exactOptional(text(500)),
});

const findingSchema = z
  .strictObject({ place, sign, grade, answer: z.boolean().nullable(), more: z.exactOptional(details) })
  .refine((found) => !isKnownSign(found.sign) || mayBeAt(found.sign, found.place.site), {
    error: 'That sign is not seen at that place.',
    path: ['sign'],
  })
  .refine((found) => isWhole(found.place), { error: 'Which side?', path: ['place', 'side'] });

/**
 * Why, with the words that were on the screen: tapped or typed, or of a kind that only a newer device knows. Up to
 * version 2 it was a sentence.
 */
const because = z.union([
  line(200, 'The reason'),
  z.strictObject({
    kind: line(40, 'The kind of reason'),
    choice: z.exactOptional(line(60, 'The choice')),
    words: line(200, 'The reason'),
  }),
]);

/** What happened, as a device of any version so far writes it; `upToDate` of the core reads it. */
export const happening = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('opened') }),
  z.strictObject({ type: z.literal('step done'), step: stepId }),
  z.strictObject({ type: z.literal('step skipped'), step: stepId, because }),
  z.strictObject({ type: z.literal('step undone'), step: stepId }),
  z.strictObject({
    type: z.literal('step added'),
    step: stepId,
    title: line(120, 'The step'),
    before: stepId.nullable(),
  }),
  z.strictObject({ type: z.literal('step moved'), step: stepId, before: stepId }),
  z.strictObject({ type: z.literal('checked'), step: stepId, part: line(40, 'The part') }),
  z.strictObject({
    type: z.literal('caution overridden'),
    caution: line(60, 'The caution'),
    step: stepId,
    because,
    who: line(80, 'The name'),
  }),
  z.strictObject({
    type: z.literal('timer started'),
    timer: stepId,
    step: stepId,
    seconds: z.int().min(1).max(7200),
    most: z.exactOptional(z.int().min(1).max(7200)),
  }),
  z.strictObject({ type: z.literal('timer stopped'), timer: stepId }),
  z.strictObject({ type: z.literal('looked clear'), place }),
  z.strictObject({ type: z.literal('found'), finding: findingSchema }),
  z.strictObject({ type: z.literal('taken back'), place, sign }),
  z.strictObject({ type: z.literal('photo taken'), photo: newId, place, sign: sign.nullable() }),
  z.strictObject({ type: z.literal('photo removed'), photo: id }),
  z.strictObject({ type: z.literal('plug in'), side }),
  z.strictObject({ type: z.literal('plug out'), side, came: z.enum(['dry', 'damp']) }),
  z.strictObject({ type: z.literal('plug not found'), side }),
  z.strictObject({ type: z.literal('pad dirty'), side, colour: z.enum(PAD_COLOURS) }),
  z.strictObject({ type: z.literal('pad clean'), side }),
  z.strictObject({
    type: z.literal('used'),
    product: id,
    name: line(120, 'The product'),
    ml: z.number().min(0).max(20_000),
    planned: z.number().min(0).max(20_000),
    how: z.enum(['as planned', 'a bit more', 'double', 'measured', 'substituted']),
    insteadOf: z.exactOptional(id),
  }),
  z.strictObject({ type: z.literal('tool used'), part: line(40, 'The part'), tool: line(60, 'The tool') }),
  z.strictObject({
    type: z.literal('owner asked'),
    about: z.exactOptional(line(80, 'What was asked about').nullable()),
    question: line(500, 'The question'),
    answer: z.enum(OWNER_ANSWERS),
    words: text(500),
    who: line(80, 'The name'),
  }),
  z.strictObject({
    type: z.literal('mat settled'),
    place,
    way: z.enum(['brushed out', 'shaved', 'left']),
    word: text(200),
    beneath: z.union([text(200), because]).nullable(),
    minutes: z.number().min(0).max(240),
  }),
  z.strictObject({
    type: z.literal('incident'),
    incident: z.strictObject({
      kind: z.enum(INCIDENT_KINDS as [IncidentKind]),
      place: place.nullable(),
      done: text(500),
      told: text(80),
      words: text(1000),
    }),
  }),
  z.strictObject({ type: z.literal('went home'), because, back: daySchema.nullable() }),
  z.strictObject({ type: z.literal('came back') }),
  z.strictObject({
    type: z.literal('mix taken'),
    mix: id,
    product: id,
    override: line(200, 'The reason').nullable(),
  }),
  z.strictObject({ type: z.literal('mix put back'), mix: id }),
  z.strictObject({
    type: z.literal('answered'),
    question: z.enum(HANDOVER_QUESTIONS as [HandoverQuestion]),
    answer: z.boolean(),
  }),
  z.strictObject({ type: z.literal('noted'), text: text(2000).min(1) }),
  z.strictObject({ type: z.literal('closed'), how: z.enum(['finished', 'ended early']) }),
]);

/** Years 2020 to 2100 in ms: a device clock may be wrong, but not absurd. */
const clock = z.number().min(1_577_836_800_000).max(4_102_444_800_000);

export const visitEvent = z.strictObject({
  id: newId,
  v: z.int().min(1).max(EVENT_VERSION),
  counter: z.int().min(1).max(1_000_000),
  device: line(64, 'The device'),
  at: clock,
  offset: z.number().min(-3.2e10).max(3.2e10).nullable(),
  /** What its device had seen of the others; not in events of version 1. */
  seen: z.exactOptional(z.record(line(64, 'The device'), z.int().min(0).max(1_000_000))),
  what: happening,
});
/** An event of a newer device: its envelope is known, and what it holds is kept as it came until the server knows it, too. */
export const newerEvent = visitEvent.extend({
  v: z
    .int()
    .min(EVENT_VERSION + 1)
    .max(1000),
  what: z
    .looseObject({ type: line(60, 'The kind of event') })
    .refine((what) => JSON.stringify(what).length <= 20_000, { error: 'Longer than an event is.' }),
});
export type NewVisitEvent = z.output<typeof visitEvent>;

export const newVisit = z.strictObject({
  id: newId,
  dogId: id,
  appointmentId: id.nullable(),
  /** When it was begun, by the device's clock, and how far that clock is off as far as it knows, ms. */
  begun: z.strictObject({ at: z.int(), offset: z.int().nullable() }).optional(),
});
/** Each event is judged alone: one that is refused holds up no other. */
export const newEvents = z.strictObject({ events: z.array(z.unknown()).min(1).max(500) });
const refusedEvent = z.object({ id: z.string(), status: z.union([z.literal(409), z.literal(422)]), words: z.string() });
export type RefusedEvent = z.infer<typeof refusedEvent>;
export const eventsTaken = z.object({
  taken: z.array(id).describe('Written now'),
  known: z.array(id).describe('Had been written before, with the same content'),
  refused: z.array(refusedEvent).describe('Not written, and why'),
  serverNow: z.number(),
});

/** A mix of the bench that this dog might have. */
export const availableMix = z.object({
  id: id,
  /** "Half-litre bottle 2" */
  bottle: z.string(),
  productId: id,
  strength: z.string(),
  leftMl: z.number(),
  /** The day's plan pours it over this dog. */
  meant: z.boolean(),
  forDogId: z.string().nullable(),
  discardAt: z.string(),
  watered: z.boolean(),
});
export type AvailableMix = z.infer<typeof availableMix>;

/** One bottle to make up, or one product to use as it is. */
const mixCard: z.ZodType<MixCard> = z.object({
  kind: z.enum(['as it is', 'no bottle', 'mixed', 'several batches']),
  need: z.number(),
  made: z
    .object({
      bottle: bottleShown as unknown as z.ZodType<Bottle>,
      batches: z.number(),
      by: z.enum(['strokes', 'strokes, water fitted', 'millilitres']),
      strokes: z.number().nullable(),
      product: z.number(),
      water: z.number(),
      total: z.number(),
      realised: z.string(),
      error: z.number(),
    })
    .nullable(),
});

export const mixView = z.object({
  product: z.object({
    id: z.string(),
    name: z.string(),
    kind: productKind,
    contact: z
      .object({ least: z.number() as unknown as z.ZodType<Minutes>, most: z.number() as unknown as z.ZodType<Minutes> })
      .nullable(),
    label: z.string(),
    amountFactor: z.number(),
    suppliedBy: z.enum(['vet', 'owner', 'house']),
    costPerMl: z.number().nullable(),
    cautions: many(caution),
    ingredients: many(z.string()),
    strength: z.string().nullable(),
  }),
  mix: mixCard,
  strokeMl: z.number().nullable(),
  /** Who supplied or prescribed it, if not the business. */
  note: z.string(),
  working: z.object({
    area: z.number(),
    wash1: z.number(),
    wash2: z.number(),
    factor: z.number(),
    reserve: z.number(),
  }),
});
export type MixView = z.infer<typeof mixView>;

/** A picture of the dog from an earlier visit, to hold today's beside it. */
export const earlierPhoto = z.object({
  photo: id,
  place: placeKey,
  sign: sign.nullable(),
  day: daySchema,
});
export type EarlierPhoto = z.infer<typeof earlierPhoto>;

/** Pictures as they are sent, before they are drawn anew. */
export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
export const PHOTO_LIMIT = 8 * 1024 * 1024;

/**
 * An event as it is read: its envelope, and what it holds in today's shape. Of a newer version it may hold what this one
 * does not know; it is shown by its words.
 */
const visitEventRead = z.object({
  id,
  v: z.int(),
  counter: z.int(),
  device: z.string(),
  person: z.string(),
  at: z.number(),
  offset: z.number().nullable(),
  seen: z.record(z.string(), z.int()).nullable(),
  what: z.looseObject({ type: z.string() }),
}) as unknown as z.ZodType<VisitEvent>;

/** All that a visit stands on before anything happens: enough for the whole visit without a network. */
const preparedVisit = {
  dog: z.object({ id, name: z.string(), words: z.string(), handling: z.array(z.string()), weightKg: z.number() }),
  owner: z.object({ name: z.string(), phones: z.array(z.string()) }),
  appointmentId: id.nullable(),
  kind: z.enum(VISIT_KINDS),
  day: daySchema,
  facts: dogFacts,
  contactMinutes: z.number(),
  contactMost: z.number().nullable(),
  minutesFactor: z.partialRecord(stage, z.number()).describe('Against the business’s, by stage'),
  tools: z.record(z.string(), z.string()).describe('Blade or comb by part of the body, last time'),
  photos: z.array(earlierPhoto).describe('The newest earlier picture of each place'),
  mixes: z.array(mixView),
  openMixes: z.array(availableMix).describe('Mixes that stand and may be used, of products this visit uses'),
  lastTime: z.object({ day: daySchema, findings: z.array(findingRead), looked: z.array(placeKey) }).nullable(),
  /** What is asked after at this look-over: watched places that were not seen clear often enough. */
  askAgain: z.array(z.object({ place: placeKey, words: z.string(), day: daySchema })),
  /** Places a vet should see, still open. */
  referred: z.array(z.object({ place: placeKey, openedOn: daySchema })),
  /** What the owner said the last time each question was asked. */
  lastAnswers: z.partialRecord(
    z.enum(HANDOVER_QUESTIONS as [HandoverQuestion]),
    z.object({ answer: z.boolean(), day: daySchema }),
  ),
};

export const visitView = z.object({
  id,
  ...preparedVisit,
  events: z.array(visitEventRead),
  serverNow: z.number(),
});
export type VisitView = z.infer<typeof visitView>;

export const visitEvents = z.object({ events: z.array(visitEventRead), serverNow: z.number() });

/** A booked visit to carry along: begun already, or to be begun on the device. */
const prefetchedVisit = z.object({
  visitId: id.nullable(),
  startsAt: z.string().nullable(),
  events: z.array(visitEventRead),
  ...preparedVisit,
});
export type PrefetchedVisit = z.infer<typeof prefetchedVisit>;
export const prefetchView = z.object({
  day: daySchema,
  serverNow: z.number(),
  visits: z.array(prefetchedVisit).describe('Today’s and tomorrow’s, and those begun and not closed'),
});
export type PrefetchView = z.infer<typeof prefetchView>;
