import { bathAmounts, HOUSE_AMOUNTS, sizeOf, type BathAmounts, type Product } from '../dilution';
import { prescribedOn } from '../careplan';
import type { BathTask, DogFacts } from '../dog';
import { millilitres, type Millilitres } from '../units';
import type { HouseWays } from '../ways';
import { waysFor, washesHead } from '../work';

/** What of a product an amount hangs on. */
export interface Lathering extends Pick<Product, 'kind' | 'amountFactor'> {
  readonly dilution: Pick<Product['dilution'], 'kind'>;
}

/** Mix against a bottle's: a sponge wastes little, a mixer on the hose runs on [house values]. */
export const REACH: Readonly<Record<HouseWays['reach'], number>> = { bottle: 1, sponge: 0.8, 'hose mixer': 1.3 };

/** Whether the face has a product of its own: a prescribed wash stays off it, also where one mild wash does both. */
export const washesFaceApart = (facts: DogFacts): boolean =>
  washesHead(facts) &&
  (facts.ways.faceProduct === 'tear-free' ||
    (facts.ways.faceProduct === 'mild wash for all' && prescribedOn(facts) !== null));

/** Whether the body's wash comes to the face: where one mild wash does both. */
export const bodyWashAtFace = (facts: DogFacts): boolean =>
  washesHead(facts) && facts.ways.faceProduct === 'mild wash for all' && !washesFaceApart(facts);

/**
 * What a wash takes of the body's product: the face's share with it where one mild wash does both, and without the rest
 * of the head where the bath stops at the neck.
 */
function ofBodyWash(facts: DogFacts, { body, face }: BathAmounts['wash1']): number {
  if (!washesHead(facts)) return body - (body + face) * HOUSE_AMOUNTS.headShare;
  return bodyWashAtFace(facts) ? body + face : body;
}

/** Two washes or one, for this dog. */
export const washesOf = (facts: DogFacts): 1 | 2 => (waysFor(facts).washes === 'two' ? 2 : 1);

/**
 * What each part of a bath takes of a product, ml: as mix where it is diluted, as it comes where not. From skin area and
 * coat, the business's amount per m² and its reach, the product's lather and this dog's own factor. The face is washed
 * once: its second wash would be a step, and there is none. docs/formulas.md, "Amount".
 */
export function partAmounts(
  facts: DogFacts,
  { kind, amountFactor, dilution }: Lathering,
  dogFactor: number,
): Readonly<Record<BathTask, Millilitres>> {
  const isReady = dilution.kind === 'ready to use';
  const bath = bathAmounts({
    weight: facts.weight,
    length: facts.traits.coatLength,
    density: facts.traits.coatDensity,
    productFactor: amountFactor,
    dogFactor,
    washes: washesOf(facts),
    // What a vet prescribed is poured at its strength, never through a mixer.
    mixPerSquareMetre: facts.mixPerSquareMetre * (kind === 'medicated' ? 1 : REACH[facts.ways.reach]),
  });
  const share = isReady ? HOUSE_AMOUNTS.readyWash : 1;
  return {
    bath: millilitres(share * ofBodyWash(facts, bath.wash1)),
    'second wash': millilitres(
      share * (bath.wash2.body === 0 ? 0 : ofBodyWash(facts, { body: bath.wash2.body, face: millilitres(0) })),
    ),
    'face wash': millilitres(share * bath.wash1.face),
    conditioner: isReady ? millilitres(HOUSE_AMOUNTS.readyConditioner[sizeOf(facts.weight)]) : bath.conditioner,
  };
}

/**
 * What visits before the washes had products of their own took of one: both washes of the body, the face twice, a
 * conditioner as mix. Their amounts are held against this for ever, whatever is planned since.
 */
export function amountBefore(facts: DogFacts, product: Pick<Product, 'id' | 'kind' | 'amountFactor'>): Millilitres {
  const { wash1, wash2, conditioner } = bathAmounts({
    weight: facts.weight,
    length: facts.traits.coatLength,
    density: facts.traits.coatDensity,
    productFactor: product.amountFactor,
    dogFactor: 1,
    washes: facts.ways.washes === 'two' ? 2 : 1,
  });
  if (product.kind === 'conditioner') return conditioner;
  const given = prescribedOn(facts);
  // Beside a prescribed wash the business's mild one was for the face alone.
  const besidePrescribed =
    given !== null && given.productId !== product.id && facts.ways.faceProduct === 'mild wash for all';
  if (product.kind === 'face' || (besidePrescribed && washesFaceApart(facts)))
    return millilitres(wash1.face + wash2.face);
  return millilitres(ofBodyWash(facts, wash1) + ofBodyWash(facts, wash2));
}
