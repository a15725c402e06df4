import { bathAmounts, clashing, type BathAmounts, type Product, type ProductKind } from '../dilution';
import { millilitres, type Millilitres } from '../units';
import type { DogFacts } from './facts';
import { toAvoid } from './instructions';
import { lineAmounts } from './lineAmounts';
import type { CarePlan } from './makePlan';
import type { Task } from '../tasks';

/** What a visit does with products: all of it, the bath alone, ears alone, nothing. */
export type ProductRound = 'all' | 'bath' | 'ears' | 'nothing';

/** So much of one product for a visit: mix where it is diluted, the product itself where not. */
export interface Need<P extends Product = Product> {
  readonly product: P;
  readonly ml: Millilitres;
  /** Reckoned from skin and coat, so that what is used teaches this dog's factor. */
  readonly byArea: boolean;
  readonly wash1: Millilitres;
  readonly wash2: Millilitres;
}

export interface VisitNeeds<P extends Product = Product> {
  readonly needs: readonly Need<P>[];
  /** What a person must decide before it is mixed, in words. */
  readonly trouble: readonly string[];
}

/** Kinds of product a plain wash may be, the house's way first. */
const bodyKinds = ({ ways }: DogFacts): readonly ProductKind[] =>
  ways.washes === 'two' ? ['cleansing', 'conditioning wash'] : ['conditioning wash', 'cleansing'];

/** Tasks with a house amount of one kind of product, as it comes. */
const SMALL: Readonly<Partial<Record<Task, ProductKind>>> = {
  'ear cleaning': 'ear cleaner',
  'eyes and face': 'eye and face cleaner',
  'fold care': 'fold care',
};

const ROUND: Readonly<Record<ProductRound, readonly Task[]>> = {
  all: ['ear cleaning', 'eyes and face', 'fold care'],
  bath: [],
  ears: ['ear cleaning'],
  nothing: [],
};

/**
 * What one visit takes of the house's products: the body wash (prescribed, else the house's), mild face wash,
 * conditioner and the small amounts for ears, eyes and folds. A product that lists what the dog is to be kept from is
 * passed over for another of its kind; where there is none, and where a prescribed one lists it, a person decides.
 */
export function visitNeeds<P extends Product>(
  round: ProductRound,
  facts: DogFacts,
  plan: CarePlan,
  products: readonly P[],
  dogFactor: number,
): VisitNeeds<P> {
  const avoid = toAvoid(facts, facts.today);
  const trouble: string[] = [];
  const firstOf = (kinds: readonly ProductKind[]): P | undefined => {
    const suited = kinds.flatMap((kind) =>
      products.filter((each) => each.kind === kind && each.suppliedBy === 'house'),
    );
    const free = suited.find(({ ingredients }) => clashing(ingredients, avoid).length === 0);
    if (!free && suited[0])
      trouble.push(
        `${suited[0].name} lists ${clashing(suited[0].ingredients, avoid).join(', ')}, and there is no other.`,
      );
    return free;
  };
  const bathing = round === 'all' || round === 'bath';
  const barred = plan.lines.some((line) => line.task === 'bath' && line.bars.length > 0);
  const washing = bathing && !barred ? bathNeeds(facts, plan, products, dogFactor, firstOf, avoid, trouble) : [];
  const small = plan.lines.flatMap((line): Need<P>[] => {
    const kind = SMALL[line.task];
    if (!kind || !ROUND[round].includes(line.task)) return [];
    const ml = lineAmounts(line, facts, dogFactor).reduce(
      (sum, { amount }) => sum + ('ml' in amount ? amount.ml : 0),
      0,
    );
    const product = ml > 0 ? firstOf([kind]) : undefined;
    return product ? [plainNeed(product, ml)] : [];
  });
  return { needs: [...washing, ...together(small)], trouble: [...new Set(trouble)] };
}

function bathNeeds<P extends Product>(
  facts: DogFacts,
  plan: CarePlan,
  products: readonly P[],
  dogFactor: number,
  firstOf: (kinds: readonly ProductKind[]) => P | undefined,
  avoid: readonly string[],
  trouble: string[],
): Need<P>[] {
  const given = plan.bathProduct;
  const prescribed = given ? products.find(({ id }) => id === given.productId) : undefined;
  const listed = prescribed ? clashing(prescribed.ingredients, avoid) : [];
  if (prescribed && listed.length > 0)
    trouble.push(
      `${prescribed.name} was prescribed and lists ${listed.join(', ')}: ask ${given?.who ?? 'the vet'} first.`,
    );
  const body = prescribed ?? firstOf(bodyKinds(facts));
  const alone = given?.nothingElse ?? false;
  const face = facts.ways.faceProduct === 'tear-free' && !alone ? firstOf(['face']) : undefined;
  const line = plan.lines.find(({ task }) => task === 'conditioner');
  const conditioned =
    line && line.bars.length === 0 && line.interval !== null && facts.ways.conditioner !== 'never' && !alone;
  const conditioner = conditioned ? firstOf(['conditioner']) : undefined;
  const need = (product: P | undefined, of: (bath: BathAmounts) => readonly [number, number]): Need<P>[] => {
    if (!product) return [];
    const [wash1, wash2] = of(bathFor(facts, product, dogFactor));
    return [
      {
        product,
        ml: millilitres(wash1 + wash2),
        byArea: true,
        wash1: millilitres(wash1),
        wash2: millilitres(wash2),
      },
    ];
  };
  return [
    ...need(body, ({ wash1, wash2 }) => [wash1.body, wash2.body]),
    ...need(face, ({ wash1, wash2 }) => [wash1.face, wash2.face]),
    ...need(conditioner, (bath) => [bath.conditioner, 0]),
  ];
}

const bathFor = (facts: DogFacts, product: Product, dogFactor: number): BathAmounts =>
  bathAmounts({
    weight: facts.weight,
    length: facts.traits.coatLength,
    density: facts.traits.coatDensity,
    productFactor: product.amountFactor,
    dogFactor,
    washes: facts.ways.washes === 'two' ? 2 : 1,
  });

/** What a bath would take of a product without the dog's own factor, ml: what its factor is learned against. */
export function predictedWithoutFactor(facts: DogFacts, product: Product): Millilitres {
  const { wash1, wash2, conditioner } = bathFor(facts, product, 1);
  if (product.kind === 'face') return millilitres(wash1.face + wash2.face);
  return product.kind === 'conditioner' ? conditioner : millilitres(wash1.body + wash2.body);
}

const plainNeed = <P extends Product>(product: P, ml: number): Need<P> => ({
  product,
  ml: millilitres(ml),
  byArea: false,
  wash1: millilitres(ml),
  wash2: millilitres(0),
});

/** Both ears are one amount. */
function together<P extends Product>(needs: readonly Need<P>[]): Need<P>[] {
  const ids = [...new Set(needs.map(({ product }) => product.id))];
  return ids.flatMap((id) => {
    const same = needs.filter(({ product }) => product.id === id);
    return same[0]
      ? [
          plainNeed(
            same[0].product,
            same.reduce((sum, { ml }) => sum + ml, 0),
          ),
        ]
      : [];
  });
}
