import type { Router } from 'express';
import { z } from 'zod';
import { askerOf, type Services } from '../http/context';
import { notFound } from '../http/problem';
import { keepSheet } from './keepSheet';

export function sheetRoutes(router: Router, services: Services): void {
  router.get('/api/visits/:id/sheet.pdf', async (request, response) => {
    const { id } = request.params;
    if (!z.uuid().safeParse(id).success) throw notFound('visit');
    const { name, bytes } = await keepSheet(services, askerOf(request).businessId, id);
    response
      .type('application/pdf')
      .set('Cache-Control', 'private, no-store')
      .set('Content-Disposition', `inline; filename="sheet.pdf"; filename*=UTF-8''${encodeURIComponent(`${name}.pdf`)}`)
      .send(bytes);
  });
}
