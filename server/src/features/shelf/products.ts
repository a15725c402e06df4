import type { ParsedBodyOf } from '@dewpond/contract';
import { holdsOn } from '@dewpond/core/dog';
import { exactParts, strengthOf } from '@dewpond/core/dilution';
import { showDay, type Day } from '@dewpond/core/units';
import { and, eq, ne, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { assertMay } from '../../platform/auth/mayAsk';
import { isHere } from '../../platform/db/branch';
import { dog, fittedPump, instruction, product, pump } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { asInstruction } from '../../records/dog/dogRecord';
import type { Services } from '../../platform/http/context';
import { badField, Refusal } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash } from '../../platform/http/sameContent';
import { asSeen, insertOnce, updateGuarded, wasSentBefore } from '../../platform/http/writes';
import { loadStockedBusiness, type StockedBusiness } from '../../records/business/business';
import { type StockedProduct, productOf, productView, loadShelf } from '../../records/shelf/shelf';
import { validateReading } from './readAsPrinted';

type ProductChange = Omit<ParsedBodyOf<'PUT /api/products/:id'>, 'version'>;

export function productRoutes(router: Router, services: Services): void {
  route(router, services, 'POST /api/products', async ({ tx, asker, body }) => {
    const { id, ...typed } = body;
    const madeFrom = contentHash(body);
    const business = await loadStockedBusiness(tx);
    if (await wasSentBefore(tx, product, { id, madeFrom })) return { id };
    if (typed.price !== null) assertMay(asker, 'set prices');
    const row = { id, madeFrom, ...(await savedReading(tx, business, typed, id)) };
    if (await insertOnce(tx, product, row)) {
      await onlyUsual(tx, id, typed);
      await fitPump(tx, id, typed.pumpId);
    }
    return { id };
  });

  route(router, services, 'PUT /api/products/:id', async ({ tx, asker, params, body }) => {
    const { version, ...typed } = body;
    const business = await loadStockedBusiness(tx);
    const known = productOf(business, params.id);
    if (isDilutedOtherwise(known, typed)) assertMay(asker, 'say dilutions');
    const read = await savedReading(tx, business, typed, params.id);
    if (isPricedOtherwise(known, typed)) assertMay(asker, 'set prices');
    // A price is shown in whole pennies: what nobody changed keeps what it was reckoned from.
    const set = known && !isPricedOtherwise(known, typed) ? { ...read, costPerMl: known.row.costPerMl } : read;
    const changed = await change(tx, { id: params.id, version }, set, body);
    await onlyUsual(tx, params.id, typed);
    await fitPump(tx, params.id, typed.pumpId);
    return changed;
  });

  route(router, services, 'PUT /api/products/:id/shelf', async ({ tx, params, body, today }) => {
    if (body.archived) await assertNotPrescribed(tx, params.id, today);
    const seen = { id: params.id, version: body.version };
    return change(tx, seen, { archivedOn: body.archived ? today : null }, body);
  });
}

/** Whether what is printed, or how it was read, is to be another than what is kept. */
function isDilutedOtherwise(
  known: StockedProduct | undefined,
  { kind, label, waterParts, range, purposes }: ProductChange,
): boolean {
  if (!known) return true;
  const { row } = known;
  const stored = { kind: row.kind, label: row.label, waterParts: row.waterParts, purposes: row.purposes };
  const sent = { kind, label, waterParts: waterParts === null ? null : exactParts(strengthOf(waterParts)), purposes };
  return contentHash(stored) !== contentHash(sent) || (range !== null && contentHash(range) !== contentHash(row.range));
}

/** Whether it is to cost something else than whoever changes it was shown. */
function isPricedOtherwise(known: StockedProduct | undefined, { price, containerMl }: ProductChange): boolean {
  const shown = known ? productView(known) : { price: null, containerMl: null };
  return price !== shown.price || (price !== null && containerMl !== shown.containerMl);
}

/** Puts a pump on its container at the branch in force, or takes it off. */
async function fitPump(tx: Tenant, productId: string, pumpId: string | null): Promise<void> {
  if (pumpId === null)
    await tx.delete(fittedPump).where(and(eq(fittedPump.productId, productId), isHere(fittedPump.branchId)));
  else
    await tx
      .insert(fittedPump)
      .values({ productId, pumpId })
      .onConflictDoUpdate({
        target: [fittedPump.businessId, fittedPump.branchId, fittedPump.productId],
        set: { pumpId },
      });
}

/** One of a kind is the usual one: another that was is no longer. */
async function onlyUsual(tx: Tenant, id: string, { usual, kind }: ProductChange): Promise<void> {
  if (usual)
    await tx
      .update(product)
      .set({ usual: false, version: sql`${product.version} + 1` })
      .where(and(eq(product.kind, kind), ne(product.id, id), eq(product.usual, true)));
}

/** The columns of a product from what was typed; throws a refusal at the field that does not fit. */
async function savedReading(tx: Tenant, business: StockedBusiness, typed: ProductChange, id: string) {
  const { contact, price, waterParts, pumpId, ...rest } = typed;
  const [its] =
    pumpId === null
      ? []
      : await tx
          .select()
          .from(pump)
          .where(and(eq(pump.id, pumpId), isHere(pump.branchId)));
  const range = validateReading(typed, business.ways, its?.strokeMl ?? null);
  const called = typed.name.toLowerCase();
  const twin = [...business.products, ...business.putAway].find(
    (each) => each.id !== id && each.name.toLowerCase() === called,
  );
  if (twin) throw badField('name', `There is a product of that name${twin.row.archivedOn ? ', archived' : ''}.`);
  if (price !== null && typed.containerMl === null) throw badField('containerMl', 'For how many ml is that price?');
  if (pumpId !== null && !its) throw badField('pumpId', 'There is no such pump here.');
  return {
    ...rest,
    range,
    waterParts: waterParts === null ? null : strengthOf(waterParts).water.toFraction(),
    contactLeast: contact?.least ?? null,
    contactMost: contact?.most ?? null,
    costPerMl: price === null || typed.containerMl === null ? null : price / typed.containerMl,
  };
}

function change(
  tx: Tenant,
  seen: { readonly id: string; readonly version: number },
  set: Partial<typeof product.$inferInsert>,
  yours: unknown,
): Promise<{ version: number }> {
  const current = async () => {
    const now = productOf(await loadShelf(tx), seen.id);
    return now && productView(now);
  };
  return updateGuarded(asSeen(tx, product, seen, set), { what: 'product', current, yours });
}

/** A product that a word of a vet or owner names stays until that word ends. */
async function assertNotPrescribed(tx: Tenant, productId: string, today: Day): Promise<void> {
  const rows = await tx
    .select({ given: instruction, dog: dog.name })
    .from(instruction)
    .innerJoin(dog, eq(dog.id, instruction.dogId));
  const names = rows.find(({ given }) => {
    const said = asInstruction(given);
    const { says } = said;
    const isNamed = (says.kind === 'bath product' || says.kind === 'product') && says.productId === productId;
    return isNamed && holdsOn(said, today);
  });
  if (!names) return;
  const { given } = names;
  const until = given.untilDay ? ` until ${showDay(given.untilDay as Day)}` : '';
  throw new Refusal('conflict', `${given.who} wants it used on ${names.dog}${until}. End that instruction first.`);
}
