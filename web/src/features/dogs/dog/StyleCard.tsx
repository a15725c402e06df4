import type { DogView } from '@dewpond/contract';
import { CLIP_PARTS, type ClipPart } from '@dewpond/core/dog';
import { useState } from 'react';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { useOwnChoice } from './OwnChoice';

type Typed = Partial<Record<ClipPart, string>>;
const capital = (words: string): string => words.replace(/^./, (letter) => letter.toUpperCase());

/** How the owner wishes it clipped, part by part: it stands at the clip. */
export function StyleCard({ dog }: { readonly dog: DogView }) {
  const [changing, setChanging] = useState(false);
  const { style } = dog.profile;
  const wished = CLIP_PARTS.filter((part) => style[part]);
  return (
    <Card title="Style" aside={<Button onClick={() => setChanging(true)}>Change…</Button>}>
      {wished.length === 0 && <p className="text-soft">No wish noted.</p>}
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5">
        {wished.map((part) => (
          <div key={part} className="contents">
            <dt className="text-soft">{capital(part)}</dt>
            <dd>{style[part]}</dd>
          </div>
        ))}
      </dl>
      {changing && <StyleDialog dog={dog} onClose={() => setChanging(false)} />}
    </Card>
  );
}

function StyleDialog({ dog, onClose }: { readonly dog: DogView; readonly onClose: () => void }) {
  const [typed, setTyped] = useState<Typed>(dog.profile.style);
  const keep = useOwnChoice(dog, onClose);
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Style of ${dog.profile.name}`}
      says="A length, a comb, a shape: it stands at the clip."
    >
      <form
        noValidate
        className="grid grid-cols-2 max-md:grid-cols-1 gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          const said = CLIP_PARTS.flatMap((part): (readonly [ClipPart, string])[] => {
            const words = typed[part]?.trim() ?? '';
            return words === '' ? [] : [[part, words]];
          });
          keep.mutate({ style: Object.fromEntries(said) });
        }}
      >
        {CLIP_PARTS.map((part) => (
          <TextField
            key={part}
            label={capital(part)}
            maxLength={80}
            value={typed[part] ?? ''}
            onChange={(event) => setTyped({ ...typed, [part]: event.target.value })}
          />
        ))}
        <Button type="submit" look="main" className="col-span-full justify-self-end" disabled={keep.isPending}>
          Keep it
        </Button>
      </form>
    </Dialog>
  );
}
