import { afterEach, expect, test } from 'vitest';
import { usePreferences } from './preferences';

const before = usePreferences.getState();
afterEach(() => {
  usePreferences.setState(before);
});

test('which hand holds the dog is remembered from before it was called handedness', async () => {
  const state = { theme: 'night', device: 'the tablet', hand: 'left' };
  localStorage.setItem('dewpond-preferences', JSON.stringify({ state, version: 0 }));
  await usePreferences.persist.rehydrate();
  expect(usePreferences.getState()).toMatchObject({ theme: 'night', device: 'the tablet', handedness: 'left' });
});
