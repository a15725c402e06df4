import { useState } from 'react';
import { Notes, datedNote, note } from '../../../parts/dogs/Notes';
import { Button } from '../../../ui/Button';
import type { TableWork } from '../useTable';
import { record } from '../visitLog';

/** What was noted before and is read again here: of the booking, of the dog, of the last visit. */
export function ReadFirst({ table }: { readonly table: TableWork }) {
  const { booking, dog, ownerSaid, closing } = table.visit.atTheDoor;
  return (
    <Notes
      name="Read first"
      large
      notes={[
        ...note('When it was booked', booking),
        ...datedNote('Closing note', closing),
        ...datedNote('The owner said', ownerSaid),
        ...note('On the dog', dog),
        ...(table.bath?.trouble ?? []).flatMap((words) => note('Before its bath', words)),
      ]}
    />
  );
}

/** What the owner says besides: written down here, read again at the next handover. */
export function OwnerSays({ table }: { readonly table: TableWork }) {
  const [words, setWords] = useState('');
  const keep = () => {
    if (words.trim() === '') return;
    record({ type: 'owner said', text: words.trim() });
    setWords('');
  };
  return (
    <section aria-label="What the owner says" className="mt-3">
      {table.state.ownerSaid.map((said, i) => (
        <p key={i} className="text-lg leading-snug mb-1.5">
          <span className="text-soft">The owner said: </span>
          {said}
        </p>
      ))}
      <div className="flex items-end gap-2 max-md:flex-col max-md:items-stretch">
        <label className="flex flex-col gap-1 flex-1">
          <span className="font-semibold">What the owner says besides</span>
          <textarea
            value={words}
            onChange={(event) => setWords(event.target.value)}
            onBlur={keep}
            maxLength={2000}
            rows={2}
            placeholder="scratches since Sunday; leave the beard"
            className="rounded-xl border border-line bg-surface px-3 py-2 text-lg"
          />
        </label>
        <Button className="min-h-15! text-lg" disabled={words.trim() === ''} onClick={keep}>
          Keep it
        </Button>
      </div>
    </section>
  );
}
