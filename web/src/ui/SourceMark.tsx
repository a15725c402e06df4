import { showSource, type Source, type Sourced } from '@dewpond/core/provenance';
import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';
import { classes } from './classes';

interface SourceProps {
  readonly source: Source;
  readonly because?: string;
}

/** A small mark beside a number or a caution; a tap says where it comes from. */
export function SourceMark({ source, because, roomy = false }: SourceProps & { readonly roomy?: boolean }) {
  return (
    <Told source={source} {...(because === undefined ? {} : { because })}>
      <Popover.Trigger
        aria-label="Where this comes from"
        className={classes(
          'group inline-grid place-items-center align-middle rounded-full text-soft hover:text-pond',
          roomy ? 'size-14 -my-4' : 'size-6 -my-1',
        )}
      >
        <Mark />
      </Popover.Trigger>
    </Told>
  );
}

/** A sentence that is its own mark: the whole line can be tapped with a wet thumb. */
export function SourcedLine({ said }: { readonly said: Sourced & { readonly because?: string } }) {
  const { because } = said;
  return (
    <Told source={said.source} {...(because === undefined ? {} : { because })}>
      <Popover.Trigger className="group w-full text-left min-h-14 py-1.5 px-2 -mx-2 rounded-xl hover:bg-pond-pale/50">
        {said.words}
        <Mark after />
        <span className="sr-only"> Where this comes from</span>
      </Popover.Trigger>
    </Told>
  );
}

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

function Told({ source, because, children }: SourceProps & { readonly children: ReactNode }) {
  return (
    <Popover.Root>
      {children}
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={12}
          className="z-50 max-w-80 rounded-xl border border-line bg-surface p-3 text-sm shadow-lg"
        >
          {because && <p className="mb-1">{because}</p>}
          <p className="text-soft">Source: {showSource(source)}</p>
          <Popover.Arrow className="fill-line" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
