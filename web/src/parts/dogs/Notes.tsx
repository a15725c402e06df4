import type { Day } from '@dewpond/core/units';
import { classes } from '../../ui/classes';
import { showDay } from '../../browser/times';

/** Something that was noted before, and where or when. */
export interface NotedWord {
  readonly from: string;
  readonly words: string;
}

export const note = (from: string, words: string): NotedWord[] => (words === '' ? [] : [{ from, words }]);
export const datedNote = (from: string, word: { readonly day: Day; readonly words: string } | null): NotedWord[] =>
  word ? note(`${from}, ${showDay(word.day)}`, word.words) : [];

/** Notes to be read again; nothing where there are none. `large`: at the table, from a step away. */
export function Notes({
  name,
  notes,
  large = false,
}: {
  readonly name: string;
  readonly notes: readonly NotedWord[];
  readonly large?: boolean;
}) {
  if (notes.length === 0) return null;
  return (
    <dl
      aria-label={name}
      className={classes(
        'bg-pond-pale px-4 py-3 gap-y-2',
        large
          ? 'rounded-xl mb-3 flex flex-col text-lg'
          : 'rounded-card grid gap-x-6 grid-cols-[repeat(auto-fit,minmax(240px,1fr))]',
      )}
    >
      {notes.map(({ from, words }) => (
        <div key={`${from} ${words}`} className="min-w-0">
          <dt className="text-sm text-soft leading-tight">{from}</dt>
          <dd className="leading-snug whitespace-pre-line break-words">{words}</dd>
        </div>
      ))}
    </dl>
  );
}
