import { EASY } from '@dewpond/core/handling';
import { expect, test } from 'vitest';
import { FIELD_NAMES, showField, type EditedDog } from './dogFieldWords';
import { EMPTY_FORM } from './dogForm';

const dog: EditedDog = {
  ...EMPTY_FORM,
  name: 'Teasel',
  weight: '14.2',
  swims: true,
  grassSeedMonths: [5, 6],
  seen: { coat: 'wire', folds: { nose: 'deep' } },
  handling: { ...EASY, minds: ['belly', 'mouth'] },
  ears: {
    left: { conditions: ['a condition'], plucked: 'never', ownerForbidsPlucking: true },
    right: { conditions: [], plucked: 'not known', ownerForbidsPlucking: false },
  } as unknown as EditedDog['ears'],
  vetId: 'v',
  homeCareChangedOn: '2026-11-20',
};
const show = (field: keyof EditedDog) => showField(field, dog, { vets: [{ id: 'v', name: 'Dr Ferrol' }], unit: 'kg' });

test.each<[keyof EditedDog, string]>([
  ['name', 'Teasel'],
  ['weight', '14.2 kg'],
  ['swims', 'yes'],
  ['stiffJoints', 'no'],
  ['grassSeedMonths', '5, 6'],
  ['seen', 'Coat: wire\nFolds: deep nose'],
  ['ears', 'left: a condition, plucked: never, the owner forbids plucking\nright: plucked: not known'],
  ['vetId', 'Dr Ferrol'],
  ['handling', ['belly', 'mouth', ...Object.values(EASY).flat()].join('\n')],
])('%s reads as a groomer says it', (field, words) => expect(show(field)).toBe(words));

test('every field has words, none the insides of a record', () => {
  for (const field of Object.keys(FIELD_NAMES) as (keyof EditedDog)[]) expect(show(field)).not.toMatch(/[[{]|object/);
});
