import { addDays, daysBetween, type Day } from '../units';
import type { ExpectedUse } from './expectUses';

/** Weeks the stock is reckoned ahead. */
export const HORIZON_WEEKS = 12;

/** Four in five outcomes lie between the low and the high line: the 0.9 quantile of the normal distribution. */
const Z80 = 1.2815515655446004;

export interface StockQuestion {
  /** Ml as bought, now. */
  readonly stock: number;
  readonly uses: readonly Omit<ExpectedUse, 'productId'>[];
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
 * Draws the stock down through the expected uses, day by day, for {@link HORIZON_WEEKS}. Uses are taken as independent:
 * their variances add up. Uses outside the horizon are left out.
 */
export function forecastStock(question: StockQuestion): StockForecast {
  const { stock, today, safety, leadDays, container } = question;
  const length = HORIZON_WEEKS * 7;
  const mean = new Float64Array(length + 1);
  const variance = new Float64Array(length + 1);
  for (const { day, ml, spread } of question.uses) {
    const at = daysBetween(today, day);
    if (at < 0 || at > length) continue;
    mean[at] = (mean[at] ?? 0) + ml;
    variance[at] = (variance[at] ?? 0) + (ml * spread) ** 2;
  }
  let left = stock;
  let spreadSquared = 0;
  const points = Array.from(mean, (uses, i): StockPoint => {
    left -= uses;
    spreadSquared += variance[i] ?? 0;
    const band = Z80 * Math.sqrt(spreadSquared);
    return { day: addDays(today, i), left, low: left - band, high: left + band };
  });
  const firstDay = (short: (point: StockPoint) => boolean) => points.find(short)?.day ?? null;
  const touchesSafety = firstDay((point) => point.left < safety - 1e-9);
  const takes = stock - (points.at(-1)?.left ?? stock);
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
