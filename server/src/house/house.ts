import type { HouseView, OwnBreedView } from '@dewpond/contract';
import { DEFAULT_HOUSE_WAYS, DEFAULT_SERVICES, type HouseServices, type HouseWays } from '@dewpond/core/careplan';
import { withOwnBreeds, type Catalogue } from '@dewpond/core/catalogue';
import { strengthOf, showStrength, type Bottle, type Product, type ProductKind } from '@dewpond/core/dilution';
import { millilitres, minutes, type Day, type UnitSystem } from '@dewpond/core/units';
import { asc } from 'drizzle-orm';
import { bottle, business, ownBreed, product } from '../db/schema';
import type { Tenant } from '../db/tenant';
import { notFound } from '../http/problem';

export type StockedProduct = Product & { readonly strokeMl: number | null };

/** What the house has and how it works. */
export interface House {
  readonly name: string;
  readonly zone: string;
  readonly units: UnitSystem;
  readonly ways: HouseWays;
  readonly services: HouseServices;
  readonly liftAloneKg: number;
  readonly catalogue: Catalogue;
  readonly ownBreeds: readonly OwnBreedView[];
  readonly schoolChangedOn: Day | null;
  readonly version: number;
  readonly products: readonly StockedProduct[];
  readonly bottles: readonly Bottle[];
}

export async function loadHouse(tx: Tenant): Promise<House> {
  const [row] = await tx.select().from(business);
  if (!row) throw notFound('business');
  const products = await tx.select().from(product).orderBy(asc(product.name));
  const bottles = await tx.select().from(bottle).orderBy(asc(bottle.line));
  const own = await tx.select({ breed: ownBreed.breed, version: ownBreed.version }).from(ownBreed);
  return {
    ...row,
    // Questions that came after this house chose have their default.
    ways: { ...DEFAULT_HOUSE_WAYS, ...row.ways },
    services: { ...DEFAULT_SERVICES, ...row.services },
    catalogue: withOwnBreeds(own.map(({ breed }) => breed)),
    ownBreeds: own,
    schoolChangedOn: row.schoolChangedOn as Day | null,
    products: products.map(asProduct),
    bottles: bottles.map(({ id, name, brim, line, graduation }) => ({
      id,
      name,
      brim: millilitres(brim),
      line: millilitres(line),
      graduation: graduation === null ? null : millilitres(graduation),
    })),
  };
}

function asProduct(row: typeof product.$inferSelect): StockedProduct {
  const { contactLeast, contactMost } = row;
  return {
    id: row.id,
    name: row.name,
    kind: row.kind as ProductKind,
    label: row.label,
    dilution:
      row.waterParts === null ? { kind: 'ready to use' } : { kind: 'dilute', strength: strengthOf(row.waterParts) },
    contact:
      contactLeast === null ? null : { least: minutes(contactLeast), most: minutes(contactMost ?? contactLeast) },
    amountFactor: row.amountFactor,
    suppliedBy: row.suppliedBy,
    costPerMl: row.costPerMl,
    strokeMl: row.strokeMl,
  };
}

export const strengthWords = ({ dilution }: Product): string | null =>
  dilution.kind === 'dilute' ? showStrength(dilution.strength) : null;

export const houseView = (house: House, mayEdit: boolean): HouseView => ({
  version: house.version,
  name: house.name,
  units: house.units,
  services: house.services,
  liftAloneKg: house.liftAloneKg,
  ownBreeds: [...house.ownBreeds],
  ways: house.ways,
  products: house.products.map((each) => ({
    id: each.id,
    name: each.name,
    kind: each.kind,
    label: each.label,
    strength: strengthWords(each),
    strokeMl: each.strokeMl,
    suppliedBy: each.suppliedBy,
    contactMinutes: each.contact?.least ?? null,
  })),
  bottles: [...house.bottles],
  mayEdit,
});
