import type { Router } from 'express';
import type { Asker } from '../../platform/asker';
import { readInTenant } from '../../platform/db/tenant';
import { changesKnown } from '../../platform/db/migrate';
import { askerOf, readTenantOf, tenantOf, type Services } from '../../platform/http/context';
import { idIn } from '../../platform/http/ids';
import { guarded } from '../../platform/http/route';
import { notFound } from '../../platform/http/problem';
import { note } from '../../platform/audit/audit';
import { dayIn } from '../../platform/time/zone';
import { loadBusiness } from '../../records/business/business';
import { reachOfClient } from '../../records/client/reach';
import { packClient } from './clientFile';
import { packHouse } from './houseFile';
import { EXPORTS } from './tables';
import { sendZip } from './zipped';

/** One picture of the business, sent while it is read. */
const ZIPPED = { asOfNow: true, isStreamed: true } as const;

/** Files, not JSON: the book leaves whole; it is the business's own. */
export function exportRoutes(router: Router, services: Services): void {
  router.get('/api/export/:file', guarded('GET /api/export/:file'), async (request, response) => {
    const { file } = request.params;
    const wanted = Object.hasOwn(EXPORTS, file) ? EXPORTS[file] : undefined;
    if (!wanted) throw notFound('file');
    await noteGiven(services, askerOf(request), { about: null, words: `The book as a file: ${file}` });
    const text = await readTenantOf(services, askerOf(request), async (tx) => {
      const business = await loadBusiness(tx);
      const pieces: string[] = [];
      for await (const piece of wanted.write(tx, business)) pieces.push(piece);
      return pieces.join('');
    });
    response
      .set('Content-Type', wanted.type)
      .set('Content-Disposition', `attachment; filename="${file}"`)
      .set('Cache-Control', 'no-store')
      .send(text);
  });

  router.get('/api/house/all.zip', guarded('GET /api/house/all.zip'), async (request, response) => {
    const asker = askerOf(request);
    const now = services.now();
    await noteGiven(services, asker, { about: null, words: 'The whole business as a file' });
    await readInTenant(
      services.databases,
      asker.businessId,
      async (tx) => {
        const business = await loadBusiness(tx);
        const changes = changesKnown();
        const name = `${business.name} ${dayIn(business.zone, now)}.zip`;
        await sendZip(response, name, new Date(now), (zip) =>
          packHouse(zip, tx, business, { businessId: asker.businessId, changes, now }),
        );
      },
      ZIPPED,
    );
  });

  router.get('/api/clients/:id/record.zip', guarded('GET /api/clients/:id/record.zip'), async (request, response) => {
    const asker = askerOf(request);
    const now = services.now();
    const id = idIn(request.params.id, 'client');
    const found = await readTenantOf(services, asker, (tx) => reachOfClient(tx, id, now));
    if (!found) throw notFound('client');
    await noteGiven(services, asker, { about: id, words: 'The whole record, as a file' });
    await readInTenant(
      services.databases,
      asker.businessId,
      async (tx) => {
        const business = await loadBusiness(tx);
        const reach = await reachOfClient(tx, id, now);
        if (!reach) throw notFound('client');
        await sendZip(response, `${reach.row.name} ${dayIn(business.zone, now)}.zip`, new Date(now), (zip) =>
          packClient(zip, tx, business, reach, now),
        );
      },
      ZIPPED,
    );
  });
}

/** Noted before the first byte leaves: whoever breaks a download off has what came until then. */
const noteGiven = (services: Services, asker: Asker, what: { readonly about: string | null; readonly words: string }) =>
  tenantOf(services, asker, (tx) => note(tx, asker, { what: 'gave away', ...what, now: services.now() }));
