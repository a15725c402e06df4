import type { CarePlan } from '../careplan';
import { BODY_WASHES, isForOneDog, type Product } from '../dilution';
import type { DogFacts } from '../dog';
import type { Task } from '../tasks';
import { againstProduct } from './bathChoice';

/** A product of the shelf that could stand in for one that ran out. */
export interface StandIn<P> {
  readonly product: P;
  /** Why it is not offered, within a sentence that begins with its name; null: it may be taken. */
  readonly against: string | null;
}

/** What of a product of the shelf is looked at. */
type OnShelf = Pick<Product, 'id' | 'kind' | 'suppliedBy' | 'ingredients' | 'cautions'>;

/**
 * What could be taken instead for these parts of the bath: washes for a wash, else products of its kind. What a vet's word, an
 * earlier reaction or an avoided ingredient speaks against comes last, with why: it is not offered, but what was taken can
 * always be told.
 */
export function standIns<P extends OnShelf>(
  { id, kind }: Pick<OnShelf, 'id' | 'kind'>,
  facts: DogFacts,
  plan: CarePlan,
  tasks: readonly Task[],
  products: readonly P[],
): StandIn<P>[] {
  const isWash = kind === 'medicated' || BODY_WASHES.some((each) => each === kind);
  const likely = products.filter((each) =>
    isWash ? each.kind === 'medicated' || BODY_WASHES.some((wash) => wash === each.kind) : each.kind === kind,
  );
  const given = plan.bathProduct;
  const against = (product: P): string | null => {
    if (given?.nothingElse && product.id !== given.productId)
      return `is not what ${given.who} asked for: nothing else on the skin`;
    if (isForOneDog(product) && product.id !== given?.productId) return 'was given for one dog';
    return againstProduct(product, tasks, facts, plan);
  };
  return likely
    .filter((each) => each.id !== id)
    .map((product) => ({ product, against: against(product) }))
    .toSorted((a, b) => Number(a.against !== null) - Number(b.against !== null));
}
