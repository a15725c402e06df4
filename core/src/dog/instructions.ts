import type { Condition, KnownSign, Procedure, Sign } from '../findings';
import type { Place } from '../places';
import type { Source } from '../provenance';
import type { VetLift } from '../stops';
import type { Day } from '../units';
import type { Task, VetTask } from '../tasks';
import type { UseKind } from './useKinds';

/** How hair in an ear is dealt with. */
export type EarHairWay = 'whole' | 'staged' | 'trim' | 'leave' | 'vet';

/** Work that a vet or an owner may name a product for. The body wash has a word of its own, with its contact time. */
export const PRODUCT_TASKS = [
  'second wash',
  'face wash',
  'conditioner',
  'ear cleaning',
  'eyes and face',
  'fold care',
] as const satisfies readonly Task[];
export type ProductTask = (typeof PRODUCT_TASKS)[number];

/** Care that an owner may be asked for several times a day. */
export const ASKED_AT_HOME = ['eyes and face', 'fold care'] as const satisfies readonly Task[];
export type AskedAtHome = (typeof ASKED_AT_HOME)[number];

/** What an instruction may say. */
export type Saying =
  | { readonly kind: 'bar'; readonly task: Task }
  | { readonly kind: 'interval'; readonly task: Task; readonly days: number }
  /** The owner does it at home, so many times a day. */
  | { readonly kind: 'at home'; readonly task: AskedAtHome; readonly timesADay: 1 | 2 | 3 }
  | { readonly kind: 'ear hair'; readonly way: EarHairWay }
  /** A vet's permission for one procedure in spite of one sign, up to a grade; needs a place and an end. */
  | {
      readonly kind: 'lift';
      readonly lifts: Sign | Condition;
      readonly upToGrade: number;
      readonly procedure: Procedure;
    }
  /** A vet has judged a slight sign at a place; unchanged it is "as always" from then on. */
  | { readonly kind: 'knows'; readonly sign: Sign }
  /** A vet has had the look that is wanted regularly, and when that was. */
  | { readonly kind: 'vet saw'; readonly task: VetTask; readonly on: Day }
  /** Nothing on this dog that has this in it, in the words of a label. */
  | { readonly kind: 'avoid'; readonly ingredient: string }
  /** What the dog gets, or what its owner uses on it at home; from whom and until when stands with the word. */
  | { readonly kind: 'uses'; readonly what: UseKind; readonly name: string }
  /** A product for one kind of work besides the first wash: an ear cleaner, a fold product, a conditioner. */
  | { readonly kind: 'product'; readonly task: ProductTask; readonly productId: string }
  /** A product for the bath, with its contact time; `nothingElse` keeps every other product off the skin. */
  | {
      readonly kind: 'bath product';
      readonly productId: string;
      readonly contactMinutes: number;
      readonly nothingElse: boolean;
    };

/** A dated word of a vet or an owner about a dog, or about one place of it. */
export interface Instruction {
  readonly id: string;
  readonly by: 'vet' | 'owner';
  readonly who: string;
  /** Null: the whole dog, or every place of the task. */
  readonly place: Place | null;
  readonly says: Saying;
  readonly from: Day;
  readonly until: Day | null;
}

/** A vet's word before an owner's, the newer before the older. */
export const byAuthority = (a: Instruction, b: Instruction): number =>
  a.by === b.by ? b.from.localeCompare(a.from) : a.by === 'vet' ? -1 : 1;

/** The product that was named for this work at this place, by the one who has most to say. */
export function namedProduct(
  { instructions, today }: { readonly instructions: readonly Instruction[]; readonly today: Day },
  task: Task,
  place: Place | null,
): {
  readonly productId: string;
  readonly by: Instruction['by'];
  readonly who: string;
  readonly source: Source;
} | null {
  const given = instructions
    .filter(({ says, ...its }) => says.kind === 'product' && says.task === task && holdsOn(its, today))
    .filter((each) => place === null || concerns(each, place))
    .toSorted(byAuthority)[0];
  if (given?.says.kind !== 'product') return null;
  return { productId: given.says.productId, by: given.by, who: given.who, source: sourceOf(given) };
}

export const holdsOn = (given: { readonly from: Day; readonly until: Day | null }, today: Day): boolean =>
  given.from <= today && (given.until === null || today <= given.until);

export const concerns = (given: Instruction, place: Place | null): boolean =>
  given.place === null ||
  (place !== null &&
    given.place.site === place.site &&
    (given.place.side === place.side || given.place.side === 'none'));

export const sourceOf = (given: Pick<Instruction, 'by' | 'who'>): Source => ({
  kind: `${given.by} instruction`,
  who: given.who,
});

/** The lifts among instructions: a vet's, for one place, with an end. */
export function liftsOf(instructions: readonly Instruction[]): VetLift[] {
  return instructions.flatMap(({ id, by, who, place, says, from, until }) => {
    if (by !== 'vet' || says.kind !== 'lift' || place === null || until === null) return [];
    const { lifts, upToGrade, procedure } = says;
    return [{ id, who, place, lifts, upToGrade, procedure, from, until }];
  });
}

/** Signs that vets have judged, each on the day the word begins. */
export const knownSigns = (instructions: readonly Instruction[], today: Day): KnownSign[] =>
  instructions.flatMap((given) =>
    given.by === 'vet' && given.says.kind === 'knows' && given.place !== null && holdsOn(given, today)
      ? [{ place: given.place, sign: given.says.sign, on: given.from }]
      : [],
  );

/** Two spans of days that share one; an open end never ends. */
const overlap = (a: Instruction, b: Instruction): boolean =>
  (a.until === null || b.from <= a.until) && (b.until === null || a.from <= b.until);

const samePlaces = (a: Place | null, b: Place | null): boolean =>
  a === null || b === null || (a.site === b.site && (a.side === b.side || a.side === 'none' || b.side === 'none'));

/** Words that stand beside others and never against them. */
const ADDS_UP: ReadonlySet<Saying['kind']> = new Set<Saying['kind']>(['lift', 'avoid', 'knows', 'uses', 'vet saw']);

/**
 * Whether two words of the same authority cannot both be followed on some day: a bar against an interval or a way of
 * the same care, two intervals, two ways with the hair of one ear, two washes. A repeated word is no contradiction.
 */
export function contradicts(a: Instruction, b: Instruction): boolean {
  if (a.by !== b.by || !overlap(a, b) || !samePlaces(a.place, b.place)) return false;
  const [one, other] = [a.says, b.says];
  if (ADDS_UP.has(one.kind) || ADDS_UP.has(other.kind)) return false;
  if (one.kind === 'bar' && other.kind === 'bar') return false;
  if (NAMES_PRODUCT.has(one.kind) !== NAMES_PRODUCT.has(other.kind) && one.kind !== 'bar' && other.kind !== 'bar')
    return false;
  // How often at home is no word on how often in the salon.
  if ((one.kind === 'at home') !== (other.kind === 'at home')) return false;
  if (taskOf(one) !== taskOf(other)) return false;
  return JSON.stringify(one) !== JSON.stringify(other);
}

/** With what, whatever is said of how often. */
const NAMES_PRODUCT: ReadonlySet<Saying['kind']> = new Set<Saying['kind']>(['product', 'bath product']);

/** The care a saying is about. */
function taskOf(says: Saying): Task | 'wash' | null {
  switch (says.kind) {
    case 'bar':
    case 'interval':
    case 'at home':
    case 'product':
      return says.task;
    case 'ear hair':
      return 'ear hair';
    case 'bath product':
      return 'wash';
    case 'lift':
    case 'avoid':
    case 'knows':
    case 'uses':
    case 'vet saw':
      return null;
  }
}

/**
 * What no product on this dog may hold on a day, in the words of those who said it: instructions to avoid it, and what
 * it reacted to before, one between commas or semicolons.
 */
export function toAvoid(
  { instructions, reactions }: { readonly instructions: readonly Instruction[]; readonly reactions: string },
  today: Day,
): string[] {
  const said = instructions.flatMap((given) =>
    given.says.kind === 'avoid' && holdsOn(given, today) ? [given.says.ingredient] : [],
  );
  const reacted = reactions.split(/[,;]/).map((words) => words.trim());
  return [...said, ...reacted.filter((words) => words !== '')];
}
