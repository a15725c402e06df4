import { showSource, type Source } from '@dewpond/core/provenance';
import { Popover } from 'radix-ui';
import type { RefObject } from 'react';

interface SourcePopoverProps {
  readonly source: Source;
  readonly because?: string | undefined;
  /** The mark that was tapped. */
  readonly mark: RefObject<HTMLButtonElement | null>;
  readonly onClose: () => void;
}

/** Where a number or a caution comes from, beside its mark. */
export const SourcePopover = ({ source, because, mark, onClose }: SourcePopoverProps) => (
  <Popover.Root open onOpenChange={(open) => !open && onClose()}>
    <Popover.Anchor virtualRef={mark} />
    <Popover.Portal>
      <Popover.Content
        sideOffset={6}
        collisionPadding={12}
        // A tap on the mark closes it by itself.
        onInteractOutside={(event) => {
          if (mark.current?.contains(event.target as Node)) event.preventDefault();
        }}
        onCloseAutoFocus={(event) => {
          event.preventDefault();
          mark.current?.focus();
        }}
        className="z-50 max-w-80 rounded-xl border border-line bg-surface p-3 text-sm shadow-lg"
      >
        {because && <p className="mb-1">{because}</p>}
        <p className="text-soft">Source: {showSource(source)}</p>
        <Popover.Arrow className="fill-line" />
      </Popover.Content>
    </Popover.Portal>
  </Popover.Root>
);
