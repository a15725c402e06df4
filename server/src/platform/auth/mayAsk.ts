import { RIGHTS, type SignedInKey } from '@dewpond/contract';
import { whyNotHere, type Deed, type Doer } from '@dewpond/core/rights';
import type { Asker } from '../asker';
import { Refusal } from '../http/problem';

/** Whether whoever asks may do that here. */
export const may = (asker: Doer, deed: Deed): boolean => whyNotHere(asker, deed) === null;

/** Throws 403, and says who may, where whoever asks may not. */
export function assertMay(asker: Doer, deed: Deed): void {
  const why = whyNotHere(asker, deed);
  if (why !== null) throw new Refusal('not allowed', why);
}

/** What whoever has not yet set up the second proof that the house asks for may ask all the same. */
const BEFORE_SECOND: ReadonlySet<SignedInKey> = new Set<SignedInKey>(['GET /api/session', 'GET /api/me/sessions']);

/** The same for an address of the contract, by its line in the table. */
export function assertMayAsk(asker: Asker, key: SignedInKey): void {
  const { has, asked } = asker.secondFactor;
  if (asked && !has && !BEFORE_SECOND.has(key))
    throw new Refusal('not allowed', 'Your business asks for a second proof at sign-in. Set it up first.');
  const deed = RIGHTS[key];
  if (deed !== 'everybody') assertMay(asker, deed);
}
