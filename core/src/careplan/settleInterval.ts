import type { Source } from '../provenance';
import type { Interval } from '../rhythm';
import { RANKS, RANK_WORDS, type Rank, type Reason } from '../reasons';

/** What one rule asks of an interval, and on whose authority. */
export interface Claim {
  readonly ruleId: string;
  readonly rank: Rank;
  readonly interval: Interval;
  /** What the row ships with, where the business has set other days. */
  readonly ships?: Interval;
  readonly reason: Reason;
  readonly source: Source;
}

export interface Settled {
  readonly interval: Interval;
  /** The claims that made it; more than one when claims of the same rank were combined. */
  readonly won: readonly Claim[];
  /** Claims that lost, and to what. */
  readonly lost: readonly { readonly claim: Claim; readonly why: string }[];
  /** Claims of the highest rank that do not meet; the one that was taken, as safer, is the one that won. */
  readonly disagreement: readonly Claim[] | null;
}

const span = ({ least, most }: Interval): string => (least === most ? `${most} days` : `${least}–${most} days`);

/** What the business set goes before what the row ships with; which row speaks for a dog does not change by it. */
function asShipped({ ships, ...claim }: Claim): Settled['lost'] {
  if (!ships) return [];
  return [{ claim: { ...claim, interval: ships }, why: `${RANK_WORDS.house} comes before ${RANK_WORDS[claim.rank]}` }];
}

/**
 * The highest rank speaks. Claims of that rank are intersected and "usual" moved to the nearest day inside; of several
 * "usual" the safer one is taken. If they do not meet, the safer claim is taken and the disagreement told.
 * Null without a claim.
 */
export function settleInterval(claims: readonly Claim[], safer: 'oftener' | 'rarer'): Settled | null {
  const top = RANKS.find((rank) => claims.some((claim) => claim.rank === rank));
  if (top === undefined) return null;
  const equal = claims.filter((claim) => claim.rank === top);
  const lost = claims
    .filter((claim) => claim.rank !== top)
    .map((claim) => ({ claim, why: `${RANK_WORDS[top]} comes before ${RANK_WORDS[claim.rank]}` }));
  const shipped = equal.flatMap((claim) => asShipped(claim));
  const least = Math.max(...equal.map(({ interval }) => interval.least));
  const most = Math.min(...equal.map(({ interval }) => interval.most));
  const pick = safer === 'oftener' ? Math.min : Math.max;
  if (least <= most) {
    const usual = pick(...equal.map(({ interval }) => interval.usual));
    return {
      interval: { least, usual: Math.min(most, Math.max(least, usual)), most },
      won: equal,
      lost: [...shipped, ...lost],
      disagreement: null,
    };
  }
  const wanted = pick(...equal.map(({ interval }) => interval.usual));
  const taken = equal.find(({ interval }) => interval.usual === wanted) ?? equal[0];
  if (!taken) return null;
  const others = equal.filter((claim) => claim !== taken);
  return {
    interval: taken.interval,
    won: [taken],
    lost: [
      ...shipped,
      ...others.map((claim) => ({ claim, why: `does not meet ${span(taken.interval)}; ${safer} is safer here` })),
      ...lost,
    ],
    disagreement: equal,
  };
}
