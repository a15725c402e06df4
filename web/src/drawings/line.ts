/** The line every dog is drawn with, and the shape it encloses. */
export const LINE = {
  fill: 'none',
  stroke: 'var(--soft)',
  strokeWidth: 2.2,
  strokeLinecap: 'round',
  strokeLinejoin: 'round',
} as const;
export const SHAPE = { ...LINE, fill: 'var(--surface)' } as const;
