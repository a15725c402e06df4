import { QueryClient, useQuery } from '@tanstack/react-query';
import { answers } from './device';
import { askVisit, prefetchVisits } from './prefetch';
import { Refused, call } from '../api/call';
import { askedHere, lookAt } from '../api/atBranch';
import { askFor } from '../api/forWhom';
import { callPages } from '../api/pages';
import type { SessionView } from '@dewpond/contract';
import { setLocale } from '../browser/locale';
import { usePreferences } from '../browser/preferences';
import { branchOf } from './branchOf';
import type { VisitKind } from '@dewpond/core/steps';

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 15_000,
      retry: (count, error) => !(error instanceof Refused) && count < 2,
    },
  },
});

/** Asked even where there seems to be no network: the device may know the answer. */
const cached = { networkMode: 'offlineFirst', gcTime: 86_400_000 } as const;

async function whoIsHere(): Promise<SessionView> {
  // What the version before this one left on the device says nothing of rights or branches: then it is as shipped.
  const said = await answers.orCached('session', () => call('GET /api/session'));
  const { rights = {}, branches = [], branchId = said.business.id, ...rest } = said;
  const session = { ...rest, branches, branchId };
  askFor(session.person.id);
  lookAt(branchOf(session, usePreferences.getState().branches)?.id ?? null);
  setLocale(session.business.units === 'US' ? 'en-US' : 'en-GB');
  return { ...session, rights };
}
export const useSession = (enabled = true) =>
  useQuery({ ...cached, queryKey: ['session'], queryFn: whoIsHere, staleTime: 5 * 60_000, enabled });
const todayQuery = (day?: string) => ({
  ...cached,
  queryKey: ['today', day ?? 'now'],
  queryFn: () =>
    answers.orCached(askedHere(`today ${day ?? 'now'}`), () => call('GET /api/today', day ? { query: { day } } : {})),
});
export const useToday = (day?: string) => useQuery(todayQuery(day));
export const prefetchToday = (): Promise<void> => queryClient.prefetchQuery(todayQuery());
export const useDogs = () => useQuery({ queryKey: ['dogs'], queryFn: () => callPages('GET /api/dogs') });
const dogQuery = (id: string) => ({
  ...cached,
  queryKey: ['dog', id],
  queryFn: () => answers.orCached(`dog ${id}`, () => call('GET /api/dogs/:id', { id })),
});
export const useDog = (id: string) => useQuery({ ...dogQuery(id), enabled: id !== '' });
/** What the business is, the day's bench, and the pages of the dogs to come: all that opens without a network. */
export async function prefetchPages(ids: readonly string[]): Promise<void> {
  await queryClient.prefetchQuery({ ...businessQuery, staleTime: 60_000 });
  await queryClient.prefetchQuery({ ...mixingQuery, staleTime: 60_000 });
  for (const id of ids) await queryClient.prefetchQuery({ ...dogQuery(id), staleTime: 5 * 60_000 });
}
interface SlotsAsked {
  /** Null: whichever suits the dog best. */
  readonly kind: VisitKind | null;
  readonly minutes?: number | undefined;
  /** The booking that is moved. */
  readonly instead?: string | undefined;
  /** Dogs of the household that come along. */
  readonly along?: readonly string[];
}
/** The best times for a dog. Somebody else may take one at any moment: asked each time anew. */
export const useSlots = (dogId: string, { kind, minutes, instead, along = [] }: SlotsAsked) =>
  useQuery({
    queryKey: ['slots', dogId, kind, minutes, instead, along],
    queryFn: () =>
      call('GET /api/dogs/:id/slots', {
        id: dogId,
        query: {
          ...(kind ? { kind } : {}),
          ...(minutes === undefined ? {} : { minutes: String(minutes) }),
          ...(instead ? { instead } : {}),
          ...(along.length > 0 ? { with: along.join(',') } : {}),
        },
      }),
    staleTime: 0,
    // Another kind, or one that comes along: what stands there stays until its times are known.
    placeholderData: (before, asked) => (asked?.queryKey[1] === dogId ? before : undefined),
  });
export type AheadDays = '28' | '56' | '84' | '182';
export const useAhead = (days: AheadDays) =>
  useQuery({
    queryKey: ['ahead', days],
    queryFn: () => call('GET /api/ahead', { query: { days } }),
    // What is due of some dogs is still being worked out.
    refetchInterval: ({ state }) => ((state.data?.waiting ?? 0) > 0 ? 2000 : false),
  });
export const useGap = (id: string) =>
  useQuery({ queryKey: ['gap', id], queryFn: () => call('GET /api/appointments/:id/gap', { id }) });
/** What owners answered: they may do so at any moment. */
export const useAnswers = () =>
  useQuery({
    queryKey: ['answers'],
    queryFn: async () => (await call('GET /api/answers')).items,
    refetchInterval: 60_000,
  });
export const useHours = () => useQuery({ queryKey: ['hours'], queryFn: () => call('GET /api/hours') });
export const useClients = () => useQuery({ queryKey: ['clients'], queryFn: () => callPages('GET /api/clients') });
export const useClient = (id: string) =>
  useQuery({ queryKey: ['client', id], queryFn: () => call('GET /api/clients/:id', { id }), enabled: id !== '' });
export const useVets = () => useQuery({ queryKey: ['vets'], queryFn: async () => (await call('GET /api/vets')).items });
export const useImports = () =>
  useQuery({ queryKey: ['imports'], queryFn: async () => (await call('GET /api/imports')).items });
export const useMembers = () =>
  useQuery({
    ...cached,
    queryKey: ['members'],
    queryFn: () => answers.orCached('members', async () => (await call('GET /api/members')).items),
    staleTime: 60_000,
  });
const businessQuery = {
  ...cached,
  queryKey: ['business'],
  queryFn: () => answers.orCached(askedHere('business'), () => call('GET /api/business')),
};
export const useBusiness = () => useQuery(businessQuery);
/** Two people may stand at one bench: what the other ticked comes by itself. */
const mixingQuery = {
  ...cached,
  queryKey: ['mixing'],
  queryFn: () => answers.orCached(askedHere('mixing'), () => call('GET /api/mixing')),
};
export const useMixing = () => useQuery({ ...mixingQuery, refetchInterval: 20_000 });
export const useStock = () => useQuery({ queryKey: ['stock'], queryFn: () => call('GET /api/stock') });
export const useLedger = (id: string) =>
  useQuery({
    queryKey: ['ledger', id],
    queryFn: () => call('GET /api/products/:id/ledger', { id }),
    enabled: id !== '',
  });
export const useCosts = (from: string, to: string) =>
  useQuery({ queryKey: ['costs', from, to], queryFn: () => call('GET /api/costs', { query: { from, to } }) });
export const useTraceStarts = () =>
  useQuery({ queryKey: ['trace starts'], queryFn: () => call('GET /api/trace/starts') });
export const useTouched = (id: string) =>
  useQuery({ queryKey: ['touched', id], queryFn: async () => (await call('GET /api/dogs/:id/touched', { id })).items });
/** What a dog's next bath takes. */
export const useDogMix = (id: string) =>
  useQuery({ queryKey: ['mix', id], queryFn: () => call('GET /api/dogs/:id/mix', { id }) });
export const useWatch = () =>
  useQuery({ queryKey: ['watch'], queryFn: async () => (await call('GET /api/watch')).items });
export const useReferrals = (dogId?: string) =>
  useQuery({
    queryKey: ['referrals', dogId ?? 'all'],
    queryFn: async () => (await call('GET /api/referrals', dogId === undefined ? {} : { query: { dog: dogId } })).items,
  });
/** How the business signs, and what it says otherwise. */
export const useBusinessProfile = () => useQuery({ queryKey: ['profile'], queryFn: () => call('GET /api/profile') });
/** What the owner of a dog does between visits. */
export const useHomeCare = (id: string) =>
  useQuery({ queryKey: ['home', id], queryFn: () => call('GET /api/dogs/:id/home', { id }) });
/** The bath at home: what was agreed with the owner, and what it takes. */
export const useHomeBath = (id: string) =>
  useQuery({ queryKey: ['home', id, 'bath'], queryFn: () => call('GET /api/dogs/:id/home-bath', { id }) });
export const useMessages = (dogId?: string) =>
  useQuery({
    queryKey: ['messages', dogId ?? 'all'],
    queryFn: async () => (await call('GET /api/messages', dogId === undefined ? {} : { query: { dog: dogId } })).items,
    // What waits is sent in the background.
    refetchInterval: ({ state }) =>
      state.data?.some((each) => each.state === 'waiting' || each.state === 'sending') ? 2000 : false,
  });
export const useAppointments = (from: string, to: string) =>
  useQuery({
    queryKey: ['appointments', from, to],
    queryFn: async () => (await call('GET /api/appointments', { query: { from, to } })).items,
  });
export const useVisit = (id: string) =>
  useQuery({
    ...cached,
    queryKey: ['visit', id],
    queryFn: () => askVisit(id),
    staleTime: Infinity,
    gcTime: 0,
  });
/** Kept up while the application is open: what a van takes along must be of this morning. */
export const usePrefetch = (enabled: boolean) =>
  useQuery({
    ...cached,
    queryKey: ['prefetch'],
    queryFn: prefetchVisits,
    refetchInterval: 5 * 60_000,
    staleTime: 60_000,
    enabled,
  });
export const useSheet = (id: string) =>
  useQuery({ queryKey: ['sheet', id], queryFn: () => call('GET /api/visits/:id/sheet', { id }), staleTime: 0 });
