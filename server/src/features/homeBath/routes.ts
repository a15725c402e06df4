import { isDeepStrictEqual } from 'node:util';
import { nextVisit } from '@dewpond/core/due';
import { homeBathTold, homeLabel } from '@dewpond/core/wording';
import type { Router } from 'express';
import { asSeen, updateGuarded } from '../../platform/http/writes';
import { dog } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { askerOf, readTenantOf, type Services } from '../../platform/http/context';
import { idIn } from '../../platform/http/ids';
import { Refusal, badField, notFound } from '../../platform/http/problem';
import { guarded, route } from '../../platform/http/route';
import { inThread } from '../../platform/threads/pool';
import { dayIn } from '../../platform/time/zone';
import { loadStockedBusiness, type StockedBusiness } from '../../records/business/business';
import { loadWords, wordingFor } from '../../records/business/words';
import { loadDogs } from '../../records/dog/dogRecord';
import { planFor } from '../../records/dog/facts';
import { homeBathOf, homeBathViewOf } from '../../records/homeBath/homeBath';
import { productOf } from '../../records/shelf/shelf';
import type { Day } from '@dewpond/core/units';
import { eq } from 'drizzle-orm';
import { HOME_LABEL_PDF } from './homeLabelPdf';

/** The bath at home: agreed with the owner, mixed with household measures, a small bottle filled and labelled. */
export function homeBathRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/dogs/:id/home-bath', async ({ tx, params, today }) => {
    const of = await loadOf(tx, await loadStockedBusiness(tx), params.id, today);
    const visit = nextVisit(of.planned.due, today)?.day ?? null;
    return {
      ...homeBathViewOf(of, of.record.dog.homeBath, of.wording, { today, visit }),
      version: of.record.dog.version,
    };
  });

  route(router, services, 'PUT /api/dogs/:id/home-bath', async ({ tx, params, body, today }) => {
    const of = await loadOf(tx, await loadStockedBusiness(tx), params.id, today);
    if (body.agreed) {
      const bath = homeBathOf(of, body.agreed);
      if (bath.kind === 'to be settled')
        throw badField(body.agreed.bottle.kind === 'own' ? 'agreed.bottle.label' : 'agreed.bottle', bath.why);
    }
    const current = async () => {
      const [row] = await tx
        .select({ version: dog.version, agreed: dog.homeBath })
        .from(dog)
        .where(eq(dog.id, params.id));
      return row;
    };
    const seen = { id: params.id, version: body.version };
    // What is done at home changes: the rhythm of the salon is learnt from here on.
    const isSame = isDeepStrictEqual(of.record.dog.homeBath, body.agreed);
    const set = { homeBath: body.agreed, ...(isSame ? {} : { homeCareChangedOn: today }) };
    return updateGuarded(asSeen(tx, dog, seen, set), { what: 'dog', current, yours: body });
  });

  router.get(
    '/api/dogs/:id/home-bath/label.pdf',
    guarded('GET /api/dogs/:id/home-bath/label.pdf'),
    async (request, response) => {
      const id = idIn(request.params['id'], 'dog');
      const given = await readTenantOf(services, askerOf(request), (tx) => labelOf(tx, id, services.now()));
      const bytes = await inThread(HOME_LABEL_PDF, given);
      response
        .type('application/pdf')
        .set('Cache-Control', 'private, no-store')
        .set('Content-Disposition', 'inline; filename="bottle-for-home.pdf"')
        .send(bytes);
    },
  );
}

async function loadOf(tx: Tenant, business: StockedBusiness, dogId: string, today: Day) {
  const [record] = await loadDogs(tx, { ids: [dogId] });
  if (!record) throw notFound('dog');
  const wording = wordingFor(await loadWords(tx), record.client.card);
  return { record, business, shelf: business, planned: planFor(record, business, today), wording };
}

/** The label in the owner's language; refused where there is nothing that the salon fills. */
async function labelOf(tx: Tenant, dogId: string, now: number) {
  const business = await loadStockedBusiness(tx);
  const today = dayIn(business.zone, now);
  const of = await loadOf(tx, business, dogId, today);
  const { agreed, filling } = homeBathViewOf(of, of.record.dog.homeBath, of.wording, { today, visit: null });
  const bath = agreed && homeBathOf(of, agreed);
  const told = bath && homeBathTold(of.wording, bath, business.units);
  if (told?.kind !== 'ready' || filling === null || bath?.kind !== 'ready')
    throw new Refusal('not found', 'No small bottle is agreed for this dog.');
  const cautions = productOf(business, bath.shelfId ?? '')?.cautions ?? [];
  return {
    label: homeLabel(of.wording, told, { dog: of.record.dog.name, filledOn: today, cautions }),
    business: business.name,
    phone: business.phone,
    language: of.wording.language,
  };
}
