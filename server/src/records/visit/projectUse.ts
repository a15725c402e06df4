import { predictedWithoutFactor } from '@dewpond/core/needs';
import type { Task } from '@dewpond/core/tasks';
import { placeKey, SIDES } from '@dewpond/core/places';
import { asc, inArray } from 'drizzle-orm';
import { madeMix } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { needsOfBath, needsOfVisit } from '../dog/bathNeeds';
import { type StockedProduct, asBought, productOf, type Shelf } from '../shelf/shelf';
import { earWorkOf, wasCaredFor } from '@dewpond/core/visit';
import type { LoadedVisit } from './load';
import type { Projection, VisitKey, Written } from './written';

type MixRow = typeof madeMix.$inferSelect;

/** So much of a product at this visit. */
interface Use {
  readonly product: StockedProduct;
  readonly ml: number;
  /** Whether it teaches how much this dog takes. */
  readonly complete: boolean;
  /** Parts of the bath it was for; null: told before that was asked. */
  readonly tasks: readonly Task[] | null;
}

/**
 * What a visit used, from what mix and lot, at what cost, as rows; and what of it came straight from the containers, ml by
 * product. A price once paid stays, whatever the product costs today.
 */
export async function useOf(
  tx: Tenant,
  loaded: LoadedVisit,
  shelf: Shelf,
  { wroteAmounts, openedLots }: Pick<Written, 'wroteAmounts' | 'openedLots'>,
): Promise<{
  readonly rows: Pick<Projection, 'amounts' | 'mixes' | 'lots'>;
  readonly drawn: ReadonlyMap<string, number>;
}> {
  const { row, state } = loaded;
  const key: VisitKey = { visitId: row.id, dogId: row.dogId, day: row.day };
  const before = new Map(wroteAmounts.map((each) => [each.productId, each]));
  const uses = [...told(loaded, shelf), ...assumed(loaded, shelf), ...understood(loaded, shelf, before)];
  const taken = await mixesTaken(tx, loaded);
  const shares = taken.map((mix) => ({ mix, ml: shareOf(mix, taken, uses) }));
  const drawn = new Map<string, number>();
  const amounts = uses.map(({ product, ml, complete, tasks }) => {
    const its = shares.filter(({ mix }) => mix.productId === product.id);
    const fromMixes = its.reduce((sum, each) => sum + (each.ml * each.mix.productMl) / each.mix.totalMl, 0);
    const known = before.get(product.id);
    const direct =
      its.length > 0 ? 0 : known && known.usedMl > 0 ? (ml * known.productMl) / known.usedMl : asBought(product, ml);
    if (direct > 0) drawn.set(product.id, direct);
    const productMl = fromMixes + direct;
    const price = pricePaid(known) ?? its[0]?.mix.costPerMl ?? product.costPerMl;
    return {
      ...key,
      productId: product.id,
      usedMl: ml,
      predictedMl: predictedWithoutFactor(loaded.facts, product, tasks),
      complete,
      productMl,
      cost: price === null ? null : productMl * price,
    };
  });
  const mixes = shares.map(({ mix, ml }) => ({
    ...key,
    mixId: mix.id,
    ml,
    override: state.mixes.find((each) => each.mix === mix.id)?.override ?? null,
  }));
  const lots = openOn(openedLots, key.day, drawn).map(({ id }) => ({ ...key, lotId: id }));
  return { rows: { amounts, mixes, lots }, drawn };
}

/** What was tapped at the table. */
function told(loaded: LoadedVisit, shelf: Shelf): Use[] {
  const { state, planned } = loaded;
  // At the strength it is mixed to for this dog, where the bath chose it.
  const chosen = state.used.length > 0 ? needsOfBath(planned, shelf, 1).needs : [];
  return state.used.flatMap(({ product: id, ml, how, tasks = null }) => {
    const product = chosen.find((need) => need.product.id === id)?.product ?? productOf(shelf, id);
    if (!product) return [];
    // What finished a step was for no part of the bath, and teaches nothing of it.
    const teaches = how !== 'substituted' && ml > 0 && tasks?.length !== 0;
    return [{ product, ml, complete: teaches && state.closed !== 'ended early', tasks }];
  });
}

/** A bottle was taken and nobody told how much of it when the visit closed: what was planned. It teaches nothing. */
function assumed({ state, planned, record }: LoadedVisit, shelf: Shelf): Use[] {
  if (state.closed === null) return [];
  const silent = state.mixes.filter(({ product }) => !state.used.some((each) => each.product === product));
  if (silent.length === 0) return [];
  const { needs } = needsOfBath(planned, shelf, record.amountFactor);
  return [...new Set(silent.map(({ product }) => product))].flatMap((id) => {
    const need = needs.find(({ product }) => product.id === id);
    return need ? [{ product: need.product, ml: need.ml, complete: false, tasks: need.tasks }] : [];
  });
}

/**
 * Small amounts nobody is asked about: a place that was cared for had the business's amount. They teach nothing. What was
 * written down at the time stays, whatever the business uses since.
 */
function understood(loaded: LoadedVisit, shelf: Shelf, before: ReadonlyMap<string, UsedRow>): Use[] {
  const { planned, state, record } = loaded;
  const cared = planned.plan.lines.filter(({ place }) => place !== null && wasCaredFor(loaded, place));
  const keys = new Set(cared.map(({ place }) => place && placeKey(place)));
  const lines = planned.plan.lines.filter(({ place }) => place !== null && keys.has(placeKey(place)));
  const { needs } = needsOfVisit(
    { kind: 'full visit' },
    { ...planned, plan: { ...planned.plan, lines } },
    shelf,
    record.amountFactor,
    earsOf(loaded),
  );
  return needs
    .filter(({ byArea, product }) => !byArea && !state.used.some((each) => each.product === product.id))
    .map(({ product, ml }) => {
      const then = [...before.values()]
        .map((each) => ({ each, product: productOf(shelf, each.productId) }))
        .find((known) => known.product?.kind === product.kind);
      return { product: then?.product ?? product, ml: then?.each.usedMl ?? ml, complete: false, tasks: null };
    });
}

/** How its ears were cleaned, as deep as the look asked for. */
const earsOf = (loaded: LoadedVisit) =>
  Object.fromEntries(
    SIDES.flatMap((side) => {
      const work = earWorkOf(loaded, side);
      return work ? [[side, work]] : [];
    }),
  );

async function mixesTaken(tx: Tenant, { state }: LoadedVisit): Promise<MixRow[]> {
  if (state.mixes.length === 0) return [];
  return tx
    .select()
    .from(madeMix)
    .where(
      inArray(
        madeMix.id,
        state.mixes.map(({ mix }) => mix),
      ),
    )
    .orderBy(asc(madeMix.measuredAt), asc(madeMix.id));
}

/** What of the used amount came from this mix: of several of one product the earlier gives first, as far as it holds. */
function shareOf(mix: MixRow, taken: readonly MixRow[], uses: readonly Use[]): number {
  const used = uses.find(({ product }) => product.id === mix.productId)?.ml ?? 0;
  const same = taken.filter((each) => each.productId === mix.productId);
  const before = same.slice(0, same.indexOf(mix)).reduce((sum, each) => sum + each.totalMl, 0);
  const left = Math.max(0, used - before);
  return same.at(-1) === mix ? left : Math.min(left, mix.totalMl);
}

type UsedRow = Written['wroteAmounts'][number];

const pricePaid = (known: UsedRow | undefined): number | null =>
  known && known.cost !== null && known.productMl > 0 ? known.cost / known.productMl : null;

/** The lots that stood open, where something came straight from the container: with two open, either may have been it. */
const openOn = (lots: Written['openedLots'], day: string, drawn: ReadonlyMap<string, number>) =>
  lots.filter(
    ({ productId, openedOn, emptiedOn }) =>
      drawn.has(productId) && openedOn !== null && openedOn <= day && (emptiedOn === null || emptiedOn >= day),
  );
