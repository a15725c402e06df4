/** Joins class names, leaving out what does not apply. */
export const classes = (...names: readonly (string | false | null | undefined)[]): string =>
  names.filter(Boolean).join(' ');
