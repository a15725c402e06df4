import { z } from 'zod';
import { id, newId, text, version } from './basics';
import { VISIT_KINDS } from '@dewpond/core/steps';

const when = {
  startsAt: z.iso.datetime({ offset: true, error: 'Give a day and a time.' }),
  minutes: z.int().min(15, { error: 'At least 15 minutes.' }).max(480, { error: 'At most 8 hours.' }),
  memberId: id,
};

/** When a dog comes, for what, for how long, to whom. */
export const bookedTime = z.strictObject({ kind: z.enum(VISIT_KINDS), ...when });
export const newAppointment = bookedTime.extend({ id: newId, dogId: id, note: text(500).default('') });
export const appointmentEdit = z.discriminatedUnion('change', [
  z.strictObject({ change: z.literal('move'), version, ...when }),
  z.strictObject({ change: z.literal('cancel'), version }),
  z.strictObject({ change: z.literal('restore'), version }),
]);

export const appointment = z.object({
  id,
  version,
  dogId: id,
  dogName: z.string(),
  ownerName: z.string(),
  memberId: id,
  memberName: z.string(),
  kind: z.enum(VISIT_KINDS),
  startsAt: z.string(),
  endsAt: z.string(),
  state: z.enum(['booked', 'cancelled', 'done']),
  note: z.string(),
  visitId: id.nullable(),
});
export type Appointment = z.infer<typeof appointment>;
