import { showSource, type Source } from '@dewpond/core/provenance';
import { Popover } from 'radix-ui';

/** A small mark beside a number or a caution; a tap says where it comes from. */
export function SourceMark({ source, because }: { readonly source: Source; readonly because?: string }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label="Where this comes from"
        className="inline-grid place-items-center size-6 -my-1 rounded-full border border-line text-[12px] font-bold text-soft hover:bg-pond-pale hover:text-pond align-middle"
      >
        ?
      </Popover.Trigger>
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
