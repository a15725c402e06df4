import type { Lathering } from '@dewpond/core/needs';
import type { BathShown } from '@dewpond/core/steps';
import { z } from 'zod';
import { id } from './basics';
import { source } from './reasons';
import { productKind } from './trade';

const productShown = z.object({
  productId: id,
  name: z.string(),
  strength: z.string().nullable().describe('"10:1"; null: ready to use'),
  because: z.string(),
  source,
});

/** What a bath takes, part by part, as it was chosen. */
export const bathShown: z.ZodType<BathShown> = z.object({
  bath: productShown.nullable(),
  'second wash': productShown.nullable(),
  'face wash': productShown.nullable(),
  conditioner: productShown.nullable(),
  conditioned: z.object({ wanted: z.boolean(), because: z.string(), source }),
  trouble: z.array(z.string()).describe('What a person must decide before it is mixed'),
});

/** What of a product the amount of a plan line hangs on. */
export const lathering: z.ZodType<Lathering> = z.object({
  kind: productKind,
  amountFactor: z.number(),
  dilution: z.object({ kind: z.enum(['dilute', 'ready to use']) }),
});
