import { sql } from 'drizzle-orm';
import { index, primaryKey, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { businessId, day, dewpond, instant, ofThisBusiness } from './tenancy';

/** Who saw, changed, sent, gave away. Only ever added to: the app role may neither change nor remove. */
export const audit = dewpond.table(
  'audit',
  {
    businessId: businessId(),
    id: uuid('id').notNull(),
    at: instant('at').notNull().defaultNow(),
    day: day('day').notNull(),
    personId: uuid('person_id').notNull(),
    person: text('person').notNull(),
    what: text('what').$type<'saw' | 'changed' | 'sent' | 'gave away'>().notNull(),
    /** The dog, client, visit or whatever it was about. */
    about: uuid('about'),
    words: text('words').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.id] }),
    index('audit_by_time').on(t.businessId, t.at),
    index('audit_about').on(t.businessId, t.about, t.at),
    // Who looked at a page ten times a day has seen it that day.
    uniqueIndex('audit_seen_once_a_day')
      .on(t.businessId, t.personId, t.about, t.words, t.day)
      .where(sql`what = 'saw'`),
    ofThisBusiness('audit'),
  ],
);
