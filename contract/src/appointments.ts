import { z } from 'zod';
import { id, line, newId, text, version } from './basics';
import { setByHand } from './lineUp';
import {
  ALL_PARTS,
  VISIT_KINDS,
  type AgreedVisit,
  type OwnVisitKind,
  type VisitKind,
  type VisitPart,
} from '@dewpond/core/steps';

const when = {
  startsAt: z.iso.datetime({ offset: true, error: 'Give a day and a time.' }),
  minutes: z.int().min(15, { error: 'At least 15 minutes.' }).max(480, { error: 'At most 8 hours.' }),
  memberId: id,
};

const part = z.enum(ALL_PARTS as readonly [VisitPart, ...VisitPart[]]);
/** What was agreed for one booking, in the order of the work. */
export const agreedVisit: z.ZodType<AgreedVisit, AgreedVisit> = z.strictObject({
  name: text(60),
  parts: z
    .array(part)
    .min(1, { error: 'Nothing is done at that visit.' })
    .refine((parts) => new Set(parts).size === parts.length, { error: 'The same part twice.' })
    .transform((parts) => ALL_PARTS.filter((each) => parts.includes(each))),
});

/** A kind of visit of the business's own. */
export const ownVisitKind: z.ZodType<OwnVisitKind, OwnVisitKind> = z.strictObject({
  id,
  name: line(60, 'The name'),
  parts: z.array(part).min(1, { error: 'Nothing is done at that visit.' }),
  minutes: z.int().min(15, { error: 'At least 15 minutes.' }).max(480, { error: 'At most 8 hours.' }),
});

/** What is done: a kind by name, or what was agreed. */
export const contents = { kind: z.enum(VISIT_KINDS), agreed: agreedVisit.nullable().default(null) };

/** What was agreed stands with "as agreed", and with no other kind. */
export const fitsKind = ({
  kind,
  agreed,
}: {
  readonly kind: VisitKind;
  readonly agreed: AgreedVisit | null;
}): boolean => (kind === 'as agreed') === (agreed !== null);
export const UNFIT = { error: 'Say what was agreed, or take a kind by its name.', path: ['agreed'] };

const booked = z.strictObject({ ...contents, ...when, note: text(500).default('') });
/** When a dog comes, for what, for how long, to whom. */
export const bookedTime = booked.refine(fitsKind, UNFIT);
export const newAppointment = booked
  .extend({ id: newId, dogId: id, mayMove: z.boolean().default(false) })
  .refine(fitsKind, UNFIT);
export const appointmentEdit = z.discriminatedUnion('change', [
  z.strictObject({
    change: z.literal('move'),
    version,
    ...when,
    // Left out by devices of before: what is done stays as it was booked.
    contents: z.exactOptional(z.strictObject({ ...contents, note: text(500) }).refine(fitsKind, UNFIT)),
  }),
  // Left out by devices of before: then the business did.
  z.strictObject({ change: z.literal('cancel'), version, by: z.enum(['owner', 'business']).default('business') }),
  z.strictObject({ change: z.literal('no show'), version }),
  z.strictObject({ change: z.literal('restore'), version }),
  // Where it stands in its day, without being booked anew; null: wherever it fits best.
  z.strictObject({ change: z.literal('line up'), version, byHand: setByHand.nullable() }),
]);

export const appointment = z.object({
  id,
  version,
  dogId: id,
  dogName: z.string(),
  ownerId: id,
  ownerName: z.string(),
  memberId: id,
  memberName: z.string(),
  kind: z.enum(VISIT_KINDS),
  agreed: agreedVisit.nullable(),
  startsAt: z.string(),
  endsAt: z.string(),
  state: z.enum(['booked', 'cancelled', 'no show', 'done']),
  /** It may be moved when weeks are planned anew. */
  mayMove: z.boolean(),
  seriesId: id.nullable(),
  /** The owner said yes to this time. */
  saidYes: z.boolean(),
  note: z.string(),
  visitId: id.nullable(),
});
export type Appointment = z.infer<typeof appointment>;
