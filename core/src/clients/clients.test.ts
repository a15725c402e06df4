import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { day } from '../units';
import {
  CHANNELS,
  EMPTY_CARD,
  addressLine,
  knownClients,
  likelySame,
  mergeCards,
  plainWords,
  type ClientCard,
} from '.';

const card = (more: Partial<ClientCard>): ClientCard => ({ ...EMPTY_CARD, ...more });
const phone = (number: string, whose = '') => ({ number, whose });

describe('one card of two', () => {
  test('adds up phones, e-mails and notes, each once however it is written', () => {
    const merged = mergeCards(
      card({ phones: [phone('01632 960114')], emails: ['Folake@thornmere.example'], note: 'Side gate.' }),
      card({
        phones: [phone('01632-960-114', 'home'), phone('01632 960999')],
        emails: ['folake@thornmere.example'],
        note: 'Rings back late.',
      }),
    );
    expect(merged.phones).toEqual([phone('01632 960114'), phone('01632 960999')]);
    expect(merged.emails).toEqual(['Folake@thornmere.example']);
    expect(merged.note).toBe('Side gate.\nRings back late.');
  });

  test('takes the newer word of each consent, and of one day the no', () => {
    const [old, now] = [day('2025-03-01'), day('2026-03-01')];
    const { consents } = mergeCards(
      card({
        consents: { photos: { yes: true, on: old }, plucking: { yes: true, on: now }, muzzle: { yes: true, on: now } },
      }),
      card({
        consents: {
          photos: { yes: false, on: now },
          plucking: { yes: false, on: old },
          muzzle: { yes: false, on: now },
        },
      }),
    );
    expect(consents.photos?.yes).toBe(false);
    expect(consents.plucking?.yes).toBe(true);
    expect(consents.muzzle?.yes).toBe(false);
    expect(consents['e-mail']).toBeUndefined();
  });

  test('keeps one address whole, never half of each', () => {
    const address = { street: '3 Slip Row', town: 'Thornmere', postcode: '', coordinates: null };
    expect(mergeCards(card({}), card({ address })).address).toEqual(address);
    const other = { ...address, street: '9 Reed Bank', postcode: 'TM2' };
    expect(mergeCards(card({ address }), card({ address: other })).address).toEqual(address);
    expect(addressLine(other)).toBe('9 Reed Bank, Thornmere TM2');
  });

  test('with itself or with an empty card is the same card; nothing of either is lost', () => {
    const anyCard = fc.record({
      phones: fc.uniqueArray(
        fc.integer({ min: 100000, max: 999999 }).map((n) => phone(`01632 ${n}`)),
        {
          selector: ({ number }) => number,
        },
      ),
      emails: fc.uniqueArray(fc.constantFrom('a@thornmere.example', 'b@thornmere.example')),
      prefers: fc.constantFrom(...CHANNELS),
      note: fc.constantFrom('', 'Side gate.', 'Dog barks.'),
    });
    fc.assert(
      fc.property(anyCard, anyCard, (a, b) => {
        const [one, other] = [card(a), card(b)];
        expect(mergeCards(one, one)).toEqual(one);
        expect(mergeCards(one, EMPTY_CARD)).toEqual(one);
        const merged = mergeCards(one, other);
        for (const { number } of [...one.phones, ...other.phones])
          expect(merged.phones.filter((each) => each.number === number)).toHaveLength(1);
        for (const email of [...one.emails, ...other.emails]) expect(merged.emails).toContain(email);
      }),
    );
  });
});

describe('the same person twice', () => {
  const book = [
    { id: '1', name: 'Folake Adeyemi', card: card({ phones: [phone('01632 960114')] }) },
    { id: '2', name: 'F. Adeyemi', card: card({ phones: [phone('+44 1632 960114')] }) },
    { id: '3', name: 'Łucja Søndergaard', card: card({ emails: ['Lucja@thornmere.example'] }) },
    { id: '4', name: 'Wen Halloran', card: card({}) },
  ];

  test('is told by phone or e-mail, however written', () => {
    expect(likelySame(book).map((group) => group.map(({ id }) => id))).toEqual([['1', '2']]);
    const known = knownClients(book);
    expect(known('Someone', { phones: [phone('(01632) 960 114')], emails: [] })?.id).toBe('1');
    expect(known('L. S.', { phones: [], emails: ['lucja@thornmere.example'] })?.id).toBe('3');
  });

  test('by the name alone only where nothing else is given: two of one name are two people', () => {
    const known = knownClients(book);
    expect(known('wen halloran', { phones: [], emails: [] })?.id).toBe('4');
    expect(known('Łucja Søndergaard', { phones: [], emails: [] })?.id).toBe('3');
    expect(known('Folake Adeyemi', { phones: [phone('01632 960777')], emails: [] })).toBeNull();
  });

  test('accents, stroked letters and case do not tell people apart', () => {
    expect(plainWords(' Łucja Søndergaard-Weiß ')).toBe('lucja sondergaard-weiss');
  });
});
