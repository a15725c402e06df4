import { shippedWords, type BusinessWordings } from '@dewpond/core/wording';
import type { Language } from '@dewpond/core/clients';
import { eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { may } from '../../platform/auth/mayAsk';
import { business } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { route } from '../../platform/http/route';
import { updateGuarded } from '../../platform/http/writes';
import { loadBusiness } from '../../records/business/business';
import { loadWords, profileOf } from '../../records/business/words';

const SHIPPED = shippedWords();

/** The entries of a business's words that pass, by language. */
const entries = (wording: BusinessWordings, test: (key: string) => boolean): BusinessWordings =>
  Object.fromEntries(
    Object.entries(wording).map(([language, words]) => [
      language,
      Object.fromEntries(Object.entries(words).filter(([key]) => test(key))),
    ]),
  );

/** What was set, with what stands under ids that this version does not know: nobody's words are lost. */
function withUnknown(before: BusinessWordings, set: BusinessWordings): BusinessWordings {
  const unknown = entries(before, (key) => !(key in SHIPPED));
  const languages = [...new Set([...Object.keys(unknown), ...Object.keys(set)])] as Language[];
  return Object.fromEntries(languages.map((each) => [each, { ...unknown[each], ...set[each] }]));
}

async function profileView(tx: Tenant, mayEdit: boolean) {
  const its = await loadBusiness(tx);
  const { language, wording } = await loadWords(tx);
  return {
    version: its.version,
    ...profileOf(its),
    language,
    wording: entries(wording, (key) => key in SHIPPED),
    mayEdit,
  };
}

/** How a business signs what it gives to owners, and what it says otherwise than what ships. */
export function profileRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/profile', ({ tx, asker }) => profileView(tx, may(asker, 'house ways')));

  route(router, services, 'PUT /api/profile', async ({ tx, body }) => {
    const { wording } = await loadWords(tx);
    const { version, ...set } = body;
    const write = tx
      .update(business)
      .set({ ...set, wording: withUnknown(wording, set.wording), version: sql`${business.version} + 1` })
      .where(eq(business.version, version))
      .returning({ version: business.version });
    return updateGuarded(write, { what: 'business', current: () => profileView(tx, true), yours: body });
  });
}
