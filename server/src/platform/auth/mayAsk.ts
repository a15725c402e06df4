import { RIGHTS, type SignedInKey } from '@dewpond/contract';
import { mayDo, whyNotAllowed, type Deed } from '@dewpond/core/rights';
import type { Asker } from '../asker';
import { Refusal } from '../http/problem';

/** Whether whoever asks may do that here. */
export const may = ({ role, rights }: Pick<Asker, 'role' | 'rights'>, deed: Deed): boolean => mayDo(role, deed, rights);

/** Throws 403, and says who may, where whoever asks may not. */
export function assertMay(asker: Pick<Asker, 'role' | 'rights'>, deed: Deed): void {
  if (!may(asker, deed)) throw new Refusal('not allowed', whyNotAllowed(asker.role, deed, asker.rights));
}

/** The same for an address of the contract, by its line in the table. */
export function assertMayAsk(asker: Asker, key: SignedInKey): void {
  const deed = RIGHTS[key];
  if (deed !== 'everybody') assertMay(asker, deed);
}
