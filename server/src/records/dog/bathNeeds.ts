import { visitNeeds, type Need, type ProductRound } from '@dewpond/core/needs';
import { type CarePlan } from '@dewpond/core/careplan';
import { type DogFacts } from '@dewpond/core/dog';
import { bathMix, mixCard, surfaceArea, RESERVE } from '@dewpond/core/dilution';
import { millilitres } from '@dewpond/core/units';
import { mostWaste } from '@dewpond/core/ways';
import type { VisitKind } from '@dewpond/core/steps';
import type { MixView } from '@dewpond/contract';
import { type StockedBusiness } from '../business/business';
import { type StockedProduct, productOf, strengthWords, type Shelf } from '../shelf/shelf';

/** The body wash of this dog: what a vet or owner prescribed, else the business's. */
export function bodyProduct(shelf: Shelf, facts: DogFacts, plan: CarePlan): StockedProduct | undefined {
  const prescribed = plan.bathProduct && productOf(shelf, plan.bathProduct.productId);
  return prescribed ?? visitNeeds('bath', facts, plan, shelf.products, 1).needs[0]?.product;
}

/** Minutes the body wash must stay on: the instruction first, then the label. */
export const contactMinutes = (shelf: Shelf, facts: DogFacts, plan: CarePlan): number =>
  plan.bathProduct?.contactMinutes ?? bodyProduct(shelf, facts, plan)?.contact?.least ?? 0;

/** Most minutes on the skin, by the label; a vet's own time has no such end, null. */
export const contactMost = (shelf: Shelf, facts: DogFacts, plan: CarePlan): number | null =>
  plan.bathProduct ? null : (bodyProduct(shelf, facts, plan)?.contact?.most ?? null);

const ROUND_OF: Readonly<Record<VisitKind, ProductRound>> = {
  'full visit': 'all',
  'bath only': 'bath',
  'ears and nails': 'ears',
  lesson: 'nothing',
};

/** What a visit of this kind takes of the business's products. */
export const needsOfVisit = (kind: VisitKind, facts: DogFacts, plan: CarePlan, shelf: Shelf, dogFactor: number) =>
  visitNeeds(ROUND_OF[kind], facts, plan, shelf.products, dogFactor);

/** The mixes of one dog's bath: body wash, mild face wash, conditioner, as far as house, dog and vet ask for them. */
export function mixesFor(facts: DogFacts, plan: CarePlan, business: StockedBusiness, dogFactor: number): MixView[] {
  return visitNeeds('bath', facts, plan, business.products, dogFactor).needs.map((need) =>
    mixView(need, facts, plan, business, dogFactor),
  );
}

function mixView(
  { product, ml, wash1, wash2 }: Need<StockedProduct>,
  facts: DogFacts,
  plan: CarePlan,
  business: StockedBusiness,
  dogFactor: number,
): MixView {
  const { dilution: _, strokeMl, row: __, ...rest } = product;
  const mix = bathMix(
    ml,
    product,
    business.shelved.map(({ bottle }) => bottle),
    strokeMl === null ? null : millilitres(strokeMl),
    mostWaste(business.ways),
  );
  const given = plan.bathProduct?.productId === product.id ? plan.bathProduct : null;
  return {
    product: { ...rest, strength: strengthWords(product) },
    mix: mixCard(mix),
    strokeMl,
    note: given ? `${given.who}${given.nothingElse ? ': nothing else on the skin' : ''}` : '',
    working: { area: surfaceArea(facts.weight), wash1, wash2, factor: dogFactor, reserve: RESERVE },
  };
}
