import { NOTICED, type Noticed } from '../due';

/** What an owner can answer on their page, as a groomer reads it. */
export const OWNER_SAYS = {
  comes: 'yes, as booked',
  'cannot come': 'cannot come',
  'comes after all': 'can come after all',
  takes: 'yes to this time',
  'none suits': 'none of the times suits',
} as const;
export type OwnerSays = keyof typeof OWNER_SAYS;
export const ALL_OWNER_SAYS = Object.keys(OWNER_SAYS) as readonly OwnerSays[];

/** What an owner answered or noticed, as a groomer reads it. */
export const ownerSaysWords = (says: OwnerSays | Noticed): string =>
  says in NOTICED ? NOTICED[says as Noticed].words : OWNER_SAYS[says as OwnerSays];

/** Less than this before a visit there is hardly time to fill the place: the owner is asked to ring as well, ms [house value]. */
export const SHORT_NOTICE_MS = 24 * 3_600_000;
