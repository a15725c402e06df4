import type { Task } from '../tasks';

/** What follows where something is not done at home, by id; owners and groomers read it in words. */
export const ALL_FOLLOWS = [
  'we look',
  'come sooner',
  'shorter coat',
  'corner clipped',
  'at the visit',
  'remains',
] as const;
export type Follows = (typeof ALL_FOLLOWS)[number];

/** What a week of a piece of home care saves, and what follows without it. */
interface Worth {
  /** How much trouble it keeps away: 3 where it is found early or becomes sore, 1 where it is comfort. */
  readonly findings: 1 | 2 | 3;
  /** Days that the salon's own care would have to come sooner without it. */
  readonly lateDays: number;
  /** Minutes at the table that it saves a week. */
  readonly salonMinutes: number;
  readonly follows: Follows;
}

/**
 * [house values; what hurts first from the handbook of the trade: ears looked into, folds and eyes dried, coat combed to the
 * skin. Teeth and nose: common practice, no source]
 */
const WORTH: Readonly<Partial<Record<Task, Worth>>> = {
  'ear inspection': { findings: 3, lateDays: 0, salonMinutes: 0, follows: 'we look' },
  'fold care': { findings: 3, lateDays: 7, salonMinutes: 1, follows: 'come sooner' },
  'eyes and face': { findings: 3, lateDays: 7, salonMinutes: 1, follows: 'corner clipped' },
  'eye corners': { findings: 2, lateDays: 7, salonMinutes: 1, follows: 'corner clipped' },
  'brush-out': { findings: 3, lateDays: 14, salonMinutes: 8, follows: 'shorter coat' },
  'ear cleaning': { findings: 2, lateDays: 3, salonMinutes: 1, follows: 'at the visit' },
  rear: { findings: 2, lateDays: 7, salonMinutes: 1, follows: 'come sooner' },
  nails: { findings: 1, lateDays: 3, salonMinutes: 1, follows: 'at the visit' },
  teeth: { findings: 2, lateDays: 0, salonMinutes: 0, follows: 'remains' },
  'nose balm': { findings: 1, lateDays: 0, salonMinutes: 0, follows: 'remains' },
};
const OTHER: Worth = { findings: 1, lateDays: 0, salonMinutes: 0, follows: 'remains' };

export const worthOf = (task: Task): Worth => WORTH[task] ?? OTHER;
