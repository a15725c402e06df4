import type { ReactNode } from 'react';
import { classes } from './classes';

export type Tone = 'plain' | 'good' | 'watch' | 'stop' | 'pond';
const TONES: Readonly<Record<Tone, string>> = {
  plain: 'border-line text-ink bg-surface',
  good: 'border-transparent bg-reed-pale text-reed',
  watch: 'border-transparent bg-watch-pale text-watch',
  stop: 'border-transparent bg-stop-pale text-stop',
  pond: 'border-transparent bg-pond-pale text-pond',
};

export function Chip({ tone = 'plain', children }: { readonly tone?: Tone; readonly children: ReactNode }) {
  return (
    <span
      className={classes(
        'inline-block rounded-full border px-2.5 py-0.5 text-[13px] font-semibold whitespace-nowrap max-md:whitespace-normal max-md:rounded-2xl',
        TONES[tone],
      )}
    >
      {children}
    </span>
  );
}
