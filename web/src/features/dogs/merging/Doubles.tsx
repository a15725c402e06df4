import { useState } from 'react';
import { Button } from '../../../ui/Button';
import { MergeDialog } from './MergeDialog';
import { undoMerge } from './undoMerge';

interface DoublesProps {
  readonly of: 'client' | 'dog';
  readonly survivor: { readonly id: string; readonly name: string };
  readonly likelySame: readonly { readonly id: string; readonly name: string }[];
  readonly merges: readonly { readonly id: string; readonly name: string; readonly by: string; readonly at: string }[];
}

/** Who looks like the same one, and what was joined already. Nothing to say: nothing is shown. */
export function Doubles({ of, survivor, likelySame, merges }: DoublesProps) {
  const [gone, setGone] = useState<DoublesProps['likelySame'][number] | null>(null);
  if (likelySame.length + merges.length === 0) return null;
  return (
    <section aria-label="Doubles" className="rounded-card border border-watch bg-watch-pale px-4.5 py-3">
      <ul className="flex flex-col gap-2">
        {likelySame.map((other) => (
          <li key={other.id} className="flex flex-wrap items-center justify-between gap-2">
            <span>
              <b>{other.name}</b> looks like the same {of === 'client' ? 'person' : 'dog'}.
            </span>
            <Button onClick={() => setGone(other)}>See what would join</Button>
          </li>
        ))}
        {merges.map((merge) => (
          <li key={merge.id} className="flex flex-wrap items-center justify-between gap-2">
            <span>
              {merge.name} was joined in by {merge.by}.
            </span>
            <Button look="quiet" onClick={() => void undoMerge(merge.id)}>
              Take apart
            </Button>
          </li>
        ))}
      </ul>
      <MergeDialog of={of} survivor={survivor} gone={gone} onClose={() => setGone(null)} />
    </section>
  );
}
