import { and, eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { assertMay } from '../../platform/auth/mayAsk';
import { sheetEdit, visit, visitEvent } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { note } from '../../platform/audit/audit';
import { askerOf, tenantOf, type Services } from '../../platform/http/context';
import { idIn } from '../../platform/http/ids';
import { notFound } from '../../platform/http/problem';
import { guarded, route } from '../../platform/http/route';
import { sendPdf } from '../../platform/http/sendPdf';
import { updateGuarded } from '../../platform/http/writes';
import { sheetAsPdf } from '../../records/documents/sheetPdf';
import { editsOf, sheetViewOf } from '../../records/documents/sheetView';

export function sheetRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/visits/:id/sheet', ({ tx, params, now }) => sheetViewOf(tx, params.id, now));

  route(router, services, 'PUT /api/visits/:id/sheet', async ({ tx, asker, params, body }) => {
    const [known] = await tx.select({ id: visit.id }).from(visit).where(eq(visit.id, params.id));
    if (!known) throw notFound('visit');
    if (!(await isOwnVisit(tx, params.id, asker.personId))) assertMay(asker, 'change others’ sheets');
    const set = { edits: body.edits, editedBy: asker.personName, personId: asker.personId, editedAt: sql`now()` };
    // The version is compared where it is written: of two hands at the same moment one hears of the other.
    const write =
      body.version === 0
        ? tx
            .insert(sheetEdit)
            .values({ visitId: params.id, ...set })
            .onConflictDoNothing()
            .returning({ version: sheetEdit.version })
        : tx
            .update(sheetEdit)
            .set({ ...set, version: body.version + 1 })
            .where(and(eq(sheetEdit.visitId, params.id), eq(sheetEdit.version, body.version)))
            .returning({ version: sheetEdit.version });
    return updateGuarded(write, { what: 'sheet', current: () => editsOf(tx, params.id), yours: body });
  });

  router.get('/api/visits/:id/sheet.pdf', guarded('GET /api/visits/:id/sheet.pdf'), async (request, response) => {
    const id = idIn(request.params.id, 'visit');
    const asker = askerOf(request);
    const sheet = await sheetAsPdf(services, asker.businessId, id);
    await tenantOf(services, asker, (tx) =>
      note(tx, asker, { what: 'saw', about: id, words: 'The sheet of a visit as a PDF', now: services.now() }),
    );
    sendPdf(response, sheet);
  });
}

/** Whether a person had a hand in a visit: whoever worked on the dog may say what its sheet says. */
async function isOwnVisit(tx: Tenant, visitId: string, personId: string): Promise<boolean> {
  const [own] = await tx
    .select({ id: visitEvent.id })
    .from(visitEvent)
    .where(and(eq(visitEvent.visitId, visitId), eq(visitEvent.personId, personId)))
    .limit(1);
  return own !== undefined;
}
