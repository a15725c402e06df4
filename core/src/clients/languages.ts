/** Languages that owners can read in, in their own names; keys are BCP 47. */
export const LANGUAGE_NAMES = { 'en-GB': 'English', es: 'Español' } as const;
export type Language = keyof typeof LANGUAGE_NAMES;
export const LANGUAGES = Object.keys(LANGUAGE_NAMES) as readonly Language[];
export const isLanguage = (text: string): text is Language => Object.hasOwn(LANGUAGE_NAMES, text);
