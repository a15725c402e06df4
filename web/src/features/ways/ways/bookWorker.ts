import { openBook, plansThatChange } from '@dewpond/core/changes';
import { type DogFacts } from '@dewpond/core/dog';
import { washRow } from '@dewpond/core/needs';
import { waysFor } from '@dewpond/core/work';
import { ALL_HOUSE_QUESTIONS, HOUSE_QUESTIONS } from '@dewpond/core/ways';

/** One school tried over the book, as far as it has come in. */
export interface SchoolTried {
  readonly question: string;
  readonly school: string;
  readonly changed: number;
  readonly of: number;
}

/** For how many dogs each line of the table of washes decides, as far as the book has come in. */
export interface LinesCounted {
  readonly decides: Readonly<Record<string, number>>;
}
const decides = new Map<string, number>();

const SCHOOLS = ALL_HOUSE_QUESTIONS.flatMap((question) =>
  HOUSE_QUESTIONS[question].schools.map(({ id: school }) => ({ question, school })),
);
const counts = SCHOOLS.map((): { changed: number; of: number } => ({ changed: 0, of: 0 }));

/** Tries every school of every question over another page of the book, and tells each count as soon as it has grown. */
self.onmessage = ({ data: facts }: MessageEvent<readonly DogFacts[]>) => {
  const page = openBook(facts);
  SCHOOLS.forEach(({ question, school }, i) => {
    const count = counts[i];
    if (!count) return;
    count.changed += plansThatChange(page, question, school);
    count.of += page.length;
    self.postMessage({ question, school, ...count } satisfies SchoolTried);
  });
  for (const dog of facts) for (const id of linesFor(dog)) decides.set(id, (decides.get(id) ?? 0) + 1);
  self.postMessage({ decides: Object.fromEntries(decides) } satisfies LinesCounted);
};

/** The lines of the table of washes that decide for this dog as its business works. */
const linesFor = (dog: DogFacts): readonly string[] =>
  (waysFor(dog).washes === 'two' ? (['first', 'second'] as const) : (['only'] as const)).map(
    (wash) => washRow(dog, wash).id,
  );
