import { describe, expect, test } from 'vitest';
import { day } from '../units';
import { reachedOften, type PlaceLooked } from '.';

const today = day('2026-11-25');
const look = (on: string, level: PlaceLooked['level'], barred = false): PlaceLooked => ({
  day: day(on),
  level,
  barred,
});

describe('three times in six months', () => {
  const before = [look('2026-07-01', 'vet'), look('2026-09-01', 'tell', true)];

  test('vet or a stop counts, today among them', () => {
    expect(reachedOften([...before, look(today, 'vet soon')], today)).toEqual(['2026-07-01', '2026-09-01', today]);
    expect(reachedOften([...before, look(today, 'tell', true)], today)).toHaveLength(3);
  });

  test('a place that is clear today, twice only, or longer ago is not said', () => {
    expect(reachedOften([...before, look('2026-10-01', 'vet'), look(today, 'none')], today)).toBeNull();
    expect(reachedOften([look('2026-07-01', 'vet'), look(today, 'vet')], today)).toBeNull();
    expect(reachedOften([look('2026-05-25', 'vet'), look('2026-09-01', 'vet'), look(today, 'vet')], today)).toBeNull();
    expect(
      reachedOften([look('2026-05-26', 'vet'), look('2026-09-01', 'vet'), look(today, 'vet')], today),
    ).toHaveLength(3);
    expect(
      reachedOften([look('2026-07-01', 'tell'), look('2026-09-01', 'tell'), look(today, 'vet')], today),
    ).toBeNull();
  });
});
