import type { OwnBreedView } from '@dewpond/contract';
import { withOwnBreeds, type Catalogue } from '@dewpond/core/catalogue';
import type { Day, UnitSystem } from '@dewpond/core/units';
import { DEFAULT_HOUSE_WAYS, DEFAULT_SERVICES, type BusinessServices, type HouseWays } from '@dewpond/core/ways';
import { getTableColumns, sql } from 'drizzle-orm';
import { business, ownBreed } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { notFound } from '../../platform/http/problem';
import { loadShelf, type Shelf } from '../shelf/shelf';

/** A business and how it works: what a plan is made with. Its words for owners are loaded apart (`words.ts`). */
export interface Business {
  readonly name: string;
  readonly zone: string;
  readonly units: UnitSystem;
  readonly ways: HouseWays;
  readonly services: BusinessServices;
  readonly liftAloneKg: number;
  readonly catalogue: Catalogue;
  readonly ownBreeds: readonly OwnBreedView[];
  readonly schoolChangedOn: Day | null;
  readonly version: number;
  readonly currency: string;
  readonly phone: string;
  readonly email: string;
  readonly colour: string;
}

const { wording: _, language: __, businessId: ___, ...COLUMNS } = getTableColumns(business);

/** The business of the transaction, with the breeds it added, in one statement. Throws 404 where there is none. */
export async function loadBusiness(tx: Tenant): Promise<Business> {
  const rows = await tx
    .select({ row: COLUMNS, breed: ownBreed.breed, version: ownBreed.version })
    .from(business)
    .leftJoin(ownBreed, sql`true`)
    .orderBy(ownBreed.id);
  const row = rows[0]?.row;
  if (!row) throw notFound('business');
  const ownBreeds = rows.flatMap(({ breed, version }) => (breed && version !== null ? [{ breed, version }] : []));
  return {
    ...row,
    // Questions that came after this business chose have their default.
    ways: { ...DEFAULT_HOUSE_WAYS, ...row.ways },
    services: { ...DEFAULT_SERVICES, ...row.services },
    catalogue: withOwnBreeds(ownBreeds.map(({ breed }) => breed)),
    ownBreeds,
    schoolChangedOn: row.schoolChangedOn as Day | null,
  };
}

/** A business with its shelf: what a visit that takes products is planned with. */
export interface StockedBusiness extends Business, Shelf {}

export const loadStockedBusiness = async (tx: Tenant): Promise<StockedBusiness> => ({
  ...(await loadBusiness(tx)),
  ...(await loadShelf(tx)),
});
