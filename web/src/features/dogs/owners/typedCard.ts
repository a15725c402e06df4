import { readCoordinates, showCoordinates, type ClientCard } from '@dewpond/core/clients';

/** The card as typed: coordinates stay text until they are sent, so that nothing is lost while they do not fit yet. */
export interface TypedCard extends Omit<ClientCard, 'address'> {
  readonly street: string;
  readonly town: string;
  readonly postcode: string;
  /** "50.1234, −4.5" as copied from a map; empty for none. */
  readonly coordinates: string;
}

export function typed({ address, ...card }: ClientCard): TypedCard {
  const { coordinates, ...place } = address;
  return {
    ...card,
    ...place,
    coordinates: coordinates ? showCoordinates(coordinates) : '',
  };
}

/** A row in which something stands. */
export const isFilled = (text: string): boolean => text.trim() !== '';

/** Empty rows of phones and e-mails fall away. Coordinates that are none become `NaN`, which the server refuses at its field. */
export function untyped({ street, town, postcode, coordinates, ...card }: TypedCard): ClientCard {
  return {
    ...card,
    phones: card.phones.filter(({ number }) => isFilled(number)),
    emails: card.emails.map((email) => email.trim()).filter(Boolean),
    address: { street, town, postcode, coordinates: coordinates.trim() === '' ? null : readCoordinates(coordinates) },
  };
}
