import type { ProductKind } from '../dilution';
import type { MixCaution } from '../dilution';
import { DOGS_RECORD, HOUSE_VALUE, type Source, type Sourced } from '../provenance';
import type { Rank, Reason } from '../reasons';
import { always } from '../rules';
import type { DogFacts } from '../dog';
import type { Place } from '../places';
import type { Interval } from '../rhythm';
import type { HomeHow } from '../rules';
import type { Rule, SaidAt } from '../rules';
import { RULES } from '../rules';
import type { Claim } from './settleInterval';
import { ALL_TASKS, type Task } from '../tasks';
import type { Day } from '../units';

/** A sentence of the plan with its rule and source. */
export interface SaidLine extends Sourced {
  readonly rank: Rank;
  readonly reason: Reason;
  readonly at: SaidAt;
  /** True of every dog; the method card says it, the table need not. */
  readonly general: boolean;
}

export interface HomeCare {
  /** Below one: several times a day, 1/2 twice and 1/3 three times. */
  readonly everyDays: number;
  /** Minutes it asks of the owner each time. */
  readonly minutes: number;
  readonly how: HomeHow;
  readonly reason: Reason;
  readonly source: Source;
  /** Oftener than usual since something was found, until it is clear. */
  readonly stepped?: { readonly usual: number; readonly since: Day };
  /** As usual again: that day it was found clear. */
  readonly clearSince?: Day;
  readonly ticked?: Ticked;
  /** What the last look found there, against the look of that day before. */
  readonly trend?: { readonly is: Trend; readonly than: Day };
}

/** Drier: better, and wet before. */
export const ALL_TRENDS = ['better', 'drier', 'fewer mats', 'worse'] as const;
export type Trend = (typeof ALL_TRENDS)[number];

/** What the owner's ticks before a visit say: on how many of the days it was due it was done, and how often it is asked usually. */
export interface Ticked {
  readonly due: number;
  readonly done: number;
  readonly on: Day;
  readonly usual: number;
}

/** Marks and ingredients that no product for a task may have. */
export interface KeptOff {
  readonly marks: readonly MixCaution[];
  readonly ingredients: readonly string[];
}

/** Everything rules say of one task at one place, sorted by what it is. */
export interface Spoken {
  readonly claims: Claim[];
  readonly methods: SaidLine[];
  readonly cautions: SaidLine[];
  readonly keptOff: KeptOff[];
  readonly products: ProductKind[];
  readonly homes: HomeCare[];
}

const nothing = (): Spoken => ({ claims: [], methods: [], cautions: [], keptOff: [], products: [], homes: [] });

/** What a rule says once it holds. */
function sayingsOf(rule: Rule, facts: DogFacts | null): Spoken {
  const spoken = nothing();
  const then = typeof rule.then === 'function' ? (facts ? rule.then(facts) : []) : rule.then;
  const { rank, source } = rule;
  const reason: Reason = { kind: 'rule', rule: rule.id };
  const general = rule.when === always;
  for (const each of then) {
    switch (each.kind) {
      case 'interval': {
        const { least, usual, most } = each;
        spoken.claims.push({ ruleId: rule.id, rank, interval: { least, usual, most }, reason, source });
        break;
      }
      case 'home': {
        const { everyDays, minutes, how } = each;
        spoken.homes.push({ everyDays, minutes, how, reason, source });
        break;
      }
      case 'product':
        spoken.products.push(each.product);
        break;
      case 'method':
        spoken.methods.push({ words: each.words, at: each.at, rank, reason, source, general });
        break;
      case 'caution':
        spoken.cautions.push({ words: each.words, at: each.at, rank, reason, source, general });
        break;
      case 'keeps off':
        spoken.keptOff.push({ marks: each.marks, ingredients: each.ingredients });
        break;
      case 'bar':
        // Bars are asked for by what they forbid: see barsOf.
        break;
    }
  }
  return spoken;
}

interface PreparedRule {
  readonly rule: Rule;
  /** Null where a number of the dog goes into it. */
  readonly says: Spoken | null;
}

/** The rules of each task, what they say made ready: a plan is made thousands at a time. */
const PREPARED = Object.fromEntries(
  ALL_TASKS.map((task): [Task, readonly PreparedRule[]] => [
    task,
    RULES.filter((rule) => rule.task === task).map((rule) => ({
      rule,
      says: typeof rule.then === 'function' ? null : sayingsOf(rule, null),
    })),
  ]),
) as Readonly<Record<Task, readonly PreparedRule[]>>;

/** Tasks whose rules look at the place; of the others both sides of a dog say the same. */
const LOOKS_AT_PLACE: ReadonlySet<Task> = new Set(
  ALL_TASKS.filter((task) => PREPARED[task].some(({ rule }) => rule.when.ofPlace)),
);

/**
 * What the rules that hold for this dog say of a task at a place; what this dog and business ask before what is true of
 * every dog. `known` keeps what was found for the other side, within one plan.
 */
export function spokenOf(facts: DogFacts, task: Task, place: Place | null, known: Map<Task, Spoken>): Spoken {
  const before = known.get(task);
  if (before) return before;
  const spoken = gather(facts, task, place);
  if (!LOOKS_AT_PLACE.has(task)) known.set(task, spoken);
  return spoken;
}

function gather(facts: DogFacts, task: Task, place: Place | null): Spoken {
  const all = nothing();
  // Plans are made thousands at a time: nothing is spread, nothing is copied that need not be.
  for (const { rule, says } of PREPARED[task]) {
    if (!rule.when.holds(facts, place)) continue;
    const isOwn = rule.question !== undefined && facts.ownWays[rule.question] !== undefined;
    const more = isOwn
      ? sayingsOf({ ...rule, rank: 'own', source: DOGS_RECORD }, facts)
      : (says ?? sayingsOf(rule, facts));
    const set = facts.intervals[rule.id];
    for (const claim of more.claims) all.claims.push(set ? asSet(claim, set) : claim);
    for (const said of more.methods) all.methods.push(said);
    for (const said of more.cautions) all.cautions.push(said);
    for (const off of more.keptOff) all.keptOff.push(off);
    for (const home of more.homes) all.homes.push(home);
    for (const product of more.products) if (!all.products.includes(product)) all.products.push(product);
  }
  all.methods.sort(generalLast);
  all.cautions.sort(generalLast);
  return all;
}

/** The days that the business has set for a row; the row as it ships stays with it. */
const asSet = (claim: Claim, { least, usual, most }: Interval): Claim => ({
  ...claim,
  interval: { least, usual, most },
  ships: claim.interval,
  source: HOUSE_VALUE,
});

/** Sorting is stable: rules keep their order within each part. */
const generalLast = (a: SaidLine, b: SaidLine): number => Number(a.general) - Number(b.general);
