import type { Router } from 'express';
import { askerOf, tenantOf, type Services } from '../../platform/http/context';
import { guarded } from '../../platform/http/route';
import { notFound } from '../../platform/http/problem';
import { note } from '../../platform/audit/audit';
import { loadBusiness } from '../../records/business/business';
import { EXPORTS } from './tables';

/** Files, not JSON: the book leaves whole; it is the business's own. */
export function exportRoutes(router: Router, services: Services): void {
  router.get('/api/export/:file', guarded('GET /api/export/:file'), async (request, response) => {
    const { file } = request.params;
    const wanted = Object.hasOwn(EXPORTS, file) ? EXPORTS[file] : undefined;
    if (!wanted) throw notFound('file');
    const text = await tenantOf(services, askerOf(request), async (tx) => {
      const business = await loadBusiness(tx);
      await note(tx, askerOf(request), {
        what: 'gave away',
        about: null,
        words: `The book as a file: ${file}`,
        now: services.now(),
      });
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
}
