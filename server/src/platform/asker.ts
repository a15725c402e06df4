import type { MemberView } from '@dewpond/contract';
import type { HouseRights } from '@dewpond/core/rights';
import type { BusinessId } from './db/tenant';

export interface SharedTablet {
  readonly id: string;
  readonly name: string;
  /** Minutes without a touch after which it locks. */
  readonly lockAfterMin: number;
}

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
  /** The shared tablet it is asked from; null: a device of their own. */
  readonly tablet: SharedTablet | null;
  /** They came to that tablet by a PIN. */
  readonly byPin: boolean;
  /** The branch they look at, as they say; null: where they belong. */
  readonly branchAsked: string | null;
  /** The time zone of the business. */
  readonly zone: string;
}
