import type { Bottle, MixCard } from '@dewpond/core/dilution';
import { ALL_SHOWN, CLIP_PARTS } from '@dewpond/core/dog';
import { HANDOVER_QUESTIONS, type HandoverQuestion } from '@dewpond/core/events';
import { VISIT_KINDS } from '@dewpond/core/steps';
import type { Minutes } from '@dewpond/core/units';
import { z } from 'zod';
import { colourReading } from './colours';
import { daySchema, id, many, newId, wordOfDay } from './basics';
import { visitEventRead } from './events';
import { agreedVisit } from './appointments';
import { dogFacts, findingRead } from './facts';
import { bathShown } from './bath';
import { bottleShown } from './products';
import { caution, placeKey, productKind, sign, stage, task } from './trade';

export const newVisit = z.strictObject({
  id: newId,
  dogId: id,
  appointmentId: id.nullable(),
  /** When it was begun, by the device's clock, and how far that clock is off as far as it knows, ms. */
  begun: z.strictObject({ at: z.int(), offset: z.int().nullable() }).optional(),
});
/** A mix of the bench that this dog might have. */
export const availableMix = z.object({
  id,
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
  tasks: many(task).describe('Parts of the bath it is for'),
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
  colour: colourReading.nullable(),
});
export type EarlierPhoto = z.infer<typeof earlierPhoto>;

/** Pictures as they are sent, before they are drawn anew. */
export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
export const PHOTO_LIMIT = 8 * 1024 * 1024;

/** What was said at a visit. */

/** All that a visit stands on before anything happens: enough for the whole visit without a network. */
const preparedVisit = {
  dog: z.object({ id, name: z.string(), words: z.string(), handling: z.array(z.string()), weightKg: z.number() }),
  owner: z.object({ name: z.string(), phones: z.array(z.string()) }),
  appointmentId: id.nullable(),
  kind: z.enum(VISIT_KINDS),
  agreed: agreedVisit.nullable(),
  day: daySchema,
  facts: dogFacts,
  contactMinutes: z.number(),
  contactMost: z.number().nullable(),
  minutesFactor: z.partialRecord(stage, z.number()).describe('Against the business’s, by stage'),
  style: z.partialRecord(z.enum(CLIP_PARTS), z.string()).describe('How the owner wishes it, part by part'),
  tools: z.record(z.string(), z.string()).describe('Blade or comb by part of the body, last time'),
  photos: z.array(earlierPhoto).describe('The earlier picture of each place that today’s is held beside'),
  bath: bathShown.nullable().describe('What the bath takes, part by part, and why; null: no bath'),
  mixes: z.array(mixView),
  openMixes: z.array(availableMix).describe('Mixes that stand and may be used, of products this visit uses'),
  lastTime: z.object({ day: daySchema, findings: z.array(findingRead), looked: z.array(placeKey) }).nullable(),
  /** What is asked after at this look-over: watched places that were not seen clear often enough. */
  askAgain: z.array(z.object({ place: placeKey, words: z.string(), day: daySchema })),
  /** Places a vet should see, still open. */
  referred: z.array(z.object({ place: placeKey, openedOn: daySchema })),
  /** What is read before the owner is asked: notes of the booking and the dog, and last time's words. */
  atTheDoor: z.object({
    booking: z.string(),
    dog: z.string(),
    ownerSaid: wordOfDay.nullable(),
    closing: wordOfDay.nullable(),
  }),
  shownBefore: z.array(z.enum(ALL_SHOWN)).describe('How the dog showed itself at earlier visits'),
  /** What the owner said the last time each question was asked. */
  lastAnswers: z.partialRecord(
    z.enum(HANDOVER_QUESTIONS as [HandoverQuestion]),
    z.object({ answer: z.boolean(), day: daySchema }),
  ),
};

/** Entries that were taken in from a tablet reported lost, by a manager's word. */
export const fromLost = z.object({ entries: z.int(), people: many(z.string()), takenBy: z.string(), at: z.string() });
export type FromLost = z.infer<typeof fromLost>;

export const visitView = z.object({
  id,
  ...preparedVisit,
  events: z.array(visitEventRead),
  fromLost: fromLost.nullable(),
  serverNow: z.number(),
});
export type VisitView = z.infer<typeof visitView>;

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
