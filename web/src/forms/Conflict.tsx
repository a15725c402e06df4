import { useState } from 'react';
import type { FieldClash } from './clashes';
import type { FormDraft } from './useDraft';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { OneOf } from '../ui/OneOf';

interface ConflictProps<Form extends object> {
  readonly draft: Pick<FormDraft<Form>, 'clashes' | 'form' | 'takeOver'>;
  /** "this product" */
  readonly what: string;
  readonly names: Readonly<Record<keyof Form, string>>;
  /** A field as one reads it. */
  readonly show: (field: keyof Form, form: Form) => string;
}

/** Someone else changed the same thing meanwhile: both are shown, and one chooses field by field. Nothing typed is lost. */
export function Conflict<Form extends object>({ draft, what, names, show }: ConflictProps<Form>) {
  const [open, setOpen] = useState(false);
  const { clashes } = draft;
  if (clashes === null) return null;
  return (
    <>
      <div role="alert" className="rounded-xl bg-watch-pale text-watch px-4 py-2 flex flex-wrap items-center gap-3">
        <span className="font-semibold flex-1 basis-64">
          Someone else changed {what} meanwhile. What you typed is still here.
        </span>
        {clashes.length === 0 ? (
          <Button onClick={() => draft.takeOver([])}>Add theirs to mine</Button>
        ) : (
          <Button onClick={() => setOpen(true)}>Compare</Button>
        )}
      </div>
      {open && (
        <Compare
          clashes={clashes}
          form={draft.form}
          names={names}
          show={show}
          what={what}
          onClose={() => setOpen(false)}
          onChoose={(mine) => {
            setOpen(false);
            draft.takeOver(mine);
          }}
        />
      )}
    </>
  );
}

interface CompareProps<Form extends object> extends Omit<ConflictProps<Form>, 'draft'> {
  readonly clashes: readonly FieldClash<Form>[];
  readonly form: Form;
  readonly onClose: () => void;
  readonly onChoose: (mine: readonly (keyof Form)[]) => void;
}

function Compare<Form extends object>({ clashes, form, names, show, what, onClose, onChoose }: CompareProps<Form>) {
  const [mine, setMine] = useState<readonly (keyof Form)[]>(clashes.map(({ field }) => field));
  const choose = (field: keyof Form, own: boolean) =>
    setMine(own ? [...mine, field] : mine.filter((each) => each !== field));
  return (
    <Dialog
      open
      onClose={onClose}
      title="Two changes of one thing"
      says={`You and someone else both changed ${what}. Choose for each field; all else is taken from both.`}
    >
      <ul className="flex flex-col gap-4">
        {clashes.map(({ field, theirs }) => {
          return (
            <li key={String(field)}>
              <p className="font-semibold mb-1">{names[field]}</p>
              <OneOf
                label={names[field]}
                className="grid grid-cols-2 max-md:grid-cols-1 gap-2"
                card="px-3 py-2 min-h-14 min-w-0 flex flex-col items-start"
                chosen={mine.includes(field) ? 'mine' : 'theirs'}
                onChoose={(whose) => choose(field, whose === 'mine')}
                options={[
                  { key: 'mine', shows: <Side whose="Yours" words={show(field, form)} /> },
                  { key: 'theirs', shows: <Side whose="Theirs" words={show(field, { ...form, [field]: theirs })} /> },
                ]}
              />
            </li>
          );
        })}
      </ul>
      <div className="flex justify-end mt-5">
        <Button look="main" onClick={() => onChoose(mine)}>
          Go on with these
        </Button>
      </div>
    </Dialog>
  );
}

const Side = ({ whose, words }: { readonly whose: string; readonly words: string }) => (
  <>
    <span className="block text-sm text-soft">{whose}</span>
    <span className="block font-semibold whitespace-pre-line break-words">{words === '' ? 'nothing' : words}</span>
  </>
);
