import 'vitest';

declare module 'vitest' {
  interface Matchers<T> {
    /** The element's text, its blanks made one, matches. */
    toHaveWords: (wanted: RegExp) => T;
    /** A button that cannot be pressed, and says why. */
    toBeDisabledAnd: (wanted: RegExp) => T;
  }
}
