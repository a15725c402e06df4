import type { UnitSystem } from '@dewpond/core/units';
import { useSession } from './queries';

/** Units as this person reads them, else as the business does; stored values are always metric. */
export const useUnits = (): UnitSystem => useSession().data?.units ?? 'metric';
export const useZone = (): string => useSession().data?.business.zone ?? 'Europe/London';
