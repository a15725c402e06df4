import type { OwnBreedView } from '@dewpond/contract';
import { withOwnBreeds, type Catalogue } from '@dewpond/core/catalogue';
import type { BranchKind, PlacesOfSalon, PlanCosts } from '@dewpond/core/bookings';
import type { OwnVisitKind } from '@dewpond/core/steps';
import type { VanWays } from '@dewpond/core/route';
import type { HouseIntervals, WashKinds } from '@dewpond/core/dog';
import type { Day, UnitSystem } from '@dewpond/core/units';
import { DEFAULT_HOUSE_WAYS, DEFAULT_SERVICES, type BusinessServices, type HouseWays } from '@dewpond/core/ways';
import { getTableColumns } from 'drizzle-orm';
import type { QueryBuilder } from 'drizzle-orm/pg-core';
import { isHere } from '../../platform/db/branch';
import { branch, business, ownBreed } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { together, type RowsOf } from '../../platform/db/together';
import { notFound } from '../../platform/http/problem';
import { shelfOf, shelfQueries, type Shelf } from '../shelf/shelf';

/** A business and how it works: what a plan is made with. Its words for owners are loaded apart (`words.ts`). */
export interface Business {
  readonly name: string;
  readonly zone: string;
  readonly units: UnitSystem;
  readonly ways: HouseWays;
  readonly services: BusinessServices;
  readonly liftAloneKg: number;
  readonly mixPerSquareMetre: number;
  readonly washKinds: WashKinds;
  readonly intervals: HouseIntervals;
  readonly visitKinds: readonly OwnVisitKind[];
  readonly planCosts: PlanCosts;
  readonly places: PlacesOfSalon;
  readonly van: VanWays | null;
  /** When owners are reminded of tomorrow by themselves, min from midnight; null: nobody is. */
  readonly remindsAt: number | null;
  /** The branch in force: places and van are its own. */
  readonly branchId: string;
  readonly branchKind: BranchKind;
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

const businessQueries = (select: QueryBuilder) => ({
  businesses: select
    .select({
      ...COLUMNS,
      ...{ places: branch.places, van: branch.van, branchId: branch.id, branchKind: branch.kind },
    })
    .from(business)
    .innerJoin(branch, isHere(branch.id)),
  ownBreeds: select.select({ breed: ownBreed.breed, version: ownBreed.version }).from(ownBreed).orderBy(ownBreed.id),
});

const businessRows = together(businessQueries);

/** The business of the transaction, with the breeds it added, in one statement. Throws 404 where there is none. */
export const loadBusiness = async (tx: Tenant): Promise<Business> => businessOf(await businessRows(tx, {}));

function businessOf({ businesses, ownBreeds }: RowsOf<ReturnType<typeof businessQueries>>): Business {
  const row = businesses[0];
  if (!row) throw notFound('business');
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

export const stockedQueries = (select: QueryBuilder) => ({ ...businessQueries(select), ...shelfQueries(select) });
export type StockedRows = RowsOf<ReturnType<typeof stockedQueries>>;
export const stockedOf = (rows: StockedRows): StockedBusiness => ({ ...businessOf(rows), ...shelfOf(rows) });

const stockedRows = together(stockedQueries);

export const loadStockedBusiness = async (tx: Tenant): Promise<StockedBusiness> => stockedOf(await stockedRows(tx, {}));
