import { create } from 'zustand';
import { persist } from 'zustand/middleware';

export type Theme = 'chalk' | 'night';

/** What this device prefers; never leaves it. */
export const usePreferences = create<{
  theme: Theme;
  device: string;
  /** The hand that holds no dog: the big button lies under its thumb. */
  handedness: 'right' | 'left';
  setTheme: (theme: Theme) => void;
  setHandedness: (handedness: 'right' | 'left') => void;
}>()(
  persist(
    (set) => ({
      theme: 'chalk',
      device: '',
      handedness: 'right',
      setTheme: (theme) => set({ theme }),
      setHandedness: (handedness) => set({ handedness }),
    }),
    {
      name: 'dewpond-preferences',
      version: 1,
      /** Before the first version, which hand it is stood under `hand`. */
      migrate: (stored) => {
        const { hand, ...own } = stored as { hand?: 'right' | 'left' };
        return hand ? { ...own, handedness: hand } : own;
      },
    },
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
