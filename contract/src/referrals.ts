import { NEXT_STEPS, OUTCOMES, OWNERS_ANSWERS, TOLD_HOW, type NextStep } from '@dewpond/core/referral';
import { z } from 'zod';
import { daySchema, id, line, text, version } from './basics';
import { placeKey } from './trade';

const told = z.strictObject({ how: z.enum(TOLD_HOW), on: daySchema, by: line(120, 'Who told') });
const answer = z.strictObject({ answer: z.enum(OWNERS_ANSWERS), words: text(400), on: daySchema });
export const vetsWords = z.strictObject({
  who: line(120, 'Who said it'),
  words: line(800, 'What the vet said'),
  on: daySchema,
});
const vetAnswer = vetsWords.extend({ instructionId: id.nullable() });
const ended = z.strictObject({ outcome: z.enum(OUTCOMES), on: daySchema, by: line(120, 'Who closed it') });
export const referralEdit = z.strictObject({
  version,
  told: told.nullable(),
  answer: answer.nullable(),
  vet: vetAnswer.nullable(),
  end: ended.nullable(),
});
export const referralView = z.object({
  ...referralEdit.shape,
  id,
  dogId: id,
  dog: z.string(),
  clientId: id,
  owner: z.string(),
  phone: z.string(),
  visitId: id,
  place: placeKey,
  placeName: z.string(),
  /** What was seen there, as one groomer says it. */
  words: z.string(),
  level: z.string(),
  openedOn: daySchema,
  vetBy: daySchema,
  dueOn: daySchema.nullable(),
  next: z.enum(Object.keys(NEXT_STEPS) as [NextStep]).nullable(),
});
export type ReferralView = z.infer<typeof referralView>;
