import { millilitres, type Millilitres } from '../units';
import { RESERVE } from './bathMix';
import { chooseBottles, topMark, type FreeBottle } from './chooseBottles';
import { isForOneDog, type Product } from './product';
import { shareOut, type Pour } from './shareOut';
import { isPast, type OpenMix } from './openMix';
import { exactParts, type Strength } from './strength';
import { measure, type Measuring } from './strokes';

/** What one dog's visit takes of one product, as mix (or as it is, when ready to use). */
export interface DogNeed {
  readonly visit: string;
  readonly dogId: string;
  readonly dog: string;
  /** When the visit begins, ms; decides who is served first. */
  readonly at: number;
  readonly product: Product;
  /** Ml of one stroke of the product's pump; null: measured. */
  readonly stroke: Millilitres | null;
  readonly ml: Millilitres;
}

/** A bottle to make up. */
export interface BatchBottle {
  readonly bottle: FreeBottle['bottle'];
  readonly how: Measuring;
  readonly pours: readonly Pour[];
}

/** One product at one strength for the day; for one dog alone when it bears its name. */
export interface Batch {
  readonly product: Product;
  readonly strength: Strength;
  readonly forDog: { readonly id: string; readonly name: string } | null;
  /** What the dogs take, ml of mix. */
  readonly need: Millilitres;
  /** Served from what already stands there. */
  readonly openMixes: readonly { readonly mix: string; readonly pours: readonly Pour[] }[];
  /** Still to be made, reserve included; 0 when all is mixed. */
  readonly wanted: Millilitres;
  readonly bottles: readonly BatchBottle[];
  /** Concentrate that the new bottles draw, ml. */
  readonly draws: Millilitres;
  /** Mix that no free bottle is left for, ml: wash one, and mix again. */
  readonly unbottled: Millilitres;
  /** 0: no choice of bottles is better; else the best makes at most this share less mix. */
  readonly atMostAbove: number;
  /** Dogs that go short by it. */
  readonly unserved: readonly Pour[];
}

/** A product that is used as it comes: how much to have at hand. */
export interface AsItIs {
  readonly product: Product;
  readonly need: Millilitres;
  readonly dogs: readonly Pour[];
}

export interface DayPlan {
  readonly batches: readonly Batch[];
  readonly asItIs: readonly AsItIs[];
}

export interface DayQuestion {
  readonly needs: readonly DogNeed[];
  readonly openMixes: readonly OpenMix[];
  /** Every kind of bottle with how many the business has in all; those in use are taken off here. */
  readonly bottles: readonly FreeBottle[];
  readonly now: number;
  /** What the business bears for whole strokes, as a share of what is wanted. */
  readonly mostWaste: number;
}

/**
 * The morning mix: the day's needs by product and strength, first from open mixes, the rest with its reserve
 * into the business's bottles (docs/formulas.md, "Dilution"). What is for one dog comes first, then the largest batch; each takes its bottles
 * from those still free. Where dogs would go short, other orders are tried before they do. Late changes are a new question
 * with the mixes that are open: nothing mixed is thrown away.
 */
export function planDay(question: DayQuestion): DayPlan {
  const groups = grouped(question.needs);
  const best = kindest(groups, question);
  const place = new Map(groups.map(([dog], i) => [batchKey(dog), i]));
  const turn = (batch: Batch) => place.get(keyOf(batch.product, batch.strength, batch.forDog?.id ?? '')) ?? 0;
  return { batches: best.toSorted((a, b) => turn(a) - turn(b)), asItIs: asTheyAre(question.needs) };
}

/** Dogs that go short; a reserve that finds no bottle leaves none short. */
const shortDogs = (batches: readonly Batch[]): readonly Pour[] => batches.flatMap(({ unserved }) => unserved);

/** Fewer dogs go short, or as many of less. */
function isKinder(a: readonly Batch[], b: readonly Batch[]): boolean {
  const [ours, theirs] = [shortDogs(a), shortDogs(b)];
  const ml = (dogs: readonly Pour[]) => dogs.reduce((sum, each) => sum + each.ml, 0);
  return ours.length < theirs.length || (ours.length === theirs.length && ml(ours) < ml(theirs) - SPECK);
}

/** Less than this is a rounding error, ml. */
const SPECK = 1e-6;

/**
 * The order in which fewest dogs go short. Bottles taken by the wrong batch make most shortages, so whoever goes short is
 * served first, as long as that helps.
 */
function kindest(groups: readonly Group[], question: DayQuestion): readonly Batch[] {
  let order = groups;
  let best = inOrder(order, question);
  for (let round = 0; round < groups.length && shortDogs(best).length > 0; round++) {
    const short = order.filter(([dog]) => best.some((batch) => batch.unserved.length > 0 && isFor(batch, dog)));
    const others = short.map((group) => [group, ...order.filter((each) => each !== group)]);
    const kinder = others.find((other) => isKinder(inOrder(other, question), best));
    if (!kinder) break;
    order = kinder;
    best = inOrder(order, question);
  }
  return best;
}

/** Each batch takes its bottles from those that the ones before it left. */
function inOrder(groups: readonly Group[], { openMixes, bottles, now, mostWaste }: DayQuestion): Batch[] {
  const inUse = (id: string) => openMixes.filter((mix) => mix.bottleId === id).length;
  let free = bottles.map(({ bottle, count }) => ({
    bottle,
    count: count === null ? null : Math.max(0, count - inUse(bottle.id)),
  }));
  return groups.map((dogs) => {
    const batch = batchOf(dogs, openMixes, free, now, mostWaste);
    free = free.map(({ bottle, count }) => ({
      bottle,
      count: count && count - batch.bottles.filter((each) => each.bottle.id === bottle.id).length,
    }));
    return batch;
  });
}

type Diluted = DogNeed & { readonly strength: Strength };
/** Dogs that share a mix. */
type Group = readonly [Diluted, ...Diluted[]];

const keyOf = (product: Product, strength: Strength, dogId: string): string =>
  [product.id, exactParts(strength), dogId].join(' ');
const batchKey = ({ product, strength, dogId }: Diluted): string =>
  keyOf(product, strength, isForOneDog(product) ? dogId : '');
const isFor = ({ product, strength, forDog }: Batch, dog: Diluted): boolean =>
  keyOf(product, strength, forDog?.id ?? '') === batchKey(dog);

/** Needs that share a mix, in the order they take bottles; dogs in the order of their visits. */
function grouped(needs: readonly DogNeed[]): Group[] {
  const groups = new Map<string, [Diluted, ...Diluted[]]>();
  for (const need of needs.toSorted((a, b) => a.at - b.at)) {
    const { product } = need;
    if (product.dilution.kind === 'ready to use' || !(need.ml > 0)) continue;
    const diluted = { ...need, strength: product.dilution.strength };
    const group = groups.get(batchKey(diluted));
    if (group) group.push(diluted);
    else groups.set(batchKey(diluted), [diluted]);
  }
  const total = (group: readonly DogNeed[]) => group.reduce((sum, { ml }) => sum + ml, 0);
  const alone = ([{ product }]: Group) => Number(isForOneDog(product));
  return [...groups.values()].toSorted((a, b) => alone(b) - alone(a) || total(b) - total(a));
}

function batchOf(
  dogs: Group,
  openMixes: readonly OpenMix[],
  free: readonly FreeBottle[],
  now: number,
  mostWaste: number,
): Batch {
  const [{ product, stroke, strength, dogId, dog }] = dogs;
  const alone = isForOneDog(product);
  const usable = openMixes.filter(
    (mix) =>
      mix.productId === product.id &&
      mix.strength.water.equals(strength.water) &&
      (alone ? mix.forDog === dogId : mix.forDog === null) &&
      !isPast(mix, now) &&
      mix.left > 0,
  );
  const need = dogs.reduce((sum, each) => sum + each.ml, 0);
  const wanted = stillWanted(
    need,
    usable.reduce((sum, mix) => sum + mix.left, 0),
  );
  const whole = millilitres(need * (1 + RESERVE));
  const mix = { strength, stroke, medicated: product.kind === 'medicated', mostWaste };
  const made = wanted > 0 ? fill(wanted, whole, mix, free) : NO_FILL;
  // Shared out over all bottles at once, standing and to come: ticking one off moves no dog to another.
  const { pours, unserved } = shareOut(
    dogs.map((each) => ({ visit: each.visit, dogId: each.dogId, dog: each.dog, ml: each.ml })),
    [...usable.map((mix) => mix.left), ...made.how.map(({ how }) => how.total)],
  );
  return {
    product,
    strength,
    forDog: alone ? { id: dogId, name: dog } : null,
    need: millilitres(need),
    openMixes: usable.map((mix, i) => ({ mix: mix.id, pours: pours[i] ?? [] })),
    wanted,
    bottles: made.how.map(({ bottle, how }, i) => ({ bottle, how, pours: pours[usable.length + i] ?? [] })),
    draws: millilitres(made.how.reduce((sum, { how }) => sum + how.product, 0)),
    unbottled: made.unbottled,
    atMostAbove: made.atMostAbove,
    unserved,
  };
}

/**
 * What is to be mixed besides what stands, ml: the need with its reserve less that; nothing once the need itself is
 * covered, since a reserve alone is not worth another bottle.
 */
const stillWanted = (need: number, alreadyMixed: number): Millilitres =>
  need - alreadyMixed > Math.min(SPLASH, need * RESERVE)
    ? millilitres(need * (1 + RESERVE) - alreadyMixed)
    : millilitres(0);

/** A shortage of no more than this, and no more than a tenth, is not mixed for: the last of a bottle covers it, ml [house value]. */
const SPLASH = 5;

interface FilledBottles {
  readonly how: readonly { readonly bottle: FreeBottle['bottle']; readonly how: Measuring }[];
  readonly unbottled: Millilitres;
  readonly atMostAbove: number;
}
const NO_FILL: FilledBottles = { how: [], unbottled: millilitres(0), atMostAbove: 0 };

/**
 * Bottles for `wanted`. Strokes first; where no bottle gives them, too few do, or they would throw away more than the
 * business bears and measuring less, the product is measured in ml. With too few bottles all are filled and the rest is told.
 */
function fill(
  wanted: Millilitres,
  whole: Millilitres,
  mix: {
    readonly strength: Strength;
    readonly stroke: Millilitres | null;
    readonly medicated: boolean;
    readonly mostWaste: number;
  },
  free: readonly FreeBottle[],
): FilledBottles {
  const pumped = mix.stroke === null ? null : chooseBottles(wanted, free, mix, whole);
  const thrifty = pumped?.kind === 'chosen' && pumped.leftOver <= wanted * mix.mostWaste;
  const poured = thrifty ? null : chooseBottles(wanted, free, { ...mix, stroke: null }, whole);
  const byStrokes =
    pumped?.kind === 'chosen' && (poured?.kind !== 'chosen' || pumped.leftOver <= poured.leftOver) ? pumped : null;
  const chosen = byStrokes ?? poured;
  const stroke = byStrokes ? mix.stroke : null;
  const measured = (bottle: FreeBottle['bottle'], total: Millilitres) => ({
    bottle,
    how: measure({ ...mix, stroke, total, room: bottle.line }),
  });
  if (chosen?.kind === 'chosen')
    return {
      how: chosen.fills.map(({ bottle, total }) => measured(bottle, total)),
      unbottled: millilitres(0),
      atMostAbove: chosen.atMostAbove,
    };
  const all = free
    .filter(({ bottle }) => topMark(bottle) > 0)
    .flatMap(({ bottle, count }) => Array.from({ length: count ?? 0 }, () => ({ bottle, total: topMark(bottle) })));
  return {
    how: all.map(({ bottle, total }) => measured(bottle, total)),
    unbottled: millilitres(Math.max(0, wanted - all.reduce((sum, { total }) => sum + total, 0))),
    atMostAbove: 0,
  };
}

function asTheyAre(needs: readonly DogNeed[]): AsItIs[] {
  const ready = needs.filter(({ product, ml }) => product.dilution.kind === 'ready to use' && ml > 0);
  const ids = [...new Set(ready.map(({ product }) => product.id))];
  return ids.flatMap((id) => {
    const dogs = ready.filter(({ product }) => product.id === id).toSorted((a, b) => a.at - b.at);
    const [first] = dogs;
    if (!first) return [];
    return [
      {
        product: first.product,
        need: millilitres(dogs.reduce((sum, { ml }) => sum + ml, 0)),
        dogs: dogs.map(({ visit, dogId, dog, ml }) => ({ visit, dogId, dog, ml })),
      },
    ];
  });
}
