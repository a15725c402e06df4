import { TZDate } from '@date-fns/tz';
import { hazardLine, showStrength, strengthOf } from '@dewpond/core/dilution';
import { format } from 'date-fns';
import type { Router } from 'express';
import { z } from 'zod';
import { guarded } from '../../platform/http/route';
import type { Tenant } from '../../platform/db/tenant';
import { askerOf, readTenantOf, type Services } from '../../platform/http/context';
import { Refusal } from '../../platform/http/problem';
import { loadStockedBusiness } from '../../records/business/business';
import { productOf } from '../../records/shelf/shelf';
import { inThread } from '../../platform/threads/pool';
import { LABELS_PDF, type BottleLabel } from './labelsPdf';
import { bottleWords, loadOpenMixes, type StoredMix } from '../../records/shelf/openMixes';

const wanted = z.object({
  ids: z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(z.uuid()).min(1).max(100)),
});

/** Labels of standing mixes as a PDF for a 62 mm roll: `?ids=` of the mixes. */
export function labelRoutes(router: Router, services: Services): void {
  router.get('/api/mixes/labels.pdf', guarded('GET /api/mixes/labels.pdf'), async (request, response) => {
    const asked = wanted.safeParse(request.query);
    if (!asked.success) throw new Refusal('bad input', 'Say which mixes want a label.');
    const { labels, business } = await readTenantOf(services, askerOf(request), (tx) => labelsOf(tx, asked.data.ids));
    const bytes = await inThread(LABELS_PDF, { labels, business });
    response
      .type('application/pdf')
      .set('Cache-Control', 'private, no-store')
      .set('Content-Disposition', 'inline; filename="bottle-labels.pdf"')
      .send(bytes);
  });
}

async function labelsOf(tx: Tenant, ids: readonly string[]): Promise<{ labels: BottleLabel[]; business: string }> {
  const business = await loadStockedBusiness(tx);
  const openMixes = await loadOpenMixes(tx, ids);
  if (openMixes.length === 0) throw new Refusal('not found', 'None of these mixes stands any more.');
  const when = (at: Date) => format(new TZDate(at.getTime(), business.zone), 'EEE d MMM, HH:mm');
  const label = ({ row, bottle, forDog }: StoredMix): BottleLabel => {
    const product = productOf(business, row.productId);
    return {
      product: product?.name ?? '',
      ratio: showStrength(strengthOf(row.waterParts)),
      bottle: bottleWords(bottle, row.bottleNo),
      mixed: when(row.measuredAt),
      // The first instant it is past: midnight reads as the day before, 24:00.
      discard: `${format(new TZDate(row.discardAt.getTime() - 1, business.zone), 'EEE d MMM')}, end of day`,
      dog: forDog,
      hazard: hazardLine(product?.cautions ?? []),
    };
  };
  return { labels: openMixes.map(label), business: business.name };
}
