import type { ParsedBodyOf } from '@dewpond/contract';
import { holdsOn } from '@dewpond/core/careplan';
import { strengthOf } from '@dewpond/core/dilution';
import { showDay, type Day } from '@dewpond/core/units';
import { and, eq, ne, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { dog, instruction, product, pump } from '../db/schema';
import type { Tenant } from '../db/tenant';
import { asInstruction } from '../dogs/records';
import type { Services } from '../http/context';
import { badField, conflict, notFound, Refusal } from '../http/problem';
import { route } from '../http/route';
import { contentHash, sameOrRefuse } from '../http/sameContent';
import { loadHouse, productOf, type House } from '../house/house';
import { productView } from '../house/shelf';
import { dayIn } from '../house/zone';
import { refuseMisread } from './readAsPrinted';

type Typed = Omit<ParsedBodyOf<'PUT /api/products/:id'>, 'version'>;

export function productRoutes(router: Router, services: Services): void {
  route(router, services, 'POST /api/products', async ({ tx, asker, body }) => {
    const { id, ...typed } = body;
    const madeFrom = contentHash(body);
    const house = await loadHouse(tx);
    const known = productOf(house, id);
    if (known) {
      sameOrRefuse(known.row.madeFrom, madeFrom);
      return { id };
    }
    await tx
      .insert(product)
      .values({ businessId: asker.businessId, id, madeFrom, ...(await kept(tx, house, typed, id)) });
    await onlyUsual(tx, id, typed);
    return { id };
  });

  route(router, services, 'PUT /api/products/:id', async ({ tx, params, body }) => {
    const { version, ...typed } = body;
    const house = await loadHouse(tx);
    const changed = await tx
      .update(product)
      .set({ ...(await kept(tx, house, typed, params.id)), version: sql`${product.version} + 1` })
      .where(and(eq(product.id, params.id), eq(product.version, version)))
      .returning({ version: product.version });
    if (!changed[0]) return refuseStale(house, params.id, body);
    await onlyUsual(tx, params.id, typed);
    return changed[0];
  });

  route(router, services, 'PUT /api/products/:id/shelf', async ({ tx, params, body, now }) => {
    const house = await loadHouse(tx);
    const today = dayIn(house.zone, now);
    if (body.archived) await refusePrescribed(tx, params.id, today);
    const changed = await tx
      .update(product)
      .set({ archivedOn: body.archived ? today : null, version: sql`${product.version} + 1` })
      .where(and(eq(product.id, params.id), eq(product.version, body.version)))
      .returning({ version: product.version });
    return changed[0] ?? refuseStale(house, params.id, body);
  });
}

/** One of a kind is the usual one: another that was is no longer. */
async function onlyUsual(tx: Tenant, id: string, { usual, kind }: Typed): Promise<void> {
  if (usual)
    await tx
      .update(product)
      .set({ usual: false, version: sql`${product.version} + 1` })
      .where(and(eq(product.kind, kind), ne(product.id, id), eq(product.usual, true)));
}

/** The columns of a product from what was typed; throws a refusal at the field that does not fit. */
async function kept(tx: Tenant, house: House, typed: Typed, id: string) {
  const { contact, price, waterParts, ...rest } = typed;
  const range = refuseMisread(typed, house.ways);
  const called = typed.name.toLowerCase();
  const twin = [...house.products, ...house.putAway].find(
    (each) => each.id !== id && each.name.toLowerCase() === called,
  );
  if (twin) throw badField('name', `There is a product of that name${twin.row.archivedOn ? ', put away' : ''}.`);
  if (price !== null && typed.containerMl === null) throw badField('containerMl', 'For how many ml is that price?');
  if (typed.pumpId !== null) {
    const [its] = await tx.select({ id: pump.id }).from(pump).where(eq(pump.id, typed.pumpId));
    if (!its) throw badField('pumpId', 'There is no such pump here.');
  }
  return {
    ...rest,
    range,
    waterParts: waterParts === null ? null : strengthOf(waterParts).water.toFraction(),
    contactLeast: contact?.least ?? null,
    contactMost: contact?.most ?? null,
    costPerMl: price === null || typed.containerMl === null ? null : price / typed.containerMl,
  };
}

function refuseStale(house: House, id: string, yours: unknown): never {
  const current = productOf(house, id);
  if (!current) throw notFound('product');
  throw conflict('Someone else changed this product meanwhile.', productView(current), yours);
}

/** A product that a word of a vet or owner names stays until that word ends. */
async function refusePrescribed(tx: Tenant, productId: string, today: Day): Promise<void> {
  const rows = await tx
    .select({ given: instruction, dog: dog.name })
    .from(instruction)
    .innerJoin(dog, eq(dog.id, instruction.dogId));
  const names = rows.find(({ given }) => {
    const said = asInstruction(given);
    return said.says.kind === 'bath product' && said.says.productId === productId && holdsOn(said, today);
  });
  if (!names) return;
  const { given } = names;
  const until = given.untilDay ? ` until ${showDay(given.untilDay as Day)}` : '';
  throw new Refusal('conflict', `${given.who} wants it used on ${names.dog}${until}. End that instruction first.`);
}
