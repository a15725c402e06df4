import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { migrationsFolder } from './migrate';

/*
 * During an upgrade a process of the version before serves while the tables change. What it reads and writes must stay:
 * what goes, goes one version later, and says so.
 */

/** The last migration before that was asked for. */
const BEFORE = '0060';
const TAKES_AWAY = /\b(drop column|drop table|rename (column|to)|alter column "?\w+"? (set data )?type)\b/i;
const SAYS_SO = /^-- read by no version since \d{4}\b/m;

const later = readdirSync(migrationsFolder())
  .filter((file) => file.endsWith('.sql') && file.slice(0, 4) >= BEFORE)
  .toSorted();

test.each(later)('%s takes nothing away that the version before reads', (file) => {
  const text = readFileSync(join(migrationsFolder(), file), 'utf8');
  for (const statement of text.split('--> statement-breakpoint')) {
    const sql = statement.replaceAll(/^\s*--.*$/gm, '');
    if (TAKES_AWAY.test(sql))
      expect([file, statement.trim(), SAYS_SO.test(statement)]).toEqual([file, statement.trim(), true]);
    // What it inserts without naming a new column is taken all the same.
    const added = /add column "(\w+)"[^;]*not null/i.exec(sql);
    if (added) expect([file, added[1], /default/i.test(sql)]).toEqual([file, added[1], true]);
  }
});
