import { newVetLook } from '@dewpond/contract';
import { lookDay, lookDays, vetLookTold } from '@dewpond/core/due';
import { showDay } from '@dewpond/core/units';
import { v7 } from 'uuid';
import { instruction } from '../../platform/db/schema';
import { inTenant, type BusinessId } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { Refusal, badInput } from '../../platform/http/problem';
import { contentHash } from '../../platform/http/sameContent';
import { dayIn } from '../../platform/time/zone';
import { loadBusiness } from '../../records/business/business';
import { loadDogs } from '../../records/dog/dogRecord';

/** Keeps the day of a vet's look for this dog, once: told again, nothing is written. */
export async function keepVetLook(
  services: Services,
  { businessId, dogId }: { readonly businessId: BusinessId; readonly dogId: string },
  sent: unknown,
): Promise<void> {
  const parsed = newVetLook.safeParse(sent);
  if (!parsed.success) throw badInput(parsed.error);
  const { task, on } = parsed.data;
  await inTenant(services.databases, businessId, async (tx) => {
    const today = dayIn((await loadBusiness(tx)).zone, services.now());
    if (lookDay(on, today) === null)
      throw new Refusal('bad input', `A day between ${showDay(lookDays(today).first)} and today, please.`);
    const [record] = await loadDogs(tx, { ids: [dogId] });
    const isKnown = record?.instructions.some(
      ({ says }) => says.kind === 'vet saw' && says.task === task && says.on === on,
    );
    if (!record || isKnown) return;
    const { until, ...told } = vetLookTold(v7(), parsed.data);
    const madeFrom = contentHash({ dogId, ...told });
    await tx.insert(instruction).values({ ...told, dogId, fromDay: today, untilDay: until, madeFrom });
  });
}
