import type { Router } from 'express';
import { inTenant } from '../../platform/db/tenant';
import { loadDogs } from '../../records/dog/dogRecord';
import { note } from '../../platform/audit/audit';
import { loadStockedBusiness } from '../../records/business/business';
import { askerOf, type Services } from '../../platform/http/context';
import { idIn } from '../../platform/http/ids';
import { notFound } from '../../platform/http/problem';
import { guarded, route } from '../../platform/http/route';
import { sendPdf } from '../../platform/http/sendPdf';
import { exportDog, recordPdf } from './dogExport';
import { historyOf } from './history';

/** The record of a dog: to read, and to give away whole. */
export function recordRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/dogs/:id/history', async ({ tx, params, now }) => {
    const [record] = await loadDogs(tx, { ids: [params.id] });
    if (!record) throw notFound('dog');
    return { dog: record.dog.name, items: await historyOf(tx, await loadStockedBusiness(tx), record, now) };
  });

  router.get('/api/dogs/:id/record.:form', guarded('GET /api/dogs/:id/record.:form'), async (request, response) => {
    const { form } = request.params;
    const id = idIn(request.params.id, 'dog');
    if (form !== 'json' && form !== 'pdf') throw notFound('file');
    const given = await inTenant(services.databases, askerOf(request).businessId, async (tx) => {
      const [record] = await loadDogs(tx, { ids: [id] });
      if (!record) throw notFound('dog');
      const business = await loadStockedBusiness(tx);
      await note(tx, askerOf(request), {
        what: 'gave away',
        about: id,
        words: `The whole record, ${form}`,
        now: services.now(),
      });
      return exportDog(tx, business, record, services.now());
    });
    const name = `${given.dog.name}-record-${given.exportedOn}`;
    if (form === 'pdf') sendPdf(response, { name, bytes: await recordPdf(given) });
    else
      response
        .type('application/json')
        .set('Cache-Control', 'private, no-store')
        .set(
          'Content-Disposition',
          `attachment; filename="record.json"; filename*=UTF-8''${encodeURIComponent(`${name}.json`)}`,
        )
        .send(JSON.stringify(given, null, 1));
  });
}
