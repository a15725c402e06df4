import type { DogView } from '@dewpond/contract';

import { useState } from 'react';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useBusiness } from '../../../data/queries';
import { Button } from '../../../ui/Button';
import { Chip, type Tone } from '../../../ui/Chip';
import { Dialog } from '../../../ui/Dialog';
import { tell } from '../../../ui/tell';
import { InstructionFields } from './InstructionFields';
import { Letter } from './Letter';
import { instructionWords } from '@dewpond/core/dog';
import { instructionState, type DogInstruction, type InstructionState } from './instructionState';
import { showDay } from '../../../browser/times';

interface InstructionsDialogProps {
  readonly dog: DogView;
  readonly open: boolean;
  readonly onClose: () => void;
}

/** What vet and owner said of this dog: what holds, what has ended, and a new one. */
export function InstructionsDialog({ dog, open, onClose }: InstructionsDialogProps) {
  const [adding, setAdding] = useState(false);
  const close = () => {
    setAdding(false);
    onClose();
  };
  const writing = adding || dog.instructions.length === 0;
  return (
    <Dialog
      open={open}
      onClose={close}
      title={`${dog.profile.name}: instructions`}
      says="A vet’s word goes before the owner’s, the owner’s before the business’s. Safety stops before all of them."
      tall
    >
      <ul className="flex flex-col gap-2">
        {dog.instructions.map((given) => (
          <Given key={given.id} given={given} dog={dog} />
        ))}
      </ul>
      {writing ? (
        <InstructionFields dog={dog} onDone={close} />
      ) : (
        <Button look="main" className="mt-4" onClick={() => setAdding(true)}>
          Write down another
        </Button>
      )}
    </Dialog>
  );
}

const TONES: Readonly<Record<InstructionState, Tone>> = {
  'to come': 'plain',
  holds: 'pond',
  'ends soon': 'watch',
  ended: 'plain',
};

/** One instruction; it can be ended from today, and that can be undone. */
function Given({ given, dog }: { readonly given: DogInstruction; readonly dog: DogView }) {
  const products = useBusiness().data?.products ?? [];
  const stands = instructionState(given, dog.today);
  const setEnd = useWrite('PUT /api/instructions/:id', {
    write: (_, { version, until }: { version: number; until: string | null }) =>
      call('PUT /api/instructions/:id', { id: given.id, body: { version, until } }),
    tells: true,
  });
  const end = () =>
    setEnd.mutate(
      { version: given.version, until: dog.today },
      {
        onSuccess: ({ version }) =>
          tell('It ends today.', {
            undo: () => setEnd.mutate({ version, until: given.until }),
          }),
      },
    );
  return (
    <li className="rounded-xl border border-line px-3 py-2">
      <div className="flex items-start justify-between gap-3">
        <p className={stands === 'ended' ? 'text-soft' : 'font-semibold'}>{instructionWords(given, products)}</p>
        <Chip tone={TONES[stands]}>{stands}</Chip>
      </div>
      <div className="flex flex-wrap items-center justify-between gap-x-3 gap-y-1 mt-1.5">
        <p className="text-sm text-soft mr-auto">
          {given.who}, from {showDay(given.from)}
        </p>
        <Letter given={given} />
        {(stands === 'holds' || stands === 'ends soon') && given.until !== dog.today && (
          <Button look="quiet" disabled={setEnd.isPending} onClick={end}>
            Ends today
          </Button>
        )}
      </div>
    </li>
  );
}
