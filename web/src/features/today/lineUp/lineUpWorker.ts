import { lineUp, type LineUp, type WorkDay } from '@dewpond/core/lineup';

/** The day as it was planned in the morning, and as it is now. */
export interface LineUpQuestion {
  readonly morning: WorkDay;
  readonly now: WorkDay;
}

/** From the line-up of the morning only for a better one: every device comes to the same. */
export const lineUpFrom = ({ morning, now }: LineUpQuestion): LineUp => lineUp(now, { near: lineUp(morning).placed });

if (typeof self !== 'undefined' && typeof document === 'undefined')
  self.onmessage = ({ data }: MessageEvent<LineUpQuestion>) => self.postMessage(lineUpFrom(data));
