import type { Deed } from '@dewpond/core/rights';
import type { ReactNode } from 'react';
import { useMay, useWhoMay } from '../data/useMay';

interface MayProps {
  readonly deed: Deed;
  /** Where nothing else is left to see, who may is said in its place. */
  readonly says?: boolean;
  readonly children: ReactNode;
}

/** What whoever is signed in may do; the others do not see it. */
export function May({ deed, says = false, children }: MayProps) {
  const may = useMay(deed);
  const who = useWhoMay(deed);
  if (may) return children;
  return says ? <p className="text-soft">{who}</p> : null;
}
