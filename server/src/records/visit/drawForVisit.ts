import type { Day } from '@dewpond/core/units';
import type { Tenant } from '../../platform/db/tenant';
import { standAt } from '../../platform/db/branch';
import { standWhereDogIs } from '../business/branches';
import { addEntry, lockProducts, openedOn, OUT_UNSEEN } from '../shelf/ledger';

const NIL = 1e-6;

/**
 * Brings the ledger to what a visit drew straight from the containers, ml as bought by product (what it had from the
 * bench was drawn when it was mixed). The ledger is never changed: what was entered before and differs is made up by
 * another line, so that it can be called after every event. Nothing is drawn from a ledger not yet opened on that day.
 * @param entered what the ledger has of this visit.
 */
export async function drawForVisit(
  tx: Tenant,
  visit: { readonly id: string; readonly day: Day; readonly dogId: string },
  drawn: ReadonlyMap<string, number>,
  entered: readonly { readonly productId: string; readonly ml: number; readonly branchId: string }[],
): Promise<void> {
  const before = new Map<string, number>();
  for (const { productId, ml } of entered) before.set(productId, (before.get(productId) ?? 0) - ml);
  const products = [...new Set([...drawn.keys(), ...before.keys()])];
  const differing = products
    .map((productId) => ({ productId, more: (drawn.get(productId) ?? 0) - (before.get(productId) ?? 0) }))
    .filter(({ more }) => Math.abs(more) > NIL);
  if (differing.length === 0) return;
  // Where it was drawn before; else where the dog is.
  const [drawnFirst] = entered;
  await (drawnFirst ? standAt(tx, drawnFirst.branchId) : standWhereDogIs(tx, visit.dogId));
  const opened = await openedOn(
    tx,
    differing.map(({ productId }) => productId),
  );
  await lockProducts(
    tx,
    differing.map(({ productId }) => productId),
  );
  for (const { productId, more } of differing) {
    const since = opened.get(productId);
    if (since === undefined || visit.day < since) continue;
    await addEntry(tx, {
      productId,
      kind: 'use',
      movement:
        more > 0
          ? { kind: 'use', ml: more, reason: OUT_UNSEEN }
          : { kind: 'correction', ml: -more, reason: 'Less was used than told before.' },
      day: visit.day,
      by: 'Dewpond',
      visitId: visit.id,
    });
  }
}
