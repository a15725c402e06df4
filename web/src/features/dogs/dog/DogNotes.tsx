import type { DogView } from '@dewpond/contract';
import { showDay, type Day } from '@dewpond/core/units';

/** What somebody noted of this dog, to be read again: on its card, at its last visit, at its next booking. */
export function DogNotes({ dog }: { readonly dog: DogView }) {
  const dated = (what: string, word: { readonly day: Day; readonly words: string } | null) =>
    word ? [{ from: `${what}, ${showDay(word.day)}`, words: word.words }] : [];
  const booked = dog.appointments.find(({ state, note }) => state === 'booked' && note !== '');
  const notes = [
    ...(dog.profile.note === '' ? [] : [{ from: 'On the dog', words: dog.profile.note }]),
    ...dated('Closing note', dog.notes.closing),
    ...dated('The owner said', dog.notes.ownerSaid),
    ...(booked ? [{ from: 'For the next visit', words: booked.note }] : []),
  ];
  if (notes.length === 0) return null;
  return (
    <dl
      aria-label="Notes"
      className="rounded-card bg-pond-pale px-4 py-3 grid gap-x-6 gap-y-2 grid-cols-[repeat(auto-fit,minmax(240px,1fr))]"
    >
      {notes.map(({ from, words }) => (
        <div key={from} className="min-w-0">
          <dt className="text-sm text-soft leading-tight">{from}</dt>
          <dd className="leading-snug whitespace-pre-line break-words">{words}</dd>
        </div>
      ))}
    </dl>
  );
}
