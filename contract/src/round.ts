import type { VanWays } from '@dewpond/core/route';
import { z } from 'zod';
import { appointment } from './appointments';
import { daySchema, id, line, many, version } from './basics';
import { minuteOfDay } from './lineUp';

const coordinates = z.strictObject({
  latitude: z
    .number()
    .min(-90, { error: 'Latitude is between -90 and 90.' })
    .max(90, { error: 'Latitude is between -90 and 90.' }),
  longitude: z
    .number()
    .min(-180, { error: 'Longitude is between -180 and 180.' })
    .max(180, { error: 'Longitude is between -180 and 180.' }),
});
const MOST_PLACES = 200;
const driveTable = z
  .strictObject({
    names: z.array(line(160, 'A name')).min(1).max(MOST_PLACES),
    minutes: z
      .array(z.array(z.number().min(0, { error: 'No drive takes less than no time.' }).max(1440)).max(MOST_PLACES))
      .max(MOST_PLACES),
  })
  .refine(
    ({ names, minutes }) => minutes.length === names.length && minutes.every((row) => row.length === names.length),
    {
      error: 'As many rows and columns as there are names.',
    },
  );

/** How the van works. */
export const vanWays: z.ZodType<VanWays, VanWays> = z.strictObject({
  home: coordinates.nullable(),
  leaves: minuteOfDay,
  lunch: z
    .strictObject({
      between: z
        .strictObject({ from: minuteOfDay, to: minuteOfDay })
        .refine(({ from, to }) => from <= to, { error: 'Lunch ends before it begins.' }),
      minutes: z
        .int()
        .min(5, { error: 'Lunch takes 5 to 180 minutes.' })
        .max(180, { error: 'Lunch takes 5 to 180 minutes.' }),
    })
    .nullable(),
  tank: z
    .number()
    .min(1, { error: 'A tank holds 1 to 2,000 litres.' })
    .max(2000, { error: 'A tank holds 1 to 2,000 litres.' })
    .nullable(),
  refills: z
    .array(z.strictObject({ name: line(80, 'The name'), at: coordinates, minutes: z.int().min(1).max(120) }))
    .max(6, { error: 'Six places for water at most.' }),
  roads: z.strictObject({
    factor: z.number().min(1, { error: 'No road is shorter than the crow flies.' }).max(5),
    speeds: z.array(z.number().min(1, { error: 'At least one kilometre an hour.' }).max(130)).length(24),
  }),
  table: driveTable.nullable(),
  battery: z.number().min(1).max(100_000).nullable(),
});

/** A booking of the round, and where it is. */
export const roundVisit = z.object({
  appointment,
  clientId: id,
  street: z.string(),
  at: coordinates.nullable(),
  weightKg: z.number(),
});
export type RoundVisit = z.infer<typeof roundVisit>;

/** A person's day as a round. */
export const roundView = z.object({
  day: daySchema,
  zone: z.string(),
  memberId: id.nullable(),
  /** Everybody, and who drives that day. */
  people: z.array(z.object({ id, name: z.string(), drives: z.boolean() })),
  van: vanWays,
  /** Guards an edit of the van. */
  version,
  mayEdit: z.boolean(),
  visits: many(roundVisit),
});
export type RoundView = z.infer<typeof roundView>;

/** Bookings of one day that get their times anew, all or none. */
export const roundTaken = z.strictObject({
  visits: z
    .array(z.strictObject({ id, version, startsAt: z.iso.datetime({ offset: true, error: 'Give a day and a time.' }) }))
    .min(1)
    .max(60)
    .refine((visits) => new Set(visits.map((each) => each.id)).size === visits.length, {
      error: 'The same booking twice.',
    }),
});
