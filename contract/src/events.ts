import { CANAL_HAIR } from '@dewpond/core/catalogue';
import { ALL_SHOWN, HAIR_BORNE, HAIR_CAME, HAIR_LEFT } from '@dewpond/core/dog';
import { FINDING_COLOURS, FINDING_SMELLS, PAD_COLOURS, isKnownSign, mayBeAt, type Sign } from '@dewpond/core/findings';
import { hasNails, isWhole } from '@dewpond/core/places';
import {
  EVENT_VERSION,
  HANDOVER_QUESTIONS,
  INCIDENT_KINDS,
  NAIL_LENGTHS,
  OWNER_ANSWERS,
  PIECE_OUTCOMES,
  type HandoverQuestion,
  type IncidentKind,
  type NailLength,
  type VisitEvent,
} from '@dewpond/core/events';
import { z } from 'zod';
import { colourReading } from './colours';
import { daySchema, grade, id, line, many, newId, place, side, text } from './basics';
import { toldSaying } from './instructions';
import { waterParts } from './products';
import { productKind, task } from './trade';

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
    type: z.literal('piece settled'),
    step: stepId,
    piece: line(60, 'The piece'),
    how: z.enum(PIECE_OUTCOMES),
    because: because.nullable(),
  }),
  z.strictObject({
    type: z.literal('nails judged'),
    place: place.refine((at) => hasNails(at), { error: 'Nails are judged by paw, dewclaws by themselves.' }),
    length: z.enum(Object.keys(NAIL_LENGTHS) as [NailLength]),
  }),
  z.strictObject({ type: z.literal('ear hair seen'), side, hair: z.enum(CANAL_HAIR) }),
  z.strictObject({
    type: z.literal('ear hair went'),
    side,
    came: z.enum(HAIR_CAME).nullable(),
    borne: z.enum(HAIR_BORNE).nullable(),
    left: z.enum(HAIR_LEFT).nullable(),
  }),
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
  z.strictObject({ type: z.literal('colour measured'), photo: id, colour: colourReading.nullable() }),
  z.strictObject({ type: z.literal('plug in'), side }),
  z.strictObject({ type: z.literal('plug out'), side, came: z.enum(['dry', 'damp']) }),
  z.strictObject({ type: z.literal('plug not found'), side }),
  z.strictObject({ type: z.literal('pad dirty'), side, colour: z.enum(PAD_COLOURS) }),
  z.strictObject({ type: z.literal('pad clean'), side }),
  z.strictObject({ type: z.literal('ear filled again'), side }),
  z.strictObject({
    type: z.literal('used'),
    product: id,
    name: line(120, 'The product'),
    ml: z.number().min(0).max(20_000),
    planned: z.number().min(0).max(20_000),
    how: z.enum(['as planned', 'a bit more', 'double', 'measured', 'substituted']),
    insteadOf: z.exactOptional(id),
    tasks: z.exactOptional(many(task)),
  }),
  z.strictObject({ type: z.literal('cleaned with'), product: id, name: line(120, 'The product') }),
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
      product: z.exactOptional(z.strictObject({ id, name: line(120, 'The product') })),
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
  z.strictObject({ type: z.literal('shows today'), what: z.enum(ALL_SHOWN), yes: z.boolean() }),
  z.strictObject({ type: z.literal('mark kept'), what: z.enum(ALL_SHOWN) }),
  z.strictObject({ type: z.literal('owner said'), text: text(2000).min(1) }),
  z.strictObject({
    type: z.literal('word told'),
    word: z.strictObject({
      id: newId,
      by: z.enum(['vet', 'owner']),
      who: line(120, 'Who said it'),
      place: place.nullable(),
      says: toldSaying,
      until: daySchema.nullable(),
    }),
  }),
  z.strictObject({ type: z.literal('word ended'), word: id }),
  z.strictObject({
    type: z.literal('bottle brought'),
    bottle: z.strictObject({
      id: newId,
      name: line(120, 'The product'),
      kind: productKind,
      label: line(120, 'The label'),
      waterParts: waterParts.nullable(),
      ingredients: many(line(80, 'The ingredient')),
      suppliedBy: z.enum(['vet', 'owner']),
    }),
  }),
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

/**
 * An event as it is read: its envelope, and what it holds in today's shape. Of a newer version it may hold what this one
 * does not know; it is shown by its words.
 */
export const visitEventRead = z.object({
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

export const visitEvents = z.object({ events: z.array(visitEventRead), serverNow: z.number() });
