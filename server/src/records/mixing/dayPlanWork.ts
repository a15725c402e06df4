import type { planDay } from '@dewpond/core/dilution';
import type { ThreadWork } from '../../platform/threads/work';

export const DAY_PLAN: ThreadWork<Parameters<typeof planDay>[0], ReturnType<typeof planDay>> = {
  name: 'plan of the day',
  room: 'planning',
};
