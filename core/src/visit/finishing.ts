import { againstProduct, isTender } from '../needs';
import type { Product, ProductKind } from '../dilution';
import { atLeast, areaOf } from '../findings';
import { placeOf, type PlaceKey } from '../places';
import type { Step } from '../steps';
import type { VisitReading } from './readVisit';

/** What a product that finishes is for: at which stage, how much of it, and what to mind. Amounts are house values. */
interface Finisher {
  readonly stage: Step['stage'];
  readonly ml: number;
  readonly mind: string;
  /** It stays on skin and coat: held back from skin that is not healthy. */
  readonly onSkin: boolean;
}

// docs/trade.md, finishing. Common practice, no source.
const FINISHERS: Readonly<Partial<Record<ProductKind, Finisher>>> = {
  finish: { stage: 'comb and tidy', ml: 5, mind: 'A mist along the coat, never at the face.', onSkin: true },
  'leave-in': { stage: 'comb and tidy', ml: 5, mind: 'Into the lengths, not onto skin.', onSkin: true },
  cologne: { stage: 'comb and tidy', ml: 1, mind: 'A touch at the back, never at the face.', onSkin: true },
  powder: { stage: 'comb and tidy', ml: 3, mind: 'Never near eye or nostril.', onSkin: true },
  balm: { stage: 'folds', ml: 1, mind: 'Lick-safe, thin, never on cracked or red skin.', onSkin: false },
  'tooth gel': { stage: 'teeth', ml: 1, mind: 'Made to be swallowed, never a human paste.', onSkin: false },
  styptic: { stage: 'nails', ml: 1, mind: 'On the nail only, never on skin.', onSkin: false },
};

/** What of a product decides whether it may finish a step. */
type FinishProduct = Pick<Product, 'id' | 'name' | 'kind' | 'ingredients' | 'cautions'>;

/** A product of the shelf that may finish a step, and why it should not here. */
export interface Finish<P extends FinishProduct = FinishProduct> {
  readonly product: P;
  readonly ml: number;
  readonly mind: string;
  /** Null: nothing speaks against it. */
  readonly against: string | null;
}

const ON_SKIN = new Set<string>(['skin', 'paw', 'rear']);

/**
 * What can finish this step: spray, leave-in, cologne and powder after the comb; balm at a dry nose; gel at the teeth; a
 * styptic on a nail that was nicked, and nowhere else.
 */
export function finishing<P extends FinishProduct>(
  visit: Pick<VisitReading, 'state' | 'facts' | 'plan' | 'judged'>,
  step: Pick<Step, 'stage' | 'id'>,
  products: readonly P[],
): readonly Finish<P>[] {
  const nicked = visit.state.incidents.some(({ kind }) => kind === 'quick');
  return products.flatMap((product): Finish<P>[] => {
    const its = FINISHERS[product.kind];
    if (!its || its.stage !== step.stage) return [];
    if (product.kind === 'balm' && step.id !== 'nose balm') return [];
    if (product.kind === 'styptic' && !nicked) return [];
    const against =
      againstProduct(product, ['brush-out'], visit.facts, visit.plan) ??
      (its.onSkin ? unhealthy(visit, product) : null);
    return [{ product, ml: its.ml, mind: its.mind, against }];
  });
}

/** Why skin is not healthy today, by what is known of the dog and by what was found. */
function unhealthy(
  { facts, judged }: Pick<VisitReading, 'facts' | 'judged'>,
  { cautions }: FinishProduct,
): string | null {
  if (facts.skin !== 'healthy') return `stays off skin that is ${facts.skin}`;
  if (isTender(facts) && cautions.includes('scented')) return 'is scented: not for tender skin';
  const found = (Object.keys(judged) as PlaceKey[]).some(
    (key) => ON_SKIN.has(areaOf(placeOf(key).site)) && atLeast(judged[key]?.level ?? 'none', 'watch'),
  );
  return found ? 'stays off skin that is not healthy: something was found today' : null;
}
