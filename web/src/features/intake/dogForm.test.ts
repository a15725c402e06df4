import { describe, expect, test } from 'vitest';
import { EMPTY_FORM, checkForm, profileOf, type DogForm } from './dogForm';

const form: DogForm = { ...EMPTY_FORM, owner: 'Kofi Lindgren', name: 'Pippin', weight: '7,5', breeds: ['pug'] };
const TODAY = '2026-11-25';

describe('the intake form', () => {
  test('a whole form has nothing to mend; commas are read as points', () => {
    expect(checkForm(form, 'metric', TODAY)).toEqual({});
    expect(profileOf(form, 'metric').weightKg).toBe(7.5);
  });

  test('pounds are kept as kilograms', () => {
    expect(profileOf({ ...form, weight: '31.3' }, 'US').weightKg).toBeCloseTo(14.2, 1);
  });

  test.each<[Partial<DogForm>, keyof DogForm]>([
    [{ weight: '' }, 'weight'],
    [{ weight: '0' }, 'weight'],
    [{ weight: '400' }, 'weight'],
    [{ weight: 'heavy' }, 'weight'],
    [{ name: '  ' }, 'name'],
    [{ owner: '' }, 'owner'],
    [{ phone: '<b>' }, 'phone'],
    [{ email: 'no' }, 'email'],
    [{ born: '2027-01-01' }, 'born'],
    [{ marks: 'x'.repeat(61) }, 'marks'],
    [{ chip: '12' }, 'chip'],
  ])('%j is told at the field %s', (change, field) => {
    expect(Object.keys(checkForm({ ...form, ...change }, 'metric', TODAY))).toEqual([field]);
  });

  test('an owner in the book needs no name', () => {
    expect(
      checkForm({ ...form, owner: '', clientId: '0192f0c4-7a5e-7cc3-98c4-dc0c0c07398f' }, 'metric', TODAY),
    ).toEqual({});
  });
});
