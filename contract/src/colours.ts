import { ALL_COLOURED, type ColourReading } from '@dewpond/core/colour';
import { z } from 'zod';

/** Wider than any colour that can be: L* 0 to 100, a* and b* within the reach of a screen's colours. */
const lab = z.strictObject({
  l: z.number().min(-5).max(120),
  a: z.number().min(-150).max(150),
  b: z.number().min(-150).max(150),
});
const off = z.number().min(0).max(150);

/** A colour measured by a white thing in the picture: CIELAB, and by how much each figure may be off. */
export const colourReading: z.ZodType<ColourReading> = z.strictObject({
  of: z.enum(ALL_COLOURED),
  lab,
  plusMinus: z.strictObject({ l: off, a: off, b: off }),
});
