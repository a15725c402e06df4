import { asc, eq } from 'drizzle-orm';
import { amountUsed, bottle, branch, client, dog, lot, madeMix, product, stockEntry } from '../../platform/db/schema';
import { csv } from './csv';

/** A volume as others read it: no more places than a scale gives. */
const ml = (value: number | null): number | '' => (value === null ? '' : Number(value.toFixed(3)));
const money = (value: number | null): number | '' => (value === null ? '' : Number(value.toFixed(4)));

/** Every line of the ledger, product by product in its order. */
export const stock = csv(
  ['Product', 'Day', 'What', 'Change ml', 'Then there ml', 'Lot', 'Why', 'By', 'Branch'],
  (from) =>
    from
      .select({ entry: stockEntry, product: product.name, lot: lot.number, branch: branch.name })
      .from(stockEntry)
      .innerJoin(branch, eq(branch.id, stockEntry.branchId))
      .innerJoin(product, eq(product.id, stockEntry.productId))
      .leftJoin(lot, eq(lot.id, stockEntry.lotId))
      .orderBy(asc(product.name), asc(branch.createdAt), asc(branch.id), asc(stockEntry.number)),
  ({ entry, ...row }) => [
    row.product,
    entry.day,
    entry.kind,
    ml(entry.ml),
    ml(entry.afterMl),
    row.lot ?? '',
    entry.reason,
    entry.by,
    row.branch,
  ],
);

/** Every mix that was made, and what became of it. */
export const mixes = csv(
  [
    'Day',
    'Product',
    'Parts of water',
    'Bottle',
    'Number',
    'Product ml',
    'Mix ml',
    'Only for',
    'Ended',
    'Left ml',
    'By',
  ],
  (from) =>
    from
      .select({ mix: madeMix, product: product.name, bottle: bottle.name, dog: dog.name })
      .from(madeMix)
      .innerJoin(product, eq(product.id, madeMix.productId))
      .innerJoin(bottle, eq(bottle.id, madeMix.bottleId))
      .leftJoin(dog, eq(dog.id, madeMix.dogId))
      .orderBy(asc(madeMix.measuredAt)),
  ({ mix, ...row }) => [
    mix.day,
    row.product,
    mix.waterParts,
    row.bottle,
    mix.bottleNo,
    ml(mix.productMl),
    ml(mix.totalMl),
    row.dog ?? '',
    mix.ended ?? 'stands',
    ml(mix.leftMl),
    mix.by,
  ],
);

/** What each visit used, and what it cost. */
export const productUse = csv(
  ['Day', 'Dog', 'Owner', 'Product', 'Used ml', 'Product in it ml', 'Cost'],
  (from) =>
    from
      .select({ used: amountUsed, product: product.name, dog: dog.name, owner: client.name })
      .from(amountUsed)
      .innerJoin(product, eq(product.id, amountUsed.productId))
      .innerJoin(dog, eq(dog.id, amountUsed.dogId))
      .innerJoin(client, eq(client.id, dog.clientId))
      .orderBy(asc(amountUsed.day), asc(dog.name), asc(product.name)),
  ({ used, ...row }) => [
    used.day,
    row.dog,
    row.owner,
    row.product,
    ml(used.usedMl),
    ml(used.productMl),
    money(used.cost),
  ],
);
