import { PLACES } from '@dewpond/core/lineup';
import { z } from 'zod';
import { appointment } from './appointments';
import { daySchema, id, many } from './basics';
import { group, minuteOfDay, setByHand } from './lineUp';

/** A dog of the day, with the parts of its visit that are left. */
export const todayDog = z.object({
  appointment,
  words: z.string(),
  groups: many(group),
  household: id,
  /** Dogs that it must not meet. */
  notWith: many(id),
  /** Begun without a booking: its times are those of the visit. */
  walkIn: z.boolean(),
  /** The van goes to it: it is in no line-up of the salon. */
  isOut: z.boolean(),
  /** Its visit is open. */
  begun: z.boolean(),
  /** Its owner, or the dog, asked for this person. */
  keepsPerson: z.boolean(),
  shortStay: z.boolean(),
  coolHours: z.boolean(),
  helper: z.boolean(),
  /** Too heavy for one to lift. */
  lift: z.boolean(),
  mindsDogs: z.boolean(),
  /** Something was seen on it last time that may spread. */
  maySpread: z.boolean(),
  byHand: setByHand.nullable(),
});
export type TodayDog = z.infer<typeof todayDog>;

export const todayView = z.object({
  day: daySchema,
  zone: z.string(),
  dogs: many(todayDog),
  /** Who works when today, minutes from midnight. */
  people: z.array(
    z.object({
      id,
      name: z.string(),
      hours: z.array(z.object({ from: minuteOfDay, to: minuteOfDay })),
      isAway: z.boolean(),
    }),
  ),
  places: z.record(z.enum(PLACES), z.number()),
  /** Sent home on an earlier day, to be finished on this one. */
  returning: z.array(z.object({ visitId: id, dogId: id, dog: z.string(), because: z.string() })),
  /** Begun today without a booking, and not closed yet. */
  unbooked: z.array(z.object({ visitId: id, dogId: id, dog: z.string() })),
  watch: z.array(
    z.object({ mark: z.enum(['vet', 'short', 'handle', 'own', 'ask']), dog: z.string(), words: z.string() }),
  ),
});
export type TodayView = z.infer<typeof todayView>;
