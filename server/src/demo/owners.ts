import { clientCard } from '@dewpond/contract';
import { EMPTY_CARD, type ClientCard } from '@dewpond/core/clients';
import type { DemoDog } from './shape';

/** The card of an invented owner, as the counter keeps it. Throws what the server would refuse. */
export function cardOf({ name, phone, email, more }: DemoDog['owner']): { name: string; card: ClientCard } {
  return {
    name,
    card: clientCard.parse({ ...EMPTY_CARD, phones: [{ number: phone, whose: '' }], emails: [email], ...more }),
  };
}
