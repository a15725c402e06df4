import type { Noticed } from '@dewpond/core/due';
import type { OwnerSays } from '@dewpond/core/messages';
import type { VisitKind } from '@dewpond/core/steps';
import { foreignKey, index, integer, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { member } from './business';
import { dog } from './book';
import { message } from './owners';
import { businessId, byPerson, dewpond, instant, ofThisBusiness } from './tenancy';

/** A time that was offered for one dog in a message. When it is taken, the booking has the offer's id. */
export const visitOffer = dewpond.table(
  'visit_offer',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    /** Dogs of one owner that come together: taken together. */
    setId: uuid('set_id').notNull(),
    messageId: uuid('message_id').notNull(),
    dogId: uuid('dog_id').notNull(),
    memberId: uuid('member_id').notNull(),
    kind: text('kind').$type<VisitKind>().notNull(),
    startsAt: instant('starts_at').notNull(),
    minutes: integer('minutes').notNull(),
    /** The booking that is given up for it. */
    insteadOf: uuid('instead_of'),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    foreignKey({ columns: [t.businessId, t.memberId], foreignColumns: [member.businessId, member.id] }),
    foreignKey({ columns: [t.businessId, t.messageId], foreignColumns: [message.businessId, message.id] }),
    index('visit_offer_by_dog').on(t.businessId, t.dogId, t.startsAt),
    ofThisBusiness('visit_offer'),
  ],
);

/** What an owner answered on their page, or told of the dog, until somebody at the salon has seen it, and after. */
export const ownerAnswer = dewpond.table(
  'owner_answer',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    dogId: uuid('dog_id').notNull(),
    says: text('says').$type<OwnerSays | Noticed>().notNull(),
    /** The booking it is about; null: none of the offered times suits, or something was noticed at home. */
    appointmentId: uuid('appointment_id'),
    note: text('note').notNull().default(''),
    toldAt: instant('told_at').notNull(),
    seenAt: instant('seen_at'),
    seenBy: text('seen_by'),
    personId: byPerson(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.dogId], foreignColumns: [dog.businessId, dog.id] }),
    index('owner_answer_by_time').on(t.businessId, t.toldAt),
    index('owner_answer_by_dog').on(t.businessId, t.dogId),
    ofThisBusiness('owner_answer'),
  ],
);
