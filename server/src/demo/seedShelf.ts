import { calibratePump, exactRange, labelMeaning, readLabel } from '@dewpond/core/dilution';
import { addDays, millilitres, type Day } from '@dewpond/core/units';
import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { bottle, fittedPump, lot, madeMix, product, pump } from '../platform/db/schema';
import type { Tenant } from '../platform/db/tenant';
import { instantIn, spanOf } from '../platform/time/zone';
import { addEntry, lockProducts, stockByProduct } from '../records/shelf/ledger';
import type { DemoBusiness, DemoProduct } from './shape';

/** The ledger opens before the first visit. */
const OPENS_DAYS_AGO = 440;

interface Shelving {
  readonly tx: Tenant;
  readonly today: Day;
  readonly by: string;
  readonly zone: string;
}

/** Products with pumps, lots and a first delivery each, and the bottles. */
export async function seedShelf(shelving: Shelving, demo: DemoBusiness): Promise<void> {
  const { tx } = shelving;
  for (const each of demo.products) await seedProduct(shelving, each);
  await tx.insert(bottle).values(demo.bottles.map((each) => ({ id: v7(), ...each })));
}

async function seedProduct({ tx, today, by }: Shelving, demo: DemoProduct): Promise<void> {
  const pumpId = demo.strokes ? v7() : null;
  if (demo.strokes && pumpId !== null) {
    const made = calibratePump(demo.strokes.map(millilitres));
    if (made.kind === 'refused') throw new Error(made.why);
    await tx.insert(pump).values({
      id: pumpId,
      name: `${made.stroke.toFixed(0)} ml pump`,
      strokes: demo.strokes,
      strokeMl: made.stroke,
      calibratedOn: addDays(today, -45),
      calibratedBy: by,
      madeFrom: demo.name,
    });
  }
  const id = v7();
  const { purposes = [], cautions = [], ingredients = [], usual = false } = demo;
  const said = demo.waterParts === null ? null : { waterParts: demo.waterParts, range: null };
  const meaning = labelMeaning(readLabel(demo.label), said);
  await tx.insert(product).values({
    id,
    name: demo.name,
    kind: demo.kind,
    label: demo.label,
    waterParts: demo.waterParts,
    range: meaning.kind === 'diluted' && meaning.dilution.range ? exactRange(meaning.dilution.range) : null,
    purposes,
    cautions,
    ingredients,
    usual,
    contactLeast: demo.contactLeast ?? null,
    suppliedBy: demo.suppliedBy,
    supplier: demo.supplier,
    containerMl: demo.containerMl,
    costPerMl: demo.price / demo.containerMl,
    leadDays: demo.leadDays,
    safetyMl: demo.safetyMl,
  });
  if (pumpId !== null) await tx.insert(fittedPump).values({ productId: id, pumpId });
  for (const { number, deliveredDaysAgo, expiresInDays, open } of demo.lots)
    await tx.insert(lot).values({
      id: v7(),
      productId: id,
      number,
      deliveredOn: addDays(today, -deliveredDaysAgo),
      expires: addDays(today, expiresInDays),
      openedOn: open ? addDays(today, -deliveredDaysAgo + 3) : null,
      madeFrom: number,
    });
  await lockProducts(tx, [id]);
  await addEntry(tx, {
    productId: id,
    kind: 'delivery',
    movement: { kind: 'delivery', ml: demo.opening, reason: '' },
    day: addDays(today, -OPENS_DAYS_AGO),
    by,
  });
}

/** Mixes of the past weeks, less and less of them thrown away; one that was forgotten yesterday; then a count. */
export async function seedMixesPast(shelving: Shelving, demo: DemoBusiness, random: () => number): Promise<void> {
  const { tx, today, by, zone } = shelving;
  const [wash] = demo.products;
  const [row] = wash ? await tx.select().from(product).where(eq(product.name, wash.name)) : [];
  const [half] = await tx.select().from(bottle).where(eq(bottle.name, 'Half-litre bottle'));
  if (!row || !half) return;
  const past = Array.from({ length: 26 }, (_, i) => 183 - i * 7);
  for (const daysAgo of [...past, 1]) {
    const on = addDays(today, -daysAgo);
    const left = daysAgo === 1 ? null : Math.round(500 * (0.08 + (0.32 * daysAgo) / 183) * (0.7 + 0.6 * random()));
    const id = v7();
    const measuredAt = instantIn(zone, on, '08:10');
    await tx.insert(madeMix).values({
      id,
      productId: row.id,
      waterParts: row.waterParts ?? '24',
      bottleId: half.id,
      bottleNo: 1,
      strokes: 4,
      productMl: 20,
      totalMl: 500,
      by,
      day: on,
      measuredAt,
      wateredAt: measuredAt,
      discardAt: spanOf(zone, on).end,
      costPerMl: row.costPerMl,
      ...(left === null
        ? {}
        : { ended: 'poured away' as const, endedAt: instantIn(zone, on, '17:30'), endedOn: on, leftMl: left }),
      madeFrom: '',
    });
    await lockProducts(tx, [row.id]);
    await addEntry(tx, {
      productId: row.id,
      kind: 'mixed',
      movement: { kind: 'mixed', ml: 20, reason: '' },
      day: on,
      by,
      mixId: id,
    });
  }
}

/** The count of two days ago. */
export async function seedCounts({ tx, today, by }: Shelving, demo: DemoBusiness): Promise<void> {
  const stock = await stockByProduct(tx);
  for (const { name } of demo.products) {
    const [row] = await tx.select({ id: product.id }).from(product).where(eq(product.name, name));
    const known = row && stock.get(row.id);
    if (!row || known === undefined) continue;
    // A count finds a little less than the ledger: drops, and what sticks to the container.
    const counted = Math.floor((Math.max(0, known) * 0.98) / 5) * 5;
    await lockProducts(tx, [row.id]);
    await addEntry(tx, {
      productId: row.id,
      kind: 'count',
      movement: { kind: 'count', counted, reason: '' },
      day: addDays(today, -2),
      by,
    });
  }
}
