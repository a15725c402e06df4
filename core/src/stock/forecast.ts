import { addDays, daysBetween, type Day } from '../units';
import { comings, type Coming } from './comings';

/** Weeks the stock is reckoned ahead. */
export const HORIZON_WEEKS = 12;

/** Four in five outcomes lie between the low and the high line: the 0.9 quantile of the normal distribution. */
const Z80 = 1.2815515655446004;

/** How far use strays from what is reckoned, as a share [house values]: each visit by itself, and the business as a whole. */
export const STRAYS = { visit: 0.25, house: 0.1 } as const;

/** What one product's use adds up to by the end of each day, today first: expected ml, and its variance, ml². */
export interface Draw {
  readonly mean: Float64Array;
  readonly variance: Float64Array;
}

const DAYS = HORIZON_WEEKS * 7;

/**
 * What dogs draw of each product through {@link HORIZON_WEEKS}, by product: when they come (no-shows, late ones, ones that
 * stay away) and how much each takes. Dogs are taken as independent of each other.
 */
export function expectDraws(dogs: Iterable<Coming>, today: Day): Map<string, Draw> {
  const draws = new Map<string, Draw>();
  for (const { coming, uses } of comingAlike(dogs)) {
    const { mean, square } = comings(coming, today, DAYS);
    for (const [productId, { ml, squared }] of uses) {
      const draw = draws.get(productId) ?? noDraw();
      draws.set(productId, draw);
      for (let day = 0; day <= DAYS; day++) {
        const visits = mean[day] ?? 0;
        const spread = (square[day] ?? 0) - visits * visits + STRAYS.visit ** 2 * visits;
        draw.mean[day] = (draw.mean[day] ?? 0) + ml * visits;
        draw.variance[day] = (draw.variance[day] ?? 0) + squared * spread;
      }
    }
  }
  return draws;
}

/** Dogs that are due and come alike, reckoned once; of each product, what their visits take: the sum, ml, and that of the squares, ml². */
interface ComingAlike {
  readonly coming: Coming;
  readonly uses: Map<string, { readonly ml: number; readonly squared: number }>;
}

function comingAlike(dogs: Iterable<Coming>): Iterable<ComingAlike> {
  const groups = new Map<string, ComingAlike>();
  for (const coming of dogs) {
    const { booked, due, every } = coming;
    const key = `${due} ${every} ${booked.join(' ')}`;
    const group: ComingAlike = groups.get(key) ?? { coming, uses: new Map() };
    groups.set(key, group);
    for (const { productId, ml } of coming.uses) {
      const before = group.uses.get(productId) ?? { ml: 0, squared: 0 };
      group.uses.set(productId, { ml: before.ml + ml, squared: before.squared + ml * ml });
    }
  }
  return groups.values();
}

/** Nothing used. */
export const noDraw = (): Draw => ({ mean: new Float64Array(DAYS + 1), variance: new Float64Array(DAYS + 1) });

export interface StockQuestion {
  /** Ml as bought, now. */
  readonly stock: number;
  readonly draw: Draw;
  readonly today: Day;
  /** Days from order to shelf. */
  readonly leadDays: number;
  /** Not to be touched in ordinary weeks, ml. */
  readonly safety: number;
  /** A container as bought, ml; null: not known, no amount is proposed. */
  readonly container: number | null;
}

/** How much is left at the end of a day, ml: expected, and where four in five outcomes lie. Below 0: missing. */
export interface StockPoint {
  readonly day: Day;
  readonly left: number;
  readonly low: number;
  readonly high: number;
}

export interface StockForecast {
  /** A point a day, today first. */
  readonly points: readonly StockPoint[];
  /** First day on which it is expected not to suffice; null: lasts beyond the horizon. */
  readonly runsOut: Day | null;
  /** As early as one in ten: where the low line crosses nothing. */
  readonly runsOutAtWorst: Day | null;
  /** Last day to order: when only the safety stock would be left, less the lead time. May lie in the past. */
  readonly orderBy: Day | null;
  /** What the coming twelve weeks take, ml. */
  readonly takes: number;
  /** Whole containers that cover the horizon and the safety stock; 0: enough there. */
  readonly containers: number;
}

/**
 * Draws the stock down, day by day, for {@link HORIZON_WEEKS}. What is used is the business's own error away from what is
 * reckoned, all of it alike: that does not average out over many dogs, so the band never closes.
 */
export function forecastStock(question: StockQuestion): StockForecast {
  const { stock, draw, today, safety, leadDays, container } = question;
  const points = Array.from(draw.mean, (used, i): StockPoint => {
    const band = Z80 * Math.sqrt((draw.variance[i] ?? 0) + (STRAYS.house * used) ** 2);
    const left = stock - used;
    // Nothing comes back: no more is left than there is.
    return { day: addDays(today, i), left, low: left - band, high: Math.min(stock, left + band) };
  });
  const firstDay = (short: (point: StockPoint) => boolean) => points.find(short)?.day ?? null;
  const touchesSafety = firstDay((point) => point.left < safety - 1e-9);
  const takes = draw.mean.at(-1) ?? 0;
  const missing = takes + safety - stock;
  return {
    points,
    runsOut: firstDay((point) => point.left < -1e-9),
    runsOutAtWorst: firstDay((point) => point.low < -1e-9),
    orderBy: touchesSafety && addDays(touchesSafety, -leadDays),
    takes,
    containers: container !== null && container > 0 && missing > 0 ? Math.ceil(missing / container - 1e-9) : 0,
  };
}

/** How urgent an order is on a day: late, this week, or there is time. */
export type OrderState = 'late' | 'this week' | 'later' | 'enough';
export function orderState({ orderBy }: Pick<StockForecast, 'orderBy'>, today: Day): OrderState {
  if (orderBy === null) return 'enough';
  const days = daysBetween(today, orderBy);
  return days < 0 ? 'late' : days <= 7 ? 'this week' : 'later';
}
