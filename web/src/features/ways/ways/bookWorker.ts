import { dogsByRow, openBook, plansThatChange, plansThatMove, type BookEntry } from '@dewpond/core/changes';
import { type DogFacts } from '@dewpond/core/dog';
import { washRow } from '@dewpond/core/needs';
import type { Interval } from '@dewpond/core/rhythm';
import { waysFor } from '@dewpond/core/work';
import { ALL_HOUSE_QUESTIONS, HOUSE_QUESTIONS } from '@dewpond/core/ways';

/** Another page of the book, or days to be tried for a row over what has come in. */
export type BookQuestion =
  | { readonly kind: 'page'; readonly facts: readonly DogFacts[] }
  | { readonly kind: 'days'; readonly row: string; readonly set: Interval | null };

/** What was counted over the book, as far as it has come in. */
export type BookCount = SchoolTried | LinesCounted | DaysTried;

export interface SchoolTried {
  readonly kind: 'school';
  readonly question: string;
  readonly school: string;
  readonly changed: number;
  readonly of: number;
}

/** For how many dogs each line of the table of washes, and each row of the rules that says how often, decides. */
export interface LinesCounted {
  readonly kind: 'lines';
  readonly decides: Readonly<Record<string, number>>;
}

/** How many plans other days for a row would change. */
export interface DaysTried {
  readonly kind: 'days';
  readonly row: string;
  readonly set: Interval | null;
  readonly changed: number;
  readonly of: number;
}

const SCHOOLS = ALL_HOUSE_QUESTIONS.flatMap((question) =>
  HOUSE_QUESTIONS[question].schools.map(({ id: school }) => ({ question, school })),
);
const counts = SCHOOLS.map((): { changed: number; of: number } => ({ changed: 0, of: 0 }));
const decides = new Map<string, number>();
const book: BookEntry[] = [];

const answer = (count: BookCount): void => self.postMessage(count);

self.onmessage = ({ data }: MessageEvent<BookQuestion>) => {
  if (data.kind === 'page') takePage(data.facts);
  else answer({ ...data, changed: plansThatMove(book, data.row, data.set), of: book.length });
};

/** Tries every school of every question over another page of the book, and tells each count as soon as it has grown. */
function takePage(facts: readonly DogFacts[]): void {
  const page = openBook(facts);
  book.push(...page);
  SCHOOLS.forEach(({ question, school }, i) => {
    const count = counts[i];
    if (!count) return;
    count.changed += plansThatChange(page, question, school);
    count.of += page.length;
    answer({ kind: 'school', question, school, ...count });
  });
  for (const dog of facts) for (const id of linesFor(dog)) decides.set(id, (decides.get(id) ?? 0) + 1);
  for (const [id, dogs] of dogsByRow(page)) decides.set(id, (decides.get(id) ?? 0) + dogs);
  answer({ kind: 'lines', decides: Object.fromEntries(decides) });
}

/** The lines of the table of washes that decide for this dog as its business works. */
const linesFor = (dog: DogFacts): readonly string[] =>
  (waysFor(dog).washes === 'two' ? (['first', 'second'] as const) : (['only'] as const)).map(
    (wash) => washRow(dog, wash).id,
  );
