/** A due window as a lens from `a` to `c`, thickest at `b`; `h` is half its height, in the units of the drawing. */
export const lensPath = (a: number, b: number, c: number, y: number, h: number): string =>
  `M${a},${y}Q${b},${y - h * 2 * 0.98} ${c},${y}Q${b},${y + h * 2 * 0.98} ${a},${y}Z`;
