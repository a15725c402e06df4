import type { ProductKind } from '../dilution';
import type { Source, Sourced } from '../provenance';
import { always } from './conditions';
import type { DogFacts } from './facts';
import type { Place } from '../places';
import type { Rank, Rule } from './rule';
import { RULES } from './rules';
import type { Claim } from './settleInterval';
import { ALL_TASKS, type Task } from './tasks';

/** A sentence of the plan with its rule and source. */
export interface Said extends Sourced {
  readonly rank: Rank;
  readonly because: string;
  /** True of every dog; the method card says it, the table need not. */
  readonly general: boolean;
}

export interface HomeCare {
  readonly everyDays: number;
  /** Minutes it asks of the owner each time. */
  readonly minutes: number;
  readonly how: string;
  readonly because: string;
  readonly source: Source;
}

/** Everything rules say of one task at one place, sorted by what it is. */
export interface Spoken {
  readonly claims: Claim[];
  readonly methods: Said[];
  readonly cautions: Said[];
  readonly bars: Said[];
  readonly products: ProductKind[];
  readonly homes: HomeCare[];
}

const nothing = (): Spoken => ({ claims: [], methods: [], cautions: [], bars: [], products: [], homes: [] });

/** What a rule says once it holds. */
function sayingsOf(rule: Rule, facts: DogFacts | null): Spoken {
  const spoken = nothing();
  const then = typeof rule.then === 'function' ? (facts ? rule.then(facts) : []) : rule.then;
  const { rank, because, source } = rule;
  for (const each of then) {
    const said = (words: string): Said => ({ words, rank, because, source, general: rule.when === always });
    if (each.kind === 'interval') {
      const { least, usual, most } = each;
      spoken.claims.push({ ruleId: rule.id, rank, interval: { least, usual, most }, because, source });
    } else if (each.kind === 'home') {
      const { everyDays, minutes, how } = each;
      spoken.homes.push({ everyDays, minutes, how, because, source });
    } else if (each.kind === 'product') spoken.products.push(each.product);
    else if (each.kind === 'method') spoken.methods.push(said(each.words));
    else if (each.kind === 'caution') spoken.cautions.push(said(each.words));
    else spoken.bars.push(said(each.words));
  }
  return spoken;
}

interface Prepared {
  readonly rule: Rule;
  /** Null where a number of the dog goes into it. */
  readonly says: Spoken | null;
}

/** The rules of each task, what they say made ready: a plan is made thousands at a time. */
const PREPARED = Object.fromEntries(
  ALL_TASKS.map((task): [Task, readonly Prepared[]] => [
    task,
    RULES.filter((rule) => rule.task === task).map((rule) => ({
      rule,
      says: typeof rule.then === 'function' ? null : sayingsOf(rule, null),
    })),
  ]),
) as Readonly<Record<Task, readonly Prepared[]>>;

/** What the rules that hold for this dog say of a task at a place; what this dog and house ask before what is true of every dog. */
export function spokenOf(facts: DogFacts, task: Task, place: Place | null): Spoken {
  const all = nothing();
  for (const { rule, says } of PREPARED[task]) {
    if (!rule.when.holds(facts, place)) continue;
    const more = says ?? sayingsOf(rule, facts);
    all.claims.push(...more.claims);
    all.methods.push(...more.methods);
    all.cautions.push(...more.cautions);
    all.bars.push(...more.bars);
    all.homes.push(...more.homes);
    for (const product of more.products) if (!all.products.includes(product)) all.products.push(product);
  }
  return { ...all, methods: specificFirst(all.methods), cautions: specificFirst(all.cautions) };
}

const specificFirst = (said: readonly Said[]): Said[] => [
  ...said.filter(({ general }) => !general),
  ...said.filter(({ general }) => general),
];
