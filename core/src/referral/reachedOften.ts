import { atLeast, type Level } from '../findings';
import { daysBetween, type Day } from '../units';

/** What one visit came to at an ear, an eye or a fold. */
export interface PlaceLooked {
  readonly day: Day;
  readonly level: Level;
  /** Something seen that day kept the salon's care off it: S1 or more. */
  readonly barred: boolean;
}

/** An ear, eye or fold that comes to a vet or a stop so often in so many days is said so. docs/trade.md; the days are a house value. */
export const OFTEN = { times: 3, days: 183 } as const;

/** Days on which a place reached a vet or a stop, today with them, oldest first; null: not today, or not often enough. */
export function reachedOften(looks: readonly PlaceLooked[], today: Day): readonly Day[] | null {
  const reached = looks
    .filter(({ day, level, barred }) => {
      const ago = daysBetween(day, today);
      return ago >= 0 && ago <= OFTEN.days && (barred || atLeast(level, 'vet'));
    })
    .map(({ day }) => day)
    .toSorted();
  return reached.at(-1) === today && reached.length >= OFTEN.times ? reached : null;
}
