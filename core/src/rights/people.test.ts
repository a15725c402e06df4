import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ROLES, needsSecondFactor, whyNotChanged, type PersonChange, type PersonOfHouse, type Role } from '.';

const person = (id: string, role: Role, hasLeft = false): PersonOfHouse => ({ id, role, hasLeft });
const INES = person('ines', 'manager');
const BILAL = person('bilal', 'bather');

describe('who runs a business', () => {
  test('the last owner-manager neither leaves nor becomes anything else', () => {
    const people = [INES, BILAL, person('wen', 'manager', true)];
    expect(whyNotChanged(people, { id: 'ines', role: null }, 'manager')).toMatch(/at least one owner-manager/);
    expect(whyNotChanged(people, { id: 'ines', role: 'desk' }, 'manager')).toMatch(/at least one owner-manager/);
    expect(whyNotChanged([...people, person('tomasz', 'manager')], { id: 'ines', role: null }, 'manager')).toBeNull();
  });

  test('nobody else makes an owner-manager, and nobody else ends one', () => {
    const people = [INES, BILAL, person('tomasz', 'manager')];
    expect(whyNotChanged(people, { id: 'bilal', role: 'manager' }, 'desk')).toMatch(/Only an owner-manager/);
    expect(whyNotChanged(people, { id: 'ines', role: null }, 'desk')).toMatch(/Only an owner-manager/);
    expect(whyNotChanged(people, { id: 'new', role: 'manager' }, 'desk')).toMatch(/Only an owner-manager/);
    expect(whyNotChanged(people, { id: 'bilal', role: 'groomer' }, 'desk')).toBeNull();
    expect(whyNotChanged(people, { id: 'ines', role: 'manager' }, 'desk')).toBeNull();
  });

  test('whatever is done in whatever order, somebody may everything', () => {
    const ids = ['a', 'b', 'c'];
    const change: fc.Arbitrary<[PersonChange, Role]> = fc.tuple(
      fc.record({ id: fc.constantFrom(...ids), role: fc.option(fc.constantFrom(...ROLES)) }),
      fc.constantFrom(...ROLES),
    );
    fc.assert(
      fc.property(fc.array(change, { maxLength: 30 }), (changes) => {
        let people = [person('a', 'manager'), person('b', 'groomer'), person('c', 'desk', true)];
        for (const [{ id, role }, by] of changes) {
          if (whyNotChanged(people, { id, role }, by) !== null) continue;
          people = people.map((each) => (each.id === id ? person(id, role ?? each.role, role === null) : each));
        }
        expect(people.some(({ role, hasLeft }) => role === 'manager' && !hasLeft)).toBe(true);
      }),
    );
  });
});

test('a second proof is asked of whom the house says', () => {
  const asked = (says: Parameters<typeof needsSecondFactor>[1]) =>
    ROLES.filter((role) => needsSecondFactor(role, says));
  expect(asked('nobody')).toEqual([]);
  expect(asked('managers')).toEqual(['manager']);
  expect(asked('everybody')).toEqual([...ROLES]);
});
