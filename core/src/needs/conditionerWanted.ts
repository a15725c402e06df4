import type { Traits } from '../catalogue';
import type { ProductKind } from '../dilution';
import { namedProduct, type DogFacts } from '../dog';
import { DOGS_RECORD, HOUSE_VALUE, type Source } from '../provenance';

/** Whether conditioner follows the wash, and why; within a sentence. Bars are asked apart. */
export interface ConditionerWanted {
  readonly wanted: boolean;
  readonly because: string;
  readonly source: Source;
}

/** Coats that need conditioner for combing. */
const LONG: readonly Traits['coat'][] = ['long double', 'silky drop', 'curly', 'long'];

/**
 * Decided once, for step, amount, mix, stock and cost: a vet's or owner's word, then what this dog has of its own, none
 * after a wash that conditions, then the business's way.
 * @param lastWash kind of the last wash of the bath; null: not known
 * @param isDue where the business conditions on an interval of its own, whether that is up
 */
export function conditionerWanted(facts: DogFacts, lastWash: ProductKind | null, isDue: boolean): ConditionerWanted {
  const given = namedProduct(facts, 'conditioner', null);
  if (given) return { wanted: true, because: `${given.who} asked for it`, source: given.source };
  const own = facts.ownBath.conditioner;
  if (own)
    return {
      wanted: own.productId !== null,
      because: own.because || 'decided for this dog',
      source: DOGS_RECORD,
    };
  const by = (wanted: boolean, because: string): ConditionerWanted => ({ wanted, because, source: HOUSE_VALUE });
  if (lastWash === 'two-in-one wash') return by(false, 'the wash conditions already');
  const { coat } = facts.traits;
  switch (facts.ways.conditioner) {
    case 'never':
      return by(false, 'the business uses none');
    case 'always':
      return by(true, 'the business always uses one');
    case 'own interval':
      return isDue ? by(true, 'its own interval is up') : by(false, 'its own interval is not up yet');
    case 'long or dry coats':
      if (facts.coatCondition === 'dry') return by(true, 'a dry coat breaks and mats');
      return LONG.includes(coat)
        ? by(true, `a ${coat} coat must comb through`)
        : by(false, `a ${coat} coat combs without it`);
  }
}
