import { describe, expect, test } from 'vitest';
import { dogView } from '../../../tests/demoDog';
import { NOTHING_TRIED, tryTrait, tryWay, whatWouldChange } from './whatIf';

describe('what if', () => {
  const dog = dogView();

  test('nothing tried, nothing changes; tried and put back is not tried', () => {
    expect(whatWouldChange(dog, NOTHING_TRIED)).toEqual([]);
    const tried = tryTrait(NOTHING_TRIED, dog, 'coat', 'curly');
    expect(whatWouldChange(dog, tried).length).toBeGreaterThan(0);
    expect(tryTrait(tried, dog, 'coat', dog.facts.traits.coat)).toEqual(NOTHING_TRIED);
    expect(tryWay(tryWay(NOTHING_TRIED, dog, 'nails', 'after the bath'), dog, 'nails', 'before the bath')).toEqual(
      NOTHING_TRIED,
    );
  });

  test('traits and schools are tried together', () => {
    const both = tryWay(tryTrait(NOTHING_TRIED, dog, 'tearing', 'constant'), dog, 'earCleaning', 'fill');
    const tasks = new Set(whatWouldChange(dog, both).map(({ task }) => task));
    expect([...tasks]).toEqual(expect.arrayContaining(['eyes and face', 'ear cleaning']));
  });
});
