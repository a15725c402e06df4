import { newBranch, type BodyOf, type BranchView } from '@dewpond/contract';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { FormFoot } from '../../../forms/FormFoot';
import { fresh, useDraft } from '../../../forms/useDraft';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { tell } from '../../../ui/tell';

interface BranchDialogProps {
  /** None: a new one. */
  readonly its?: BranchView;
  readonly onClose: () => void;
}

/** Name and kind of a salon or van, new or known. */
export function BranchDialog({ its, onClose }: BranchDialogProps) {
  const draft = useDraft(fresh({ name: its?.name ?? '', kind: its?.kind ?? ('van' as const) }), {
    as: (form) => form,
    fits: newBranch.omit({ id: true }),
  });
  const save = useWrite(its ? 'PUT /api/branches/:id' : 'POST /api/branches', {
    form: draft,
    write: async (id, body: Omit<BodyOf<'POST /api/branches'>, 'id'>) => {
      if (its) await call('PUT /api/branches/:id', { id: its.id, body: { ...body, version: its.version } });
      else await call('POST /api/branches', { body: { ...body, id } });
    },
    onSuccess: (_, { name }) => {
      tell(its ? `${name}: kept.` : `${name} is there. Say which dogs and people belong to it.`);
      onClose();
    },
  });
  return (
    <Dialog
      open
      onClose={onClose}
      title={its ? its.name : 'A salon or a van'}
      says={`It has its own day, weeks and shelf. Its name is what hours say: “9-16 ${draft.form.name.trim() || 'Coracle'}”.`}
    >
      <form onSubmit={draft.submit((body) => save.mutate(body))} noValidate className="flex flex-col gap-4">
        <TextField label="Name" autoFocus autoComplete="off" maxLength={60} {...draft.field('name')} />
        <SelectField
          label="What it is"
          hint={
            draft.form.kind === 'van'
              ? 'It goes to its dogs: every visit has the driving, and nothing of a salon.'
              : 'Its dogs come to it: tables, tubs and dryers are its own.'
          }
          {...draft.field('kind')}
        >
          <option value="salon">a salon</option>
          <option value="van">a van</option>
        </SelectField>
        <FormFoot draft={draft} disabled={save.isPending} does={its ? 'Keep' : 'Add it'} />
      </form>
    </Dialog>
  );
}
