import type { MixingView, PourView } from '@dewpond/contract';

export type Shares = ReadonlyMap<string, readonly PourView[]>;

/** Who is to have what of each standing mix. */
export const sharesOf = ({ batches }: MixingView): Shares =>
  new Map(batches.flatMap(({ openMixes }) => openMixes.map(({ mix, pours }) => [mix, pours] as const)));
