import ICAL from 'ical.js';
import { EMPTY_CARD, NO_ADDRESS, type ClientCard } from '../clients';
import type { ReadRow } from './readRows';

interface Person {
  readonly name: string;
  readonly card: ClientCard;
}

/** Text of a property that may have several parts: "Quay Lane" or ["", "", "Quay Lane", …]. */
const parts = (value: unknown): string[] =>
  (Array.isArray(value) ? value : [value]).map((part) =>
    (Array.isArray(part) ? part.join(' ') : String(part ?? '')).trim(),
  );

/** Reads vCards of version 3.0 and 4.0 (RFC 2426, RFC 6350), one row a card. A card without a name says so. */
export function readVcards(
  text: string,
): { readonly kind: 'rows'; readonly rows: ReadRow[] } | { readonly kind: 'refused'; readonly words: string } {
  let cards: unknown[];
  try {
    const parsed = ICAL.parse(text.trim()) as unknown[];
    cards = Array.isArray(parsed[0]) ? parsed : [parsed];
  } catch (error) {
    return {
      kind: 'refused',
      words: `That is no vCard: ${error instanceof Error ? error.message : 'it cannot be read'}.`,
    };
  }
  return { kind: 'rows', rows: cards.map((card, i) => readCard(new ICAL.Component(card as string), i + 1)) };
}

function readCard(card: ICAL.Component, row: number): ReadRow {
  const first = (name: string): unknown => card.getFirstPropertyValue(name);
  const all = (name: string): string[] =>
    card.getAllProperties(name).map((property) => parts(property.getFirstValue()).join(' '));
  const [family = '', given = ''] = parts(first('n'));
  const name = parts(first('fn'))[0] || [given, family].filter(Boolean).join(' ');
  const [, , street = '', town = '', , postcode = ''] = parts(first('adr'));
  const place = /(-?\d+(?:\.\d+)?)[,;](-?\d+(?:\.\d+)?)/.exec(parts(first('geo')).join(';'));
  return {
    row,
    owner: {
      name,
      card: {
        ...EMPTY_CARD,
        phones: all('tel').map((number) => ({ number: number.replace(/^tel:/, '').replaceAll('-', ' '), whose: '' })),
        emails: all('email'),
        address: {
          ...NO_ADDRESS,
          street,
          town,
          postcode,
          coordinates: place ? { latitude: Number(place[1]), longitude: Number(place[2]) } : null,
        },
        note: all('note').join('\n'),
      },
    },
    dog: null,
    wrong: name === '' ? ['The card has no name.'] : [],
    notes: [],
  };
}

/** Writes people as vCards of version 4.0 (RFC 6350), folded at 75 octets. */
export const writeVcards = (people: readonly Person[]): string =>
  people.map((each) => `${writeCard(each)}\r\n`).join('');

function writeCard({ name, card }: Person): string {
  const vcard = new ICAL.Component('vcard');
  const add = (property: string, value: string | string[]) => {
    const made = new ICAL.Property(property, vcard);
    if (Array.isArray(value)) made.setValue(value);
    else made.setValue(value);
    vcard.addProperty(made);
  };
  const words = name.trim().split(/\s+/);
  const { street, town, postcode, coordinates } = card.address;
  add('version', '4.0');
  add('fn', name);
  add('n', [
    words.length > 1 ? (words.at(-1) ?? '') : '',
    words.length > 1 ? words.slice(0, -1).join(' ') : name,
    '',
    '',
    '',
  ]);
  for (const { number } of card.phones) add('tel', number);
  for (const email of card.emails) add('email', email);
  if (street || town || postcode) add('adr', ['', '', street, town, '', postcode, '']);
  if (coordinates) add('geo', `geo:${coordinates.latitude},${coordinates.longitude}`);
  if (card.note) add('note', card.note);
  return vcard.toString();
}
