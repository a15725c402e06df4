import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { aDog, instruct } from '../careplan/tests/randomDogs';
import type { DogFacts } from '../dog';
import type { VetTask } from '../tasks';
import { day } from '../units';
import { vetLooksDue } from '.';

const due = (more: Partial<DogFacts>, breed = 'beagle') => {
  const dog = aDog(more, breed);
  return vetLooksDue(makePlan(dog), dog.instructions, dog.today).map(({ task, last }) => [task, last]);
};
const saw = (task: VetTask, on: string) => instruct({ kind: 'vet saw', task, on: day(on) });

// Twice a year: common practice, no source. Today is 25 November 2026.
describe('looks of a vet that are wanted regularly', () => {
  test('eyes of flat faces and of old dogs, a known heart, a lump that is watched; of other dogs none', () => {
    expect(due({})).toEqual([]);
    expect(due({}, 'pug')).toEqual([['eye check', null]]);
    expect(due({ lifeStage: 'senior' })).toEqual([['eye check', null]]);
    expect(due({ fitness: { ...aDog().fitness, heart: true } })).toEqual([['heart check', null]]);
    const lump = { place: { site: 'side', side: 'left' }, sign: 'lump known', on: day('2026-01-01') } as const;
    expect(due({ known: [lump] })).toEqual([['lump check', null]]);
  });

  test('once its date is known it is not due for half a year; the newest date counts, an older one is shown', () => {
    expect(due({ instructions: [saw('eye check', '2026-09-01')] }, 'pug')).toEqual([]);
    expect(due({ instructions: [saw('eye check', '2026-05-01')] }, 'pug')).toEqual([['eye check', '2026-05-01']]);
    const both = [saw('eye check', '2026-09-01'), saw('eye check', '2025-01-01')];
    expect(due({ instructions: both }, 'pug')).toEqual([]);
    // Half a year to the day: asked again.
    expect(due({ instructions: [saw('eye check', '2026-05-27')] }, 'pug')).toEqual([['eye check', '2026-05-27']]);
    expect(due({ instructions: [saw('eye check', '2026-05-28')] }, 'pug')).toEqual([]);
  });
});
