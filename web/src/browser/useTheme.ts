import { useSyncExternalStore } from 'react';
import { usePreferences, type Theme } from './preferences';

const DARK = '(prefers-color-scheme: dark)';

const themeOfDevice = (): Theme => (window.matchMedia(DARK).matches ? 'night' : 'chalk');

/** Devices change by themselves in the evening. */
function onDeviceChange(changed: () => void): () => void {
  const query = window.matchMedia(DARK);
  query.addEventListener('change', changed);
  return () => query.removeEventListener('change', changed);
}

/** The theme that is shown: the one chosen here, else the device's own. */
export function useTheme(): Theme {
  const ofDevice = useSyncExternalStore(onDeviceChange, themeOfDevice);
  return usePreferences(({ theme }) => theme) ?? ofDevice;
}

/** Before anything is drawn. */
export const showTheme = (theme: Theme = usePreferences.getState().theme ?? themeOfDevice()): void => {
  document.documentElement.dataset['theme'] = theme;
};
