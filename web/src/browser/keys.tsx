import { useEffect, useRef } from 'react';

export interface Key {
  /** As `KeyboardEvent.key`; "g t" is g, then t. */
  readonly keys: string;
  readonly does: string;
  readonly run: () => void;
}

/** Keys that the visible screens answer to, for the help and for the listener. */
const active = new Set<readonly Key[]>();
export const activeKeys = (): Key[] => [...active].flat();

/** What takes letters and arrows for itself: fields, and lists to choose from. */
const TYPED_INTO = 'input, textarea, select, [contenteditable], [role=combobox], [role=listbox], [role=option]';

let first = '';
function listen(event: KeyboardEvent): void {
  const target = event.target as HTMLElement;
  if (target.matches(TYPED_INTO) || event.ctrlKey || event.metaKey || event.altKey) return;
  // A button that has the focus keeps space and enter for itself.
  if ((event.key === ' ' || event.key === 'Enter') && target.matches('button, a, [role=button], [role=radio]')) return;
  const keys = activeKeys();
  const found = keys.find((key) => key.keys === (first ? `${first} ${event.key}` : event.key));
  first = !found && !first && keys.some((key) => key.keys.startsWith(`${event.key} `)) ? event.key : '';
  if (!found) return;
  event.preventDefault();
  found.run();
}

/** Registers keys while the component is shown. */
export function useKeys(keys: readonly Key[]): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const registered = latest.current.map((key, i): Key => ({ ...key, run: () => latest.current[i]?.run() }));
    if (active.size === 0) window.addEventListener('keydown', listen);
    active.add(registered);
    return () => {
      active.delete(registered);
      if (active.size === 0) window.removeEventListener('keydown', listen);
    };
  }, [keys.length]);
}
