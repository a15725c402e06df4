import type { MemberView } from '@dewpond/contract';
import type { HouseRights } from '@dewpond/core/rights';
import type { BusinessId } from './db/tenant';

/** Who is asking, for which business. Set by the session check in front of every route but sign-in and health. */
export interface Asker {
  readonly businessId: BusinessId;
  readonly personId: string;
  readonly personName: string;
  readonly email: string;
  readonly role: MemberView['role'];
  /** What the house has decided on who may what. */
  readonly rights: HouseRights;
  /** The time zone of the business. */
  readonly zone: string;
}
