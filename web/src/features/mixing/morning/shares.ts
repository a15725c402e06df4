import type { BenchView, PourView } from '@dewpond/contract';

export type Shares = ReadonlyMap<string, readonly PourView[]>;

/** Who is to have what of each standing mix. */
export const sharesOf = ({ batches }: BenchView): Shares =>
  new Map(batches.flatMap(({ standing }) => standing.map(({ mix, pours }) => [mix, pours] as const)));
