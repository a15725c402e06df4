import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { DEEDS, DEED_IDS, ROLES, mayDo, ownRights, whoMay, whyNotAllowed, type HouseRights } from '.';

const anyHouse = fc
  .dictionary(fc.constantFrom(...DEED_IDS), fc.subarray([...ROLES]))
  .map((given) => given as HouseRights);

describe('who may what', () => {
  test('an owner-manager may all, whatever the house says', () => {
    fc.assert(
      fc.property(anyHouse, (house) => {
        for (const deed of DEED_IDS) expect(mayDo('manager', deed, house)).toBe(true);
      }),
    );
  });

  test('nobody is let at the table of rights, whatever the house says', () => {
    fc.assert(
      fc.property(anyHouse, (house) => {
        expect(whoMay('say rights', house)).toEqual(['manager']);
      }),
    );
  });

  test('what a house keeps is what it changed, and says the same', () => {
    fc.assert(
      fc.property(anyHouse, (house) => {
        const own = ownRights(house);
        for (const deed of DEED_IDS) expect(whoMay(deed, own)).toEqual(whoMay(deed, house));
        expect(ownRights(own)).toEqual(own);
        for (const [deed, who] of Object.entries(own)) expect(who).not.toEqual(DEEDS[deed as keyof typeof DEEDS].who);
      }),
    );
  });

  // The deeds an examination found open to everybody.
  test.each([
    ['bather', 'export'],
    ['bather', 'say dilutions'],
    ['bather', 'vet words'],
    ['bather', 'close referrals'],
    ['trainee', 'vet words'],
    ['desk', 'say dilutions'],
    ['groomer', 'say rights'],
    ['groomer', 'erase'],
  ] as const)('as shipped, a %s does not: %s', (role, deed) => {
    expect(mayDo(role, deed, {})).toBe(false);
  });

  test('it is said who may', () => {
    expect(whyNotAllowed('bather', 'export', {})).toBe(
      'A bather does not take the book out. Ask an owner-manager or a groomer.',
    );
    expect(whyNotAllowed('desk', 'work', { work: ['groomer', 'bather'] })).toBe(
      'Whoever is at the desk does not work at the table. Ask an owner-manager, a groomer or a bather.',
    );
    expect(whyNotAllowed('trainee', 'export', { export: [] })).toBe(
      'A trainee does not take the book out. Ask an owner-manager.',
    );
  });
});
