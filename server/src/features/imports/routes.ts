import type { ImportView } from '@dewpond/contract';
import { desc, eq, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { importRun } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { notFound, Refusal } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { insertOnce } from '../../platform/http/writes';
import { enqueue } from '../../platform/jobs/jobs';
import { IMPORT_JOB } from './runImport';
import { undoImport } from './undoImport';

const COLUMNS = {
  id: importRun.id,
  fileName: importRun.fileName,
  by: importRun.by,
  createdAt: importRun.createdAt,
  state: importRun.state,
  done: importRun.done,
  total: importRun.total,
  report: importRun.report,
};
type ImportRecord = Omit<ImportView, 'at'> & { readonly createdAt: Date };

const shown = ({ createdAt, ...row }: ImportRecord): ImportView => ({ ...row, at: createdAt.toISOString() });

/** Imports in the background: begun, watched, cancelled, undone. */
export function importRoutes(router: Router, services: Services): void {
  route(router, services, 'GET /api/imports', async ({ tx }) => {
    const rows = await tx.select(COLUMNS).from(importRun).orderBy(desc(importRun.createdAt)).limit(20);
    return { items: rows.map(shown) };
  });

  route(router, services, 'GET /api/imports/:id', async ({ tx, params }) => viewOf(tx, params.id));

  route(router, services, 'POST /api/imports', async ({ tx, asker, body, now }) => {
    const isNew = await insertOnce(tx, importRun, {
      id: body.id,
      by: asker.personName,
      personId: asker.personId,
      fileName: body.fileName,
      rows: body.rows,
      state: 'waiting',
      total: body.rows.length,
      madeFrom: contentHash(body),
      createdAt: new Date(now),
    });
    if (isNew) await enqueue(tx, IMPORT_JOB, { businessId: asker.businessId, importId: body.id });
    return { id: body.id };
  });

  route(router, services, 'PUT /api/imports/:id', async ({ tx, params, body }) => {
    const { state } = await viewOf(tx, params.id);
    if (body.step === 'cancel') {
      // A running job sees the wish; one that has not begun ends here.
      if (state === 'waiting')
        await tx
          .update(importRun)
          .set({
            state: 'cancelled',
            rows: [],
            report: { clients: 0, dogs: 0, words: 'Cancelled. Nothing was imported.' },
          })
          .where(eq(importRun.id, params.id));
      else if (state === 'running')
        await tx
          .update(importRun)
          .set({ cancelled: sql`true` })
          .where(eq(importRun.id, params.id));
      else if (state !== 'cancelled') throw new Refusal('conflict', 'That import has ended already.');
    } else {
      if (state === 'done') await undoImport(tx, params.id);
      else if (state !== 'undone') throw new Refusal('conflict', 'Only an import that is done can be undone.');
    }
    return viewOf(tx, params.id);
  });
}

async function viewOf(tx: Tenant, id: string): Promise<ImportView> {
  const [row] = await tx.select(COLUMNS).from(importRun).where(eq(importRun.id, id));
  if (!row) throw notFound('import');
  return shown(row);
}
