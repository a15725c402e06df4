import { DEEDS, anyOfRoles, mayDo, whoMay, type Deed } from '@dewpond/core/rights';
import { useSession } from './queries';

/** Whether whoever is signed in may do that here. Until that is known nothing is hidden: the server refuses it anyway. */
export function useMay(deed: Deed): boolean {
  const session = useSession().data;
  return session === undefined || mayDo(session.member.role, deed, session.rights);
}

/** "Only an owner-manager or a groomer may take the book out."; nothing where whoever is signed in may. */
export function useWhoMay(deed: Deed): string | null {
  const session = useSession().data;
  if (session === undefined || mayDo(session.member.role, deed, session.rights)) return null;
  return `Only ${anyOfRoles(whoMay(deed, session.rights))} may ${DEEDS[deed].does}.`;
}
