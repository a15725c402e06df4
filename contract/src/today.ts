import { z } from 'zod';
import { appointment } from './appointments';
import { daySchema, id, many } from './basics';

/** A dog of the day, with its stages in minutes from the appointment's start. */
export const todayDog = z.object({
  appointment,
  words: z.string(),
  stages: many(z.object({ name: z.string(), minutes: z.number(), dwell: z.boolean() })),
});
export type TodayDog = z.infer<typeof todayDog>;

export const todayView = z.object({
  day: daySchema,
  zone: z.string(),
  dogs: many(todayDog),
  /** Sent home on an earlier day, to be finished on this one. */
  returning: z.array(z.object({ visitId: id, dogId: id, dog: z.string(), because: z.string() })),
  /** Begun today without a booking, and not closed yet. */
  unbooked: z.array(z.object({ visitId: id, dogId: id, dog: z.string() })),
  watch: z.array(
    z.object({ mark: z.enum(['vet', 'short', 'handle', 'own', 'ask']), dog: z.string(), words: z.string() }),
  ),
});
export type TodayView = z.infer<typeof todayView>;
