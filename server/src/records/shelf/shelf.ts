import type { BottleView, ProductView, PumpView } from '@dewpond/contract';
import {
  calibratePump,
  concentration,
  exactRange,
  rangeFrom,
  showStrength,
  strengthOf,
  type FreeBottle,
  type Product,
  type ProductKind,
} from '@dewpond/core/dilution';
import { millilitres, minutes, type Day } from '@dewpond/core/units';
import { and, asc, desc, isNull } from 'drizzle-orm';
import type { QueryBuilder } from 'drizzle-orm/pg-core';
import { isHere } from '../../platform/db/branch';
import { bottle, fittedPump, product, pump } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { together, type RowsOf } from '../../platform/db/together';

/** A product's row, with the pump on its container at the branch in force; null: none. */
type ProductRow = typeof product.$inferSelect & { readonly pumpId: string | null };

/** A product as the business keeps it: with its pump's stroke. */
export type StockedProduct = Product & { readonly strokeMl: number | null; readonly row: ProductRow };

/** A kind of bottle, and how many there are. */
export type Shelved = FreeBottle & { readonly count: number; readonly version: number };

/** What stands on the shelves: products in use and archived, pumps, bottles. */
export interface Shelf {
  readonly products: readonly StockedProduct[];
  readonly putAway: readonly StockedProduct[];
  readonly pumps: readonly (typeof pump.$inferSelect)[];
  readonly shelved: readonly Shelved[];
}

export const shelfQueries = (select: QueryBuilder) => ({
  pumps: select
    .select()
    .from(pump)
    .where(and(isNull(pump.archivedOn), isHere(pump.branchId)))
    .orderBy(asc(pump.name)),
  fitted: select
    .select({ productId: fittedPump.productId, pumpId: fittedPump.pumpId })
    .from(fittedPump)
    .where(isHere(fittedPump.branchId)),
  products: select.select().from(product).orderBy(desc(product.usual), asc(product.name), asc(product.id)),
  bottles: select
    .select()
    .from(bottle)
    .where(and(isNull(bottle.archivedOn), isHere(bottle.branchId)))
    .orderBy(asc(bottle.line)),
});

const shelfRows = together(shelfQueries);

export const loadShelf = async (tx: Tenant): Promise<Shelf> => shelfOf(await shelfRows(tx, {}));

export function shelfOf({ pumps, fitted, products, bottles }: RowsOf<ReturnType<typeof shelfQueries>>): Shelf {
  const strokes = new Map(pumps.map(({ id, strokeMl }) => [id, strokeMl]));
  const pumpOf = new Map(fitted.map(({ productId, pumpId }) => [productId, pumpId]));
  const all = products.map((row) => {
    const pumpId = pumpOf.get(row.id) ?? null;
    return asProduct({ ...row, pumpId }, pumpId === null ? null : (strokes.get(pumpId) ?? null));
  });
  return {
    products: all.filter(({ row }) => row.archivedOn === null),
    putAway: all.filter(({ row }) => row.archivedOn !== null),
    pumps,
    shelved: bottles.map(asShelved),
  };
}

/** A product of the business by its id, in use or archived. */
export const productOf = (shelf: Pick<Shelf, 'products' | 'putAway'>, id: string): StockedProduct | undefined =>
  shelf.products.find((each) => each.id === id) ?? shelf.putAway.find((each) => each.id === id);

export const asShelved = ({
  id,
  name,
  brim,
  line,
  graduation,
  count,
  version,
}: typeof bottle.$inferSelect): Shelved => ({
  bottle: {
    id,
    name,
    brim: millilitres(brim),
    line: millilitres(line),
    graduation: graduation === null ? null : millilitres(graduation),
  },
  count,
  version,
});

function asProduct(row: ProductRow, strokeMl: number | null): StockedProduct {
  const { contactLeast, contactMost, waterParts, range } = row;
  return {
    id: row.id,
    name: row.name,
    kind: row.kind as ProductKind,
    label: row.label,
    dilution:
      waterParts === null
        ? { kind: 'ready to use' }
        : {
            kind: 'dilute',
            strength: strengthOf(waterParts),
            ...(range ? { range: rangeFrom(range) } : {}),
          },
    contact:
      contactLeast === null ? null : { least: minutes(contactLeast), most: minutes(contactMost ?? contactLeast) },
    amountFactor: row.amountFactor,
    suppliedBy: row.suppliedBy,
    costPerMl: row.costPerMl,
    cautions: row.cautions,
    ingredients: row.ingredients,
    strokeMl,
    row,
  };
}

export const strengthWords = ({ dilution }: Pick<Product, 'dilution'>): string | null =>
  dilution.kind === 'dilute' ? showStrength(dilution.strength) : null;

export function productView(each: StockedProduct): ProductView {
  const { row } = each;
  const range = each.dilution.kind === 'dilute' ? (each.dilution.range ?? null) : null;
  return {
    id: each.id,
    version: row.version,
    name: each.name,
    kind: each.kind,
    label: each.label,
    waterParts: row.waterParts,
    strength: strengthWords(each),
    range: range && exactRange(range),
    purposes: [...row.purposes],
    contact: each.contact,
    contactMinutes: each.contact?.least ?? null,
    amountFactor: each.amountFactor,
    usual: row.usual,
    suppliedBy: each.suppliedBy,
    supplier: row.supplier,
    cautions: [...each.cautions],
    ingredients: [...each.ingredients],
    containerMl: row.containerMl,
    costPerMl: each.costPerMl,
    price: row.costPerMl === null || row.containerMl === null ? null : toPennies(row.costPerMl * row.containerMl),
    pumpId: row.pumpId,
    strokeMl: each.strokeMl,
    leadDays: row.leadDays,
    safetyMl: row.safetyMl,
    archivedOn: row.archivedOn as Day | null,
  };
}

/** What of the product as bought is in so much of it, mixed at its strength or used as it is, ml. */
export const asBought = ({ dilution }: Pick<Product, 'dilution'>, ml: number): number =>
  dilution.kind === 'dilute' ? ml * concentration(dilution.strength).valueOf() : ml;

/** A price comes back as it was typed. */
const toPennies = (money: number): number => Math.round(money * 100) / 100;

export function pumpView(row: Shelf['pumps'][number], products: readonly StockedProduct[]): PumpView {
  const made = row.strokes.length > 0 ? calibratePump(row.strokes.map(millilitres)) : null;
  return {
    id: row.id,
    version: row.version,
    name: row.name,
    strokes: [...row.strokes],
    strokeMl: row.strokeMl,
    scatter: made?.kind === 'calibrated' ? made.scatter : null,
    calibratedOn: row.calibratedOn as Day | null,
    calibratedBy: row.calibratedBy,
    products: products.filter((each) => each.row.pumpId === row.id).map(({ name }) => name),
  };
}

export const bottleView = ({ bottle: its, count, version }: Shelved): BottleView => ({ ...its, count, version });
