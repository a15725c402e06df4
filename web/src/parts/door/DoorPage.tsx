import type { ReactNode } from 'react';
import { RippleMark } from '../../ui/Ripple';

/** A page before anybody is signed in: the mark, a head, and one thing to do. */
export function DoorPage({
  title = 'Dewpond',
  says,
  wide = false,
  children,
}: {
  readonly title?: string;
  readonly says: ReactNode;
  readonly wide?: boolean;
  readonly children?: ReactNode;
}) {
  return (
    <main className="grid min-h-full place-items-center p-6 max-md:p-4">
      <div className={`w-full ${wide ? 'max-w-2xl' : 'max-w-sm'} flex flex-col gap-4`}>
        <svg width="92" height="46" viewBox="-46 -40 92 46" aria-hidden className="self-center overflow-visible">
          <g transform="scale(1,0.42)">
            <RippleMark grade={1} dot={6} step={13} />
            <circle r={32} fill="none" stroke="var(--pond)" strokeWidth={2} opacity={0.5} />
            <circle r={45} fill="none" stroke="var(--pond)" strokeWidth={2} opacity={0.25} />
          </g>
        </svg>
        <div className="text-center">
          <h1>{title}</h1>
          <p className="text-soft">{says}</p>
        </div>
        {children}
      </div>
    </main>
  );
}
