import { clientCard } from '@dewpond/contract';
import { EMPTY_CARD, plainWords, type Address, type ClientCard } from '@dewpond/core/clients';
import type { DemoDog } from './shape';

/** The card of an invented owner, as the counter keeps it. Throws what the server would refuse. */
export function cardOf({ name, phone, email, more }: DemoDog['owner']): { name: string; card: ClientCard } {
  return {
    name,
    card: clientCard.parse({ ...EMPTY_CARD, phones: [{ number: phone, whose: '' }], emails: [email], ...more }),
  };
}

/** An invented owner, reachable at an example domain. */
export const owner = (name: string, phone: string, more: Partial<ClientCard> = {}) => ({
  name,
  phone,
  more,
  email: `${plainWords(name.split(' ')[0] ?? 'owner')}@thornmere.example`,
});

/** An address on the invented coast. */
export const at = (street: string, postcode: string, latitude: number, longitude: number): Address => ({
  street,
  town: 'Thornmere',
  postcode,
  coordinates: { latitude, longitude },
});
