import { BODY_WASHES, mixedTo, type Product, type ProductKind, type Strength } from '../dilution';
import { namedProduct, toAvoid, type BathTask, type DogFacts } from '../dog';
import { DOGS_RECORD, HOUSE_VALUE, type Source } from '../provenance';
import { washesPlainFirst, type CarePlan, type PlanLine } from '../careplan';
import type { Task } from '../tasks';
import { bodyWashAtFace, washesFaceApart, washesOf } from './bathAmount';
import { conditionerWanted, type ConditionerWanted } from './conditionerWanted';
import { marksAgainst, whyRuledOut, type Wanted } from './ruledOut';
import { isDirty, isTender, washRow, type Wash } from './washTable';

/** The product for one part of a bath, at the strength it is mixed to for this dog, and why this one. */
export interface ChosenProduct<P extends Product = Product> {
  readonly product: P;
  /** Within a sentence that begins with the product. */
  readonly because: string;
  readonly source: Source;
}

/** What a bath takes, part by part; null: nothing. */
export interface BathChoice<P extends Product = Product> extends Readonly<Record<BathTask, ChosenProduct<P> | null>> {
  readonly conditioned: ConditionerWanted;
  /** What a person must decide before it is mixed, in words. */
  readonly trouble: readonly string[];
}

/** Kinds that can stand in where a business has none of what the table asks for, the mildest first. */
const STAND_INS: readonly ProductKind[] = ['gentle wash', 'cleansing', 'conditioning wash', ...BODY_WASHES];

/**
 * The bath chooses: a vet's word, then an owner's, then what this dog has of its own, then the business's table of washes,
 * from what stands on the shelf. `conditionerDue`: on its own interval, whether that is up. Pure.
 */
export function chooseBath<P extends Product>(
  facts: DogFacts,
  plan: CarePlan,
  shelf: ProductChoice<P>,
  conditionerDue: boolean,
): BathChoice<P> {
  const line = (task: Task): PlanLine | undefined => plan.lines.find((each) => each.task === task);
  const isOpen = (task: Task): boolean => {
    const its = line(task);
    return its === undefined || (its.bars.length === 0 && its.productShare > 0);
  };
  if (!isOpen('bath'))
    return { ...NO_BATH, conditioned: { wanted: false, because: 'there is no bath', source: HOUSE_VALUE } };
  const first = firstWash(facts, plan, shelf);
  const second = washesOf(facts) === 2 && isOpen('second wash') ? secondWash(facts, plan, shelf, first) : null;
  const asked = conditionerWanted(facts, (second ?? first)?.product.kind ?? null, conditionerDue);
  const isConditioned = asked.wanted && isOpen('conditioner');
  const conditioner = isConditioned ? theConditioner(facts, shelf, asked) : null;
  const noneFits = isConditioned && conditioner === null && shelf.has('conditioner');
  return {
    bath: first,
    'second wash': second,
    'face wash': isOpen('face wash') && washesFaceApart(facts) ? faceWash(facts, shelf) : null,
    conditioner,
    conditioned: noneFits ? { ...asked, wanted: false, because: 'no conditioner of the shelf suits this dog' } : asked,
    trouble: shelf.trouble,
  };
}

const NO_BATH = { bath: null, 'second wash': null, 'face wash': null, conditioner: null, trouble: [] } as const;

/** A product of the shelf that someone named, with whose word it is. */
function named<P extends Product>(
  facts: DogFacts,
  shelf: ProductChoice<P>,
  task: BathTask,
): ChosenProduct<P> | 'none' | null {
  const given = namedProduct(facts, task, null);
  if (given) {
    const product = shelf.named(given.productId, given.who, task);
    if (product) return { product, because: `${given.who} asked for it`, source: given.source };
  }
  const own = facts.ownBath[task];
  if (!own) return null;
  if (own.productId === null) return 'none';
  const product = shelf.ownOf(own.productId, task);
  return product && { product, because: own.because || 'this dog’s own', source: DOGS_RECORD };
}

function firstWash<P extends Product>(
  facts: DogFacts,
  plan: CarePlan,
  shelf: ProductChoice<P>,
): ChosenProduct<P> | null {
  const given = plan.bathProduct;
  if (given && !washesPlainFirst(facts, given)) {
    const product = shelf.prescribed(plan);
    if (product) return { product, because: `${given.who} asked for it`, source: given.source };
    if (given.nothingElse) return null;
  }
  const own = named(facts, shelf, 'bath');
  if (own !== null && own !== 'none') return own;
  return fromTable(facts, shelf, washesOf(facts) === 2 ? 'first' : 'only', 'bath');
}

function secondWash<P extends Product>(
  facts: DogFacts,
  plan: CarePlan,
  shelf: ProductChoice<P>,
  first: ChosenProduct<P> | null,
): ChosenProduct<P> | null {
  const given = plan.bathProduct;
  if (given) {
    const product = shelf.prescribed(plan);
    if (product) return { product, because: `${given.who} asked for it`, source: given.source };
    if (given.nothingElse) return null;
  }
  const own = named(facts, shelf, 'second wash');
  if (own === 'none') return null;
  const chosen = own ?? fromTable(facts, shelf, 'second', 'second wash');
  // The same product twice is one bottle, at one strength.
  return chosen && first && chosen.product.id === first.product.id ? { ...chosen, product: first.product } : chosen;
}

/** The face's own product; where one mild wash does all and another is prescribed, that mild wash. */
function faceWash<P extends Product>(facts: DogFacts, shelf: ProductChoice<P>): ChosenProduct<P> | null {
  const own = named(facts, shelf, 'face wash');
  if (own === 'none') return null;
  if (own) return own;
  const product =
    facts.ways.faceProduct === 'mild wash for all'
      ? shelf.washOf(['gentle wash', 'cleansing'], 'face wash', { strongToo: false })
      : shelf.firstOf(['face'], 'face wash');
  return product ? { product, because: 'body shampoo stays off the face', source: HOUSE_VALUE } : null;
}

function theConditioner<P extends Product>(
  facts: DogFacts,
  shelf: ProductChoice<P>,
  { because, source }: ConditionerWanted,
): ChosenProduct<P> | null {
  const own = named(facts, shelf, 'conditioner');
  if (own === 'none') return null;
  if (own) return own;
  // One that does not suit is left out, as the step is: nobody has to decide.
  const product = shelf.fitting('conditioner', 'conditioner');
  return product ? { product, because, source } : null;
}

/** By the business's table of washes. */
function fromTable<P extends Product>(
  facts: DogFacts,
  shelf: ProductChoice<P>,
  wash: Wash,
  task: BathTask,
): ChosenProduct<P> | null {
  const row = washRow(facts, wash);
  const asChosen = facts.washKinds[row.id];
  const kinds = asChosen ? [asChosen, ...row.kinds] : row.kinds;
  const isStrong = kinds[0] === 'degreasing wash' || (wash === 'first' && isDirty(facts));
  const product = shelf.washOf(kinds, task, { strongToo: isStrong });
  if (!product) return null;
  const standsIn = !kinds.includes(product.kind as (typeof kinds)[number]);
  const because = standsIn ? `${row.because}; no ${kinds[0]} fits here` : row.because;
  return {
    // One wash for head and body is mild enough for the face.
    product: asPurposed(
      facts,
      product,
      wash !== 'second' && isDirty(facts) && !bodyWashAtFace(facts) ? 'strong' : 'weak',
    ),
    because,
    source: row.source,
  };
}

/**
 * The end of a label's range for a purpose: the strong one for the first wash of a dirty dog, else the weak one. Never for
 * a medicated product, and not where the business mixes one ratio for all.
 */
function asPurposed<P extends Product>(facts: DogFacts, product: P, end: 'strong' | 'weak'): P {
  const { dilution } = product;
  if (dilution.kind !== 'dilute' || !dilution.range || product.kind === 'medicated') return product;
  if (facts.ways.ratioRange === 'one ratio') {
    // One ratio for all, but never the strong end on tender skin.
    return isTender(facts) ? mixedTo(product, weaker(dilution.strength, dilution.range.weakest)) : product;
  }
  return mixedTo(product, end === 'strong' ? dilution.range.strongest : dilution.range.weakest);
}

const weaker = (a: Strength, b: Strength): Strength => (a.water.compare(b.water) >= 0 ? a : b);

/** Why a product may not be taken for this dog at one of these parts, within a sentence that begins with its name; null: it may. */
export function againstProduct(
  product: Pick<Product, 'id' | 'ingredients' | 'cautions'>,
  tasks: readonly Task[],
  facts: DogFacts,
  plan: CarePlan,
): string | null {
  const choice = new ProductChoice([], facts, plan);
  return tasks.map((task) => whyRuledOut(product, choice.wanted(task))).find((why) => why !== null) ?? null;
}

/** The business's products for one dog: the first of a kind that nothing rules out, and what to ask where there is none. */
export class ProductChoice<P extends Product> {
  private readonly troubles = new Set<string>();
  private readonly avoid: readonly string[];

  constructor(
    private readonly products: readonly P[],
    private readonly facts: DogFacts,
    private readonly plan: CarePlan,
  ) {
    this.avoid = toAvoid(facts, facts.today);
  }

  get trouble(): readonly string[] {
    return [...this.troubles];
  }

  has = (kind: ProductKind): boolean => this.products.some((each) => each.kind === kind && each.suppliedBy === 'house');

  /** The first of a kind that may be taken; nothing is asked where there is none. */
  fitting(kind: ProductKind, task: Task): P | undefined {
    const wanted = this.wanted(task);
    return this.ofHouse(kind).find((product) => whyRuledOut(product, wanted) === null);
  }

  /** Of these kinds, the first before the second; then nothing. */
  firstOf(kinds: readonly ProductKind[], task: Task): P | undefined {
    const suited = kinds.flatMap((kind) => this.ofHouse(kind));
    return this.free(suited, this.wanted(task));
  }

  /**
   * A body wash: of these kinds, then whatever can stand in, the mildest first. What its label calls strong is taken only
   * for dogs that need it, or where there is nothing else and nothing speaks against it.
   */
  washOf(kinds: readonly ProductKind[], task: Task, { strongToo }: { readonly strongToo: boolean }): P | undefined {
    const all = [...new Set([...kinds, ...STAND_INS])].flatMap((kind) => this.ofHouse(kind));
    const mild = strongToo ? all : all.filter(({ cautions }) => !cautions.includes('deep cleanser'));
    const wanted = this.wanted(task);
    return mild.find((each) => whyRuledOut(each, wanted) === null) ?? this.free(all, wanted);
  }

  /** The prescribed wash, and what a person must ask before it is used. */
  prescribed = ({ bathProduct }: CarePlan): P | undefined =>
    bathProduct ? this.named(bathProduct.productId, bathProduct.who, 'bath') : undefined;

  /**
   * A product that a vet or an owner asked for. Their word goes before the plan's rules, but not before what this dog is to
   * be kept from, what its skin reacted to, or a label that forbids it there: then it is asked about first.
   */
  named(id: string, who: string, task: Task): P | undefined {
    const product = this.products.find((each) => each.id === id);
    const why = product ? whyRuledOut(product, { ...this.wanted(task), keptOff: [] }) : null;
    if (product && why !== null) this.troubles.add(`${product.name} was asked for and ${why}: ask ${who} first.`);
    if (!product) this.troubles.add(`The product that ${who} asked for is not on the shelf.`);
    return product;
  }

  /** What was chosen for this dog, unless something rules it out by now. */
  ownOf(id: string, task: Task): P | null {
    const product = this.products.find((each) => each.id === id);
    if (!product) return null;
    const why = whyRuledOut(product, this.wanted(task));
    if (why === null) return product;
    this.troubles.add(`${product.name}, this dog’s own, ${why}: another was taken.`);
    return null;
  }

  private readonly ofHouse = (kind: ProductKind): P[] =>
    this.products.filter((each) => each.kind === kind && each.suppliedBy === 'house');

  private free(suited: readonly P[], wanted: Wanted): P | undefined {
    const free = suited.find((product) => whyRuledOut(product, wanted) === null);
    const [first] = suited;
    if (!free && first) this.troubles.add(`${first.name} ${whyRuledOut(first, wanted)}, and there is no other.`);
    return free;
  }

  /** What keeps a product off this skin counts for every product of the bath. */
  wanted(task: Task): Wanted {
    const ofBath = task === 'second wash' || task === 'face wash' || task === 'conditioner' ? this.at('bath') : [];
    return {
      avoid: this.avoid,
      reactedTo: this.facts.reactedTo,
      keptOff: [...this.at(task), ...ofBath],
      marks: marksAgainst(task, this.facts),
    };
  }

  private readonly at = (task: Task): Wanted['keptOff'] =>
    this.plan.lines.find((line) => line.task === task)?.keptOff ?? [];
}
