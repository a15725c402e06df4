import type { Source } from '@dewpond/core/provenance';
import type { InstructionSays, Reason, SignSeen } from '@dewpond/core/reasons';
import { z } from 'zod';
import { daySchema, gradeOrNone, place } from './basics';
import { choice, condition, does, earHairReason, houseQuestion, service, sign, task } from './trade';

export const signSeen: z.ZodType<SignSeen> = z.object({ sign, grade: gradeOrNone });

export const instructionSays: z.ZodType<InstructionSays> = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('not done'), task }),
  z.object({ kind: z.literal('nothing else on the skin') }),
  z.object({ kind: z.literal('avoid'), what: z.string() }),
  z.object({ kind: z.literal('ear hair'), way: z.string() }),
  z.object({ kind: z.literal('every'), task, days: z.number() }),
  z.object({ kind: z.literal('at home'), task, timesADay: z.number() }),
]);

/** Why something is barred, left out, said or asked, as data: the reader makes the words. */
export const reason: z.ZodType<Reason> = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('signs'), place, seen: z.array(signSeen), since: daySchema.nullable() }),
  z.object({ kind: z.literal('condition'), place, condition }),
  z.object({ kind: z.literal('rule'), rule: z.string() }),
  z.object({
    kind: z.literal('instruction'),
    by: z.enum(['vet', 'owner']),
    who: z.string(),
    until: daySchema.nullable(),
    says: instructionSays,
  }),
  z.object({ kind: z.literal('consent'), to: z.literal('plucking') }),
  z.object({ kind: z.literal('service'), service, does }),
  z.object({ kind: z.literal('school'), question: houseQuestion, school: z.string() }),
  z.object({ kind: z.literal('ear hair'), line: earHairReason, days: z.number().nullable() }),
  z.object({ kind: z.literal('between visits'), everyDays: z.number(), visits: z.number() }),
  z.object({ kind: z.literal('choice'), choice }),
  z.object({ kind: z.literal('typed'), words: z.string() }),
  z.object({ kind: z.literal('newer'), words: z.string() }),
]);

/** Who says so. */
export const source: z.ZodType<Source> = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('common practice') }),
  z.object({ kind: z.literal('published'), cite: z.string() }),
  z.object({ kind: z.literal('house value') }),
  z.object({ kind: z.literal("this dog's record") }),
  z.object({ kind: z.literal('product label') }),
  z.object({ kind: z.literal('vet instruction'), who: z.string() }),
  z.object({ kind: z.literal('owner instruction'), who: z.string() }),
]);
