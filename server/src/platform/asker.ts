import type { MemberView } from '@dewpond/contract';
import type { HouseRights } from '@dewpond/core/rights';
import type { BusinessId } from './db/tenant';

/** Who is asking, for which business. Set by the session check in front of every route but sign-in and health. */
export interface Asker {
  readonly businessId: BusinessId;
  readonly sessionId: string;
  readonly personId: string;
  readonly personName: string;
  readonly email: string;
  readonly role: MemberView['role'];
  /** What the house has decided on who may what. */
  readonly rights: HouseRights;
  /** When the last good backup of this installation was made; null: there is none. */
  readonly lastBackup: string | null;
  /** Since when the business is here; null: nobody knows. */
  readonly hereSince: string | null;
  /** Has one to show, and whether the house asks for it. */
  readonly secondFactor: { readonly has: boolean; readonly asked: boolean };
  /** The time zone of the business. */
  readonly zone: string;
}
