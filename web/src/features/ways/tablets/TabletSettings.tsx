import { tabletEdit, type TabletView } from '@dewpond/contract';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { Conflict } from '../../../forms/Conflict';
import { FormFoot } from '../../../forms/FormFoot';
import { useDraft } from '../../../forms/useDraft';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';

const MINUTES = [1, 2, 3, 5, 10, 20];

interface TabletForm {
  readonly name: string;
  readonly lockAfterMin: string;
}
const said = ({ name, lockAfterMin }: TabletForm) => ({ name, lockAfterMin: Number(lockAfterMin) });

/** What a shared tablet is called, and how soon it locks. */
export function TabletSettings({ its, onClose }: { readonly its: TabletView; readonly onClose: () => void }) {
  const draft = useDraft(
    { version: its.version, form: { name: its.name, lockAfterMin: String(its.lockAfterMin) } },
    { as: (form: TabletForm) => ({ version: 1, ...said(form) }), fits: tabletEdit },
  );
  const save = useWrite('PUT /api/tablets/:id', {
    write: (_, form: ReturnType<typeof said>) =>
      call('PUT /api/tablets/:id', { id: its.id, body: { ...form, version: draft.version } }),
    form: draft,
    onSuccess: onClose,
  });
  return (
    <Dialog open onClose={onClose} title={its.name}>
      <form onSubmit={draft.submit((body) => save.mutate(body))} className="grid grid-cols-2 max-md:grid-cols-1 gap-4">
        <Conflict
          draft={draft}
          names={{ name: 'Name', lockAfterMin: 'Locks after' }}
          show={(field, its) => its[field]}
          what="this tablet"
        />
        <TextField label="Name" {...draft.field('name')} />
        <SelectField label="Locks after" {...draft.field('lockAfterMin')}>
          {MINUTES.map((minutes) => (
            <option key={minutes} value={minutes}>
              {minutes === 1 ? 'a minute' : `${minutes} minutes`} without a touch
            </option>
          ))}
        </SelectField>
        <FormFoot draft={draft} disabled={save.isPending || !draft.isTyped} />
      </form>
    </Dialog>
  );
}
