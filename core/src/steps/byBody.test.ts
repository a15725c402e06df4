import fc from 'fast-check';
import { expect, test } from 'vitest';
import { aDog, anyDog } from '../careplan/tests/randomDogs';
import type { DogFacts } from '../dog';
import { kilograms } from '../units';
import { stepsFor } from '../visit/tests/randomVisits';
import { byBody, byCoat, timeline, totalMinutes, STAGES, type Stage } from '.';

const minutes = (dog: DogFacts, stage: Stage): number =>
  stepsFor(dog).reduce((sum, each) => sum + (each.stage === stage ? each.minutes : 0), 0);
const husky = aDog({ weight: kilograms(25) }, 'husky');
const pointer = aDog({ weight: kilograms(25) }, 'gsp');

// Common practice, no source: a thick double coat of 25 kg takes about twice as long to dry as a short one.
test('of two dogs of 25 kg a thick double coat dries about twice as long as a short one, and washes longer', () => {
  expect(minutes(husky, 'dry') / minutes(pointer, 'dry')).toBeGreaterThan(1.8);
  expect(minutes(husky, 'dry') / minutes(pointer, 'dry')).toBeLessThan(3);
  expect(minutes(husky, 'wash 1')).toBeGreaterThan(minutes(pointer, 'wash 1'));
  expect(totalMinutes(timeline(stepsFor(husky)))).toBeGreaterThan(totalMinutes(timeline(stepsFor(pointer))) + 15);
});

test('the dog that the business’s minutes are meant for takes just these', () => {
  const ordinary = { ...pointer, weight: kilograms(12.7) };
  const half = { ...ordinary, traits: { ...ordinary.traits, coat: 'silky drop', coatLength: 'half' } } as const;
  for (const stage of Object.keys(STAGES) as Stage[]) expect(byBody(stage, half)).toBeCloseTo(1, 1);
});

test('towels alone take longer than a dryer, and nothing else does', () => {
  const towels = { ...husky, handling: { ...husky.handling, dryer: 'towels only' as const } };
  expect(byCoat('dry', towels)).toBeGreaterThan(byCoat('dry', husky));
  expect(byCoat('wash 1', towels)).toBe(byCoat('wash 1', husky));
});

test('longer or denser never takes less, whatever the dog', () => {
  const lengths = ['shaved', 'short', 'half', 'full'] as const;
  const densities = ['thin', 'ordinary', 'dense', 'very dense'] as const;
  const stage = fc.constantFrom<Stage>('dry', 'brush-out', 'wash 1', 'water off', 'comb and tidy');
  fc.assert(
    fc.property(anyDog, stage, fc.nat(2), fc.nat(2), (dog, which, i, j) => {
      const its = (length: number, density: number) =>
        byBody(which, {
          ...dog,
          traits: {
            ...dog.traits,
            coatLength: lengths[length] ?? 'full',
            coatDensity: densities[density] ?? 'very dense',
          },
        });
      expect(its(i + 1, j)).toBeGreaterThanOrEqual(its(i, j));
      expect(its(i, j + 1)).toBeGreaterThanOrEqual(its(i, j));
    }),
    { numRuns: 200, seed: 17 },
  );
});
