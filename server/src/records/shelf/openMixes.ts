import type { MadeMixView, AvailableMix } from '@dewpond/contract';
import { showStrength, strengthOf, type OpenMix } from '@dewpond/core/dilution';
import { millilitres } from '@dewpond/core/units';
import { group } from 'd3-array';
import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import { isHere } from '../../platform/db/branch';
import { bottle, dog, lot, madeMix, mixLot, mixTaken } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { asShelved, productOf, type Shelf } from './shelf';

/** A mix that stands, with what is known of it. */
export interface StoredMix {
  readonly row: typeof madeMix.$inferSelect;
  readonly bottle: typeof bottle.$inferSelect;
  readonly forDog: string | null;
  readonly lots: readonly string[];
  /** Dogs that had it, and how much of it they took, ml. */
  readonly had: readonly { readonly dogId: string; readonly dog: string; readonly ml: number }[];
}

/** Mixes that are not ended, oldest first, fresh and past alike: those of the branch in force, or some by their ids. */
export async function loadOpenMixes(tx: Tenant, asked?: readonly string[]): Promise<StoredMix[]> {
  const rows = await tx
    .select({ row: madeMix, bottle, forDog: dog.name })
    .from(madeMix)
    .innerJoin(bottle, eq(bottle.id, madeMix.bottleId))
    .leftJoin(dog, eq(dog.id, madeMix.dogId))
    .where(and(isNull(madeMix.ended), asked ? inArray(madeMix.id, [...asked]) : isHere(bottle.branchId)))
    .orderBy(asc(madeMix.measuredAt), asc(madeMix.id));
  const ids = rows.map(({ row }) => row.id);
  if (ids.length === 0) return [];
  const lots = await tx
    .select({ mixId: mixLot.mixId, number: lot.number })
    .from(mixLot)
    .innerJoin(lot, eq(lot.id, mixLot.lotId))
    .where(inArray(mixLot.mixId, ids));
  const taken = await tx
    .select({ mixId: mixTaken.mixId, dogId: mixTaken.dogId, dog: dog.name, ml: mixTaken.ml })
    .from(mixTaken)
    .innerJoin(dog, eq(dog.id, mixTaken.dogId))
    .where(inArray(mixTaken.mixId, ids));
  const lotsOf = group(lots, ({ mixId }) => mixId);
  const takenOf = group(taken, ({ mixId }) => mixId);
  return rows.map((each) => ({
    ...each,
    lots: (lotsOf.get(each.row.id) ?? []).map(({ number }) => number),
    had: takenOf.get(each.row.id) ?? [],
  }));
}

/** What is still in it, ml: what was mixed less what visits told they used. */
export const leftIn = ({ row, had }: Pick<StoredMix, 'row' | 'had'>): number =>
  Math.max(0, row.totalMl - had.reduce((sum, { ml }) => sum + ml, 0));

/** As the core plans with it. */
export const asOpenMix = (mix: StoredMix): OpenMix => ({
  id: mix.row.id,
  productId: mix.row.productId,
  strength: strengthOf(mix.row.waterParts),
  bottleId: mix.row.bottleId,
  left: millilitres(leftIn(mix)),
  forDog: mix.row.dogId,
  discardAt: mix.row.discardAt.getTime(),
});

/** "Half-litre bottle 2"; no number where the business has one of them. */
export const bottleWords = ({ name, count }: { name: string; count: number }, no: number): string =>
  count > 1 ? `${name} ${no}` : name;

export function madeMixView(mix: StoredMix, shelf: Shelf): MadeMixView {
  const { row, forDog } = mix;
  const product = productOf(shelf, row.productId);
  const realised = strengthOf((row.totalMl - row.productMl) / row.productMl);
  return {
    id: row.id,
    version: row.version,
    product: { id: row.productId, name: product?.name ?? 'A product', kind: product?.kind ?? 'cleansing' },
    bottle: { ...asShelved(mix.bottle).bottle, name: bottleWords(mix.bottle, row.bottleNo) },
    no: row.bottleNo,
    strength: showStrength(strengthOf(row.waterParts)),
    realised: showStrength(realised),
    strokes: row.strokes,
    productMl: row.productMl,
    totalMl: row.totalMl,
    leftMl: leftIn(mix),
    forDog: row.dogId === null ? null : { id: row.dogId, name: forDog ?? '' },
    by: row.by,
    measuredAt: row.measuredAt.toISOString(),
    wateredAt: row.wateredAt?.toISOString() ?? null,
    discardAt: row.discardAt.toISOString(),
    lots: mix.lots,
    had: [...new Set(mix.had.map((each) => each.dog))],
  };
}

/** A standing mix as the table knows it. */
export const availableMix = (mix: StoredMix, meant: boolean): AvailableMix => ({
  id: mix.row.id,
  bottle: bottleWords(mix.bottle, mix.row.bottleNo),
  productId: mix.row.productId,
  strength: showStrength(strengthOf(mix.row.waterParts)),
  leftMl: leftIn(mix),
  meant,
  forDogId: mix.row.dogId,
  discardAt: mix.row.discardAt.toISOString(),
  watered: mix.row.wateredAt !== null,
});

/** Which bottles of a kind hold a mix, by number. */
export async function numbersInUse(tx: Tenant, bottleId: string): Promise<number[]> {
  const rows = await tx
    .select({ no: madeMix.bottleNo })
    .from(madeMix)
    .where(and(eq(madeMix.bottleId, bottleId), isNull(madeMix.ended)));
  return rows.map(({ no }) => no);
}
