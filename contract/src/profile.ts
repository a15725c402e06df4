import { LANGUAGES, type Language } from '@dewpond/core/clients';
import {
  shippedWords,
  wordingIn,
  wordingProblem,
  type BusinessWording,
  type BusinessWordings,
  type WordingKey,
} from '@dewpond/core/wording';
import { z } from 'zod';
import { text, version } from './basics';
import { emailOrNone } from './clients';

/** How a business signs what it gives to owners. */
export const businessProfile = z.object({ name: z.string(), phone: z.string(), email: z.string(), colour: z.string() });
export type BusinessProfile = z.infer<typeof businessProfile>;

const language = z.enum(LANGUAGES);

/** What a business says otherwise in one language, each entry checked against what ships in it. */
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

const wordingsRead = z.partialRecord(
  language,
  z.record(z.string(), z.string()),
) as unknown as z.ZodType<BusinessWordings>;

/** Business name, colours and language for owners, and what it says otherwise than what ships, by language. */
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
  wording: wordingsRead,
  mayEdit: z.boolean(),
});
export type BusinessProfileView = z.infer<typeof businessProfileView>;
