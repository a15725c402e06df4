import { addDays, type Day } from '@dewpond/core/units';
import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { dog, homeTick, instruction, product } from '../platform/db/schema';
import type { Tenant } from '../platform/db/tenant';
import { contentHash } from '../platform/http/sameContent';
import type { DemoDog } from './shape';

interface SeedHome {
  readonly tx: Tenant;
  readonly today: Day;
}

/** The id of a product of the demo world. */
export async function productNamed(tx: Tenant, name: string): Promise<string> {
  const [wash] = await tx.select({ id: product.id }).from(product).where(eq(product.name, name));
  if (!wash) throw new Error(`No product "${name}" in the demo world.`);
  return wash.id;
}

/** What was agreed with its owner for the weeks between, and what was ticked of it before the last visit. */
export async function seedAtHome({ tx, today }: SeedHome, demo: DemoDog, dogId: string): Promise<void> {
  const { bath, faceADay, seldom } = demo.atHome ?? {};
  if (bath) {
    const bottle =
      bath.product === 'as prescribed'
        ? ({ kind: 'prescribed' } as const)
        : ({ kind: 'filled', productId: await productNamed(tx, bath.product) } as const);
    await tx
      .update(dog)
      .set({ homeBath: { bottle, everyDays: bath.everyDays } })
      .where(eq(dog.id, dogId));
  }
  if (faceADay) {
    const says = { kind: 'at home', task: 'eyes and face', timesADay: faceADay } as const;
    await tx.insert(instruction).values({
      ...{ id: v7(), dogId, by: 'vet', who: demo.prescribed?.who ?? 'Dr Oyelaran', place: null, says },
      fromDay: addDays(today, -demo.lastVisitDaysAgo),
      untilDay: null,
      madeFrom: contentHash(says),
    });
  }
  if (seldom) {
    const last = addDays(today, -demo.lastVisitDaysAgo);
    // Six evenings of brushing in four weeks.
    const ticks = [3, 5, 11, 16, 20, 26].map((before) => ({ dogId, key: 'brush-out', day: addDays(last, -before) }));
    await tx.insert(homeTick).values(ticks);
  }
}
