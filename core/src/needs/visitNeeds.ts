import type { Product, ProductKind } from '../dilution';
import type { Task } from '../tasks';
import { millilitres, type Millilitres } from '../units';
import type { BathTask, DogFacts } from '../dog';
import { BATH_TASKS, namedProduct } from '../dog';
import type { CarePlan } from '../careplan';
import { amountBefore, partAmounts } from './bathAmount';
import { chooseBath, ProductChoice, type BathChoice } from './bathChoice';
import type { Side } from '../places';
import { lineAmounts, type EarWork } from './lineAmounts';

/** Parts of a visit that take products. */
export const PRODUCT_PARTS = ['bath', 'ears', 'eyes and folds'] as const;
export type ProductPart = (typeof PRODUCT_PARTS)[number];

/** So much of one product for a visit: mix at the strength the product stands for here, the product itself where it is ready to use. */
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
  /** What the bath chose; null where there is none in this kind of visit. */
  readonly bath: BathChoice<P> | null;
  /** What a person must decide before it is mixed, in words. */
  readonly trouble: readonly string[];
}

/** Ears that were looked at: how each was cleaned. */
export type EarsWorked = Readonly<Partial<Record<Side, EarWork>>>;

/** What is known besides the plan: whether the conditioner's own interval is up, and how the ears were cleaned. */
interface NeedsKnown {
  readonly conditionerDue?: boolean;
  readonly ears?: EarsWorked;
}

/** Tasks with a house amount of one kind of product, as it comes, and the part of a visit that they belong to. */
const SMALL: Readonly<Partial<Record<Task, { readonly kind: ProductKind; readonly part: ProductPart }>>> = {
  'ear cleaning': { kind: 'ear cleaner', part: 'ears' },
  'eyes and face': { kind: 'eye and face cleaner', part: 'eyes and folds' },
  'fold care': { kind: 'fold care', part: 'eyes and folds' },
};

/**
 * What one visit takes of the business's products: what the bath chooses ({@link chooseBath}) and the small amounts for
 * ears, eyes and folds. What a bar takes away is not planned. A product that the plan's own words rule out, or that lists
 * what the dog is to be kept from, is passed over for another; where there is none, and where a named one lists it, a
 * person decides.
 */
export function visitNeeds<P extends Product>(
  parts: readonly ProductPart[],
  facts: DogFacts,
  plan: CarePlan,
  products: readonly P[],
  dogFactor: number,
  { conditionerDue = true, ears = {} }: NeedsKnown = {},
): VisitNeeds<P> {
  const shelf = new ProductChoice(products, facts, plan);
  const bath = parts.includes('bath') ? chooseBath(facts, plan, shelf, conditionerDue) : null;
  const small = plan.lines.flatMap((line): Need<P>[] => {
    const its = SMALL[line.task];
    if (!its || !parts.includes(its.part)) return [];
    const side = line.place?.side;
    const worked = line.task === 'ear cleaning' && side && side !== 'none' ? ears[side] : undefined;
    const ml = lineAmounts(line, facts, dogFactor, undefined, worked).reduce(
      (sum, { amount }) => sum + ('ml' in amount ? amount.ml : 0),
      0,
    );
    if (!(ml > 0)) return [];
    const given = namedProduct(facts, line.task, line.place);
    const product =
      (given && shelf.named(given.productId, given.who, line.task)) ?? shelf.firstOf([its.kind], line.task);
    return product ? [plainNeed(product, ml, [line.task])] : [];
  });
  const washing = bath ? bathNeeds(facts, plan, bath, dogFactor) : [];
  return { needs: [...washing, ...together(small)], bath, trouble: shelf.trouble };
}

/** One need a product, with what each of its parts takes. */
function bathNeeds<P extends Product>(
  facts: DogFacts,
  plan: CarePlan,
  bath: BathChoice<P>,
  dogFactor: number,
): Need<P>[] {
  const products = BATH_TASKS.flatMap((task) => bath[task]?.product ?? []);
  const faceShare = plan.lines.find(({ task }) => task === 'face wash')?.productShare ?? 1;
  return products
    .filter(({ id }, i) => products.findIndex((each) => each.id === id) === i)
    .map((product): Need<P> => {
      const tasks = BATH_TASKS.filter((task) => bath[task]?.product.id === product.id);
      const amounts = partAmounts(facts, product, dogFactor);
      const of = (task: BathTask): number =>
        tasks.includes(task) ? amounts[task] * (task === 'face wash' ? faceShare : 1) : 0;
      const wash1 = of('bath') + of('face wash') + of('conditioner');
      const wash2 = of('second wash');
      return {
        product,
        ml: millilitres(wash1 + wash2),
        byArea: !(tasks.includes('conditioner') && product.dilution.kind === 'ready to use'),
        wash1: millilitres(wash1),
        wash2: millilitres(wash2),
        tasks,
      };
    });
}

/**
 * What a bath would take of a product for these parts without the dog's own factor, ml: what its factor is learned
 * against. `tasks` null: told by a version that did not say what for.
 */
export function predictedWithoutFactor(facts: DogFacts, product: Product, tasks: readonly Task[] | null): Millilitres {
  if (tasks === null) return amountBefore(facts, product);
  const amounts = partAmounts(facts, product, 1);
  return millilitres(BATH_TASKS.reduce((sum, task) => sum + (tasks.includes(task) ? amounts[task] : 0), 0));
}

const plainNeed = <P extends Product>(product: P, ml: number, tasks: readonly Task[]): Need<P> => ({
  product,
  ml: millilitres(ml),
  byArea: false,
  wash1: millilitres(ml),
  wash2: millilitres(0),
  tasks,
});

/** The product of each line of the bath: what its amounts are to be shown with. */
export const productsOf = <P extends Product>(needs: readonly Need<P>[]): Partial<Record<Task, P>> =>
  Object.fromEntries(needs.flatMap(({ tasks, product }) => tasks.map((task) => [task, product])));

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
