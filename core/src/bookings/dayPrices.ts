import type { Book } from './book';
import { cheapestPath, fullVisitsOnly, type DayCosts, type Path, type PathVisit } from './dogPath';
import { FULL, SHORT, type DogTables, type Kind } from './dogTables';
import type { Prices } from './openPlan';

/** People whose blocks of a day are alike for every dog: the same place, the same skills. */
interface Pools {
  readonly ofBlock: Int32Array;
  readonly room: Float64Array;
}

/** Prices of last night, to begin with. By day, then by pool, as `DayPrices.kept` gives them. */
export type KeptPrices = Readonly<Record<string, number>>;

/**
 * What a minute is worth on each day, and a bound below which no plan can come (Lagrangian relaxation: the room of a day
 * may be overdrawn at a price, so that each dog is planned alone; a trip is split among its household). People who can do
 * the same are one pool a day, so that what does not fit because of gaps between visits is not in the bound.
 */
export class DayPrices {
  /** No plan costs less. */
  bound = -Infinity;
  /** The prices that gave the bound. */
  readonly prices: Prices;
  private readonly pools: Pools;
  private readonly keys: readonly string[];
  private readonly minute: Float64Array;
  private readonly shared: readonly Float64Array[];
  private readonly sharedRoom: readonly Float64Array[];
  /** The part of each trip that a dog pays, by dog and day; null for a dog that is alone in its household. */
  private readonly trip: readonly (Float64Array | null)[];
  private readonly on: DayCosts;
  /** The visits of each dog at the prices of before: they will often do again. */
  private readonly before: (readonly PathVisit[])[];
  private readonly chosen: readonly [full: Int32Array, short: Int32Array];
  private readonly scale: number;
  private readonly last: { minute: Float64Array; shared: readonly Float64Array[] };
  private stepSize = 0.3;
  private sinceBetter = 0;
  private roughSteps = 0;

  constructor(
    private readonly book: Book,
    private readonly tables: readonly DogTables[],
    kept: KeptPrices = {},
  ) {
    const { days, blocks, shared } = book;
    const { pools, keys } = poolsOf(book);
    this.pools = pools;
    this.keys = keys;
    this.minute = Float64Array.from(keys, (key) => kept[key] ?? 0);
    this.shared = shared.map(({ name }) =>
      Float64Array.from({ length: days }, (_, day) => kept[`${day} ${name}`] ?? 0),
    );
    this.sharedRoom = shared.map(({ minutes }) => Float64Array.from(minutes));
    this.prices = { minute: new Float64Array(blocks.length), shared: shared.map(() => new Float64Array(days)) };
    this.trip = tripShares(tables, days);
    this.on = { full: new Float64Array(days), short: new Float64Array(days) };
    this.before = tables.map(() => []);
    this.chosen = [new Int32Array(days), new Int32Array(days)];
    this.scale = tables.reduce((sum, { minutes }) => sum + minutes[FULL], 0) / Math.max(1, tables.length);
    this.last = { minute: new Float64Array(keys.length), shared: shared.map(() => new Float64Array(days)) };
  }

  /** The prices of the bound, by day and pool: they may be kept for the next time. */
  kept(): KeptPrices {
    const made: Record<string, number> = {};
    for (const [block, pool] of this.pools.ofBlock.entries()) made[this.keys[pool]!] = this.prices.minute[block]!;
    for (const [r, { name }] of this.book.shared.entries())
      for (const [day, price] of this.prices.shared[r]!.entries()) made[`${day} ${name}`] = price;
    return made;
  }

  /**
   * A rough step leaves short visits out and says nothing of the bound: prices rise by the share by which a day is
   * overdrawn, each time by less.
   */
  roughStep(): void {
    const asked = this.ask((dog) => fullVisitsOnly(dog, this.on.full));
    this.roughSteps += 1;
    const rate = ROUGH / (1 + this.roughSteps / ROUGH_SLOWS) / this.scale;
    for (const { price, wanted, room } of this.listsOf(asked))
      for (let i = 0; i < price.length; i++)
        price[i] = Math.max(0, price[i]! + rate * Math.min(1, wanted[i]! / Math.max(1, room[i]!) - 1));
    this.splitTrips(asked.came);
    this.usePrices();
  }

  /**
   * One step of the ascent: every dog alone at the prices that stand, then prices up where more is asked than there is
   * and down where less. `upper` is what the best plan costs.
   */
  step(upper: number): void {
    const asked = this.ask((dog) => {
      const path = cheapestPath(dog, this.on, this.before[dog.index]);
      this.before[dog.index] = path.visits;
      return path;
    });
    let value = asked.value;
    for (const { price, room } of this.listsOf(asked))
      for (let i = 0; i < price.length; i++) value -= price[i]! * room[i]!;
    this.keep(value);
    this.move(upper - value, asked);
    this.splitTrips(asked.came);
  }

  /** Every dog alone at the prices that stand: what it costs, what it asks for. */
  private ask(pathOf: (dog: DogTables) => Path): Asked {
    const asked: Asked = {
      value: 0,
      minute: new Float64Array(this.minute.length),
      shared: this.shared.map(({ length }) => new Float64Array(length)),
      came: this.trip.map((share) => share && new Uint8Array(share.length)),
    };
    for (const dog of this.tables) {
      this.priceDays(dog);
      const { cost, visits } = pathOf(dog);
      asked.value += cost;
      const came = asked.came[dog.index];
      for (const { day, kind } of visits) {
        if (came) came[day] = 1;
        const pool = this.chosen[kind][day]!;
        if (pool < 0) {
          if (!came) asked.value += dog.trip;
          continue;
        }
        asked.minute[pool]! += dog.minutes[kind];
        for (const [r, used] of dog.uses[kind].entries()) asked.shared[r]![day]! += used;
      }
    }
    return asked;
  }

  /** Prices beside what is asked for and what there is. */
  private listsOf({ minute, shared }: Asked) {
    return [
      { price: this.minute, wanted: minute, room: this.pools.room, last: this.last.minute },
      ...this.shared.map((price, r) => ({
        price,
        wanted: shared[r]!,
        room: this.sharedRoom[r]!,
        last: this.last.shared[r]!,
      })),
    ];
  }

  private keep(value: number): void {
    if (value <= this.bound) {
      this.sinceBetter += 1;
      if (this.sinceBetter >= HALVE_AFTER) [this.stepSize, this.sinceBetter] = [this.stepSize / 2, 0];
      return;
    }
    this.bound = value;
    this.sinceBetter = 0;
    this.usePrices();
  }

  private usePrices(): void {
    for (const [block, pool] of this.pools.ofBlock.entries()) this.prices.minute[block] = this.minute[pool]!;
    for (const [r, by] of this.shared.entries()) this.prices.shared[r]!.set(by);
  }

  /** Polyak's step along a direction that remembers the last one, in units of an ordinary visit. */
  private move(missing: number, asked: Asked): void {
    const lists = this.listsOf(asked);
    let norm = 0;
    for (const { price, wanted, room, last } of lists)
      for (let i = 0; i < price.length; i++) {
        const over = (wanted[i]! - room[i]!) / this.scale;
        // A price that is nothing and would fall says nothing about the step.
        last[i] = (price[i] === 0 && over < 0 ? 0 : over) + REMEMBERED * last[i]!;
        norm += last[i]! ** 2;
      }
    if (norm === 0) return;
    const length = (this.stepSize * Math.max(0, missing)) / norm / this.scale;
    for (const { price, last } of lists)
      for (let i = 0; i < price.length; i++) price[i] = Math.max(0, price[i]! + length * last[i]!);
  }

  /** Who comes on a day pays more of its trip, who does not pays less; the parts of a trip add up to it. */
  private splitTrips(came: readonly (Uint8Array | null)[]): void {
    const byHousehold = new Map<number, number[]>();
    for (const { index, household } of this.tables)
      if (this.trip[index]) byHousehold.set(household, [...(byHousehold.get(household) ?? []), index]);
    for (const dogs of byHousehold.values()) {
      const whole = this.tables[dogs[0]!]!.trip;
      for (let day = 0; day < this.book.days; day++) {
        const count = dogs.reduce((sum, dog) => sum + came[dog]![day]!, 0);
        if (count === 0 || count === dogs.length) continue;
        for (const dog of dogs) {
          const more = came[dog]![day]! - count / dogs.length;
          this.trip[dog]![day] = Math.max(0, this.trip[dog]![day]! + TRIP_STEP * this.stepSize * whole * more);
        }
        const sum = dogs.reduce((total, dog) => total + this.trip[dog]![day]!, 0);
        for (const dog of dogs) this.trip[dog]![day]! *= whole / sum;
      }
    }
  }

  private priceDays(dog: DogTables): void {
    const share = this.trip[dog.index];
    const kinds: readonly Kind[] = dog.slow ? [FULL, SHORT] : [FULL];
    for (const kind of kinds) {
      const on = kind === FULL ? this.on.full : this.on.short;
      const minutes = dog.minutes[kind];
      for (let day = 0; day < on.length; day++) {
        let least = Infinity;
        for (const block of dog.blocks[day]!) {
          const { from, to } = this.book.blocks[block]!;
          if (to - from < minutes) continue;
          const pool = this.pools.ofBlock[block]!;
          const cost = dog.blockCost(block) + this.minute[pool]! * minutes;
          if (cost < least) [least, this.chosen[kind][day]] = [cost, pool];
        }
        let shared = 0;
        for (const [r, used] of dog.uses[kind].entries()) {
          if (used > this.book.shared[r]!.minutes[day]!) least = Infinity;
          shared += this.shared[r]![day]! * used;
        }
        on[day] = least + shared + (share ? share[day]! : dog.trip);
      }
    }
    for (const { day, isFull } of dog.forced) {
      const trip = share ? share[day]! : 0;
      this.on.full[day] = isFull ? trip : Infinity;
      this.on.short[day] = isFull ? Infinity : trip;
      this.chosen[FULL][day] = -1;
      this.chosen[SHORT][day] = -1;
    }
  }
}

/** What every dog asks for at the prices that stand. */
interface Asked {
  value: number;
  readonly minute: Float64Array;
  readonly shared: readonly Float64Array[];
  /** By dog of a household of several, and day: whether it comes. */
  readonly came: readonly (Uint8Array | null)[];
}

/** A day that is overdrawn by half raises the price of an ordinary visit by half of this, at first. */
const ROUGH = 12;
const ROUGH_SLOWS = 6;
/** After so many steps without a better bound the step is halved. */
const HALVE_AFTER = 6;
/** How much of the last direction is kept. */
const REMEMBERED = 0.5;
/** How quickly parts of a trip move between the dogs of a household. */
const TRIP_STEP = 0.3;

function poolsOf({ blocks, people }: Book): { readonly pools: Pools; readonly keys: readonly string[] } {
  const skills = new Map(people.map((person) => [person.id, person.skills.toSorted().join('+')]));
  const known = new Map<string, number>();
  const ofBlock = Int32Array.from(blocks, ({ day, where, person }) => {
    const key = `${day} ${where} ${skills.get(person) ?? ''}`;
    const pool = known.get(key) ?? known.size;
    known.set(key, pool);
    return pool;
  });
  const room = new Float64Array(known.size);
  for (const [block, { from, to }] of blocks.entries()) room[ofBlock[block]!]! += to - from;
  return { pools: { ofBlock, room }, keys: [...known.keys()] };
}

/** What a minute of each block is worth, as prices of before have it; nothing where they say nothing. */
export function blockPrices(book: Book, kept: KeptPrices): Float64Array {
  const { pools, keys } = poolsOf(book);
  return Float64Array.from(pools.ofBlock, (pool) => kept[keys[pool]!] ?? 0);
}

/** Prices of before, seen so many days later: what lay behind is dropped. */
export function pricesLater(kept: KeptPrices, days: number): KeptPrices {
  return Object.fromEntries(
    Object.entries(kept).flatMap(([key, price]) => {
      const space = key.indexOf(' ');
      const day = Number(key.slice(0, space)) - days;
      return day < 0 ? [] : [[`${day}${key.slice(space)}`, price]];
    }),
  );
}

/** Each trip split evenly among the dogs of a household to begin with. */
function tripShares(tables: readonly DogTables[], days: number): (Float64Array | null)[] {
  const size = new Map<number, number>();
  for (const { household } of tables) size.set(household, (size.get(household) ?? 0) + 1);
  return tables.map(({ household, trip }) => {
    const together = size.get(household) ?? 1;
    return together === 1 ? null : new Float64Array(days).fill(trip / together);
  });
}
