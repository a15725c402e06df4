import { create } from 'zustand';
import { persist } from 'zustand/middleware';

export type Theme = 'chalk' | 'night';

/** What this device prefers; never leaves it. */
export const usePreferences = create<{
  theme: Theme;
  device: string;
  /** The hand that holds no dog: the big button lies under its thumb. */
  hand: 'right' | 'left';
  setTheme: (theme: Theme) => void;
  setHandedness: (hand: 'right' | 'left') => void;
}>()(
  persist(
    (set) => ({
      theme: 'chalk',
      device: '',
      hand: 'right',
      setTheme: (theme) => set({ theme }),
      setHandedness: (hand) => set({ hand }),
    }),
    { name: 'dewpond-preferences' },
  ),
);

/** A name for this device that stays, so that its events keep their order. */
/** This browser, by a name it gave itself. */
export function deviceName(): string {
  const known = usePreferences.getState().device;
  if (known) return known;
  const made = crypto.randomUUID();
  usePreferences.setState({ device: made });
  return made;
}
