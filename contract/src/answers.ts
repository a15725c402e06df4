import { ALL_NOTICED, TOLD_BY_TAP, type Noticed } from '@dewpond/core/due';
import { ALL_OWNER_SAYS, type OwnerSays } from '@dewpond/core/messages';
import { VISIT_KINDS } from '@dewpond/core/steps';
import { z } from 'zod';
import { id, newId, text } from './basics';

/** A time that is offered for one dog in a message; those of a set are taken together. */
export const newOffer = z.strictObject({
  id: newId,
  setId: newId,
  dogId: id,
  memberId: id,
  kind: z.enum(VISIT_KINDS).exclude(['as agreed']),
  startsAt: z.iso.datetime({ offset: true, error: 'Give a day and a time.' }),
  minutes: z.int().min(15).max(480),
  /** The booking that is given up for it. */
  insteadOf: id.nullable(),
});

const bookings = z.array(id).min(1).max(12);
type TappedNotice = (typeof TOLD_BY_TAP)[number];
/** What an owner answers, or tells, on their page. */
export const ownerAnswering = z.discriminatedUnion('says', [
  z.strictObject({ id: newId, says: z.literal('comes' satisfies OwnerSays), bookings }),
  z.strictObject({ id: newId, says: z.literal('cannot come' satisfies OwnerSays), bookings }),
  z.strictObject({ id: newId, says: z.literal('comes after all' satisfies OwnerSays), bookings }),
  z.strictObject({ id: newId, says: z.literal('takes' satisfies OwnerSays), set: id }),
  z.strictObject({ id: newId, says: z.literal('none suits' satisfies OwnerSays), note: text(300) }),
  // Something noticed at home.
  z.strictObject({ id: newId, says: z.enum(TOLD_BY_TAP as [TappedNotice]), note: text(300) }),
]);
export type OwnerAnswering = z.infer<typeof ownerAnswering>;

/** What an owner answered, until somebody has seen it. */
export const ownerAnswerView = z.object({
  id,
  dogId: id,
  dog: z.string(),
  owner: z.string(),
  phone: z.string(),
  says: z.enum([...ALL_OWNER_SAYS, ...ALL_NOTICED] as [OwnerSays | Noticed]),
  note: z.string(),
  toldAt: z.string(),
  /** The booking it is about. */
  booking: z.object({ id, startsAt: z.string(), endsAt: z.string() }).nullable(),
});
export type OwnerAnswerView = z.infer<typeof ownerAnswerView>;
