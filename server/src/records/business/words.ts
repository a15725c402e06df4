import type { BusinessProfile } from '@dewpond/contract';
import type { ClientCard, Language } from '@dewpond/core/clients';
import { languageFor, wordingIn, type BusinessWordings, type Wording } from '@dewpond/core/wording';
import { business } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { notFound } from '../../platform/http/problem';
import type { Business } from './business';

/** What a business says to owners and vets: its language, and its own sentences over those that ship. */
export interface BusinessWords {
  /** What owners are written in where their own language is not known. */
  readonly language: Language;
  readonly wording: BusinessWordings;
}

/** The words of the business of the transaction. Throws 404 where there is none. */
export async function loadWords(tx: Tenant): Promise<BusinessWords> {
  const [row] = await tx.select({ language: business.language, wording: business.wording }).from(business);
  if (!row) throw notFound('business');
  return row;
}

/** The words of a business in its own language: for vets, and for owners of no known language. */
export const wordingOf = ({ language, wording }: BusinessWords): Wording => wordingIn(language, wording);

/** The words of a business for one owner. */
export const wordingFor = (
  { language, wording }: BusinessWords,
  { language: own }: Pick<ClientCard, 'language'>,
): Wording => wordingIn(languageFor(language, own), wording);

/** How a business signs what it gives to owners. */
export const profileOf = ({ name, phone, email, colour }: Business): BusinessProfile => ({
  name,
  phone,
  email,
  colour,
});
