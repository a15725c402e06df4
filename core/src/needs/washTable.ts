import type { BodyWash } from '../dilution';
import type { DogFacts } from '../dog';
import { HOUSE_VALUE, type Source } from '../provenance';
import { coatIs, either, fact, inMonths, skin, stage, trait, all, always, MOULTING_MONTHS } from '../rules';
import type { RuleCondition } from '../rules';
import { monthOf } from '../units';

/** Which wash of a bath a line of the table is for; the only one, where one wash is all. */
export type Wash = 'first' | 'second' | 'only';

/** One line: for which dogs, what kind of wash, the best first. The first line that holds decides. */
export interface WashRow {
  readonly id: string;
  readonly wash: Wash;
  readonly when: RuleCondition;
  readonly kinds: readonly [BodyWash, ...BodyWash[]];
  /** Within a sentence that begins with the product. */
  readonly because: string;
  readonly source: Source;
}

const row = (wash: Wash, name: string, when: RuleCondition, because: string, ...kinds: WashRow['kinds']): WashRow => ({
  id: `${wash}: ${name}`,
  wash,
  when,
  kinds,
  because,
  source: HOUSE_VALUE,
});

/** Skin that reacts, or that a vet treats. */
const tender = skin('sensitive', 'allergic', 'under treatment');
const itchy = fact('itches in these months', ({ hayFeverMonths, today }) => hayFeverMonths.includes(monthOf(today)));
const dryOrItchy = either(coatIs('dry'), itchy);
const moulting = all(trait('shedding', 'heavy'), inMonths('the moulting months', MOULTING_MONTHS));
const white = fact('white or pale coat', ({ whiteCoat }) => whiteCoat);

/**
 * What washes what. The first wash is for dirt, the second for coat and skin [common practice]; which kind for which dog
 * is a house value, line by line, and each line is the business's to change. docs/trade.md: which product.
 */
// prettier-ignore
export const WASH_TABLE: readonly WashRow[] = [
  row('first', 'tender skin', tender, 'skin that reacts gets the mildest there is', 'gentle wash', 'soothing wash'),
  row('first', 'puppy', stage('puppy'), 'young skin is thin', 'gentle wash', 'soothing wash'),
  row('first', 'old dog', stage('senior'), 'old skin is dry and thin', 'gentle wash', 'soothing wash'),
  row('first', 'dry or itchy', dryOrItchy, 'washing dries skin further', 'gentle wash', 'soothing wash'),
  row('first', 'bare skin', trait('coat', 'hairless'), 'bare skin has no coat to take the dirt', 'gentle wash', 'cleansing'),
  row('first', 'oily coat', coatIs('oily'), 'grease keeps water and product off the skin', 'degreasing wash', 'cleansing'),
  row('first', 'other dogs', always, 'the first wash is for dirt', 'cleansing', 'gentle wash'),

  row('second', 'tender skin', tender, 'skin that reacts is soothed', 'soothing wash', 'gentle wash'),
  row('second', 'dry or itchy', dryOrItchy, 'dry skin itches', 'soothing wash', 'gentle wash'),
  row('second', 'oily coat', coatIs('oily'), 'grease takes two goes', 'cleansing', 'degreasing wash'),
  row('second', 'puppy', either(stage('puppy'), trait('coat', 'puppy')), 'fluff tangles', 'conditioning wash', 'gentle wash'),
  row('second', 'moult', moulting, 'loose hair goes with conditioner and air, not with a stronger wash', 'gentle wash', 'conditioning wash'),
  row('second', 'white coat', white, 'on a pale coat every stain shows', 'brightening wash', 'cleansing'),
  row('second', 'drop, long or curly coat', trait('coat', 'long', 'silky drop', 'curly'), 'it must comb through', 'conditioning wash', 'gentle wash'),
  row('second', 'double coat', trait('coat', 'short double', 'long double'), 'undercoat should stand, not lie', 'volume wash', 'gentle wash'),
  row('second', 'wire or smooth coat', trait('coat', 'wire', 'smooth'), 'a crisp coat stays crisp', 'texturing wash', 'cleansing'),
  row('second', 'corded coat or bare skin', trait('coat', 'corded', 'hairless'), 'what is left in cords or on bare skin itches', 'gentle wash', 'cleansing'),

  row('only', 'tender skin', tender, 'skin that reacts gets the mildest there is', 'gentle wash', 'soothing wash'),
  row('only', 'puppy or old dog', either(stage('puppy'), stage('senior')), 'young and old skin is thin', 'gentle wash', 'soothing wash'),
  row('only', 'dry or itchy', dryOrItchy, 'dry skin itches', 'soothing wash', 'gentle wash'),
  row('only', 'other dogs', always, 'one wash does both', 'two-in-one wash', 'conditioning wash', 'cleansing'),
];

/** The line that decides for this dog. */
export const washRow = (facts: DogFacts, wash: Wash): WashRow => {
  const found = WASH_TABLE.find((each) => each.wash === wash && each.when.holds(facts, null));
  if (!found) throw new Error(`no line of the table of washes holds: ${wash}`);
  return found;
};

/** Dogs that come dirty, and whose coat can bear the strong end of a range. */
export const isDirty = (facts: DogFacts): boolean =>
  (facts.dirtyWork || facts.coatCondition === 'oily') && !isTender(facts);

/** Puppies, old dogs, dry coats and skin that reacts: the weak end, and nothing harsh. */
export const isTender = (facts: DogFacts): boolean =>
  facts.skin !== 'healthy' || facts.lifeStage !== 'adult' || facts.coatCondition === 'dry' || itchy.holds(facts, null);
