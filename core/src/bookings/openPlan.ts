import type { Book, PlannedVisit } from './book';
import type { PlanCosts } from './costs';
import { cheapestPath, costAlong, type DayCosts, type Path } from './dogPath';
import { FULL, SHORT, tablesOf, type DogTables, type Kind } from './dogTables';

/** What one hands-on minute is worth by block, and one minute of each shared thing by day: 0 where there is room. */
export interface Prices {
  readonly minute: Float64Array;
  readonly shared: readonly Float64Array[];
}

interface PlacedVisit {
  readonly day: number;
  readonly kind: Kind;
  /** -1 for a fixed booking. */
  readonly block: number;
}

/** What one dog has now; handed back to put it as it was. */
export interface DogPlan {
  readonly visits: readonly PlacedVisit[];
  /** Its own cost: care, end, wishes, moved. */
  readonly cost: number;
}

const NO_PLAN: DogPlan = { visits: [], cost: 0 };
const FIXED = -1;

/**
 * A plan that is being worked on: who is where, how much room is left, what it costs. Dogs are taken out and put back;
 * putting one in finds its cheapest visits in the room there is.
 */
export class OpenPlan {
  readonly tables: readonly DogTables[];
  /** What the plan costs now, dogs that are taken out left out. */
  cost = 0;
  private readonly room: Int32Array;
  private readonly sharedRoom: readonly Int32Array[];
  /** Whether a dog that must be first or last has the block. */
  private readonly slotTaken: Uint8Array;
  /** Dogs of a household by day: household × days. */
  private readonly coming: Uint8Array;
  private readonly minutesOn: Float64Array;
  private readonly dogsOfBlock: readonly number[][];
  private readonly plans: DogPlan[];
  /** What a dog had before it was taken out: it will often do again. */
  private readonly before: (readonly PlacedVisit[])[];
  private readonly on: DayCosts;
  /** Days that cost nothing. */
  private readonly free: DayCosts;
  /** The block that each day would take, full and short. */
  private readonly chosen: readonly [full: Int32Array, short: Int32Array];

  constructor(
    private readonly book: Book,
    private readonly costs: PlanCosts,
    readonly prices: Prices,
    tables: readonly DogTables[] = tablesOf(book, costs),
  ) {
    this.tables = tables;
    const { days, blocks, shared } = book;
    this.room = Int32Array.from(blocks, ({ from, to }) => to - from);
    this.sharedRoom = shared.map(({ minutes }) => Int32Array.from(minutes));
    this.slotTaken = new Uint8Array(blocks.length);
    this.coming = new Uint8Array(days * (1 + Math.max(-1, ...this.tables.map(({ household }) => household))));
    this.minutesOn = new Float64Array(days);
    this.dogsOfBlock = blocks.map(() => []);
    this.plans = this.tables.map(() => NO_PLAN);
    this.before = this.tables.map(() => []);
    this.on = { full: new Float64Array(days), short: new Float64Array(days) };
    this.free = { full: new Float64Array(days), short: new Float64Array(days) };
    this.chosen = [new Int32Array(days), new Int32Array(days)];
  }

  get(dog: number): DogPlan {
    return this.plans[dog] ?? NO_PLAN;
  }

  /** Takes a dog out, and hands back what it had. */
  remove(dog: number): DogPlan {
    const had = this.get(dog);
    this.before[dog] = had.visits;
    this.account(dog, had, -1);
    this.plans[dog] = NO_PLAN;
    return had;
  }

  /** Puts back what `remove` handed out, or another plan of that dog that holds. */
  restore(dog: number, plan: DogPlan): void {
    this.plans[dog] = plan;
    this.account(dog, plan, 1);
  }

  /**
   * Puts a dog that is out into its cheapest visits, room as it is. `heat` scales the prices of minutes: 0 looks at this
   * dog alone. `share` is the part of a trip that it pays where its household is not coming yet. `detour` makes days dearer
   * by chance, so that it may leave its best days to others; what it then has costs what it costs.
   */
  insert(dog: number, heat: number, share = 1, detour: (() => number) | null = null): void {
    const tables = this.tables[dog]!;
    this.priceDays(tables, heat, share);
    if (detour)
      for (let day = 0; day < this.book.days; day++) {
        const more = detour();
        this.on.full[day]! += more;
        this.on.short[day]! += more;
      }
    const { visits } = cheapestPath(tables, this.on, this.before[dog]);
    const placed = visits.map(({ day, kind }): PlacedVisit => ({ day, kind, block: this.chosen[kind][day]! }));
    this.restore(dog, { visits: placed, cost: this.ownCost(tables, placed) });
  }

  /** The visits a dog would have if it were alone in the book. */
  alone(dog: number): Path {
    const tables = this.tables[dog]!;
    this.priceDays(tables, 0, 1, true);
    return cheapestPath(tables, this.on);
  }

  /** Dogs that hold room in a block. */
  dogsIn(block: number): readonly number[] {
    return this.dogsOfBlock[block] ?? [];
  }

  planned(): PlannedVisit[] {
    return this.plans.flatMap(({ visits }, dog) =>
      visits.map(({ day, kind, block }) => ({
        dog: this.tables[dog]!.id,
        choice: kind === FULL ? ('full' as const) : ('short' as const),
        day,
        block: block === FIXED ? null : block,
      })),
    );
  }

  /** What each day costs this dog, in the cheapest block with room. */
  private priceDays(tables: DogTables, heat: number, share: number, asIfAlone = false): void {
    const { full, short } = this.on;
    const kinds: readonly Kind[] = tables.slow ? [FULL, SHORT] : [FULL];
    const { days } = this.book;
    for (let day = 0; day < days; day++) {
      const comes = this.coming[tables.household * days + day]! > 0;
      const trip = comes ? 0 : tables.trip * share;
      for (const kind of kinds) {
        const on = kind === FULL ? full : short;
        on[day] = trip + this.cheapestBlock(tables, kind, day, heat, asIfAlone);
      }
    }
    for (const { day, isFull } of tables.forced) {
      full[day] = isFull ? 0 : Infinity;
      short[day] = isFull ? Infinity : 0;
      this.chosen[FULL][day] = FIXED;
      this.chosen[SHORT][day] = FIXED;
    }
  }

  private cheapestBlock(tables: DogTables, kind: Kind, day: number, heat: number, asIfAlone: boolean): number {
    const minutes = tables.minutes[kind];
    const uses = tables.uses[kind];
    const { slot } = this.book.dogs[tables.index]!.needs;
    let base = 0;
    for (let r = 0; r < uses.length; r++) {
      if (uses[r]! === 0) continue;
      if (!asIfAlone && this.sharedRoom[r]![day]! < uses[r]!) return Infinity;
      base += heat * this.prices.shared[r]![day]! * uses[r]!;
    }
    if (this.costs.uneven > 0) {
      const hours = this.minutesOn[day]! / 60;
      base += this.costs.uneven * ((hours + minutes / 60) ** 2 - hours ** 2);
    }
    let least = Infinity;
    let tightest = Infinity;
    for (const block of tables.blocks[day]!) {
      const left = this.room[block]! - minutes;
      if (asIfAlone ? this.lengthOf(block) < minutes : left < 0 || (slot !== null && this.slotTaken[block])) continue;
      const cost = tables.blockCost(block) + heat * this.prices.minute[block]! * minutes;
      // Of equal blocks the one that it fills best: small gaps are of no use to anybody.
      if (cost < least - 1e-9 || (cost < least + 1e-9 && left < tightest)) {
        [least, tightest] = [cost, left];
        this.chosen[kind][day] = block;
      }
    }
    return base + least;
  }

  private lengthOf(block: number): number {
    const { from, to } = this.book.blocks[block]!;
    return to - from;
  }

  /** Care, end, wishes and moved, without prices and trips. */
  private ownCost(tables: DogTables, visits: readonly PlacedVisit[]): number {
    const blocks = visits.reduce((sum, { block }) => sum + (block === FIXED ? 0 : tables.blockCost(block)), 0);
    return tables.movedBase + costAlong(tables, this.free, visits) + blocks;
  }

  /** Takes a dog's visits into account (1), or out of it (-1). */
  private account(dog: number, { visits, cost }: DogPlan, sign: 1 | -1): void {
    const tables = this.tables[dog]!;
    const { days } = this.book;
    const { slot } = this.book.dogs[dog]!.needs;
    this.cost += sign * cost;
    for (const { day, kind, block } of visits) {
      const at = tables.household * days + day;
      const before = this.coming[at]!;
      this.coming[at] = before + sign;
      if ((sign === 1 ? before : before - 1) === 0) this.cost += sign * tables.trip;
      if (block === FIXED) continue;
      const minutes = tables.minutes[kind];
      this.room[block]! -= sign * minutes;
      const here = this.dogsOfBlock[block]!;
      if (sign === 1) here.push(dog);
      else here.splice(here.indexOf(dog), 1);
      if (slot) this.slotTaken[block] = sign === 1 ? 1 : 0;
      for (const [r, used] of tables.uses[kind].entries()) this.sharedRoom[r]![day]! -= sign * used;
      if (this.costs.uneven > 0) {
        const hours = this.minutesOn[day]! / 60;
        const after = hours + (sign * minutes) / 60;
        this.cost += this.costs.uneven * (after ** 2 - hours ** 2);
        this.minutesOn[day] = after * 60;
      }
    }
  }
}
