import type { HouseView, OwnBreedView } from '@dewpond/contract';
import { DEFAULT_HOUSE_WAYS, DEFAULT_SERVICES, type HouseServices, type HouseWays } from '@dewpond/core/ways';
import { withOwnBreeds, type Catalogue } from '@dewpond/core/catalogue';
import type { Language } from '@dewpond/core/clients';
import type { Bottle } from '@dewpond/core/dilution';
import type { HouseWordings } from '@dewpond/core/wording';
import type { Day, UnitSystem } from '@dewpond/core/units';
import { business, ownBreed } from '../db/schema';
import type { Tenant } from '../db/tenant';
import { notFound } from '../http/problem';
import { bottleView, loadShelf, productView, pumpView, type Shelf, type StockedProduct } from './shelf';

/** What the house has and how it works. */
export interface House extends Shelf {
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
  readonly currency: string;
  readonly phone: string;
  readonly email: string;
  readonly colour: string;
  /** What owners are written in where their own language is not known. */
  readonly language: Language;
  readonly wording: HouseWordings;
  readonly bottles: readonly Bottle[];
}

export async function loadHouse(tx: Tenant): Promise<House> {
  const [row] = await tx.select().from(business);
  if (!row) throw notFound('business');
  const shelf = await loadShelf(tx);
  const own = await tx.select({ breed: ownBreed.breed, version: ownBreed.version }).from(ownBreed);
  return {
    ...row,
    // Questions that came after this house chose have their default.
    ways: { ...DEFAULT_HOUSE_WAYS, ...row.ways },
    services: { ...DEFAULT_SERVICES, ...row.services },
    catalogue: withOwnBreeds(own.map(({ breed }) => breed)),
    ownBreeds: own,
    schoolChangedOn: row.schoolChangedOn as Day | null,
    ...shelf,
    bottles: shelf.shelved.map(({ bottle }) => bottle),
  };
}

/** A product of the house by its id, in use or put away. */
export const productOf = (house: Pick<House, 'products' | 'putAway'>, id: string): StockedProduct | undefined =>
  house.products.find((each) => each.id === id) ?? house.putAway.find((each) => each.id === id);

export const houseView = (house: House, mayEdit: boolean): HouseView => ({
  version: house.version,
  name: house.name,
  units: house.units,
  services: house.services,
  liftAloneKg: house.liftAloneKg,
  ownBreeds: [...house.ownBreeds],
  ways: house.ways,
  currency: house.currency,
  products: house.products.map(productView),
  putAway: house.putAway.map(productView),
  pumps: house.pumps.map((each) => pumpView(each, house.products)),
  bottles: house.shelved.map(bottleView),
  mayEdit,
});
