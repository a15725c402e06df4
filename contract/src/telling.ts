import type { DogFacts } from '@dewpond/core/dog';
import { LANGUAGES, type Language } from '@dewpond/core/clients';
import { emailOrNone } from './clients';
import { MESSAGE_CHANNELS, MESSAGE_KINDS, MESSAGE_STATES, type MessageKind, type Reach } from '@dewpond/core/messages';
import type { PlaceKey } from '@dewpond/core/places';
import { NEXT_STEPS, OUTCOMES, OWNERS_ANSWERS, TOLD_HOW, type NextStep } from '@dewpond/core/referral';
import { ALL_SECTIONS, type OwnerSheet, type ReadSheet, type SheetEdits } from '@dewpond/core/sheet';
import {
  shippedWords,
  wordingIn,
  wordingProblem,
  type HomeTaskTold,
  type BusinessWording,
  type BusinessWordings,
  type PageWords,
  type WordingKey,
} from '@dewpond/core/wording';
import { z } from 'zod';
import { daySchema, id, line, newId, text, version } from './basics';

const section = z.enum(ALL_SECTIONS);
/** A sentence on a sheet of one page. */
const sentence = line(600, 'The sentence');

const sheetEdits = z
  .strictObject({
    lines: z.record(
      z.string().max(200),
      z.strictObject({ section, made: z.string().max(2000), words: sentence.nullable() }),
    ),
    added: z
      .array(z.strictObject({ id, section, words: sentence }))
      .max(20, { error: 'Twenty lines of your own at most.' }),
    photos: z.array(id).max(6, { error: 'Six pictures at most.' }),
  })
  .refine(({ lines }) => Object.keys(lines).length <= 200, { error: 'Too many changes.' })
  .transform((edits): SheetEdits => edits);

/** Version 0: no hand was on it yet. */
export const sheetEditing = z.strictObject({ version: z.int().min(0), edits: sheetEdits });

/** How a house signs what it gives to owners. */
const businessProfile = z.object({ name: z.string(), phone: z.string(), email: z.string(), colour: z.string() });
export type BusinessProfile = z.infer<typeof businessProfile>;

/** A picture and what it shows, as an owner reads it. */
const sheetPhoto = z.object({ id, name: z.string() });

export const sheetView = z.object({
  visitId: id,
  dogId: id,
  clientId: id,
  business: businessProfile,
  owner: z.string(),
  closed: z.boolean(),
  sheet: z.custom<OwnerSheet>(),
  /** The same in the house's language, to be read by the groomer; null where the owner reads that, too. */
  inBusinessLanguage: z.custom<OwnerSheet | null>(),
  edits: z.custom<SheetEdits>(),
  version: z.int(),
  /** Pictures of this visit; shown to the owner when chosen. */
  photos: z.array(sheetPhoto),
  /** The owner agreed to pictures on the sheet. */
  photosAgreed: z.boolean(),
  drawing: z.custom<DogFacts['traits']>(),
});
export type SheetView = z.infer<typeof sheetView>;

const language = z.enum(LANGUAGES);

/** What a house says otherwise in one language, each entry checked against what ships in it. */
const wordingOf = (inLanguage: Language) =>
  z
    .record(z.string().max(200), z.string().max(1000))
    .superRefine((wording, context) => {
      const base = wordingIn(inLanguage);
      const shipped = shippedWords(base);
      for (const [key, words] of Object.entries(wording)) {
        const why = Object.hasOwn(shipped, key)
          ? wordingProblem(key as WordingKey, words, base)
          : 'There is no such sentence.';
        if (why !== null) context.addIssue({ code: 'custom', path: [key], message: why });
      }
    })
    .transform((wording) => wording as BusinessWording);

const businessWordings = z.strictObject({
  'en-GB': z.exactOptional(wordingOf('en-GB')),
  es: z.exactOptional(wordingOf('es')),
} satisfies Record<Language, unknown>);

/** House name, colours and language for owners, and what it says otherwise than what ships, by language. */
export const businessProfileEdit = z.strictObject({
  version,
  phone: text(40),
  email: emailOrNone,
  colour: z.string().regex(/^#[0-9a-fA-F]{6}$/, { error: 'A colour such as #125B60.' }),
  language,
  wording: businessWordings,
});
export const businessProfileView = z.object({
  version,
  ...businessProfile.shape,
  language,
  wording: z.custom<BusinessWordings>(),
  mayEdit: z.boolean(),
});
export type BusinessProfileView = z.infer<typeof businessProfileView>;

export const newOwnerLink = z.strictObject({ id: newId, dogId: id, days: z.int().min(1).max(365) });
export const ownerLinkView = z.object({
  id,
  url: z.string(),
  expiresAt: z.string(),
  revokedAt: z.string().nullable(),
  seenAt: z.string().nullable(),
  lastSeenAt: z.string().nullable(),
  createdBy: z.string(),
  createdAt: z.string(),
});
export type OwnerLinkView = z.infer<typeof ownerLinkView>;

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
});
export const messageDraft = z.object({
  owner: z.string(),
  reach: z.custom<Reach[]>(),
  subject: z.string(),
  words: z.string(),
  language: z.string().describe('BCP 47'),
});
export type MessageDraft = z.infer<typeof messageDraft>;

export const messageFields = z.strictObject({
  dogId: id,
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
  via: z.enum(['stand-in', 'smtp']).nullable(),
  askedBy: z.string(),
  createdAt: z.string(),
  sentAt: z.string().nullable(),
});
export type MessageView = z.infer<typeof messageView>;
export const messageStep = z.strictObject({ what: z.enum(['again', 'withdraw', 'bounce']) });

const told = z.strictObject({ how: z.enum(TOLD_HOW), on: daySchema, by: line(120, 'Who told') });
const answer = z.strictObject({ answer: z.enum(OWNERS_ANSWERS), words: text(400), on: daySchema });
export const vetsWords = z.strictObject({
  who: line(120, 'Who said it'),
  words: line(800, 'What the vet said'),
  on: daySchema,
});
const vetAnswer = vetsWords.extend({ instructionId: id.nullable() });
const ended = z.strictObject({ outcome: z.enum(OUTCOMES), on: daySchema, by: line(120, 'Who closed it') });
export const referralEdit = z.strictObject({
  version,
  told: told.nullable(),
  answer: answer.nullable(),
  vet: vetAnswer.nullable(),
  end: ended.nullable(),
});
export const referralView = z.object({
  ...referralEdit.shape,
  id,
  dogId: id,
  dog: z.string(),
  clientId: id,
  owner: z.string(),
  phone: z.string(),
  visitId: id,
  place: z.custom<PlaceKey>(),
  placeName: z.string(),
  /** What was seen there, as one groomer says it. */
  words: z.string(),
  level: z.string(),
  openedOn: daySchema,
  vetBy: daySchema,
  dueOn: daySchema.nullable(),
  next: z.enum(Object.keys(NEXT_STEPS) as [NextStep]).nullable(),
});
export type ReferralView = z.infer<typeof referralView>;

/** What an owner does between visits, the days it is for, and what was ticked. */
export const homeCareView = z.object({
  /** Days are counted from this visit. */
  since: daySchema,
  today: daySchema,
  language: z.string().describe('BCP 47'),
  words: z.custom<PageWords>().describe('Headings and buttons'),
  tasks: z.custom<HomeTaskTold[]>(),
  ticks: z.array(z.object({ key: z.string(), day: daySchema, note: z.string() })),
  /** Pictures the owner sent in the last four weeks. */
  photos: z.array(z.object({ id, day: daySchema })),
  /** Of the last four weeks, or since the visit. */
  share: z.object({ asked: z.int(), done: z.int() }),
});
export type HomeCareView = z.infer<typeof homeCareView>;
/** A tick, or no tick any more; with a word besides. */
export const homeTicking = z.strictObject({
  key: z.string().max(200),
  day: daySchema,
  done: z.boolean(),
  note: text(300).default(''),
});

/** One visit as an owner reads it: the hand of the groomer over what was made. */
const ownerSheet = z.object({ visitId: id, read: z.custom<ReadSheet>(), photos: z.array(sheetPhoto) });
/** What an owner sees behind the link: this one dog and nothing else. */
export const ownerPage = z.object({
  business: businessProfile,
  dog: z.string(),
  language: z.string(),
  words: z.custom<PageWords>(),
  drawing: z.custom<DogFacts['traits']>(),
  sheets: z.array(ownerSheet),
  letters: z.array(z.object({ id, place: z.string(), urgency: z.string(), openedOn: daySchema })),
  booked: z.array(z.object({ startsAt: z.string(), kind: z.string() })),
  zone: z.string(),
  suggested: daySchema.nullable(),
  home: homeCareView,
  /** A calendar of home care and bookings to subscribe to. */
  calendar: z.string(),
  until: z.string(),
});
export type OwnerPage = z.infer<typeof ownerPage>;

export const auditEntry = z.object({
  id,
  at: z.string(),
  person: z.string(),
  what: z.enum(['saw', 'changed', 'sent', 'gave away']),
  about: id.nullable(),
  /** Of the dog or client it was about. */
  name: z.string().nullable(),
  words: z.string(),
});
export type AuditEntry = z.infer<typeof auditEntry>;
