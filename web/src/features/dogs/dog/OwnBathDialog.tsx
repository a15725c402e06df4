import type { DogView } from '@dewpond/contract';
import { BODY_WASHES, type ProductKind } from '@dewpond/core/dilution';
import type { BathTask } from '@dewpond/core/dog';
import { useState } from 'react';
import { call } from '../../../api/call';
import { useBusiness } from '../../../data/queries';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { tell } from '../../../ui/toasts';
import { BATH_PARTS } from './bathParts';

const KINDS: Readonly<Record<BathTask, readonly ProductKind[]>> = {
  bath: BODY_WASHES,
  'second wash': BODY_WASHES,
  'face wash': ['face', ...BODY_WASHES],
  conditioner: ['conditioner'],
};
const BY_TABLE = 'by the table';
const NONE = 'none';

interface OwnBathProps {
  readonly dog: DogView;
  readonly task: BathTask;
  readonly onClose: () => void;
}

/** This dog's own product for a part of its bath, with the reason; or the business's way again. */
export function OwnBathDialog({ dog, task, onClose }: OwnBathProps) {
  const own = dog.profile.ownBath[task];
  const [chosen, setChosen] = useState(own === undefined ? BY_TABLE : (own.productId ?? NONE));
  const [because, setBecause] = useState(own?.because ?? '');
  const [asked, setAsked] = useState(false);
  const { [task]: _, ...others } = dog.profile.ownBath;
  const ownBath =
    chosen === BY_TABLE
      ? others
      : { ...others, [task]: { productId: chosen === NONE ? null : chosen, because: because.trim() } };
  const save = useWrite('PUT /api/dogs/:id', {
    write: () =>
      call('PUT /api/dogs/:id', {
        id: dog.id,
        body: { version: dog.version, profile: { ...dog.profile, ownBath } },
      }),
    onSuccess: () => {
      tell(chosen === BY_TABLE ? 'As for every dog again.' : 'Kept. The next bath follows it.');
      onClose();
    },
    tells: true,
  });
  const products = (useBusiness().data?.products ?? []).filter(
    ({ kind, suppliedBy }) => KINDS[task].includes(kind) && suppliedBy === 'house',
  );
  const unsaid = chosen !== BY_TABLE && because.trim() === '';
  return (
    <Dialog
      open
      onClose={onClose}
      title={`${BATH_PARTS[task]} for ${dog.profile.name}`}
      says="A vet’s word goes before it. What this dog must not have is never taken, and then it is said."
    >
      <form
        className="flex flex-col gap-4"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          setAsked(true);
          if (!unsaid) save.mutate();
        }}
      >
        <SelectField label="Product" value={chosen} onChange={(event) => setChosen(event.target.value)}>
          <option value={BY_TABLE}>as the house ways say</option>
          {(task === 'conditioner' || task === 'second wash') && <option value={NONE}>none for this dog</option>}
          {products.map(({ id, name, kind }) => (
            <option key={id} value={id}>
              {name} ({kind})
            </option>
          ))}
        </SelectField>
        {chosen !== BY_TABLE && (
          <TextField
            label="Why"
            placeholder="scratched after the other one"
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
          <Button type="submit" look="main" disabled={save.isPending}>
            Keep it
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
