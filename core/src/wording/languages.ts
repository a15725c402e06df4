import type { Language } from '../clients';
import { ENGLISH } from './english';
import { inBusinessWords, type BusinessWording } from './houseWords';
import { SPANISH } from './spanish';
import type { Wording } from './wording';

const SHIPPED: Readonly<Record<Language, Wording>> = { 'en-GB': ENGLISH, es: SPANISH };

/** What a business says otherwise, by language. */
export type BusinessWordings = Readonly<Partial<Record<Language, BusinessWording>>>;

/** The words of a language as a business says them. */
export const wordingIn = (language: Language, business: BusinessWordings = {}): Wording =>
  inBusinessWords(SHIPPED[language], business[language] ?? {});

/** The language an owner is written to in: their own where it is known, else the business's. */
export const languageFor = (business: Language, owner: Language | null | undefined): Language => owner ?? business;
