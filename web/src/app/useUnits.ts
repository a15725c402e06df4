import type { UnitSystem } from '@dewpond/core/units';
import { useSession } from '../api/queries';

/** Units as this business reads them; stored values are always metric. */
export const useUnits = (): UnitSystem => useSession().data?.business.units ?? 'metric';
export const useZone = (): string => useSession().data?.business.zone ?? 'Europe/London';
