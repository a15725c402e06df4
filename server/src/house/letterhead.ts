import type { Letterhead } from '@dewpond/contract';
import type { ClientCard, Language } from '@dewpond/core/clients';
import { languageFor, shippedWords, wordingIn, type HouseWordings, type Wording } from '@dewpond/core/wording';
import { eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { business } from '../db/schema';
import type { Services } from '../http/context';
import { Refusal } from '../http/problem';
import { updateGuarded } from '../http/writes';
import { route } from '../http/route';
import { loadHouse, type House } from './house';

/** How a house signs what it gives to owners. */
export const letterheadOf = ({ name, phone, email, colour }: House): Letterhead => ({ name, phone, email, colour });

/** The words of a house in its own language, its own over what ships: for vets, and for owners of no known language. */
export const wordingOf = ({ language, wording }: House): Wording => wordingIn(language, wording);

/** The words of a house for one owner. */
export const wordingFor = ({ language, wording }: House, { language: own }: Pick<ClientCard, 'language'>): Wording =>
  wordingIn(languageFor(language, own), wording);

const SHIPPED = shippedWords();

/** The entries of a house's words that pass, by language. */
const entries = (wording: HouseWordings, test: (key: string) => boolean): HouseWordings =>
  Object.fromEntries(
    Object.entries(wording).map(([language, words]) => [
      language,
      Object.fromEntries(Object.entries(words).filter(([key]) => test(key))),
    ]),
  );

/** What was set, with what stands under ids that this version does not know: nobody's words are lost. */
function withUnknown(before: HouseWordings, set: HouseWordings): HouseWordings {
  const unknown = entries(before, (key) => !(key in SHIPPED));
  const languages = [...new Set([...Object.keys(unknown), ...Object.keys(set)])] as Language[];
  return Object.fromEntries(languages.map((each) => [each, { ...unknown[each], ...set[each] }]));
}

const view = (house: House, mayEdit: boolean) => ({
  version: house.version,
  ...letterheadOf(house),
  language: house.language,
  wording: entries(house.wording, (key) => key in SHIPPED),
  mayEdit,
});

export function letterheadRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/letterhead', async ({ tx, asker }) =>
    view(await loadHouse(tx), asker.role === 'manager'),
  );

  route(router, services, 'PUT /api/letterhead', async ({ tx, asker, body }) => {
    if (asker.role !== 'manager') throw new Refusal('not allowed', 'Only a manager changes how the house speaks.');
    const house = await loadHouse(tx);
    const { version, ...set } = body;
    const write = tx
      .update(business)
      .set({ ...set, wording: withUnknown(house.wording, set.wording), version: sql`${business.version} + 1` })
      .where(eq(business.version, version))
      .returning({ version: business.version });
    const current = async () => view(await loadHouse(tx), true);
    return updateGuarded(write, { what: 'house', current, yours: body });
  });
}
