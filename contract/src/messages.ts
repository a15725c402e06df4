import {
  CARRIER_WORDS,
  MESSAGE_CHANNELS,
  MESSAGE_KINDS,
  MESSAGE_STATES,
  type MessageKind,
  type Reach,
} from '@dewpond/core/messages';
import { z } from 'zod';
import { newOffer } from './answers';
import { daySchema, id, line, newId } from './basics';

const kind = z.enum(MESSAGE_KINDS as [MessageKind]);
const channel = z.enum(MESSAGE_CHANNELS);

export const draftQuery = z.object({
  kind,
  visit: id.optional(),
  /** "15:30", for "ready around" and "ring before". */
  time: z
    .string()
    .regex(/^\d\d:\d\d$/)
    .optional(),
  referral: id.optional(),
  /** The day that is offered, or on which the dog comes. */
  day: daySchema.optional(),
  /** Dogs of the same owner that it is about as well, ids with commas between. */
  with: z
    .string()
    .transform((ids) => ids.split(','))
    .pipe(z.array(id).max(11))
    .optional(),
});

const reach: z.ZodType<Reach> = z.object({ channel, to: z.string(), whyNot: z.string().nullable() });
export const messageDraft = z.object({
  owner: z.string(),
  reach: z.array(reach),
  subject: z.string(),
  words: z.string(),
  language: z.string().describe('BCP 47'),
});
export type MessageDraft = z.infer<typeof messageDraft>;

export const messageFields = z.strictObject({
  dogId: id,
  /** Dogs of the same owner that it is about as well. */
  withDogs: z.array(id).max(11).default([]),
  /** Times to say yes to, on the page that goes with it. */
  offers: z.array(newOffer).max(36).default([]),
  visitId: id.nullable(),
  /** Whose letter goes along. */
  referralId: id.nullable().default(null),
  kind,
  channel,
  subject: line(150, 'The subject'),
  words: line(1500, 'The text'),
});
export const newMessage = messageFields.extend({ id: newId });
export const messageView = z.object({
  id,
  clientId: id,
  client: z.string(),
  dogId: id.nullable(),
  /** All it is about, by name. */
  dog: z.string().nullable(),
  visitId: id.nullable(),
  kind,
  channel,
  to: z.string(),
  subject: z.string(),
  /** As sent; a private link is masked. */
  words: z.string(),
  attached: z.string().nullable(),
  state: z.enum(MESSAGE_STATES),
  tries: z.int(),
  nextTryAt: z.string().nullable(),
  lastWord: z.string(),
  via: z.enum(['stand-in', 'smtp', 'http']).nullable(),
  askedBy: z.string(),
  createdAt: z.string(),
  sentAt: z.string().nullable(),
  /** Its carrier said so. */
  arrivedAt: z.string().nullable(),
});
export type MessageView = z.infer<typeof messageView>;
const UUID = '[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}';
/** What a carrier of text messages says later of one that it took. */
export const carrierWord = z.object({
  ref: z
    .string()
    .regex(new RegExp(`^${UUID}\\.${UUID}$`), { error: 'That is no {ref} of ours.' })
    .transform((ref) => {
      const [businessId = '', messageId = ''] = ref.split('.');
      return { businessId, messageId };
    }),
  state: z.enum(CARRIER_WORDS),
  word: z.string().max(300).optional(),
});

export const messageStep = z.strictObject({ what: z.enum(['again', 'withdraw', 'bounce']) });
