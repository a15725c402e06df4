import Fraction from 'fraction.js';
import {
  RESERVE,
  concentration,
  judgeStrength,
  strengthError,
  strengthFrom,
  type Product,
  type Strength,
} from '../dilution';
import { millilitres, type Millilitres, type UnitSystem } from '../units';
import { HOUSEHOLD, byJug, spoonfuls, type AtHand } from './measures';

/** A bath at home as it is measured in a kitchen. Volumes in ml. */
export interface HouseholdMix {
  readonly measured: AtHand;
  readonly product: Millilitres;
  readonly water: Millilitres;
  readonly total: Millilitres;
  readonly realised: Strength;
  /** Share by which it is stronger (+) or weaker (−) than what is wanted. */
  readonly error: number;
}

/** Mix beyond the need that is borne for whole spoons: what is left is thrown away [house value]. */
const MOST_OVER = 0.6;
/** Weaker than the label by so much still washes; stronger is judged as in the salon [house value]. */
const WEAKER = new Fraction(1, 10);
/** A syringe is read to half a millilitre. */
const SYRINGE_ML = 0.5;
/** Where no mark of the jug comes out, water is measured to so many millilitres, by a syringe or a small measure. */
const FINE_WATER_ML = 10;

interface KitchenSum {
  /** Ml of mix that the bath takes. */
  readonly need: number;
  readonly product: Pick<Product, 'name' | 'kind' | 'dilution'>;
  readonly strength: Strength;
  readonly units: UnitSystem;
}

/**
 * The smallest mix, of what a kitchen can measure, that holds the need with its reserve and is as strong as it should be: half spoons
 * of product, or marks of the jug, with water to the mark that is nearest. Where none comes out (a medicated product is kept within
 * 2 %), half millilitres of a syringe. Throws `RangeError` when there is no need.
 */
export function householdMix(asked: KitchenSum): HouseholdMix {
  if (!(asked.need > 0)) throw new RangeError('Nothing to mix: the need is 0 ml.');
  const { jugMark } = HOUSEHOLD[asked.units];
  const least = smallest(
    [...spoonfuls(asked.units), ...byJug(asked.units)].flatMap((each) => mixesOf(asked, each, jugMark)),
  );
  if (least && least.total <= asked.need * (1 + RESERVE + MOST_OVER)) return least;
  return smallest(bySyringe(asked, jugMark)) ?? smallest(bySyringe(asked, FINE_WATER_ML)) ?? exactly(asked);
}

const bySyringe = (asked: KitchenSum, mark: number): HouseholdMix[] => {
  const from = Math.ceil((asked.need * (1 + RESERVE) * share(asked.strength)) / SYRINGE_ML / 1.1);
  return Array.from({ length: from + 20 }, (_, i) => (from + i) * SYRINGE_ML).flatMap((ml) =>
    ml > 0 ? mixesOf(asked, { by: 'syringe', ml }, mark) : [],
  );
};

const share = (strength: Strength): number => concentration(strength).valueOf();

/** So much product with water to the nearest marks; empty where that is too little, too strong or too weak. */
function mixesOf(asked: KitchenSum, measured: AtHand, mark: number): HouseholdMix[] {
  const exact = (measured.ml * asked.strength.water.valueOf()) / mark;
  return [Math.floor(exact), Math.ceil(exact)].flatMap((marks) => {
    const made = marks > 0 ? mixOf(asked, measured, marks * mark) : null;
    return made && made.total >= asked.need * (1 + RESERVE) && mayBeUsed(asked, made) ? [made] : [];
  });
}

function mixOf({ strength }: KitchenSum, measured: AtHand, water: number): HouseholdMix {
  const { ml: product } = measured;
  const total = millilitres(product + water);
  const realised = strengthFrom(millilitres(product), total);
  return {
    measured,
    product: millilitres(product),
    water: millilitres(water),
    total,
    realised,
    error: strengthError(concentration(realised), concentration(strength)).valueOf(),
  };
}

/** By the judge of the salon's own mixes; and not so weak that it no longer is what the label says. */
function mayBeUsed({ product, strength }: KitchenSum, { realised }: HouseholdMix): boolean {
  if (judgeStrength(product, realised).kind !== 'fine') return false;
  return strengthError(concentration(realised), concentration(strength)).compare(WEAKER.neg()) >= 0;
}

/** The least mix; of equals the nearest to the label. */
const smallest = (mixes: readonly HouseholdMix[]): HouseholdMix | undefined =>
  mixes.toSorted((a, b) => a.total - b.total || Math.abs(a.error) - Math.abs(b.error))[0];

/** As the label says to the last drop: what nothing in a kitchen gives is still said. */
function exactly(asked: KitchenSum): HouseholdMix {
  const product = asked.need * (1 + RESERVE) * share(asked.strength);
  return mixOf(asked, { by: 'syringe', ml: product }, product * asked.strength.water.valueOf());
}
