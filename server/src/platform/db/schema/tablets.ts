import { foreignKey, index, integer, jsonb, boolean, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { member } from './business';
import { businessId, byPerson, bytea, dewpond, instant, ofThisBusiness } from './tenancy';

/** A device that several people share. Its secret stands in a cookie on it; here only its hash. */
export const tablet = dewpond.table(
  'tablet',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    secretHash: text('secret_hash').notNull(),
    /** Minutes without a touch after which it locks. */
    lockAfterMin: integer('lock_after_min').notNull().default(3),
    setUpBy: text('set_up_by').notNull(),
    personId: byPerson(),
    lastSeenAt: instant('last_seen_at'),
    /** Who came to it last. */
    lastMemberId: uuid('last_member_id'),
    /** Reported lost: it opens nothing from then on. */
    lostAt: instant('lost_at'),
    lostBy: text('lost_by'),
    /** No shared tablet any more. */
    removedAt: instant('removed_at'),
    version: integer('version').notNull().default(1),
    madeFrom: text('made_from').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.lastMemberId], foreignColumns: [member.businessId, member.id] }),
    ofThisBusiness('tablet'),
  ],
);

/** The PIN with which a person comes to a shared tablet. */
export const memberPin = dewpond.table(
  'member_pin',
  {
    businessId: businessId(),
    memberId: uuid('member_id').notNull(),
    hash: text('hash').notNull(),
    /** Wrong tries since the last right one. */
    wrong: integer('wrong').notNull().default(0),
    setAt: instant('set_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.memberId] }),
    foreignKey({ columns: [t.businessId, t.memberId], foreignColumns: [member.businessId, member.id] }),
    ofThisBusiness('member_pin'),
  ],
);

/** What a person who came to a tablet without a network shows when it is back; on the tablet sealed with the PIN. */
export const tabletTicket = dewpond.table(
  'tablet_ticket',
  {
    businessId: businessId(),
    tabletId: uuid('tablet_id').notNull(),
    memberId: uuid('member_id').notNull(),
    secretHash: text('secret_hash').notNull(),
    madeAt: instant('made_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.tabletId, t.memberId] }),
    foreignKey({ columns: [t.businessId, t.tabletId], foreignColumns: [tablet.businessId, tablet.id] }),
    foreignKey({ columns: [t.businessId, t.memberId], foreignColumns: [member.businessId, member.id] }),
    ofThisBusiness('tablet_ticket'),
  ],
);

/** What a lost tablet had not sent when it was reported: a visit it began, an event, a picture. It waits for a manager's word. */
export const heldWork = dewpond.table(
  'held_work',
  {
    businessId: businessId(),
    /** Of the visit or event itself. */
    id: uuid('id').notNull(),
    tabletId: uuid('tablet_id').notNull(),
    memberId: uuid('member_id').notNull(),
    kind: text('kind').$type<'visit' | 'event' | 'picture'>().notNull(),
    visitId: uuid('visit_id').notNull(),
    /** When it was made, by the tablet's clock as far as that was known to be right. */
    at: instant('at').notNull(),
    content: jsonb('content').notNull(),
    /** Of a picture. */
    bytes: bytea('bytes'),
    heldAt: instant('held_at').notNull(),
    decidedAt: instant('decided_at'),
    decidedBy: text('decided_by'),
    personId: byPerson(),
    /** Null: nobody has decided, or the server would not take it. */
    isTaken: boolean('is_taken'),
    /** Why it could not be taken in all the same. */
    refused: text('refused'),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    foreignKey({ columns: [t.businessId, t.tabletId], foreignColumns: [tablet.businessId, tablet.id] }),
    foreignKey({ columns: [t.businessId, t.memberId], foreignColumns: [member.businessId, member.id] }),
    index('held_work_of_visit').on(t.businessId, t.visitId),
    ofThisBusiness('held_work'),
  ],
);
