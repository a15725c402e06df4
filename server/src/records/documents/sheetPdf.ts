import { picturesShown, readSheet } from '@dewpond/core/sheet';
import { eq, inArray } from 'drizzle-orm';
import { photo, sheetPdf } from '../../platform/db/schema';
import { inTenant, type BusinessId } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { contentHash } from '../../platform/http/sameContent';
import { SHEET_PDF } from './pdfs';
import type { JobKind } from '../../platform/jobs/jobs';
import { z } from 'zod';
import { inThread } from '../../platform/threads/pool';
import { sheetViewOf } from './sheetView';

export const SHEET_JOB: JobKind<{ businessId: string; visitId: string }> = {
  queue: 'sheet-pdf',
  ids: z.object({ businessId: z.uuid(), visitId: z.uuid() }),
  everySeconds: 2,
  atOnce: 1,
};

/** Pictures that fit on the one page. */
const PHOTOS = 4;
/** A sheet drawn by an older version is drawn anew. */
const DRAWN = 3;

/**
 * The PDF of a visit's sheet: the kept one if the sheet still says the same, otherwise made now and kept. Rendering
 * takes a good part of a second and runs outside any transaction.
 */
export async function sheetAsPdf(
  services: Services,
  businessId: BusinessId,
  visitId: string,
): Promise<{ name: string; bytes: Buffer }> {
  const { printed, stored, madeFrom } = await inTenant(services.databases, businessId, async (tx) => {
    const { sheet, edits, photos, photosAgreed, business, owner, drawing } = await sheetViewOf(
      tx,
      visitId,
      services.now(),
    );
    const read = readSheet(sheet, edits);
    const chosen = (photosAgreed ? picturesShown(photos, edits) : [])
      .flatMap(({ beside, ...picture }) => (beside ? [beside, picture] : [picture]))
      .slice(0, PHOTOS);
    const rows =
      chosen.length === 0
        ? []
        : await tx
            .select({ id: photo.id, bytes: photo.bytes })
            .from(photo)
            .where(
              inArray(
                photo.id,
                chosen.map(({ id }) => id),
              ),
            );
    const shown = chosen.flatMap(({ id, name: words }) => {
      const row = rows.find((each) => each.id === id);
      return row ? [{ words, bytes: row.bytes }] : [];
    });
    const [before] = await tx.select().from(sheetPdf).where(eq(sheetPdf.visitId, visitId));
    return {
      printed: { business, owner, read, drawing, photos: shown },
      madeFrom: contentHash({ business, owner, read, drawing, photos: chosen.map(({ id }) => id), drawn: DRAWN }),
      stored: before,
    };
  });
  const name = `${printed.read.dog}-${printed.read.day}`.replaceAll(/[^\p{L}\p{N}-]+/gu, '-');
  if (stored?.madeFrom === madeFrom) return { name, bytes: stored.bytes };
  const bytes = await inThread(SHEET_PDF, printed);
  await inTenant(services.databases, businessId, (tx) =>
    tx
      .insert(sheetPdf)
      .values({ visitId, madeFrom, bytes })
      .onConflictDoUpdate({ target: [sheetPdf.businessId, sheetPdf.visitId], set: { madeFrom, bytes } }),
  );
  return { name, bytes };
}
