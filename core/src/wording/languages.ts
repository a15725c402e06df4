import type { Language } from '../clients';
import { ENGLISH } from './english';
import { inHouseWords, type HouseWording } from './houseWords';
import { SPANISH } from './spanish';
import type { Wording } from './wording';

const SHIPPED: Readonly<Record<Language, Wording>> = { 'en-GB': ENGLISH, es: SPANISH };

/** What a house says otherwise, by language. */
export type HouseWordings = Readonly<Partial<Record<Language, HouseWording>>>;

/** The words of a language as a house says them. */
export const wordingIn = (language: Language, house: HouseWordings = {}): Wording =>
  inHouseWords(SHIPPED[language], house[language] ?? {});

/** The language an owner is written to in: their own where it is known, else the house's. */
export const languageFor = (house: Language, owner: Language | null | undefined): Language => owner ?? house;
