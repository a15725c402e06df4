import { isForOneDog, judgeStrength, strengthOf, type Strength } from '@dewpond/core/dilution';
import { showDay, type Day } from '@dewpond/core/units';
import type { ParsedBodyOf } from '@dewpond/contract';
import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import type { Router } from 'express';
import { isHere, standAt } from '../../platform/db/branch';
import { bottle, dog, lot, madeMix, mixLot, mixTaken } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import type { Services } from '../../platform/http/context';
import { badField, notFound, Refusal } from '../../platform/http/problem';
import { route } from '../../platform/http/route';
import { contentHash, assertSame } from '../../platform/http/sameContent';
import { asSeen, updateGuarded } from '../../platform/http/writes';
import { type StockedProduct, productOf, loadShelf } from '../../records/shelf/shelf';
import { spanOf } from '../../platform/time/zone';
import { addEntry, lockProducts, OUT_UNSEEN } from '../../records/shelf/ledger';
import { numbersInUse } from '../../records/shelf/openMixes';

type MixBody = ParsedBodyOf<'POST /api/mixes'>;

/** A mix is made up, watered, used up, poured away; the ledger follows. */
export function mixRoutes(router: Router, services: Services): void {
  route(router, services, 'POST /api/mixes', async ({ tx, asker, body, now, today }) => {
    const madeFrom = contentHash(body);
    // One after another for a bottle's number and the ledger's balance.
    await lockProducts(tx, [body.productId, body.bottleId]);
    const [known] = await tx
      .select({ madeFrom: madeMix.madeFrom, no: madeMix.bottleNo })
      .from(madeMix)
      .where(eq(madeMix.id, body.id));
    if (known) {
      assertSame(known.madeFrom, madeFrom);
      return { id: body.id, no: known.no };
    }
    const product = productOf(await loadShelf(tx), body.productId);
    if (!product) throw badField('productId', 'There is no such product here.');
    const strength = validateStrength(product, body);
    await assertDogFits(tx, product, body.forDogId);
    const no = await freeBottle(tx, body);
    const lots = await lotsTaken(tx, product, body.lotIds, today);
    await tx.insert(madeMix).values({
      id: body.id,
      productId: body.productId,
      waterParts: strength.water.toFraction(),
      bottleId: body.bottleId,
      bottleNo: no,
      strokes: body.strokes,
      productMl: body.productMl,
      totalMl: body.totalMl,
      dogId: body.forDogId,
      by: asker.personName,
      personId: asker.personId,
      day: today,
      measuredAt: new Date(now),
      // A made-up mix is unpreserved: discard at the end of the day [house value].
      discardAt: spanOf(asker.zone, today).end,
      costPerMl: product.costPerMl,
      madeFrom,
    });
    if (lots.length > 0) await tx.insert(mixLot).values(lots.map((lotId) => ({ mixId: body.id, lotId })));
    await addEntry(tx, {
      productId: body.productId,
      kind: 'mixed',
      movement: { kind: 'mixed', ml: body.productMl, reason: OUT_UNSEEN },
      day: today,
      by: asker.personName,
      personId: asker.personId,
      mixId: body.id,
    });
    return { id: body.id, no };
  });

  route(router, services, 'PUT /api/mixes/:id', async ({ tx, asker, params, body, now, today }) => {
    const [row] = await tx.select().from(madeMix).where(eq(madeMix.id, params.id)).for('update');
    if (!row) throw notFound('mix');
    if (row.ended !== null) throw new Refusal('conflict', `That bottle is ${row.ended} already.`);
    if (body.step === 'taken back') {
      await assertNotTaken(tx, row.id);
      await lockProducts(tx, [row.productId]);
      // Back to where it was taken from.
      const [its] = await tx.select({ branchId: bottle.branchId }).from(bottle).where(eq(bottle.id, row.bottleId));
      if (its) await standAt(tx, its.branchId);
      await addEntry(tx, {
        productId: row.productId,
        kind: 'correction',
        movement: { kind: 'correction', ml: row.productMl, reason: 'A mix was taken back: it was not made.' },
        day: today,
        by: asker.personName,
        personId: asker.personId,
        mixId: row.id,
      });
    }
    if (body.step === 'poured away' && body.leftMl > row.totalMl)
      throw badField('leftMl', 'That is more than was in the bottle.');
    const ended = body.step === 'watered' ? null : body.step;
    const set =
      ended === null
        ? { wateredAt: new Date(now) }
        : {
            ended,
            endedAt: new Date(now),
            endedOn: today,
            leftMl: body.step === 'poured away' ? body.leftMl : body.step === 'used up' ? 0 : row.totalMl,
          };
    // All above is undone where someone was faster.
    const write = asSeen(tx, madeMix, { id: row.id, version: body.version }, set);
    return updateGuarded(write, { what: 'mix', current: () => Promise.resolve(row), yours: body });
  });
}

/** The strength it is to have; refuses what the label or its limits do not allow. */
function validateStrength(product: StockedProduct, { waterParts, productMl, totalMl }: MixBody): Strength {
  if (product.dilution.kind === 'ready to use') throw badField('productId', `${product.name} is never diluted.`);
  if (productMl >= totalMl) throw badField('productMl', 'That leaves no room for water: a mix is weaker than neat.');
  let wanted: Strength;
  let made: Strength;
  try {
    wanted = strengthOf(waterParts);
    made = strengthOf((totalMl - productMl) / productMl);
  } catch (error) {
    throw badField('waterParts', (error as Error).message);
  }
  const verdict = judgeStrength(product, made);
  if (verdict.kind === 'refused') throw badField('productMl', verdict.why);
  return wanted;
}

async function assertDogFits(tx: Tenant, product: StockedProduct, dogId: string | null): Promise<void> {
  if (dogId === null) {
    if (isForOneDog(product)) throw badField('forDogId', `${product.name} is mixed for one dog: say for which.`);
    return;
  }
  const [known] = await tx.select({ id: dog.id }).from(dog).where(eq(dog.id, dogId));
  if (!known) throw badField('forDogId', 'There is no such dog here.');
}

/** The lowest number of that kind of bottle that stands empty. */
async function freeBottle(tx: Tenant, { bottleId, totalMl }: MixBody): Promise<number> {
  const [its] = await tx
    .select()
    .from(bottle)
    .where(and(eq(bottle.id, bottleId), isHere(bottle.branchId)));
  if (!its || its.archivedOn !== null) throw badField('bottleId', 'There is no such bottle here.');
  if (totalMl > its.brim + 1e-6) throw badField('totalMl', `${its.name} holds ${Math.round(its.brim)} ml to the brim.`);
  const used = await numbersInUse(tx, bottleId);
  const no = Array.from({ length: its.count }, (_, i) => i + 1).find((each) => !used.includes(each));
  if (no === undefined)
    throw new Refusal(
      'conflict',
      its.count === 1
        ? `${its.name} holds a mix already. Use it up or pour it away first.`
        : `All ${its.count} of ${its.name} hold a mix. Use one up or pour it away first.`,
    );
  return no;
}

/** The lots it was drawn from: the one that is open, or the ones said; an expired one never. */
async function lotsTaken(tx: Tenant, product: StockedProduct, said: readonly string[], today: Day): Promise<string[]> {
  const lots = await tx
    .select()
    .from(lot)
    .where(and(eq(lot.productId, product.id), isNull(lot.emptiedOn), isHere(lot.branchId)))
    .orderBy(asc(lot.deliveredOn), asc(lot.id));
  const open = lots.filter(({ openedOn }) => openedOn !== null);
  const taken = said.length > 0 ? lots.filter(({ id }) => said.includes(id)) : open;
  if (taken.length < said.length) throw badField('lotIds', 'There is no such lot of it, or it is empty.');
  if (said.length === 0 && open.length > 1)
    throw badField(
      'lotIds',
      `Two lots are open, ${open.map(({ number }) => number).join(' and ')}: say which you took.`,
    );
  const expired = taken.find(({ expires }) => expires !== null && expires < today);
  if (expired)
    throw badField(
      'lotIds',
      `Lot ${expired.number} expired on ${showDay(expired.expires as Day)}. Take another, and mark this one as emptied.`,
    );
  for (const { id, openedOn } of taken)
    if (openedOn === null)
      await tx
        .update(lot)
        .set({ openedOn: today, version: sql`${lot.version} + 1` })
        .where(eq(lot.id, id));
  return taken.map(({ id }) => id);
}

async function assertNotTaken(tx: Tenant, mixId: string): Promise<void> {
  const [had] = await tx
    .select({ dog: dog.name })
    .from(mixTaken)
    .innerJoin(dog, eq(dog.id, mixTaken.dogId))
    .where(eq(mixTaken.mixId, mixId));
  if (had) throw new Refusal('conflict', `${had.dog} had some of it: it was made. Use it up or pour it away.`);
}
