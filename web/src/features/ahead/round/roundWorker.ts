import { drivingFor, planRound, type PlannedRound, type VanRound, type VanWays } from '@dewpond/core/route';

export interface RoundQuestion {
  readonly van: VanWays;
  readonly round: VanRound;
}

export const planned = ({ van, round }: RoundQuestion): PlannedRound =>
  planRound(round, drivingFor(van, round).driving);

if (typeof self !== 'undefined' && typeof document === 'undefined')
  self.onmessage = ({ data }: MessageEvent<RoundQuestion>) => self.postMessage(planned(data));
