import type { ImportReport, ImportRow } from '@dewpond/contract';
import { eq, inArray } from 'drizzle-orm';
import { standAt } from '../../platform/db/branch';
import { client, dog, importRun, weighing } from '../../platform/db/schema';
import { inTenant, type BusinessId, type Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { contentHash } from '../../platform/http/sameContent';
import type { JobKind } from '../../platform/jobs/jobs';
import { z } from 'zod';
import { loadBusiness, type Business } from '../../records/business/business';
import { dayIn } from '../../platform/time/zone';

export const IMPORT_JOB: JobKind<{ businessId: string; importId: string }> = {
  queue: 'book-import',
  ids: z.object({ businessId: z.uuid(), importId: z.uuid() }),
  everySeconds: 1,
  atOnce: 1,
};

/** Rows written between two looks at whether someone cancelled. */
const CHUNK = 250;

/** Ends the writing; the transaction takes everything back. */
class Halted extends Error {
  constructor(
    readonly state: 'cancelled' | 'failed',
    words: string,
  ) {
    super(words);
  }
}

/**
 * Writes an import in one transaction: all of it or nothing. Progress and the wish to cancel go through transactions
 * of their own, so that both are seen while it runs.
 */
export async function runImport(services: Services, businessId: BusinessId, id: string): Promise<void> {
  const tenant = <T>(work: (tx: Tenant) => Promise<T>) => inTenant(services.databases, businessId, work);
  const run = await tenant(async (tx) => {
    const [row] = await tx.select().from(importRun).where(eq(importRun.id, id)).for('update');
    // Done or cancelled before it began; or "running": a worker died and the queue gave it out again.
    if (!row || (row.state !== 'waiting' && row.state !== 'running')) return null;
    await tx.update(importRun).set({ state: 'running', done: 0 }).where(eq(importRun.id, id));
    return row;
  });
  if (!run) return;
  const rows = run.rows as readonly ImportRow[];
  try {
    await tenant(async (tx) => {
      await standAt(tx, run.branchId);
      const business = await loadBusiness(tx);
      const report = { clients: 0, dogs: 0, words: '' };
      for (let at = 0; at < rows.length; at += CHUNK) {
        const [wish] = await tx.select({ cancelled: importRun.cancelled }).from(importRun).where(eq(importRun.id, id));
        if (wish?.cancelled) throw new Halted('cancelled', 'Cancelled. Nothing was imported.');
        const chunk = rows.slice(at, at + CHUNK);
        await writeChunk(
          tx,
          { importId: id, by: run.by, today: dayIn(business.zone, services.now()), business },
          chunk,
        );
        report.clients += chunk.filter((row) => row.client.kind === 'new').length;
        report.dogs += chunk.reduce((sum, row) => sum + row.dogs.length, 0);
        await tenant((other) =>
          other
            .update(importRun)
            .set({ done: Math.min(at + CHUNK, rows.length) })
            .where(eq(importRun.id, id)),
        );
      }
      await tx.update(importRun).set({ state: 'done', rows: [], report }).where(eq(importRun.id, id));
    });
  } catch (error) {
    const { state, words } = halted(error);
    const report: ImportReport = { clients: 0, dogs: 0, words };
    await tenant((tx) => tx.update(importRun).set({ state, rows: [], report, done: 0 }).where(eq(importRun.id, id)));
    if (words === UNEXPECTED) throw error;
  }
}

const UNEXPECTED = 'Something went wrong on our side. Nothing was imported.';

function halted(error: unknown): { state: 'cancelled' | 'failed'; words: string } {
  if (error instanceof Halted) return { state: error.state, words: error.message };
  const { cause } = error as { cause?: { code?: string; detail?: string } };
  if (cause?.code === '23505')
    return { state: 'failed', words: 'A chip of the file is another dog’s. Nothing was imported.' };
  return { state: 'failed', words: UNEXPECTED };
}

interface ImportRun {
  readonly importId: string;
  readonly by: string;
  readonly today: string;
  readonly business: Business;
}

async function writeChunk(tx: Tenant, writing: ImportRun, rows: readonly ImportRow[]): Promise<void> {
  const { importId, by, today } = writing;
  await assertFound(tx, writing, rows);
  const clients = rows.flatMap(({ client: each }) =>
    each.kind === 'new'
      ? [{ id: each.id, name: each.name, card: each.card, importId, madeFrom: contentHash(each) }]
      : [],
  );
  if (clients.length > 0) await tx.insert(client).values(clients);
  const dogs = rows.flatMap(({ client: owner, dogs: theirs }) =>
    theirs.map(({ id, profile }) => ({
      id,
      clientId: owner.id,
      name: profile.name,
      profile,
      chip: profile.chip || null,
      importId,
      madeFrom: contentHash(profile),
    })),
  );
  if (dogs.length === 0) return;
  await tx.insert(dog).values(dogs);
  await tx
    .insert(weighing)
    .values(dogs.map(({ id, profile }) => ({ dogId: id, day: today, kg: profile.weightKg, by })));
}

/** A breed nobody has, a birthday ahead, an owner who is gone meanwhile. */
async function assertFound(
  tx: Tenant,
  { business: { catalogue }, today }: ImportRun,
  rows: readonly ImportRow[],
): Promise<void> {
  const known = rows.flatMap(({ client: each }) => (each.kind === 'known' ? [each.id] : []));
  const found =
    known.length === 0 ? [] : await tx.select({ id: client.id }).from(client).where(inArray(client.id, known));
  const there = new Set(found.map(({ id }) => id));
  for (const { line, client: owner, dogs } of rows) {
    if (owner.kind === 'known' && !there.has(owner.id))
      throw new Halted('failed', `Row ${line}: that owner is not in the book any more. Nothing was imported.`);
    for (const { profile } of dogs) {
      if (profile.breeds.some((id) => catalogue.find(id) === undefined))
        throw new Halted('failed', `Row ${line}: no such breed in the catalogue. Nothing was imported.`);
      if (profile.born !== null && profile.born > today)
        throw new Halted('failed', `Row ${line}: that birthday is still to come. Nothing was imported.`);
    }
  }
}
