import type { ProductKind } from '../dilution';
import type { Side } from '../places';
import { COMMON_PRACTICE } from '../provenance';
import type { Reason } from '../reasons';
import type { Interval } from '../rhythm';
import { barsAt, barsBehind, workLeft, type Bar, type BarAt, type LeftOut } from '../stops';
import { TASKS, tasksOf, type Task, type TaskAt } from '../tasks';
import type { Piece } from '../work';
import { barsOf } from './barsOf';
import { decideEarHair, type EarHairDecision } from './earHair';
import type { DogFacts } from '../dog';
import type { HomeHow } from '../rules';
import { byAuthority, concerns, holdsOn, sourceOf, type AskedAtHome, type Instruction } from '../dog';
import { mainPieces, workOf } from './lineWork';
import { prescribedOn, type Prescribed } from './prescribed';
import { settleInterval, type Claim, type Settled } from './settleInterval';
import { spokenOf, type HomeCare, type KeptOff, type SaidLine, type Spoken } from './spoken';

/** One task at one place: how often, how, by whom, and everything that speaks for and against. */
export interface PlanLine extends TaskAt {
  /** Null: nothing recurring (barred, or decided at the table). */
  readonly interval: Interval | null;
  readonly settled: Settled | null;
  readonly methods: readonly SaidLine[];
  readonly products: readonly ProductKind[];
  readonly cautions: readonly SaidLine[];
  /** What forbids the work altogether, in force, the worst first; empty: it may be done. */
  readonly bars: readonly BarAt[];
  /** Places that the work leaves out, and why. */
  readonly leavesOut: readonly LeftOut[];
  /** How much of the product its work would take is left to be used, 0–1; 1 where nothing speaks against it. */
  readonly productShare: number;
  readonly keptOff: readonly KeptOff[];
  readonly home: HomeCare | null;
  /** Days by which the salon's own care comes sooner, since it is not done at home. */
  readonly sooner?: number;
  /** A vet's fixed interval: the rhythm does not move it. */
  readonly fixedByVet: boolean;
  readonly earHair: EarHairDecision | null;
}

export interface CarePlan {
  readonly lines: readonly PlanLine[];
  /** The product a vet or owner prescribed for the bath, if any. */
  readonly bathProduct: Prescribed | null;
}

/** How often home care steps in for a task the visits are too rare for, and how long it takes [house values]. */
export const BETWEEN_VISITS: Readonly<Partial<Record<Task, { minutes: number; how: HomeHow }>>> = {
  'ear cleaning': { minutes: 3, how: 'wipe the outer ear' },
  'eye corners': { minutes: 2, how: 'comb the eye corner' },
  nails: { minutes: 5, how: 'listen for nails' },
  rear: { minutes: 2, how: 'look under the tail' },
};

/** The care plan of one dog: every task at every place it has, with reasons and kept losers. Pure; same facts, same plan. */
export function makePlan(facts: DogFacts): CarePlan {
  const known = new Map<Task, Spoken>();
  const bars = barsOf(facts);
  const lines: PlanLine[] = [];
  let betweenVisits: number | null = null;
  // The bath comes first: the others are held against its interval.
  for (const at of tasksOf(facts.traits)) {
    const line = planLine(facts, bars, at, betweenVisits, known);
    if (at.task === 'bath') betweenVisits = line.interval?.usual ?? null;
    if (!isEmpty(line)) lines.push(line);
  }
  return { lines, bathProduct: prescribedOn(facts) };
}

/** Nothing speaks for or against it: this dog has no need of it. */
const isEmpty = (line: PlanLine): boolean =>
  line.interval === null &&
  line.home === null &&
  line.earHair === null &&
  line.bars.length + line.methods.length + line.cautions.length === 0;

function planLine(
  facts: DogFacts,
  inForce: readonly Bar[],
  at: TaskAt,
  betweenVisits: number | null,
  known: Map<Task, Spoken>,
): PlanLine {
  const said = spokenOf(facts, at.task, at.place, known);
  const claims = [...said.claims];
  for (const given of facts.instructions)
    if (holdsOn(given, facts.today) && concerns(given, at.place)) claims.push(...instructionClaims(given, at));
  const { bars, leavesOut, productShare } = barredWork(facts, inForce, at);
  const settled = settleInterval(claims, TASKS[at.task].safer);
  const interval = bars.length > 0 ? null : (settled?.interval ?? null);
  const stopped = bars.some(({ rank }) => rank === 'safety') || isStopped(inForce, at);
  const home = askedAtHome(
    facts,
    at,
    oftenest(said.homes) ?? tooRareForVisits(facts, at.task, interval, betweenVisits),
  );
  return {
    // Spelt out: a spread in front of so many fields made this object ten times as slow.
    task: at.task,
    place: at.place,
    interval,
    settled,
    methods: said.methods,
    products: said.products,
    cautions: at.task === 'bath' ? [...said.cautions, ...keptOffLines(facts)] : said.cautions,
    bars,
    leavesOut,
    productShare,
    keptOff: said.keptOff,
    home: stopped ? null : home,
    fixedByVet: settled?.won[0]?.rank === 'vet',
    earHair: at.task === 'ear hair' && at.place ? decideEarHair(facts, at.place.side as Side, inForce) : null,
  };
}

const NOTHING_BARRED = { bars: [], leavesOut: [], productShare: 1 } as const;

/**
 * What stands against the work of a line. It is barred when nothing is left of the pieces that make it what it is:
 * softening with plain water alone is no eye care.
 */
function barredWork(
  facts: DogFacts,
  inForce: readonly Bar[],
  at: TaskAt,
): Pick<PlanLine, 'bars' | 'leavesOut' | 'productShare'> {
  if (inForce.length === 0) return NOTHING_BARRED;
  const pieces = workOf(facts, at);
  const { open, leftOut } = workLeft(inForce, pieces);
  if (leftOut.length === 0) return NOTHING_BARRED;
  const main = mainPieces(at.task, pieces);
  const productShare = shareOf(pieces, open);
  const isDone = pieces.length === 0 || open.some(({ id }) => main.some((piece) => piece.id === id));
  if (isDone) return { bars: [], leavesOut: leftOut, productShare };
  const stands = leftOut.filter(
    ({ pieces: ids, productOnly }) => !productOnly && ids.some((id) => main.some((piece) => piece.id === id)),
  );
  return { bars: barsBehind(stands), leavesOut: leftOut, productShare };
}

/** Touches that bring a product along, of those that would. */
function shareOf(pieces: readonly Piece[], open: readonly Piece[]): number {
  const withProduct = (list: readonly Piece[]) =>
    list.flatMap(({ touches }) => touches).filter(({ product }) => product !== null).length;
  const all = withProduct(pieces);
  return all === 0 ? 1 : withProduct(open) / all;
}

/** A place under a stop has no home care either, whatever of the salon's work is left there; looking stays. */
const isStopped = (inForce: readonly Bar[], { task, place }: TaskAt): boolean =>
  inForce.length > 0 &&
  place !== null &&
  task !== 'ear inspection' &&
  barsAt(inForce, place).some(({ stop, lifted }) => stop !== 'S0' && lifted === null);

/** Of several home cares the one that comes oftenest is asked of the owner. */
const oftenest = (homes: readonly HomeCare[]): HomeCare | null =>
  homes.reduce<HomeCare | null>((best, each) => (best && best.everyDays <= each.everyDays ? best : each), null);

/** How it is done at home where nothing of the dog asked for it before somebody did. */
const ASKED_HOWS: Readonly<Record<AskedAtHome, Pick<HomeCare, 'minutes' | 'how'>>> = {
  'eyes and face': { minutes: 5, how: 'clean a wet face' },
  'fold care': { minutes: 3, how: 'wipe a deep fold' },
};

/** Home care with the word of a vet or an owner on how often a day, by the one who has most to say. */
function askedAtHome(
  { instructions, today }: DogFacts,
  { task, place }: TaskAt,
  home: HomeCare | null,
): HomeCare | null {
  const given = instructions
    .filter((each) => each.says.kind === 'at home' && each.says.task === task)
    .filter((each) => holdsOn(each, today) && concerns(each, place))
    .toSorted(byAuthority)[0];
  if (given?.says.kind !== 'at home') return home;
  const { by, who, until } = given;
  const { timesADay } = given.says;
  return {
    ...(home ?? ASKED_HOWS[given.says.task]),
    everyDays: 1 / timesADay,
    reason: { kind: 'instruction', by, who, until, says: { kind: 'at home', task, timesADay } },
    source: sourceOf(given),
  };
}

function instructionClaims(given: Instruction, at: TaskAt): Claim[] {
  if (given.says.kind !== 'interval' || given.says.task !== at.task) return [];
  const { by, who, until } = given;
  const { days } = given.says;
  return [
    {
      ruleId: `instruction ${given.id}`,
      rank: given.by,
      interval: { least: days, usual: days, most: days },
      reason: { kind: 'instruction', by, who, until, says: { kind: 'every', task: at.task, days } },
      source: sourceOf(given),
    },
  ];
}

/** What no product on this dog may hold; said once, where products come first. */
const keptOffLines = (facts: DogFacts): SaidLine[] =>
  facts.instructions.flatMap((given) =>
    given.says.kind === 'avoid' && holdsOn(given, facts.today)
      ? [
          {
            words: `Nothing with ${given.says.ingredient} in it: ${given.who}. Read the label, too.`,
            at: 'before water' as const,
            rank: given.by,
            reason: {
              kind: 'instruction',
              by: given.by,
              who: given.who,
              until: given.until,
              says: { kind: 'avoid', what: given.says.ingredient },
            },
            source: sourceOf(given),
            general: false,
          },
        ]
      : [],
  );

/** A task due oftener than the visits come goes to the owner as well. */
function tooRareForVisits(
  { ways }: DogFacts,
  task: Task,
  interval: Interval | null,
  betweenVisits: number | null,
): HomeCare | null {
  // A school of its own: nothing goes in, owners only look.
  if (task === 'ear cleaning' && ways.earsAtHome === 'only look') return null;
  const between = BETWEEN_VISITS[task];
  if (!between || interval === null || betweenVisits === null || interval.usual >= betweenVisits) return null;
  const reason: Reason = { kind: 'between visits', everyDays: interval.usual, visits: betweenVisits };
  const { minutes, how } = between;
  return { everyDays: interval.usual, minutes, how, reason, source: COMMON_PRACTICE };
}
