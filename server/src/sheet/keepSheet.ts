import { eq } from 'drizzle-orm';
import { sheetPdf } from '../db/schema';
import { inTenant, type BusinessId } from '../db/tenant';
import type { Services } from '../http/context';
import { contentHash } from '../http/sameContent';
import { renderSheet } from './renderSheet';
import { sheetViewOf } from './sheetView';

/**
 * The PDF of a visit's sheet: the kept one if the sheet still says the same, otherwise made now and kept. Rendering
 * takes a good part of a second and runs outside any transaction.
 */
export async function keepSheet(
  services: Services,
  businessId: BusinessId,
  visitId: string,
): Promise<{ name: string; bytes: Buffer }> {
  const { view, kept } = await inTenant(services.databases, businessId, async (tx) => ({
    view: await sheetViewOf(tx, visitId, services.now()),
    kept: (await tx.select().from(sheetPdf).where(eq(sheetPdf.visitId, visitId)))[0],
  }));
  const name = `${view.sheet.dog}-${view.sheet.day}`.replaceAll(/[^\p{L}\p{N}-]+/gu, '-');
  const madeFrom = contentHash(view);
  if (kept?.madeFrom === madeFrom) return { name, bytes: kept.bytes };
  const bytes = await renderSheet(view);
  await inTenant(services.databases, businessId, (tx) =>
    tx
      .insert(sheetPdf)
      .values({ businessId, visitId, madeFrom, bytes })
      .onConflictDoUpdate({ target: [sheetPdf.businessId, sheetPdf.visitId], set: { madeFrom, bytes } }),
  );
  return { name, bytes };
}
