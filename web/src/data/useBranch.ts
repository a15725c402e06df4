import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { call } from '../api/call';
import { lookAt } from '../api/atBranch';
import { usePreferences } from '../browser/preferences';
import { branchOf, type BranchChoice } from './branchOf';
import { queryClient, useSession } from './queries';

interface BranchInSight {
  readonly here: BranchChoice;
  readonly branches: readonly BranchChoice[];
  /** Looks at another from now on, on this device. */
  readonly choose: (id: string) => void;
}

/** Where one looks; null where the business has one branch, and nobody needs to know of any. */
export function useBranch(): BranchInSight | null {
  const session = useSession().data;
  const chosen = usePreferences(({ branches }) => branches);
  const here = session && branchOf(session, chosen);
  if (!session || !here) return null;
  return {
    here,
    branches: session.branches,
    choose: (id) => {
      usePreferences.getState().setBranch(session.business.id, id);
      lookAt(id);
      // What is on the screen is of the branch before.
      void queryClient.resetQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
    },
  };
}

/** Salons and vans, and what belongs to which. */
export const useBranches = (enabled = true) =>
  useQuery({ queryKey: ['branches'], queryFn: () => call('GET /api/branches'), enabled });

/** Those of some dogs that are cared for where one looks; all of them where the business has one branch. */
export function useDogsHere<Dog extends { readonly id: string }>(dogs: readonly Dog[]): readonly Dog[] {
  const hereId = useBranch()?.here.id;
  const known = useBranches(hereId !== undefined).data?.dogs;
  const firstId = useSession().data?.business.id;
  return useMemo(
    () => (hereId === undefined || !known ? dogs : dogs.filter(({ id }) => (known[id] ?? firstId) === hereId)),
    [dogs, hereId, known, firstId],
  );
}

/** Where a dog is cared for; null where the business has one branch, or nobody has said yet. */
export function useBranchOfDog(dogId: string): BranchChoice | null {
  const many = useBranch();
  const known = useBranches(many !== null).data;
  const firstId = useSession().data?.business.id;
  if (!many || !known) return null;
  const its = known.dogs[dogId] ?? firstId;
  return many.branches.find(({ id }) => id === its) ?? null;
}
