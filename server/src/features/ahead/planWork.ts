import type { PlanAnswer, PlanQuestion } from '@dewpond/core/bookings';
import type { ThreadWork } from '../../platform/threads/work';

/** A plan of weeks, the best that is found in the time; null where there is nothing to plan. */
export const PLAN_WEEKS: ThreadWork<PlanQuestion, PlanAnswer | null> = { name: 'weeks of bookings', room: 'night' };
