import { bathAmounts, clashing, type BathAmounts, type Product, type ProductKind } from '../dilution';
import type { Task } from '../tasks';
import { millilitres, type Millilitres } from '../units';
import { washesHead } from '../work';
import type { DogFacts } from '../dog';
import { toAvoid } from '../dog';
import { lineAmounts, ofBodyWash, washesFaceApart } from './lineAmounts';
import type { CarePlan, PlanLine } from '../careplan';
import { prescribedOn } from '../careplan';
import { whyRuledOut, type Wanted } from './ruledOut';

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
  /** Lines of the plan that it is for. */
  readonly tasks: readonly Task[];
}

export interface VisitNeeds<P extends Product = Product> {
  readonly needs: readonly Need<P>[];
  /** What a person must decide before it is mixed, in words. */
  readonly trouble: readonly string[];
}

/** Kinds of product a plain wash may be, the business's way first. */
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
 * What one visit takes of the business's products: the body wash (prescribed, else the business's), mild face wash,
 * conditioner and the small amounts for ears, eyes and folds. What a bar takes away is not planned. A product that the
 * plan's own words rule out, or that lists what the dog is to be kept from, is passed over for another of its kind;
 * where there is none, and where a prescribed one lists it, a person decides.
 */
export function visitNeeds<P extends Product>(
  round: ProductRound,
  facts: DogFacts,
  plan: CarePlan,
  products: readonly P[],
  dogFactor: number,
): VisitNeeds<P> {
  const shelf = new ProductChoice(products, toAvoid(facts, facts.today), plan);
  const bathing = round === 'all' || round === 'bath';
  const washing = bathing ? bathNeeds(facts, plan, shelf, dogFactor) : [];
  const small = plan.lines.flatMap((line): Need<P>[] => {
    const kind = SMALL[line.task];
    if (!kind || !ROUND[round].includes(line.task)) return [];
    const ml = lineAmounts(line, facts, dogFactor).reduce(
      (sum, { amount }) => sum + ('ml' in amount ? amount.ml : 0),
      0,
    );
    const product = ml > 0 ? shelf.firstOf([kind], line.task) : undefined;
    return product ? [plainNeed(product, ml, [line.task])] : [];
  });
  return { needs: [...washing, ...together(small)], trouble: [...new Set(shelf.trouble)] };
}

/** The business's products for one dog: the first of a kind that nothing rules out, and what to ask where there is none. */
class ProductChoice<P extends Product> {
  readonly trouble: string[] = [];

  constructor(
    readonly products: readonly P[],
    private readonly avoid: readonly string[],
    private readonly plan: CarePlan,
  ) {}

  firstOf(kinds: readonly ProductKind[], task: Task, more: Partial<Wanted> = {}): P | undefined {
    const wanted: Wanted = { avoid: this.avoid, keptOff: this.keptOff(task), marks: [], ...more };
    const suited = kinds.flatMap((kind) =>
      this.products.filter((each) => each.kind === kind && each.suppliedBy === 'house'),
    );
    const free = suited.find((product) => whyRuledOut(product, wanted) === null);
    const [first] = suited;
    if (!free && first) this.trouble.push(`${first.name} ${whyRuledOut(first, wanted)}, and there is no other.`);
    return free;
  }

  /** What keeps a product off this skin counts for every product of the bath. */
  private keptOff(task: Task): Wanted['keptOff'] {
    const ofBath = task === 'second wash' || task === 'face wash' || task === 'conditioner' ? this.at('bath') : [];
    return [...this.at(task), ...ofBath];
  }

  private at = (task: Task): Wanted['keptOff'] => this.plan.lines.find((line) => line.task === task)?.keptOff ?? [];

  /** The prescribed wash, and what a person must ask before it is used. */
  prescribed(): P | undefined {
    const given = this.plan.bathProduct;
    if (!given) return undefined;
    const product = this.products.find(({ id }) => id === given.productId);
    const listed = product ? clashing(product.ingredients, this.avoid) : [];
    if (product && listed.length > 0)
      this.trouble.push(`${product.name} was prescribed and lists ${listed.join(', ')}: ask ${given.who} first.`);
    if (!product) this.trouble.push(`The wash that ${given.who} asked for is not on the shelf.`);
    return product;
  }
}

function bathNeeds<P extends Product>(
  facts: DogFacts,
  plan: CarePlan,
  shelf: ProductChoice<P>,
  dogFactor: number,
): Need<P>[] {
  const line = (task: Task): PlanLine | undefined => plan.lines.find((each) => each.task === task);
  const isOpen = (task: Task): boolean => {
    const its = line(task);
    return its === undefined || (its.bars.length === 0 && its.productShare > 0);
  };
  if (!isOpen('bath')) return [];
  const { ways } = facts;
  // One wash for head and body must be mild enough for the face.
  const forAll = ways.faceProduct === 'mild wash for all' && washesHead(facts);
  const houseWash = (task: Task): P | undefined =>
    shelf.firstOf(bodyKinds(facts), task, forAll ? { marks: ['eyes', 'deep cleanser'] } : {});
  const body = shelf.prescribed() ?? (plan.bathProduct?.nothingElse ? undefined : houseWash('bath'));
  const faceShare = isOpen('face wash') && washesFaceApart(facts) ? (line('face wash')?.productShare ?? 1) : 0;
  const facesOwn = forAll ? () => houseWash('face wash') : () => shelf.firstOf(['face'], 'face wash');
  const ownFace = faceShare > 0 ? facesOwn() : undefined;
  const conditioned =
    isOpen('conditioner') && (line('conditioner')?.interval ?? null) !== null && ways.conditioner !== 'never';
  const conditioner = conditioned ? shelf.firstOf(['conditioner'], 'conditioner') : undefined;
  const need = (
    product: P | undefined,
    tasks: readonly Task[],
    of: (bath: BathAmounts) => readonly [number, number],
  ): Need<P>[] => {
    if (!product) return [];
    const [wash1, wash2] = of(bathFor(facts, product, dogFactor));
    return [
      {
        product,
        ml: millilitres(wash1 + wash2),
        byArea: true,
        wash1: millilitres(wash1),
        wash2: millilitres(wash2),
        tasks,
      },
    ];
  };
  const second = isOpen('second wash') ? 1 : 0;
  return [
    ...need(body, ['bath', 'second wash'], ({ wash1, wash2 }) => [
      ofBodyWash(facts, wash1),
      second * ofBodyWash(facts, wash2),
    ]),
    ...need(ownFace, ['face wash'], ({ wash1, wash2 }) => [wash1.face * faceShare, second * wash2.face * faceShare]),
    ...need(conditioner, ['conditioner'], (bath) => [bath.conditioner, 0]),
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
  const given = prescribedOn(facts);
  // Beside a prescribed wash the business's mild one is for the face alone.
  const besidePrescribed =
    given !== null && given.productId !== product.id && facts.ways.faceProduct === 'mild wash for all';
  const forFace = product.kind === 'face' || (besidePrescribed && washesFaceApart(facts));
  if (forFace && product.kind !== 'conditioner') return millilitres(wash1.face + wash2.face);
  if (product.kind === 'conditioner') return conditioner;
  return millilitres(ofBodyWash(facts, wash1) + ofBodyWash(facts, wash2));
}

const plainNeed = <P extends Product>(product: P, ml: number, tasks: readonly Task[]): Need<P> => ({
  product,
  ml: millilitres(ml),
  byArea: false,
  wash1: millilitres(ml),
  wash2: millilitres(0),
  tasks,
});

/** How much more or less than ordinary the product of each plan line takes: what its amounts are to be shown with. */
export const productFactors = (needs: readonly Need[]): Partial<Record<Task, number>> =>
  Object.fromEntries(
    needs
      .filter(({ byArea }) => byArea)
      .flatMap(({ tasks, product }) => tasks.map((task) => [task, product.amountFactor])),
  );

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
            [...new Set(same.flatMap(({ tasks }) => tasks))],
          ),
        ]
      : [];
  });
}
