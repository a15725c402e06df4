import type { DogView } from '@dewpond/contract';
import { useState, type ReactNode } from 'react';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { tell } from '../../../ui/tell';

/** Writes what is otherwise with this dog on its card. */
export const useOwnChoice = (dog: DogView, onDone: () => void) =>
  useWrite('PUT /api/dogs/:id', {
    write: (_, own: Partial<Pick<DogView['profile'], 'ownBath' | 'ownWays' | 'style'>>) =>
      call('PUT /api/dogs/:id', {
        id: dog.id,
        body: { version: dog.version, profile: { ...dog.profile, ...own } },
      }),
    onSuccess: () => {
      tell('Kept. The plan follows it.');
      onDone();
    },
    tells: true,
  });

interface OwnChoiceProps {
  readonly title: string;
  readonly says: string;
  readonly example: string;
  /** The reason as it stands. */
  readonly because: string;
  /** What is chosen is as with every dog: no reason is asked. */
  readonly isUsual: boolean;
  readonly pending: boolean;
  readonly onKeep: (because: string) => void;
  readonly onClose: () => void;
  /** What is chosen. */
  readonly children: ReactNode;
}

/** Something that is otherwise with this dog, with the reason: the next groomer will ask. */
export function OwnChoice(props: OwnChoiceProps) {
  const { title, says, example, isUsual, pending, onKeep, onClose, children } = props;
  const [because, setBecause] = useState(props.because);
  const [asked, setAsked] = useState(false);
  const unsaid = !isUsual && because.trim() === '';
  return (
    <Dialog open onClose={onClose} title={title} says={says}>
      <form
        className="flex flex-col gap-4"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          setAsked(true);
          if (!unsaid) onKeep(because.trim());
        }}
      >
        {children}
        {!isUsual && (
          <TextField
            label="Why"
            placeholder={example}
            value={because}
            maxLength={200}
            onChange={(event) => setBecause(event.target.value)}
            error={asked && unsaid ? 'The next groomer will ask why.' : undefined}
          />
        )}
        <div className="flex justify-end gap-2">
          <Button look="quiet" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" look="main" disabled={pending}>
            Keep it
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
