import { VET_TASKS } from '@dewpond/core/tasks';
import { z } from 'zod';
import { daySchema, id } from './basics';
import { traits } from './facts';
import { homeCareView, pageWords } from './homeCare';
import { businessProfile } from './profile';
import { readSheet, sheetPhoto } from './sheets';

/** One visit as an owner reads it: the hand of the groomer over what was made. */
const ownerSheet = z.object({ visitId: id, read: readSheet, photos: z.array(sheetPhoto) });
/** What an owner sees behind the link: this one dog and nothing else. */
const weekday = z.int().min(0).max(6);
/** An owner asks for a word about home care once a week, or for none. */
export const homeReminding = z.strictObject({ weekday: weekday.nullable() });

export const ownerPage = z.object({
  business: businessProfile,
  dog: z.string(),
  language: z.string(),
  words: pageWords,
  drawing: traits,
  sheets: z.array(ownerSheet),
  letters: z.array(z.object({ id, place: z.string(), urgency: z.string(), openedOn: daySchema })),
  /** Its next visits, with those of the owner's other dogs on the same days. */
  booked: z.array(
    z.object({
      id,
      dog: z.string(),
      isOwn: z.boolean(),
      startsAt: z.string(),
      kind: z.string(),
      saidYes: z.boolean(),
      /** Cancelled by the owner; may be taken back while nobody has that time. */
      isCancelled: z.boolean(),
    }),
  ),
  /** Times that were offered and are free, the next first; one answer takes all visits of a set. */
  offers: z.array(z.object({ set: id, startsAt: z.string(), dogs: z.array(z.string()) })),
  zone: z.string(),
  suggested: daySchema.nullable(),
  /** Looks of a vet that are wanted regularly and not known to be recent, in the owner's language. */
  vetLooks: z.array(z.object({ task: z.enum(VET_TASKS), name: z.string(), last: daySchema.nullable() })),
  home: homeCareView,
  /** A word about home care once a week: on which weekday (0 Monday), if it was asked for; null where the owner may not be written to. */
  reminder: z.object({ weekday: weekday.nullable() }).nullable(),
  /** A calendar of home care and bookings to subscribe to. */
  calendar: z.string(),
  until: z.string(),
});
export type OwnerPage = z.infer<typeof ownerPage>;

/** When a vet looked last, as the owner tells it. */
export const newVetLook = z.strictObject({ task: z.enum(VET_TASKS), on: daySchema });
