import { act, renderHook } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { usePreferences } from './preferences';
import { showTheme, useTheme } from './useTheme';

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

test('nobody who never chose a theme is held to the one of before', async () => {
  const kept = (theme: string) => {
    const state = { theme, device: 'the tablet', handedness: 'right' };
    localStorage.setItem('dewpond-preferences', JSON.stringify({ state, version: 1 }));
    return usePreferences.persist.rehydrate();
  };
  await kept('chalk');
  expect(usePreferences.getState()).toMatchObject({ theme: null, device: 'the tablet' });
  await kept('night');
  expect(usePreferences.getState().theme).toBe('night');
});

test('the theme follows the device, also when it changes in the evening, until one is chosen', () => {
  usePreferences.setState({ theme: null });
  const day = window.matchMedia.bind(window);
  let isDark = false;
  let changed = () => undefined as void;
  vi.stubGlobal('matchMedia', () => ({
    get matches() {
      return isDark;
    },
    addEventListener: (_: string, listener: () => void) => (changed = listener),
    removeEventListener: () => undefined,
  }));
  try {
    const { result } = renderHook(useTheme);
    expect(result.current).toBe('chalk');
    isDark = true;
    act(() => changed());
    expect(result.current).toBe('night');
    showTheme();
    expect(document.documentElement.dataset['theme']).toBe('night');
    act(() => usePreferences.getState().setTheme('chalk'));
    expect(result.current).toBe('chalk');
  } finally {
    vi.stubGlobal('matchMedia', day);
  }
});
