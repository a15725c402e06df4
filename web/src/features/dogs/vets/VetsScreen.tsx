import { vetFields, type VetView } from '@dewpond/contract';
import { useState } from 'react';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useVets } from '../../../data/queries';
import { fresh, useDraft } from '../../../forms/useDraft';
import { Button } from '../../../ui/Button';
import { Chip } from '../../../ui/Chip';
import { Conflict } from '../../../forms/Conflict';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { FormFoot } from '../../../forms/FormFoot';
import { Empty, Waiting } from '../../../ui/Waiting';
import { tell } from '../../../ui/tell';
import { BookTabs } from '../BookTabs';

type VetFields = Pick<VetView, 'name' | 'practice' | 'phone' | 'email' | 'address' | 'note'>;
const VET_FIELDS: Readonly<Record<keyof VetFields, string>> = {
  name: 'Name',
  practice: 'Practice',
  phone: 'Phone',
  email: 'E-mail',
  address: 'Address',
  note: 'Note',
};
const NO_VET: VetFields = { name: '', practice: '', phone: '', email: '', address: '', note: '' };

/** The vets the business talks to. */
export function VetsScreen() {
  const [editing, setEditing] = useState<VetView | 'new' | null>(null);
  const vets = useVets();
  // As it stands now: somebody else may change it while the form is open.
  const live = editing === 'new' ? null : (vets.data?.find(({ id }) => id === editing?.id) ?? editing);
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <header className="flex flex-wrap items-center justify-between gap-4">
        <h1>Vets</h1>
        <Button look="main" onClick={() => setEditing('new')}>
          New vet
        </Button>
      </header>
      <BookTabs />
      <Waiting query={vets} what="Vets">
        {(all) =>
          all.length === 0 ? (
            <Empty words="No vet yet. Whoever is here can be chosen on a dog’s page, and is at hand when a finding wants one.">
              <Button look="main" onClick={() => setEditing('new')}>
                Add the first vet
              </Button>
            </Empty>
          ) : (
            <ul className="grid grid-cols-[repeat(auto-fill,minmax(320px,1fr))] max-md:grid-cols-1 gap-3.5">
              {all.map((vet) => (
                <VetItem key={vet.id} vet={vet} onEdit={() => setEditing(vet)} />
              ))}
            </ul>
          )
        }
      </Waiting>
      {editing && <VetDialog vet={live} onClose={() => setEditing(null)} />}
    </div>
  );
}

const VetItem = ({ vet, onEdit }: { readonly vet: VetView; readonly onEdit: () => void }) => (
  <li className="bg-surface border border-line rounded-card px-4.5 py-4 flex flex-col gap-1">
    <div className="flex items-start justify-between gap-3">
      <div>
        <h2>{vet.name}</h2>
        {vet.practice && <p>{vet.practice}</p>}
      </div>
      <Button look="quiet" onClick={onEdit} aria-label={`Change ${vet.name}`}>
        Change
      </Button>
    </div>
    {vet.phone && (
      <a href={`tel:${vet.phone.replaceAll(/[^\d+]/g, '')}`} className="text-pond underline self-start py-1">
        {vet.phone}
      </a>
    )}
    {vet.email && <p>{vet.email}</p>}
    {vet.address && <p className="text-soft">{vet.address}</p>}
    {vet.note && <p className="text-soft">{vet.note}</p>}
    <p className="text-sm text-soft mt-1">
      {vet.dogs === 0 ? 'no dog of ours' : vet.dogs === 1 ? '1 dog of ours' : `${vet.dogs} dogs of ours`}{' '}
      {vet.archivedOn && <Chip>archived</Chip>}
    </p>
  </li>
);

function VetDialog({ vet, onClose }: { readonly vet: VetView | null; readonly onClose: () => void }) {
  const draft = useDraft(vet ? { version: vet.version, form: pick(vet) } : fresh(NO_VET), {
    as: (form) => form,
    fits: vetFields,
  });
  const save = useWrite(['POST /api/vets', 'PUT /api/vets/:id'], {
    form: draft,
    write: async (id, { archived, ...fields }: VetFields & { archived: boolean }) => {
      await (vet
        ? call('PUT /api/vets/:id', { id: vet.id, body: { ...fields, version: draft.version, archived } })
        : call('POST /api/vets', { body: { id, ...fields } }));
    },
    onSuccess: (_, { name }) => {
      tell(`${name} is kept.`);
      onClose();
    },
  });
  const isAway = vet !== null && vet.archivedOn !== null;
  return (
    <Dialog open onClose={onClose} title={vet ? vet.name : 'New vet'}>
      <form
        onSubmit={draft.submit((fields) => save.mutate({ ...fields, archived: isAway }))}
        noValidate
        className="grid grid-cols-2 gap-4"
      >
        <div className="col-span-2 empty:hidden">
          <Conflict draft={draft} what="this vet" names={VET_FIELDS} show={(key, of) => of[key]} />
        </div>
        {(Object.keys(VET_FIELDS) as (keyof VetFields)[]).map((key) => (
          <div key={key} className={key === 'address' || key === 'note' ? 'col-span-2' : undefined}>
            <TextField label={VET_FIELDS[key]} autoComplete="off" {...draft.field(key)} />
          </div>
        ))}
        <FormFoot draft={draft} disabled={save.isPending}>
          {vet && (
            <Button
              look="quiet"
              disabled={save.isPending}
              onClick={() => save.mutate({ ...draft.form, archived: !isAway })}
            >
              {isAway ? 'Bring back' : 'Archive'}
            </Button>
          )}
        </FormFoot>
      </form>
    </Dialog>
  );
}

const pick = ({ name, practice, phone, email, address, note }: VetView): VetFields => ({
  name,
  practice,
  phone,
  email,
  address,
  note,
});
