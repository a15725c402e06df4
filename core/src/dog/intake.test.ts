import { expect, test } from 'vitest';
import { composeTraits } from '../catalogue';
import { ALL_INTAKE_QUESTIONS, intakeQuestions } from './intake';

const asked = (breed: string, more: { weight?: number; years?: number } = {}) => {
  const { traits, breeds } = composeTraits([breed], {});
  return intakeQuestions({ traits, breeds, weight: more.weight ?? null, years: more.years ?? null }).map(
    ({ question }) => question,
  );
};

test.each([
  ['whippet', ['swims', 'nailsOvergrown']],
  [
    'poodle-miniature',
    ['coatLength', 'pluckingConsent', 'everPlucked', 'earTrouble', 'tearingSeenByVet', 'swims', 'nailsOvergrown'],
  ],
  ['beagle', ['earTrouble', 'swims', 'nailsOvergrown']],
  ['german-shepherd', ['nailsOvergrown']],
])('a %s raises %j and nothing else', (breed, questions) => {
  expect(asked(breed)).toEqual(questions);
});

test('an old or a heavy dog raises whether it can stand', () => {
  expect(asked('whippet', { years: 12 })).toContain('cannotStand');
  expect(asked('german-shepherd', { weight: 34 })).toContain('cannotStand');
  expect(asked('whippet', { years: 3, weight: 12 })).not.toContain('cannotStand');
});

test('no dog is asked everything by its breed alone', () => {
  expect(asked('cavalier').length).toBeLessThan(ALL_INTAKE_QUESTIONS.length);
});
