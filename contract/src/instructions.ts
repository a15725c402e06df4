import { ASKED_AT_HOME, PRODUCT_TASKS, USE_KINDS, type EarHairWay } from '@dewpond/core/dog';
import { ALL_TASKS, VET_TASKS } from '@dewpond/core/tasks';
import { ALL_SIGNS, CONDITIONS, PROCEDURES, knowsRefused, type Condition } from '@dewpond/core/findings';
import { liftRefused } from '@dewpond/core/stops';
import { z } from 'zod';
import { daySchema, id, line, newId, place, text, version } from './basics';

const sign = z.enum(ALL_SIGNS as [(typeof ALL_SIGNS)[number]]);
const condition = z.enum(Object.keys(CONDITIONS) as [Condition, ...Condition[]]);

/** What an instruction may say, by its kind. */
const sayings = {
  bar: z.strictObject({ kind: z.literal('bar'), task: z.enum(ALL_TASKS as [(typeof ALL_TASKS)[number]]) }),
  interval: z.strictObject({
    kind: z.literal('interval'),
    task: z.enum(ALL_TASKS as [(typeof ALL_TASKS)[number]]),
    days: z.int().min(1, { error: 'At least 1 day.' }).max(365, { error: 'At most 365 days.' }),
  }),
  'at home': z.strictObject({
    kind: z.literal('at home'),
    task: z.enum(ASKED_AT_HOME),
    timesADay: z.literal([1, 2, 3], { error: 'Once, twice or three times.' }),
  }),
  lift: z.strictObject({
    kind: z.literal('lift'),
    lifts: sign.or(condition),
    upToGrade: z.int().min(1).max(3),
    procedure: z.enum(PROCEDURES),
  }),
  knows: z.strictObject({ kind: z.literal('knows'), sign }),
  'ear hair': z.strictObject({
    kind: z.literal('ear hair'),
    way: z.enum(['whole', 'staged', 'trim', 'leave', 'vet'] satisfies EarHairWay[]),
  }),
  avoid: z.strictObject({ kind: z.literal('avoid'), ingredient: line(60, 'What to avoid') }),
  'vet saw': z.strictObject({ kind: z.literal('vet saw'), task: z.enum(VET_TASKS), on: daySchema }),
  uses: z.strictObject({ kind: z.literal('uses'), what: z.enum(USE_KINDS), name: text(80) }),
  product: z.strictObject({ kind: z.literal('product'), task: z.enum(PRODUCT_TASKS), productId: id }),
  'bath product': z.strictObject({
    kind: z.literal('bath product'),
    productId: id,
    contactMinutes: z.number().min(0).max(60),
    nothingElse: z.boolean(),
  }),
};
export const saying = z.discriminatedUnion('kind', [
  sayings.bar,
  sayings.interval,
  sayings['at home'],
  sayings.lift,
  sayings.knows,
  sayings['ear hair'],
  sayings['vet saw'],
  sayings.avoid,
  sayings.uses,
  sayings.product,
  sayings['bath product'],
]);
/** What may be told at the table. */
export const toldSaying = z.discriminatedUnion('kind', [
  sayings.uses,
  sayings['vet saw'],
  sayings.product,
  sayings['bath product'],
  sayings.avoid,
]);
const instruction = z.strictObject({
  by: z.enum(['vet', 'owner']),
  who: line(120, 'Who said it'),
  place: place.nullable(),
  says: saying,
  from: daySchema,
  until: daySchema.nullable(),
});
type ParsedInstruction = z.output<typeof instruction>;
/** Only a vet lifts a stop or knows a sign, and not every one. */
const judged = <T extends z.ZodType<ParsedInstruction>>(schema: T) =>
  schema
    .refine((given) => given.until === null || given.until >= given.from, {
      error: 'It ends before it begins.',
      path: ['until'],
    })
    .refine(
      (given) => given.says.kind !== 'lift' || (given.by === 'vet' && given.place !== null && given.until !== null),
      {
        error: 'Only a vet lifts a stop, at one place, until a day.',
        path: ['says'],
      },
    )
    .refine((given) => given.says.kind !== 'knows' || (given.by === 'vet' && given.place !== null), {
      error: 'Only a vet can know a sign, at one place.',
      path: ['says'],
    })
    .superRefine(({ says, place: at }, context) => {
      if (at === null) return;
      const why =
        says.kind === 'lift'
          ? liftRefused({ ...says, place: at })
          : says.kind === 'knows'
            ? knowsRefused(says.sign, at)
            : null;
      if (why !== null) context.addIssue({ code: 'custom', path: ['says'], message: why });
    });
export const instructionFields = judged(instruction);
export const newInstruction = judged(instruction.extend({ id: newId }));
/** When an instruction ends is all that changes; another word is another instruction. */
export const instructionEdit = z.strictObject({ version, until: daySchema.nullable() });
/** The letter behind it, if one is kept. */
const letterView = z.object({ fileName: z.string(), mediaType: z.string(), size: z.int(), addedBy: z.string() });
export const instructionView = instruction.extend({ id: newId, version, letter: letterView.nullable() });
export type InstructionView = z.infer<typeof instructionView>;

/** A letter as sent: at most this many bytes. */
export const LETTER_LIMIT = 12 * 1024 * 1024;
export const LETTER_TYPES = ['image/jpeg', 'image/png', 'image/webp', 'application/pdf'] as const;
