import { contradicts, type Instruction } from '@dewpond/core/dog';
import { placeKey } from '@dewpond/core/places';
import { showDay } from '@dewpond/core/units';
import { eq } from 'drizzle-orm';
import type { Router } from 'express';
import { assertMay } from '../../platform/auth/mayAsk';
import { dog, instruction, product } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { badField, notFound } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { asSeen, insertOnce, updateGuarded, wasSentBefore } from '../../platform/http/writes';
import { asInstruction, loadDogs } from '../../records/dog/dogRecord';

export function instructionRoutes(router: Router, services: Services): void {
  route(router, services, 'POST /api/dogs/:id/instructions', async ({ tx, asker, params, body }) => {
    if (body.by === 'vet') assertMay(asker, 'vet words');
    const [known] = await tx.select({ id: dog.id }).from(dog).where(eq(dog.id, params.id));
    if (!known) throw notFound('dog');
    if (body.says.kind === 'bath product' || body.says.kind === 'product') {
      const [stocked] = await tx.select({ id: product.id }).from(product).where(eq(product.id, body.says.productId));
      if (!stocked) throw badField('says.productId', 'There is no such product here.');
    }
    const madeFrom = contentHash({ dogId: params.id, ...body });
    const { id, by, who, place, says, from, until } = body;
    if (await wasSentBefore(tx, instruction, { id, madeFrom })) return { id };
    await assertNoContradiction(tx, params.id, body, 'says');
    await insertOnce(tx, instruction, {
      id,
      dogId: params.id,
      by,
      who,
      place: place && placeKey(place),
      says,
      fromDay: from,
      untilDay: until,
      madeFrom,
    });
    return { id };
  });

  route(router, services, 'PUT /api/instructions/:id', async ({ tx, asker, params, body }) => {
    const [current] = await tx.select().from(instruction).where(eq(instruction.id, params.id));
    if (!current) throw notFound('instruction');
    if (current.by === 'vet') assertMay(asker, 'vet words');
    if (body.until !== null && body.until < current.fromDay) throw badField('until', 'It ends before it begins.');
    if (body.until === null && current.says.kind === 'lift') throw badField('until', 'A lift always has a last day.');
    await assertNoContradiction(tx, current.dogId, { ...asInstruction(current), until: body.until }, 'until');
    return updateGuarded(asSeen(tx, instruction, { id: params.id, version: body.version }, { untilDay: body.until }), {
      what: 'instruction',
      current: () => wordOf(tx, params.id),
      yours: body,
    });
  });
}

async function wordOf(tx: Tenant, id: string): Promise<unknown> {
  const [now] = await tx
    .select({ version: instruction.version, until: instruction.untilDay })
    .from(instruction)
    .where(eq(instruction.id, id));
  return now;
}

/** Refused at `field` when another word of the same authority, on a day both hold, cannot be followed beside it. */
async function assertNoContradiction(tx: Tenant, dogId: string, said: Instruction, field: string): Promise<void> {
  const [record] = await loadDogs(tx, { ids: [dogId] });
  const against = record?.instructions.find((given) => given.id !== said.id && contradicts(given, said));
  if (!against) return;
  const since = `${against.who} said otherwise on ${showDay(against.from)}`;
  throw badField(field, `${since}, and both cannot be followed. End that one first, or change the days.`);
}
