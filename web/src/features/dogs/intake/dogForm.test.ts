import { describe, expect, test } from 'vitest';
import type { Day } from '@dewpond/core/units';
import { EMPTY_FORM, intakeFits, intakeOf, profileOf, type DogForm } from './dogForm';

const form: DogForm = { ...EMPTY_FORM, owner: 'Kofi Lindgren', name: 'Pippin', weight: '7,5', breeds: ['pug'] };
const told = (typed: DogForm) =>
  intakeFits('2026-11-25' as Day)
    .safeParse(intakeOf(typed, 'metric'))
    .error?.issues.map(({ path }) => path.join('.')) ?? [];

describe('the intake form', () => {
  test('a whole form has nothing to mend; commas are read as points', () => {
    expect(told(form)).toEqual([]);
    expect(profileOf(form, 'metric').weightKg).toBe(7.5);
  });

  test('pounds are kept as kilograms', () => {
    expect(profileOf({ ...form, weight: '31.3' }, 'US').weightKg).toBeCloseTo(14.2, 1);
  });

  test.each<[Partial<DogForm>, string]>([
    [{ weight: '' }, 'profile.weightKg'],
    [{ weight: '0' }, 'profile.weightKg'],
    [{ weight: '400' }, 'profile.weightKg'],
    [{ weight: 'heavy' }, 'profile.weightKg'],
    [{ name: '  ' }, 'profile.name'],
    [{ owner: '' }, 'owner.name'],
    [{ phone: '<b>' }, 'owner.card.phones.0.number'],
    [{ email: 'no' }, 'owner.card.emails.0'],
    [{ born: '2027-01-01' }, 'profile.born'],
    [{ marks: 'x'.repeat(61) }, 'profile.handling.marks.0'],
    [{ chip: '12' }, 'profile.chip'],
  ])('%j is told at the field %s', (change, field) => {
    expect([...new Set(told({ ...form, ...change }))]).toEqual([field]);
  });

  test('everything that does not fit is told at once', () => {
    const all = told({ ...form, weight: 'heavy', born: '2027-01-01', owner: '' });
    expect(all.toSorted()).toEqual(['owner.name', 'profile.born', 'profile.weightKg']);
  });

  test('an owner in the book needs no name', () => {
    expect(told({ ...form, owner: '', clientId: '0192f0c4-7a5e-7cc3-98c4-dc0c0c07398f' })).toEqual([]);
  });
});
