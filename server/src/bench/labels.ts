import { TZDate } from '@date-fns/tz';
import { hazardLine, showStrength, strengthOf } from '@dewpond/core/dilution';
import { format } from 'date-fns';
import type { Router } from 'express';
import { z } from 'zod';
import type { Tenant } from '../db/tenant';
import { askerOf, tenantOf, type Services } from '../http/context';
import { Refusal } from '../http/problem';
import { loadHouse, productOf } from '../house/house';
import { heavily } from '../heavy/pool';
import type { BottleLabel } from './LabelDocument';
import { bottleWords, standingMixes, type Standing } from './standingMixes';

const wanted = z.object({
  ids: z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(z.uuid()).min(1).max(100)),
});

/** Labels of standing mixes as a PDF for a 62 mm roll: `?ids=` of the mixes. */
export function labelRoutes(router: Router, services: Services): void {
  router.get('/api/mixes/labels.pdf', async (request, response) => {
    const asked = wanted.safeParse(request.query);
    if (!asked.success) throw new Refusal('bad input', 'Say which mixes want a label.');
    const { labels, business } = await tenantOf(services, askerOf(request), (tx) => labelsOf(tx, asked.data.ids));
    const bytes = await heavily('labels', { labels, business });
    response
      .type('application/pdf')
      .set('Cache-Control', 'private, no-store')
      .set('Content-Disposition', 'inline; filename="bottle-labels.pdf"')
      .send(bytes);
  });
}

async function labelsOf(tx: Tenant, ids: readonly string[]): Promise<{ labels: BottleLabel[]; business: string }> {
  const house = await loadHouse(tx);
  const standing = (await standingMixes(tx)).filter(({ row }) => ids.includes(row.id));
  if (standing.length === 0) throw new Refusal('not found', 'None of these mixes stands any more.');
  const when = (at: Date) => format(new TZDate(at.getTime(), house.zone), 'EEE d MMM, HH:mm');
  const label = ({ row, bottle, forDog }: Standing): BottleLabel => {
    const product = productOf(house, row.productId);
    return {
      product: product?.name ?? '',
      ratio: showStrength(strengthOf(row.waterParts)),
      bottle: bottleWords(bottle, row.bottleNo),
      mixed: when(row.measuredAt),
      // The first instant it is past: midnight reads as the day before, 24:00.
      discard: `${format(new TZDate(row.discardAt.getTime() - 1, house.zone), 'EEE d MMM')}, end of day`,
      dog: forDog,
      hazard: hazardLine(product?.cautions ?? []),
    };
  };
  return { labels: standing.map(label), business: house.name };
}
