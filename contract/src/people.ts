import { ROLES, SECOND_FACTOR_FOR } from '@dewpond/core/rights';
import { z } from 'zod';
import { id, line, many, newId, version } from './basics';

export const personName = line(120, 'The name');
export const mailAddress = z
  .string()
  .trim()
  .toLowerCase()
  .max(254)
  .pipe(z.email({ error: 'That is no e-mail address.' }));
const role = z.enum(ROLES);

/** Somebody of the business, with what a manager needs of the account behind it. */
export const personView = z.object({
  id,
  personId: id,
  name: z.string(),
  role,
  email: z.string(),
  joinedAt: z.string(),
  /** Null: belongs here. */
  leftAt: z.string().nullable(),
  /** Devices that are signed in. */
  sessions: z.int(),
  lastSeen: z.string().nullable(),
  secondFactor: z.boolean(),
  /** For shared tablets; blocked after five wrong tries. */
  pin: z.enum(['none', 'set', 'blocked']),
  version,
});
export type PersonView = z.infer<typeof personView>;

export const invitationView = z.object({
  id,
  /** Somebody known, who sets a new password by it; null: somebody new. */
  memberId: id.nullable(),
  name: z.string(),
  role,
  email: z.string(),
  /** The link to hand over, as long as it opens something. */
  url: z.string().nullable(),
  state: z.enum(['open', 'used', 'withdrawn', 'over']),
  expiresAt: z.string(),
  madeBy: z.string(),
});
export type InvitationView = z.infer<typeof invitationView>;

export const secondFactorFor = z.enum(SECOND_FACTOR_FOR);
export const peopleView = z.object({
  people: many(personView),
  /** Open ones, and what became of the last. */
  invitations: many(invitationView),
  secondFactor: z.object({ version, asked: secondFactorFor }),
});
export type PeopleView = z.infer<typeof peopleView>;

const invited = { name: personName, role, email: z.union([z.literal(''), mailAddress]) };
export const newInvitation = z.strictObject({ id: newId, memberId: id.nullable(), ...invited });
export const personEdit = z.strictObject({ version, name: personName, role });
export const secondFactorEdit = z.strictObject({ version, asked: secondFactorFor });

/** A booking of somebody who leaves, and who could take it: the ones free then. */
export const handover = z.object({
  appointmentId: id,
  dog: z.string(),
  startsAt: z.string(),
  minutes: z.int(),
  free: many(id),
});
export type Handover = z.infer<typeof handover>;
/** What becomes of each: another person's, or with null cancelled. */
export const leaving = z.strictObject({
  bookings: z.array(z.strictObject({ id, to: id.nullable() })).max(2000),
});

/** A device that is signed in. */
export const sessionLine = z.object({
  id,
  isThis: z.boolean(),
  /** The browser's own words about itself. */
  device: z.string(),
  address: z.string(),
  since: z.string(),
  lastSeen: z.string(),
});
export type SessionLine = z.infer<typeof sessionLine>;
