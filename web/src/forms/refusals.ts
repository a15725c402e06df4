import { useEffect, useMemo, useRef } from 'react';
import type { FieldErrors } from 'react-hook-form';

interface FieldProblem {
  readonly path: string;
  readonly message: string;
}

/** The first thing that does not fit, wherever it is; null: all fits. */
export function firstSaid(errors: FieldErrors | undefined, path: readonly string[] = []): FieldProblem | null {
  for (const [key, error] of Object.entries(errors ?? {})) {
    if (key === 'ref' || typeof error !== 'object') continue;
    const here = [...path, key];
    if (typeof error.message === 'string') return { path: here.join('.'), message: error.message };
    const inside = firstSaid(error as FieldErrors, here);
    if (inside) return inside;
  }
  return null;
}

/**
 * Puts the cursor into the first field that does not fit. Where no field of the form is meant it is said of the whole:
 * without a word the button would seem dead.
 */
export function useShown(errors: FieldErrors, say: (message: string) => void) {
  const form = useRef<HTMLFormElement>(null);
  const isAwaited = useRef(false);
  useEffect(() => {
    const first = firstSaid(errors);
    if (!isAwaited.current || !first) return;
    isAwaited.current = false;
    const field = form.current?.querySelector<HTMLElement>('[aria-invalid=true]');
    if (field) field.focus();
    else if (!errors.root) say(first.path === '' ? first.message : `${first.path}: ${first.message}`);
  });
  return useMemo(
    () => ({
      /** The form that is sent. */
      on: (element: HTMLFormElement) => {
        form.current = element;
      },
      /** What is told next is to be seen. */
      next: () => {
        isAwaited.current = true;
      },
    }),
    [],
  );
}
