import { create } from 'zustand';
import { persist } from 'zustand/middleware';

export type Theme = 'chalk' | 'night';

/** What this device prefers; never leaves it. */
export const usePreferences = create<{
  /** Null: as the device is set. */
  theme: Theme | null;
  device: string;
  /** The hand that holds no dog: the big button lies under its thumb. */
  handedness: 'right' | 'left';
  /** Businesses whose first steps are done, or were put away: their checklist is not asked for any more. */
  begun: readonly string[];
  /** Which branch of a business was last looked at. */
  branches: Readonly<Record<string, string>>;
  setTheme: (theme: Theme) => void;
  setHandedness: (handedness: 'right' | 'left') => void;
  setBegun: (businessId: string) => void;
  setBranch: (businessId: string, branchId: string) => void;
}>()(
  persist(
    (set) => ({
      theme: null,
      device: '',
      handedness: 'right',
      begun: [],
      branches: {},
      setTheme: (theme) => set({ theme }),
      setHandedness: (handedness) => set({ handedness }),
      setBegun: (businessId) => set(({ begun }) => ({ begun: [...begun, businessId] })),
      setBranch: (businessId, branchId) =>
        set(({ branches }) => ({ branches: { ...branches, [businessId]: branchId } })),
    }),
    {
      name: 'dewpond-preferences',
      version: 2,
      /** Which hand it is once stood under `hand`; and "chalk" was what every device had, whether somebody chose it or not. */
      migrate: (stored) => {
        const { hand, theme, ...own } = stored as { hand?: 'right' | 'left'; theme?: Theme };
        return { ...own, theme: theme === 'night' ? theme : null, ...(hand ? { handedness: hand } : {}) };
      },
    },
  ),
);

/** This browser, by a name it gave itself. */
export function deviceName(): string {
  const known = usePreferences.getState().device;
  if (known) return known;
  const made = crypto.randomUUID();
  usePreferences.setState({ device: made });
  return made;
}
