import type { CarePlan, DogFacts } from '@dewpond/core/careplan';
import {
  bathAmounts,
  bathMix,
  mixCard,
  surfaceArea,
  RESERVE,
  type BathAmounts,
  type Lather,
} from '@dewpond/core/dilution';
import { millilitres } from '@dewpond/core/units';
import type { MixView } from '@dewpond/contract';
import { strengthWords, type House, type StockedProduct } from '../house/house';

/** The body wash of this dog: what a vet or owner prescribed, else the house's cleansing wash. */
export function bodyProduct(house: House, plan: CarePlan): StockedProduct | undefined {
  const prescribed = plan.bathProduct && house.products.find((each) => each.id === plan.bathProduct?.productId);
  return prescribed ?? house.products.find((each) => each.kind === 'cleansing' && each.suppliedBy === 'house');
}

/** Minutes the body wash must stay on: the instruction first, then the label. */
export const contactMinutes = (house: House, plan: CarePlan): number =>
  plan.bathProduct?.contactMinutes ?? bodyProduct(house, plan)?.contact?.least ?? 0;

const latherOf = (facts: DogFacts, productFactor: number, dogFactor: number): Lather => ({
  weight: facts.weight,
  length: facts.traits.coatLength,
  density: facts.traits.coatDensity,
  productFactor,
  dogFactor,
  washes: facts.ways.washes === 'two' ? 2 : 1,
});

/** Millilitres of the product's mix this bath needs in all. */
export function needOf(amounts: BathAmounts, kind: StockedProduct['kind']): number {
  return kind === 'face' ? amounts.wash1.face + amounts.wash2.face : amounts.wash1.body + amounts.wash2.body;
}

/** What a bath would take without the dog's own factor: what its factor is learned against. */
export const predictedWithoutFactor = (facts: DogFacts, product: StockedProduct): number =>
  needOf(bathAmounts(latherOf(facts, product.amountFactor, 1)), product.kind);

/** The mixes of one dog's bath: body wash, and a mild face wash unless the house or a vet says otherwise. */
export function mixesFor(facts: DogFacts, plan: CarePlan, house: House, dogFactor: number): MixView[] {
  const body = bodyProduct(house, plan);
  const barred = plan.lines.some((line) => line.task === 'bath' && line.bars.length > 0);
  if (!body || barred) return [];
  const withFace = facts.ways.faceProduct === 'tear-free' && !(plan.bathProduct?.nothingElse ?? false);
  const face = withFace ? house.products.find((each) => each.kind === 'face') : undefined;
  return [body, ...(face ? [face] : [])].map((product): MixView => {
    const amounts = bathAmounts(latherOf(facts, product.amountFactor, dogFactor));
    const { dilution: _, strokeMl, ...rest } = product;
    const mix = bathMix(
      millilitres(needOf(amounts, product.kind)),
      product,
      house.bottles,
      strokeMl === null ? null : millilitres(strokeMl),
    );
    return {
      product: { ...rest, strength: strengthWords(product) },
      mix: mixCard(mix),
      strokeMl,
      note:
        plan.bathProduct?.productId === product.id
          ? `${plan.bathProduct.who}${plan.bathProduct.nothingElse ? ': nothing else on the skin' : ''}`
          : '',
      working: {
        area: surfaceArea(facts.weight),
        wash1: product.kind === 'face' ? amounts.wash1.face : amounts.wash1.body,
        wash2: product.kind === 'face' ? amounts.wash2.face : amounts.wash2.body,
        factor: dogFactor,
        reserve: RESERVE,
      },
    };
  });
}
