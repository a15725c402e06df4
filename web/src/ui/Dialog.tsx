import { Dialog as Radix } from 'radix-ui';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import { classes } from './classes';

interface DialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly says?: string | undefined;
  /** A sheet from the right, as tall as the screen, for the table. */
  readonly tall?: boolean;
  /** As a sheet, with room for two columns. */
  readonly wide?: boolean;
  /** To be read: nothing in it may take the keyboard, so the text does, and is scrolled by it. */
  readonly toRead?: boolean;
  /** On a page in another language. */
  readonly closeWords?: string;
  readonly children: ReactNode;
}

export function Dialog({
  open,
  onClose,
  title,
  says,
  tall = false,
  wide = false,
  toRead = false,
  closeWords = 'Close',
  children,
}: DialogProps) {
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Radix.Content
          {...(says ? {} : { 'aria-describedby': undefined })}
          className={classes(
            'fixed z-50 bg-surface border-line text-ink flex flex-col overflow-hidden',
            tall
              ? classes('inset-y-0 right-0 w-full border-l', wide ? 'max-w-5xl' : 'max-w-2xl')
              : 'left-1/2 top-1/2 -translate-x-1/2 -translate-y-1/2 w-[min(94vw,36rem)] max-h-[92vh] rounded-card border shadow-xl',
          )}
        >
          <header className="flex items-start justify-between gap-4 px-5 py-3 border-b border-line">
            <div>
              <Radix.Title className="text-xl font-bold">{title}</Radix.Title>
              {says && <Radix.Description className="text-soft mt-0.5">{says}</Radix.Description>}
            </div>
            <Radix.Close
              aria-label={closeWords}
              className="grid place-items-center size-14 rounded-xl border border-line hover:bg-pond-pale shrink-0"
            >
              <X size={20} aria-hidden />
            </Radix.Close>
          </header>
          {toRead ? (
            <div tabIndex={0} role="region" aria-label={title} className="overflow-y-auto px-5 py-4">
              {children}
            </div>
          ) : (
            <div className="overflow-y-auto px-5 py-4">{children}</div>
          )}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
