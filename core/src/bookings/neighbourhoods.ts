import type { Book, PlannedVisit } from './book';
import type { DogPlan, OpenPlan } from './openPlan';

/**
 * The search is warm at first, then cools: what makes a plan worse by so much is still taken now and then. When it is cold
 * it begins again at the best plan.
 */
const WARM = 2;
const COOLS = 0.95;
const COLDEST = 0.05;
/** How often dogs are led around their best days, and by how much a day may seem dearer. */
const DETOURS = 0.5;
const DETOUR = 10;

/**
 * Makes an open plan better: takes some dogs out that belong together (who is in the way of one, who shares its days, a
 * household) and puts them in anew, one after the other, each as well as the room allows.
 */
export class LargeNeighbourhoods {
  bestCost: number;
  private bestPlans: readonly DogPlan[];
  private readonly alone: readonly { readonly cost: number; readonly days: readonly number[] }[];
  private readonly households: readonly (readonly number[])[];
  private warmth = WARM;

  constructor(
    private readonly book: Book,
    private readonly open: OpenPlan,
    private readonly random: () => number,
  ) {
    this.alone = book.dogs.map((_, dog) => {
      const { cost, visits } = open.alone(dog);
      return { cost, days: visits.map(({ day }) => day) };
    });
    const households: number[][] = [];
    for (const { household, index } of open.tables) (households[household] ??= []).push(index);
    this.households = households;
    this.bestCost = open.cost;
    this.bestPlans = this.snapshot();
  }

  /** The best plan so far. */
  best(): PlannedVisit[] {
    const now = this.snapshot();
    this.replace(this.bestPlans);
    const plan = this.open.planned();
    this.replace(now);
    return plan;
  }

  run(tries: number): void {
    for (let i = 0; i < tries; i++) this.tryOne();
    this.warmth *= COOLS;
    if (this.warmth > COLDEST) return;
    this.warmth = WARM;
    this.replace(this.bestPlans);
  }

  private tryOne(): void {
    const before = this.open.cost;
    const seed = this.unhappy();
    const dogs = this.chooseAround(seed);
    const had = dogs.map((dog): [number, DogPlan] => [dog, this.open.remove(dog)]);
    const ofOneHousehold = dogs.every((dog) => this.householdOf(dog) === this.householdOf(seed));
    const heat = this.random() < 0.5 ? this.random() : 1;
    const detour = this.random() < DETOURS ? DETOUR * this.random() : 0;
    for (const [i, dog] of dogs.entries()) {
      const isLast = i === dogs.length - 1;
      const share = ofOneHousehold && i === 0 ? 1 / dogs.length : 1;
      const chance = detour > 0 && !isLast ? () => detour * this.random() : null;
      this.open.insert(dog, isLast ? heat / 2 : heat, share, chance);
    }
    const worse = this.open.cost - before;
    if (worse > 1e-9 && worse > -this.warmth * Math.log(1 - this.random())) {
      for (const [dog] of had) this.open.remove(dog);
      for (const [dog, plan] of had) this.open.restore(dog, plan);
      this.open.cost = before;
    } else if (this.open.cost < this.bestCost - 1e-9) {
      this.bestCost = this.open.cost;
      this.bestPlans = this.snapshot();
    }
  }

  /** Of a few dogs the one that pays most for not being alone. */
  private unhappy(): number {
    let [worst, most] = [this.anyDog(), -Infinity];
    for (let i = 0; i < 3; i++) {
      const dog = this.anyDog();
      const pays = this.open.get(dog).cost - this.alone[dog]!.cost;
      if (pays > most) [worst, most] = [dog, pays];
    }
    return worst;
  }

  private chooseAround(seed: number): number[] {
    const draw = this.random();
    const household = this.households[this.householdOf(seed)]!;
    if (draw < 0.2 && household.length > 1) return this.shuffled([...household]);
    if (draw < 0.3) return [seed];
    const days = draw < 0.7 ? this.alone[seed]!.days : this.open.get(seed).visits.map(({ day }) => day);
    return [seed, ...this.shuffled(this.others(seed, days)).slice(0, 1 + Math.floor(this.random() * 4))];
  }

  /** Who is where this dog may be, on one of these days. */
  private others(seed: number, days: readonly number[]): number[] {
    const day = days[Math.floor(this.random() * days.length)] ?? Math.floor(this.random() * this.book.days);
    const there = new Set<number>();
    for (const block of this.open.tables[seed]!.blocks[day]!) for (const dog of this.open.dogsIn(block)) there.add(dog);
    there.delete(seed);
    return [...there];
  }

  private householdOf(dog: number): number {
    return this.open.tables[dog]!.household;
  }

  private anyDog(): number {
    return Math.floor(this.random() * this.book.dogs.length);
  }

  private shuffled(list: number[]): number[] {
    for (let i = list.length - 1; i > 0; i--) {
      const j = Math.floor(this.random() * (i + 1));
      [list[i], list[j]] = [list[j]!, list[i]!];
    }
    return list;
  }

  private snapshot(): DogPlan[] {
    return this.book.dogs.map((_, dog) => this.open.get(dog));
  }

  private replace(plans: readonly DogPlan[]): void {
    for (const dog of plans.keys()) this.open.remove(dog);
    for (const [dog, plan] of plans.entries()) this.open.restore(dog, plan);
  }
}
