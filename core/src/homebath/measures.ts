import { ML_PER_FLUID_OUNCE, type UnitSystem } from '../units';

/** What a household measures product with. */
export type Spoon = 'teaspoon' | 'tablespoon';

interface HouseholdMeasures {
  /** Ml of one level measuring spoon. A spoon of the table holds anything from 3 to 7 ml and measures nothing. */
  readonly spoon: Readonly<Record<Spoon, number>>;
  /** From one mark of a kitchen jug to the next, ml. */
  readonly jugMark: number;
  /** A cup, ml. */
  readonly cup: number;
}

/**
 * Metric: spoons of 5 and 15 ml, a cup of 250 ml [common practice, no source]; jugs are marked every 50 ml at least. US: 1 fl oz is
 * 6 teaspoons or 2 tablespoons, a cup is 8 fl oz (published: NIST Handbook 44, Appendix C), jugs are marked in quarter cups.
 */
export const HOUSEHOLD: Readonly<Record<UnitSystem, HouseholdMeasures>> = {
  metric: { spoon: { teaspoon: 5, tablespoon: 15 }, jugMark: 50, cup: 250 },
  US: {
    spoon: { teaspoon: ML_PER_FLUID_OUNCE / 6, tablespoon: ML_PER_FLUID_OUNCE / 2 },
    jugMark: ML_PER_FLUID_OUNCE * 2,
    cup: ML_PER_FLUID_OUNCE * 8,
  },
};

/** So many teaspoons are still counted as such; more are counted in tablespoons [house value]. */
const MOST_TEASPOONS = 4.5;
/** Half spoons are the finest that is measured, and so many spoons the most: a jug is quicker beyond [house values]. */
const MOST_TABLESPOONS = 4;
/** So many marks of a jug are the most product that is measured with it [house value]. */
const MOST_MARKS = 20;

/** An amount of product by spoons, in halves: 1.5 teaspoons. */
export interface Spoonfuls {
  readonly by: 'spoon';
  readonly spoon: Spoon;
  readonly count: number;
  readonly ml: number;
}

/** With what product is measured at home, and how much of it. */
export type AtHand = Spoonfuls | { readonly by: 'jug' | 'syringe'; readonly ml: number };

const halves = (most: number): number[] => Array.from({ length: most * 2 }, (_, i) => (i + 1) / 2);

/** All amounts that measuring spoons give, the least first; each once, by the spoon that takes fewer of them. */
export function spoonfuls(units: UnitSystem): readonly Spoonfuls[] {
  const { teaspoon, tablespoon } = HOUSEHOLD[units].spoon;
  const inTablespoons = halves(MOST_TABLESPOONS).filter((count) => Number.isInteger(count) || count > 1);
  const all: Spoonfuls[] = [
    ...halves(MOST_TEASPOONS).map((count): Spoonfuls => ({
      by: 'spoon',
      spoon: 'teaspoon',
      count,
      ml: count * teaspoon,
    })),
    ...inTablespoons.map((count): Spoonfuls => ({ by: 'spoon', spoon: 'tablespoon', count, ml: count * tablespoon })),
  ];
  const isTwice = ({ spoon, ml }: Spoonfuls) =>
    spoon === 'teaspoon' && all.some((each) => each.spoon === 'tablespoon' && Math.abs(each.ml - ml) < 1e-9);
  return all.filter((each) => !isTwice(each)).toSorted((a, b) => a.ml - b.ml);
}

/** What a jug measures of product: whole marks. */
export const byJug = (units: UnitSystem): readonly AtHand[] =>
  Array.from({ length: MOST_MARKS }, (_, i) => ({ by: 'jug', ml: (i + 1) * HOUSEHOLD[units].jugMark }));
