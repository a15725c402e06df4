import type { Source, Sourced } from '@dewpond/core/provenance';
import { Suspense, lazy, useRef, useState, type ReactNode } from 'react';
import { classes } from './classes';

interface SourceProps {
  readonly source: Source;
  readonly because?: string | undefined;
}

/** A small mark beside a number or a caution; a tap says where it comes from. */
export const SourceMark = ({ source, because, roomy = false }: SourceProps & { readonly roomy?: boolean }) => (
  <Told
    source={source}
    because={because}
    label="Where this comes from"
    className={classes(
      'group inline-grid place-items-center align-middle rounded-full text-soft hover:text-pond',
      roomy ? 'size-14 -my-4' : 'size-6 -my-1',
    )}
  >
    <Mark />
  </Told>
);

/** A sentence that is its own mark: the whole line can be tapped with a wet thumb. */
export const SourcedLine = ({ said }: { readonly said: Sourced & { readonly because?: string } }) => (
  <Told
    source={said.source}
    because={said.because}
    className="group w-full text-left min-h-14 py-1.5 px-2 -mx-2 rounded-xl hover:bg-pond-pale/50"
  >
    {said.words}
    <Mark after />
    <span className="sr-only"> Where this comes from</span>
  </Told>
);

const Mark = ({ after = false }: { readonly after?: boolean }) => (
  <span
    aria-hidden
    className={classes(
      'inline-grid place-items-center size-5.5 align-middle rounded-full border border-line text-[12px] leading-none font-bold text-soft group-hover:bg-pond-pale group-hover:text-pond',
      after && 'ml-2',
    )}
  >
    ?
  </span>
);

/** Marks stand on the first screen of the day; what places a note beside one is fetched when one is tapped. */
const SourcePopover = lazy(async () => ({ default: (await import('./SourcePopover')).SourcePopover }));

interface ToldProps extends SourceProps {
  readonly label?: string;
  readonly className: string;
  readonly children: ReactNode;
}

function Told({ source, because, label, className, children }: ToldProps) {
  const mark = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        ref={mark}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={open}
        aria-label={label}
        onClick={() => setOpen(!open)}
        className={className}
      >
        {children}
      </button>
      {open && (
        <Suspense>
          <SourcePopover source={source} because={because} mark={mark} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
