import type { Language } from '../clients';
import { PAGE_WORDS, type PageWords } from './pageWords';
import { PAGE_ES } from './spanish/page';

const PAGES: Readonly<Record<Language, PageWords>> = { 'en-GB': PAGE_WORDS, es: PAGE_ES };

/** What stands on an owner's page before the salon's own words have come; without the tables of the trade. */
export const pageWordsIn = (language: Language): PageWords => PAGES[language];
