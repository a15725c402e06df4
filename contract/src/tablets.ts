import { PIN_DIGITS, ROLES } from '@dewpond/core/rights';
import { z } from 'zod';
import { id, line, many, newId, version } from './basics';
import { PHOTO_LIMIT, newVisit } from './visits';

/** The header in which a page says for whom it asks: another's session does not answer it. */
export const FOR_PERSON = 'x-dewpond-person';
/** The header in which a page says at which branch it looks; without it: where the person belongs. */
export const AT_BRANCH = 'x-dewpond-branch';

const tabletName = line(60, 'The name');
export const pinDigits = z
  .string()
  .regex(new RegExp(`^\\d{${PIN_DIGITS}}$`), { error: `A PIN has ${PIN_DIGITS} digits.` });
const secret = z.string().min(20).max(100);
const pinState = z.enum(['none', 'set', 'blocked']);
export type PinState = z.infer<typeof pinState>;
const lockAfterMin = z.int().min(1).max(60);

/** What a device is, before anybody has come to it. */
export const tabletDoor = z.discriminatedUnion('state', [
  z.object({ state: z.literal('none') }),
  z.object({ state: z.literal('lost'), name: z.string(), at: z.string() }),
  z.object({
    state: z.literal('here'),
    id,
    name: z.string(),
    business: z.string(),
    zone: z.string(),
    lockAfterMin: z.int(),
    people: many(z.object({ memberId: id, personId: id, name: z.string(), role: z.enum(ROLES), pin: pinState })),
  }),
]);
export type TabletDoor = z.infer<typeof tabletDoor>;

export const switching = z.strictObject({ memberId: id, pin: pinDigits });
/** To be sealed with the PIN, and shown where the tablet was opened without a network. */
export const switched = z.object({ ticket: z.string() });
export const ticketShown = z.strictObject({ memberId: id, ticket: secret });

export const newTablet = z.strictObject({ id: newId, name: tabletName });
export const tabletEdit = z.strictObject({ version, name: tabletName, lockAfterMin });
export const tabletView = z.object({
  id,
  name: z.string(),
  lockAfterMin: z.int(),
  version,
  setUpBy: z.string(),
  since: z.string(),
  lastSeen: z.string().nullable(),
  /** Who came to it last. */
  lastPerson: z.string().nullable(),
  lost: z.object({ at: z.string(), by: z.string() }).nullable(),
  /** Pieces of work that wait for a manager's word. */
  waiting: z.int(),
  isThis: z.boolean(),
});
export type TabletView = z.infer<typeof tabletView>;

export const pinSetting = z.strictObject({ password: z.string().min(1).max(200), pin: pinDigits });
export const pinView = z.object({ pin: pinState });

const held = { id, memberId: id, visitId: id, at: z.int(), offset: z.int().nullable() };
/** What a lost tablet had not sent. Events are judged when they are taken in: here they pass as they came. */
export const foundWork = z.strictObject({
  work: z
    .array(
      z.discriminatedUnion('kind', [
        z.strictObject({ kind: z.literal('visit'), ...held, content: newVisit }),
        z.strictObject({ kind: z.literal('event'), ...held, content: z.record(z.string(), z.unknown()) }),
        z.strictObject({
          kind: z.literal('picture'),
          ...held,
          content: z.strictObject({ jpeg: z.base64().max((4 * PHOTO_LIMIT) / 3 + 4) }),
        }),
      ]),
    )
    .max(500),
});
export type FoundWork = z.input<typeof foundWork>['work'][number];
export const foundAnswer = z.object({
  held: many(id),
  refused: many(z.object({ id, words: z.string() })),
});

/** One person's work at one visit on a lost tablet. */
export const heldGroup = z.object({
  visitId: id,
  memberId: id,
  person: z.string(),
  /** Null: the visit was begun there, and nobody knows it here. */
  dog: z.string().nullable(),
  from: z.string(),
  to: z.string(),
  entries: z.int(),
  pictures: z.int(),
  state: z.enum(['waiting', 'taken', 'not taken']),
  decidedBy: z.string().nullable(),
  /** What could not be taken in, and why. */
  refused: many(z.string()),
});
export type HeldGroup = z.infer<typeof heldGroup>;
export const heldDecision = z.strictObject({ visitId: id, memberId: id, take: z.boolean() });
