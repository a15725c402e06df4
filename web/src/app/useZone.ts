import { useSession } from '../api/queries';

/** The zone of the business: its days and hours are those of everything shown. */
export const useZone = (): string => useSession().data?.business.zone ?? 'UTC';
