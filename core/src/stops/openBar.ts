import type { Bar, BarParts } from './bar';

/** Opens a bar. For `stopAt` alone. */
export const openBar = (bar: Bar): BarParts => bar as unknown as BarParts;
