import type { SessionView } from '@dewpond/contract';
import { DEEDS, anyOfRoles, mayDo, whoMay, whyNotHere, type Deed } from '@dewpond/core/rights';
import { useSession } from './queries';

const whyNot = ({ member, rights, tablet }: SessionView, deed: Deed): string | null =>
  whyNotHere({ role: member.role, rights, byPin: tablet?.byPin ?? false }, deed);

/** Whether whoever is signed in may do that here. Until that is known nothing is hidden: the server refuses it anyway. */
export function useMay(deed: Deed): boolean {
  const session = useSession().data;
  return session === undefined || whyNot(session, deed) === null;
}

/** "Only an owner-manager or a groomer may take the book out."; nothing where whoever is signed in may. */
export function useWhoMay(deed: Deed): string | null {
  const session = useSession().data;
  if (session === undefined) return null;
  if (mayDo(session.member.role, deed, session.rights)) return whyNot(session, deed);
  return `Only ${anyOfRoles(whoMay(deed, session.rights))} may ${DEEDS[deed].does}.`;
}
