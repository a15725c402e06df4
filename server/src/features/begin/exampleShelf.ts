import { v7 } from 'uuid';
import { bottle, fittedPump, product, pump } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { contentHash } from '../../platform/http/sameContent';

/** A small shelf to try everything with: usual labels of the trade, under names that say what they are [house values]. */
const WASHES = [
  { name: 'Everyday wash (example)', kind: 'cleansing', label: '24:1', waterParts: '24', usual: true, pumped: true },
  { name: 'Gentle wash (example)', kind: 'gentle wash', label: '16:1', waterParts: '16', usual: false, pumped: true },
  { name: 'Conditioner (example)', kind: 'conditioner', label: '16:1', waterParts: '16', usual: true, pumped: true },
  {
    name: 'Ear cleaner (example)',
    kind: 'ear cleaner',
    label: 'Ready to use',
    waterParts: null,
    usual: true,
    pumped: false,
  },
  { name: 'Face wash (example)', kind: 'face', label: 'Ready to use', waterParts: null, usual: true, pumped: false },
] as const;

const BOTTLES = [
  { name: 'Litre bottle (example)', brim: 1080, line: 1000, graduation: 50, count: 2 },
  { name: 'Half-litre bottle (example)', brim: 560, line: 500, graduation: 25, count: 2 },
] as const;

export async function putExamples(tx: Tenant): Promise<void> {
  const pumpId = v7();
  await tx
    .insert(pump)
    .values({ id: pumpId, name: '5 ml pump (example)', strokeMl: 5, madeFrom: contentHash('example pump') });
  const washes = WASHES.map((each) => ({ id: v7(), ...each }));
  await tx.insert(product).values(washes.map(({ pumped: _, ...each }) => ({ ...each, suppliedBy: 'house' as const })));
  const pumped = washes.filter((each) => each.pumped);
  await tx.insert(fittedPump).values(pumped.map(({ id }) => ({ productId: id, pumpId })));
  await tx.insert(bottle).values(BOTTLES.map((each) => ({ id: v7(), ...each })));
}
