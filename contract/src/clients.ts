import { CHANNELS, LANGUAGES, type ClientCard, type Consent } from '@dewpond/core/clients';
import { z } from 'zod';
import { daySchema, id, line, newId, text, version } from './basics';
import { dogNeeds, ownerWishes } from './wishes';

/** A phone number, or none. */
const phoneOrNone = text(40)
  .regex(/^[+\d ()/.-]*$/, { error: 'Digits, spaces and + ( ) / . - only.' })
  .regex(/^$|\d/, { error: 'A number has digits.' });
const phoneNumber = phoneOrNone.min(1, { error: 'A number is missing.' });
export const email = z
  .email({ error: 'That is no e-mail address.' })
  .max(200, { error: 'Longer than 200 characters.' });
export const emailOrNone = text(200).refine((given) => given === '' || email.safeParse(given).success, {
  error: 'That is no e-mail address.',
});

const degrees = (most: number, what: string) =>
  z
    .number({ error: `${what} is a number of degrees.` })
    .min(-most, { error: `${what} lies between −${most} and ${most} degrees.` })
    .max(most, { error: `${what} lies between −${most} and ${most} degrees.` });

const word = z.strictObject({ yes: z.boolean(), on: daySchema });
const consents = {
  plucking: z.exactOptional(word),
  muzzle: z.exactOptional(word),
  photos: z.exactOptional(word),
  'vet contact': z.exactOptional(word),
  'e-mail': z.exactOptional(word),
  'text message': z.exactOptional(word),
} satisfies Record<Consent, unknown>;

const cardFields = z.strictObject({
  phones: z
    .array(z.strictObject({ number: phoneNumber, whose: text(40).default('') }))
    .max(6, { error: 'Six numbers at most.' })
    .default([]),
  emails: z.array(email).max(4, { error: 'Four addresses at most.' }).default([]),
  prefers: z.enum(CHANNELS).default('no matter'),
  language: z.enum(LANGUAGES).nullable().default(null),
  address: z
    .strictObject({
      street: text(120).default(''),
      town: text(80).default(''),
      postcode: text(20).default(''),
      coordinates: z
        .strictObject({ latitude: degrees(90, 'Latitude'), longitude: degrees(180, 'Longitude') })
        .nullable()
        .default(null),
    })
    .default({ street: '', town: '', postcode: '', coordinates: null }),
  consents: z.strictObject(consents).default({}),
  note: text(2000).default(''),
});
export const clientCard = cardFields.transform((card): ClientCard => card);

const name = line(120, 'The name');
export const clientFields = z.strictObject({ name, card: clientCard });
export const newClient = z.strictObject({ id: newId, name, card: clientCard.prefault({}) });
export type NewClient = z.output<typeof newClient>;
export const clientEdit = clientFields.extend({ version });
/** Archived, or brought back. */
export const archiving = z.strictObject({ version, archived: z.boolean() });
/** With whom this client shares a household; null leaves it. */
export const householdEdit = z.strictObject({ with: id.nullable() });

export const client = z.object({
  id,
  version,
  name: z.string(),
  card: clientCard,
  archivedOn: daySchema.nullable(),
  household: z.object({ id, name: z.string() }).nullable(),
});
export type Client = z.infer<typeof client>;

const dogOfClient = z.object({
  id,
  name: z.string(),
  breed: z.string(),
  version: z.int(),
  archivedOn: daySchema.nullable(),
  /** Where it must be in a day; null: anywhere. */
  needs: dogNeeds.nullable(),
});
export const clientView = z.object({
  client,
  /** When they would like to come; null: nothing was said. */
  wishes: ownerWishes.nullable(),
  dogs: z.array(dogOfClient),
  /** The others of the household, with their dogs. */
  housemates: z.array(z.object({ id, name: z.string(), dogs: z.array(dogOfClient) })),
  /** Others who look like the same person: the same phone or e-mail. */
  likelySame: z.array(z.object({ id, name: z.string() })),
  merges: z.array(z.object({ id, name: z.string(), by: z.string(), at: z.string() })),
});
export type ClientView = z.infer<typeof clientView>;

/** Joins the one that goes into the one of the address; `id` is made by whoever asks. */
export const newMerge = z.strictObject({ id: newId, goneId: id });
/** What a merge would do, before it is done. */
export const mergePreview = z.object({
  of: z.enum(['client', 'dog']),
  survivor: z.object({ id, name: z.string() }),
  gone: z.object({ id, name: z.string() }),
  /** "2 dogs: Teasel, Umber", "7 visits", one line each. */
  moves: z.array(z.string()),
  /** What the survivor's card gains. */
  gains: z.array(z.string()),
  /** Why it cannot be done; null when it can. */
  refused: z.string().nullable(),
});
export type MergePreview = z.infer<typeof mergePreview>;

/** What a merge moved, by table, and how both stood before. */
export interface Moved {
  readonly rows: Readonly<Record<string, readonly string[]>>;
  readonly keptBefore: unknown;
  readonly goneBefore: unknown;
}

export const vetFields = z.strictObject({
  name: line(120, 'The name'),
  practice: text(120).default(''),
  phone: phoneOrNone.default(''),
  email: emailOrNone.default(''),
  address: text(200).default(''),
  note: text(2000).default(''),
});
export const newVet = vetFields.extend({ id: newId });
export const vetEdit = vetFields.extend({ version, archived: z.boolean() });
export const vetView = z.object({
  id,
  version,
  name: z.string(),
  practice: z.string(),
  phone: z.string(),
  email: z.string(),
  address: z.string(),
  note: z.string(),
  archivedOn: daySchema.nullable(),
  dogs: z.int(),
});
export type VetView = z.infer<typeof vetView>;
