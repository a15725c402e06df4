import type { ProductKind } from '../dilution';
import { placeKey, type Place, type Side } from '../places';
import { COMMON_PRACTICE, type Source, type Sourced } from '../provenance';
import type { Interval } from '../rhythm';
import { decideEarHair, type EarHairDecision } from './earHair';
import type { DogFacts } from './facts';
import { concerns, holdsOn, type Instruction } from './instructions';
import type { Rank, Then } from './rule';
import { RULES } from './rules';
import { settleInterval, type Claim, type Settled } from './settleInterval';
import { TASKS, tasksOf, type TaskAt } from './tasks';

/** A sentence of the plan with its rule and source. */
export interface Said extends Sourced {
  readonly rank: Rank;
  readonly because: string;
}

export interface HomeCare {
  readonly everyDays: number;
  /** Minutes it asks of the owner each time. */
  readonly minutes: number;
  readonly how: string;
  readonly because: string;
  readonly source: Source;
}

/** One task at one place: how often, how, by whom, and everything that speaks for and against. */
export interface PlanLine extends TaskAt {
  /** Null: nothing recurring (barred, or decided at the table). */
  readonly interval: Interval | null;
  readonly settled: Settled | null;
  readonly methods: readonly Said[];
  readonly products: readonly ProductKind[];
  readonly cautions: readonly Said[];
  readonly bars: readonly Said[];
  readonly home: HomeCare | null;
  /** A vet's fixed interval: the rhythm does not move it. */
  readonly fixedByVet: boolean;
  readonly earHair: EarHairDecision | null;
}

export interface CarePlan {
  readonly lines: readonly PlanLine[];
  /** The product a vet or owner prescribed for the bath, if any. */
  readonly bathProduct: {
    readonly productId: string;
    readonly contactMinutes: number;
    readonly nothingElse: boolean;
    readonly who: string;
    readonly source: Source;
  } | null;
}

/** How often home care steps in for a task the visits are too rare for, and how long it takes [house values]. */
const BETWEEN_VISITS: Readonly<Partial<Record<TaskAt['task'], { minutes: number; how: string }>>> = {
  'ear cleaning': { minutes: 3, how: 'Wipe the outer ear with a damp pad, as deep as the eye sees.' },
  nails: { minutes: 5, how: 'Look at the nails on a hard floor; ring if they click.' },
};

/** The care plan of one dog: every task at every place it has, with reasons and kept losers. Pure; same facts, same plan. */
export function makePlan(facts: DogFacts): CarePlan {
  const lines = tasksOf(facts.traits).map((at) => planLine(facts, at));
  const visitInterval = lines.find((line) => line.task === 'bath')?.interval?.usual ?? null;
  return { lines: lines.map((line) => withHomeCare(line, visitInterval)), bathProduct: prescribedBath(facts) };
}

function planLine(facts: DogFacts, at: TaskAt): PlanLine {
  const rules = RULES.filter((rule) => rule.task === at.task && rule.when.holds(facts, at.place));
  const instructions = facts.instructions.filter((each) => holdsOn(each, facts.today) && concerns(each, at.place));
  const spoken = rules.flatMap((rule) => {
    const then = typeof rule.then === 'function' ? rule.then(facts) : rule.then;
    return then.map((each) => ({ rule, then: each }));
  });
  const say = <K extends Then['kind']>(kind: K) =>
    spoken.flatMap(({ rule, then }) =>
      then.kind === kind
        ? [{ ...(then as Extract<Then, { kind: K }>), rank: rule.rank, because: rule.because, source: rule.source }]
        : [],
    );
  const settled = settleInterval(
    [
      ...rules.flatMap((rule) => ruleClaims(rule, facts)),
      ...instructions.flatMap((each) => instructionClaims(each, at)),
    ],
    TASKS[at.task].safer,
  );
  const bars = [...say('bar'), ...instructions.flatMap((each) => instructionBars(each, at)), ...safetyBars(facts, at)];
  const home = say('home').toSorted((a, b) => a.everyDays - b.everyDays)[0];
  return {
    ...at,
    interval: bars.length > 0 ? null : (settled?.interval ?? null),
    settled,
    methods: say('method'),
    products: [...new Set(say('product').map((each) => each.product))],
    cautions: say('caution'),
    bars,
    home: home && bars.every((each) => each.rank !== 'safety') ? home : null,
    fixedByVet: settled?.won[0]?.rank === 'vet',
    earHair: at.task === 'ear hair' && at.place ? decideEarHair(facts, at.place.side as Side) : null,
  };
}

function ruleClaims(rule: (typeof RULES)[number], facts: DogFacts): Claim[] {
  const then = typeof rule.then === 'function' ? rule.then(facts) : rule.then;
  return then.flatMap((each) => {
    if (each.kind !== 'interval') return [];
    const { least, usual, most } = each;
    return [
      {
        ruleId: rule.id,
        rank: rule.rank,
        interval: { least, usual, most },
        because: rule.because,
        source: rule.source,
      },
    ];
  });
}

const sourceOf = (given: Instruction): Source => ({ kind: `${given.by} instruction`, who: given.who });

function instructionClaims(given: Instruction, at: TaskAt): Claim[] {
  if (given.says.kind !== 'interval' || given.says.task !== at.task) return [];
  const { days } = given.says;
  return [
    {
      ruleId: `instruction ${given.id}`,
      rank: given.by,
      interval: { least: days, usual: days, most: days },
      because: `${given.who}: every ${days} days`,
      source: sourceOf(given),
    },
  ];
}

function instructionBars(given: Instruction, at: TaskAt): Said[] {
  if (given.says.kind !== 'bar' || given.says.task !== at.task) return [];
  const until = given.until === null ? '' : ` until ${given.until}`;
  return [{ words: `Not done${until}: ${given.who}.`, rank: given.by, because: given.who, source: sourceOf(given) }];
}

/** Stops that stand from the last visit, and ears nothing may go into. A vet's lift of the named procedure opens them. */
function safetyBars(facts: DogFacts, { task, place }: TaskAt): Said[] {
  if (place === null || task === 'ear inspection' || task === 'ear hair') return [];
  const bar = (words: string, because: string): Said => ({ words, rank: 'safety', because, source: COMMON_PRACTICE });
  const found = facts.suspended[placeKey(place)];
  const bars = found === undefined ? [] : [bar(`Nothing here until a vet has answered: ${found}.`, found)];
  if (task !== 'ear cleaning' || place.side === 'none') return bars;
  const barred = facts.ears[place.side].conditions.filter((condition) => !isLifted(facts, place, condition));
  return [...bars, ...barred.map((condition) => bar(`Nothing goes into this ear: ${condition}.`, condition))];
}

const isLifted = (facts: DogFacts, place: Place, condition: string): boolean =>
  facts.lifts.some(
    (lift) =>
      lift.lifts === condition &&
      lift.procedure === 'clean' &&
      placeKey(lift.place) === placeKey(place) &&
      holdsOn(lift, facts.today),
  );

/** A task due oftener than the visits come goes to the owner as well. */
function withHomeCare(line: PlanLine, visitInterval: number | null): PlanLine {
  const between = BETWEEN_VISITS[line.task];
  if (line.home || !between || line.interval === null || visitInterval === null || line.interval.usual >= visitInterval)
    return line;
  const because = `due every ${line.interval.usual} days, full visits every ${visitInterval}`;
  return { ...line, home: { ...between, everyDays: line.interval.usual, because, source: COMMON_PRACTICE } };
}

function prescribedBath(facts: DogFacts): CarePlan['bathProduct'] {
  const given = facts.instructions
    .filter((each) => each.says.kind === 'bath product' && holdsOn(each, facts.today))
    .toSorted((a, b) => (a.by === b.by ? b.from.localeCompare(a.from) : a.by === 'vet' ? -1 : 1))[0];
  if (given?.says.kind !== 'bath product') return null;
  const { productId, contactMinutes, nothingElse } = given.says;
  return { productId, contactMinutes, nothingElse, who: given.who, source: sourceOf(given) };
}
