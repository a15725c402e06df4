import { DEEDS, type Deed, type DeedRow } from './deeds';
import { ROLES, anyOfRoles, oneOfRole, type Role } from './roles';

/** What a house has decided otherwise than is shipped: by deed, who may besides the owner-manager. */
export type HouseRights = Readonly<Partial<Record<Deed, readonly Role[]>>>;

/** Who may do it in this house, in the order of the roles; the owner-manager always. */
export function whoMay(deed: Deed, house: HouseRights): Role[] {
  const row: DeedRow = DEEDS[deed];
  const said = row.fixed ? row.who : (house[deed] ?? row.who);
  return ROLES.filter((role) => role === 'manager' || said.includes(role));
}

/** Who does something, as far as it decides whether they may. */
export interface Doer {
  readonly role: Role;
  readonly rights: HouseRights;
  /** At a shared tablet, by a PIN. */
  readonly byPin: boolean;
}

/** Why somebody may not do it where they are; null: they may. */
export function whyNotHere({ role, rights, byPin }: Doer, deed: Deed): string | null {
  if (!mayDo(role, deed, rights)) return whyNotAllowed(role, deed, rights);
  const { ownDevice, does }: DeedRow = DEEDS[deed];
  return byPin && ownDevice ? `Not with a PIN on a shared tablet. Sign in with your password to ${does}.` : null;
}

export const mayDo = (role: Role, deed: Deed, house: HouseRights): boolean => whoMay(deed, house).includes(role);

/** "A bather does not take the book out. Ask an owner-manager or a groomer." */
export const whyNotAllowed = (role: Role, deed: Deed, house: HouseRights): string =>
  `${oneOfRole(role)} does not ${DEEDS[deed].does}. Ask ${anyOfRoles(whoMay(deed, house))}.`;

/** Only what the house has decided otherwise than is shipped: what ships later is not held back by what nobody chose. */
export function ownRights(chosen: HouseRights): HouseRights {
  const own = Object.entries(chosen).filter(([id, who]) => {
    const deed = id as Deed;
    return whoMay(deed, { [deed]: who }).join() !== whoMay(deed, {}).join();
  });
  return Object.fromEntries(own);
}
