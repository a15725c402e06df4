/** Who may what in a business: roles, the table of deeds, and what a house changes in it. */
export { DEEDS, DEED_IDS, isDeed, type Deed } from './deeds';
export { mayDo, ownRights, whoMay, whyNotAllowed, whyNotHere, type Doer, type HouseRights } from './mayDo';
export { PIN_DIGITS, PIN_TRIES, whyNoPin, wrongPin } from './pin';
export { ROLES, ROLE_NAMES, anyOfRoles, oneOfRole, type Role } from './roles';
export {
  SECOND_FACTOR_FOR,
  needsSecondFactor,
  whyNotChanged,
  type PersonChange,
  type PersonOfHouse,
  type SecondFactorFor,
} from './people';
