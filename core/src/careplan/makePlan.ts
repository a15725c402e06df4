import type { ProductKind } from '../dilution';
import { placeKey, type Place, type Side } from '../places';
import { COMMON_PRACTICE, type Source } from '../provenance';
import type { Interval } from '../rhythm';
import { decideEarHair, type EarHairDecision } from './earHair';
import type { DogFacts } from './facts';
import { concerns, holdsOn, type Instruction } from './instructions';
import { settleInterval, type Claim, type Settled } from './settleInterval';
import { spokenOf, type HomeCare, type Said, type Spoken } from './spoken';
import { TASKS, tasksOf, type Task, type TaskAt } from '../tasks';

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
export const BETWEEN_VISITS: Readonly<Partial<Record<Task, { minutes: number; how: string }>>> = {
  'ear cleaning': { minutes: 3, how: 'Wipe the outer ear with a damp pad, as deep as the eye sees.' },
  'eye corners': { minutes: 2, how: 'Comb the corner hair away from the eye, wipe, dry.' },
  nails: { minutes: 5, how: 'Look at the nails on a hard floor; ring if they click.' },
  rear: { minutes: 2, how: 'Look under the tail; comb out what sticks, ring if it is sore.' },
};

/** The care plan of one dog: every task at every place it has, with reasons and kept losers. Pure; same facts, same plan. */
export function makePlan(facts: DogFacts): CarePlan {
  const known = new Map<Task, Spoken>();
  const lines: PlanLine[] = [];
  let betweenVisits: number | null = null;
  // The bath comes first: the others are held against its interval.
  for (const at of tasksOf(facts.traits)) {
    const line = planLine(facts, at, betweenVisits, known);
    if (at.task === 'bath') betweenVisits = line.interval?.usual ?? null;
    if (!isEmpty(line)) lines.push(line);
  }
  return { lines, bathProduct: prescribedBath(facts) };
}

/** Nothing speaks for or against it: this dog has no need of it. */
const isEmpty = (line: PlanLine): boolean =>
  line.interval === null &&
  line.home === null &&
  line.earHair === null &&
  line.bars.length + line.methods.length + line.cautions.length === 0;

function planLine(facts: DogFacts, at: TaskAt, betweenVisits: number | null, known: Map<Task, Spoken>): PlanLine {
  const said = spokenOf(facts, at.task, at.place, known);
  const claims = [...said.claims];
  const bars = [...said.bars];
  for (const given of facts.instructions) {
    if (!holdsOn(given, facts.today) || !concerns(given, at.place)) continue;
    claims.push(...instructionClaims(given, at));
    bars.push(...instructionBars(given, at));
  }
  bars.push(...safetyBars(facts, at));
  const settled = settleInterval(claims, TASKS[at.task].safer);
  const interval = bars.length > 0 ? null : (settled?.interval ?? null);
  const barred = bars.some(({ rank }) => rank === 'safety');
  const home = oftenest(said.homes) ?? tooRareForVisits(at.task, interval, betweenVisits);
  return {
    // Spelt out: a spread in front of so many fields made this object ten times as slow.
    task: at.task,
    place: at.place,
    interval,
    settled,
    methods: said.methods,
    products: said.products,
    cautions: at.task === 'bath' ? [...said.cautions, ...keptFrom(facts)] : said.cautions,
    bars,
    home: barred ? null : home,
    fixedByVet: settled?.won[0]?.rank === 'vet',
    earHair: at.task === 'ear hair' && at.place ? decideEarHair(facts, at.place.side as Side) : null,
  };
}

/** Of several home cares the one that comes oftenest is asked of the owner. */
const oftenest = (homes: readonly HomeCare[]): HomeCare | null =>
  homes.reduce<HomeCare | null>((best, each) => (best && best.everyDays <= each.everyDays ? best : each), null);

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

/** What a product that suffers nothing else beside it keeps off the skin. */
const KEPT_OFF: readonly Task[] = ['conditioner', 'face wash'];

function instructionBars(given: Instruction, at: TaskAt): Said[] {
  if (given.says.kind === 'bath product' && given.says.nothingElse && KEPT_OFF.includes(at.task)) {
    const words = `Nothing else on the skin: ${given.who}.`;
    return [{ words, rank: given.by, because: given.who, source: sourceOf(given), general: false }];
  }
  if (given.says.kind !== 'bar' || given.says.task !== at.task) return [];
  const until = given.until === null ? '' : ` until ${given.until}`;
  return [
    {
      words: `Not done${until}: ${given.who}.`,
      rank: given.by,
      because: given.who,
      source: sourceOf(given),
      general: false,
    },
  ];
}

/** What no product on this dog may hold; said once, where products come first. */
const keptFrom = (facts: DogFacts): Said[] =>
  facts.instructions.flatMap((given) =>
    given.says.kind === 'avoid' && holdsOn(given, facts.today)
      ? [
          {
            words: `Nothing with ${given.says.ingredient} in it: ${given.who}. Read the label, too.`,
            rank: given.by,
            because: given.who,
            source: sourceOf(given),
            general: false,
          },
        ]
      : [],
  );

/** Stops that stand from the last visit, and ears nothing may go into. A vet's lift of the named procedure opens them. */
function safetyBars(facts: DogFacts, { task, place }: TaskAt): Said[] {
  if (place === null || task === 'ear inspection' || task === 'ear hair') return [];
  const bar = (words: string, because: string): Said => ({
    words,
    rank: 'safety',
    because,
    source: COMMON_PRACTICE,
    general: false,
  });
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
function tooRareForVisits(task: Task, interval: Interval | null, betweenVisits: number | null): HomeCare | null {
  const between = BETWEEN_VISITS[task];
  if (!between || interval === null || betweenVisits === null || interval.usual >= betweenVisits) return null;
  const because = `due every ${interval.usual} days, full visits every ${betweenVisits}`;
  const { minutes, how } = between;
  return { everyDays: interval.usual, minutes, how, because, source: COMMON_PRACTICE };
}

function prescribedBath(facts: DogFacts): CarePlan['bathProduct'] {
  const given = facts.instructions
    .filter((each) => each.says.kind === 'bath product' && holdsOn(each, facts.today))
    .toSorted((a, b) => (a.by === b.by ? b.from.localeCompare(a.from) : a.by === 'vet' ? -1 : 1))[0];
  if (given?.says.kind !== 'bath product') return null;
  const { productId, contactMinutes, nothingElse } = given.says;
  return { productId, contactMinutes, nothingElse, who: given.who, source: sourceOf(given) };
}
