import { allNotOurs, notOursWords } from '@dewpond/core/wording';

/** Words that name an illness, a medicine or a dose are marked, each with the reason; whoever writes decides. */
export function NotOurs({ words, language }: { readonly words: string; readonly language: string }) {
  const marks = allNotOurs(words, language);
  return marks.length === 0 ? null : (
    <span role="status" className="no-print block rounded-lg bg-watch-pale text-watch font-semibold px-2.5 py-1 mt-1">
      {marks.map((mark) => (
        <span key={mark.word} className="block">
          {notOursWords(mark)}
        </span>
      ))}
    </span>
  );
}
