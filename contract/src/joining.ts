import { LANGUAGES, type Language } from '@dewpond/core/clients';
import { BUSINESS_DOES, COUNTRY_CODES } from '@dewpond/core/ways';
import { ROLES } from '@dewpond/core/rights';
import { z } from 'zod';
import { line, newId, text } from './basics';
import { mailAddress, personName } from './people';

/** What a link says of itself: it stands behind the `#` of an address and comes in the body, so that no log has it. */
const secret = z.string().min(20).max(120);
/** Held to its rules where it is set (`whyNoPassword`): they need the list of common ones. */
const password = z.string().min(1).max(400);

export const knocking = z.strictObject({ token: secret });

/** Whom an invitation is for. */
export const invitationOpened = z.object({
  business: z.string(),
  name: z.string(),
  role: z.enum(ROLES),
  email: z.string(),
  /** Somebody known: then only the password is new. */
  isKnown: z.boolean(),
  expiresAt: z.string(),
});
export type InvitationOpened = z.infer<typeof invitationOpened>;
export const joining = z.strictObject({ token: secret, name: personName, email: mailAddress, password });
export const forgotten = z.strictObject({ email: mailAddress });

const isZone = (zone: string): boolean => {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone !== '';
  } catch {
    return false;
  }
};

/** The first business here, and its first manager. */
export const beginning = z.strictObject({
  token: secret,
  /** Made once by the form, so that what is sent twice begins one business. */
  id: newId,
  business: z.strictObject({
    name: line(120, 'The name of the business'),
    country: z.enum(COUNTRY_CODES),
    zone: z.string().max(60).refine(isZone, { error: 'There is no such time zone.' }),
    units: z.enum(['metric', 'US']),
    currency: z.string().regex(/^[A-Z]{3}$/, { error: 'Three capital letters, such as GBP.' }),
    language: z.enum(LANGUAGES as [Language, ...Language[]]),
    phone: text(40),
    /** Above this weight a dog is lifted by two, kg. */
    liftAloneKg: z.number().min(3).max(60),
    /** What is done with hair in the ear canal, here. */
    earHair: z.enum(BUSINESS_DOES),
  }),
  manager: z.strictObject({ name: personName, email: mailAddress, password }),
  /** A small shelf to try everything with: four products, a pump, two bottles. */
  examples: z.boolean(),
});
export const begun = z.object({ email: z.string() });

/** How far a new business is; all of it done: nobody asks any more. */
export const firstSteps = z.object({
  products: z.boolean(),
  bottles: z.boolean(),
  people: z.boolean(),
  dogs: z.boolean(),
  bookings: z.boolean(),
  visits: z.boolean(),
});
export type FirstSteps = z.infer<typeof firstSteps>;
