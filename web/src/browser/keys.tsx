import { useEffect, useRef } from 'react';

export interface Key {
  /** As `KeyboardEvent.key`; "g t" is g, then t. */
  readonly keys: string;
  readonly does: string;
  readonly run: () => void;
  /** What it does instead where it is held down: then `run` waits until it is let go. */
  readonly held?: { readonly does: string; readonly run: () => void };
}

/** Keys that the visible screens answer to, for the help and for the listener. */
const active = new Set<readonly Key[]>();
export const activeKeys = (): Key[] => [...active].flat();

/** What takes letters and arrows for itself: fields, and lists to choose from. */
const TYPED_INTO = 'input, textarea, select, [contenteditable], [role=combobox], [role=listbox], [role=option]';

/** Held for so long a key means its other thing, ms. */
const HELD_MS = 600;

/** A key that is down and may yet be held: what happens when it is let go. */
let down: { readonly key: string; readonly run: () => void; readonly timer: ReturnType<typeof setTimeout> } | null =
  null;

function press(event: KeyboardEvent, found: Key): void {
  const { held } = found;
  if (!held) {
    found.run();
    return;
  }
  if (down) clearTimeout(down.timer);
  const timer = setTimeout(() => {
    down = null;
    held.run();
  }, HELD_MS);
  down = { key: event.key, run: found.run, timer };
}

function letGo(event: KeyboardEvent): void {
  if (down?.key !== event.key) return;
  const { run, timer } = down;
  clearTimeout(timer);
  down = null;
  run();
}

const OF_WHAT_LIES_OVER: ReadonlySet<string> = new Set(['PageDown', 'PageUp', 'Enter', ' ']);

let first = '';
function listen(event: KeyboardEvent): void {
  const target = event.target as HTMLElement;
  if (target.matches(TYPED_INTO) || event.ctrlKey || event.metaKey || event.altKey) return;
  // A button that has the focus keeps space and enter for itself.
  if ((event.key === ' ' || event.key === 'Enter') && target.matches('button, a, [role=button], [role=radio]')) return;
  // Over the screen lies a dialog: what pages it or presses its buttons does nothing to what lies under it.
  if (OF_WHAT_LIES_OVER.has(event.key) && document.querySelector('[role=dialog]') !== null) return;
  const keys = activeKeys();
  const found = keys.find((key) => key.keys === (first ? `${first} ${event.key}` : event.key));
  first = !found && !first && keys.some((key) => key.keys.startsWith(`${event.key} `)) ? event.key : '';
  if (!found) return;
  event.preventDefault();
  // A key that stays down is one press: a foot on a pedal must not run through the steps.
  if (!event.repeat) press(event, found);
}

/** Registers keys while the component is shown. */
export function useKeys(keys: readonly Key[]): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const registered = latest.current.map((key, i): Key => ({
      ...key,
      run: () => latest.current[i]?.run(),
      ...(key.held ? { held: { ...key.held, run: () => latest.current[i]?.held?.run() } } : {}),
    }));
    if (active.size === 0) {
      window.addEventListener('keydown', listen);
      window.addEventListener('keyup', letGo);
    }
    active.add(registered);
    return () => {
      active.delete(registered);
      if (active.size > 0) return;
      window.removeEventListener('keydown', listen);
      window.removeEventListener('keyup', letGo);
    };
  }, [keys.length]);
}
