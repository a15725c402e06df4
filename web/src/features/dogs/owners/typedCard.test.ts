import { EMPTY_CARD, type ClientCard } from '@dewpond/core/clients';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { typed, untyped } from './typedCard';

const at = (coordinates: string) => untyped({ ...typed(EMPTY_CARD), coordinates }).address.coordinates;

describe('a card as it is typed', () => {
  test('and read back is the same card', () => {
    const card: fc.Arbitrary<ClientCard> = fc.record({
      phones: fc.array(
        fc.record({ number: fc.constantFrom('01632 960101', '+44 1632 960102'), whose: fc.constantFrom('', 'own') }),
      ),
      emails: fc.array(fc.constantFrom('a@thornmere.example', 'b@thornmere.example')),
      prefers: fc.constantFrom('no matter', 'call'),
      language: fc.constantFrom(null, 'es'),
      address: fc.record({
        street: fc.constantFrom('', '3 Slip Row'),
        town: fc.constantFrom('', 'Thornmere'),
        postcode: fc.constantFrom('', 'TM1'),
        coordinates: fc.option(
          fc.record({
            latitude: fc.double({ min: -90, max: 90, noNaN: true }).map((each) => Math.round(each * 1e6) / 1e6 + 0),
            longitude: fc.double({ min: -180, max: 180, noNaN: true }).map((each) => Math.round(each * 1e6) / 1e6 + 0),
          }),
        ),
      }),
      consents: fc.constant({}),
      note: fc.constantFrom('', 'Side gate.'),
    });
    fc.assert(
      fc.property(card, (each) => {
        expect(untyped(typed(each))).toEqual(each);
      }),
    );
  });

  test('rows that were begun and left empty fall away', () => {
    const begun = {
      ...typed(EMPTY_CARD),
      phones: [{ number: ' ', whose: 'own' }],
      emails: ['', ' a@thornmere.example '],
    };
    expect(untyped(begun)).toMatchObject({ phones: [], emails: ['a@thornmere.example'] });
  });

  test.each([
    ['50.33, -4.11', { latitude: 50.33, longitude: -4.11 }],
    ['50.33 −4.11', { latitude: 50.33, longitude: -4.11 }],
    ['50.33;-4.11', { latitude: 50.33, longitude: -4.11 }],
    ['', null],
  ])('coordinates as a map gives them: "%s"', (text, wanted) => {
    expect(at(text)).toEqual(wanted);
  });

  test.each(['50.33', 'north, west', '50.33,'])('"%s" is none, and is not taken for the middle of the sea', (text) => {
    const read = at(text);
    expect(read && (Number.isNaN(read.latitude) || Number.isNaN(read.longitude))).toBe(true);
  });
});
