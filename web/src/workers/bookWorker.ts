import { ALL_HOUSE_QUESTIONS, HOUSE_QUESTIONS, openBook, plansThatChange, type DogFacts } from '@dewpond/core/careplan';

/** One school tried over the whole book. */
export interface SchoolTried {
  readonly question: string;
  readonly school: string;
  readonly changed: number;
  readonly of: number;
}

/** Tries every school of every question over the book, and tells each count as soon as it is known. */
self.onmessage = ({ data: facts }: MessageEvent<readonly DogFacts[]>) => {
  const book = openBook(facts);
  for (const question of ALL_HOUSE_QUESTIONS) {
    for (const { id: school } of HOUSE_QUESTIONS[question].schools) {
      const tried: SchoolTried = {
        question,
        school,
        changed: plansThatChange(book, question, school),
        of: book.length,
      };
      self.postMessage(tried);
    }
  }
};
