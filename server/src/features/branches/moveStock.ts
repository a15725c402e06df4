import type { stockMove } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { and, eq } from 'drizzle-orm';
import { v5 } from 'uuid';
import type { z } from 'zod';
import type { Asker } from '../../platform/asker';
import { isHere, standAt } from '../../platform/db/branch';
import { branch, lot, product, stockEntry } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { badField } from '../../platform/http/problem';
import { assertSame, contentHash } from '../../platform/http/sameContent';
import { addEntry, lockProducts } from '../../records/shelf/ledger';
import { assertOpen } from './branches';

/** A line out of one ledger and one into another, or neither; a lot that goes along is known at both. */
export async function moveStock(tx: Tenant, asker: Asker, body: z.output<typeof stockMove>, today: Day): Promise<void> {
  const madeFrom = contentHash(body);
  const [its] = await tx.select({ name: product.name }).from(product).where(eq(product.id, body.productId));
  if (!its) throw badField('productId', 'There is no such product here.');
  await lockProducts(tx, [body.productId]);
  const [known] = await tx.select({ madeFrom: stockEntry.madeFrom }).from(stockEntry).where(eq(stockEntry.id, body.id));
  if (known) {
    assertSame(known.madeFrom, madeFrom);
    return;
  }
  const [from] = await tx.select().from(branch).where(isHere(branch.id));
  const to = await assertOpen(tx, body.toBranchId, 'toBranchId');
  if (!from || from.id === to.id) throw badField('toBranchId', 'It is there already.');
  const lotThere = body.lotId === null ? null : await lotAt(tx, body.lotId, body, to.id, today);
  const line = {
    productId: body.productId,
    kind: 'moved',
    day: today,
    by: asker.personName,
    personId: asker.personId,
  } as const;
  const why = (words: string) => [words, body.reason].filter((each) => each !== '').join(': ');
  await addEntry(tx, {
    ...line,
    id: body.id,
    movement: { kind: 'moved', ml: -body.ml, reason: body.reason },
    says: why(`To ${to.name}`),
    lotId: body.lotId,
    madeFrom,
  });
  await standAt(tx, to.id);
  await addEntry(tx, {
    ...line,
    id: v5('there', body.id),
    movement: { kind: 'moved', ml: body.ml, reason: body.reason },
    says: why(`From ${from.name}`),
    lotId: lotThere,
    madeFrom,
  });
}

/** The lot of that number at another branch, written down there where it is new. */
async function lotAt(
  tx: Tenant,
  lotId: string,
  { id, productId }: Pick<z.output<typeof stockMove>, 'id' | 'productId'>,
  branchId: string,
  today: Day,
): Promise<string> {
  const [its] = await tx
    .select()
    .from(lot)
    .where(and(eq(lot.id, lotId), eq(lot.productId, productId), isHere(lot.branchId)));
  if (!its) throw badField('lotId', 'There is no such lot here.');
  const { number, expires, deliveredOn, openedOn } = its;
  const [there] = await tx
    .select({ id: lot.id })
    .from(lot)
    .where(and(eq(lot.productId, productId), eq(lot.number, number), eq(lot.branchId, branchId)));
  if (there) return there.id;
  const made = v5('lot there', id);
  await tx
    .insert(lot)
    .values({ id: made, branchId, productId, number, expires, deliveredOn, openedOn: openedOn && today, madeFrom: '' });
  return made;
}
