import type { SheetView } from '@dewpond/contract';
import type { LineEdit, SheetEdits } from '@dewpond/core/sheet';
import { call } from '../../../api/call';
import { changeTo } from '../../../forms/clashes';
import { useSavedAtOnce } from '../../../forms/useSavedAtOnce';

type Own = SheetEdits['added'][number];
type LineField = `line ${string}`;
type OwnField = `own ${string}`;

/** A hand on a sheet, sentence by sentence and line by line: two hands on two of them do not meet. */
export type SheetEditing = Readonly<Record<LineField, LineEdit | undefined>> &
  Readonly<Record<OwnField, Own | undefined>> &
  Pick<SheetEdits, 'photos'>;

const lineField = (key: string): LineField => `line ${key}`;
const ownField = (id: string): OwnField => `own ${id}`;

const editingOf = ({ lines, added, photos }: SheetEdits): SheetEditing => ({
  ...Object.fromEntries(Object.entries(lines).map(([key, edit]) => [lineField(key), edit])),
  ...Object.fromEntries(added.map((own) => [ownField(own.id), own])),
  photos,
});

const isLine = (edit: LineEdit | Own): edit is LineEdit => 'made' in edit;

function editsOf({ photos, ...sentences }: SheetEditing): SheetEdits {
  const lines = Object.entries(sentences as Record<string, LineEdit | Own | undefined>);
  return {
    lines: Object.fromEntries(
      lines.flatMap(([field, edit]) =>
        edit && isLine(edit) ? [[field.slice(lineField('').length), edit] as const] : [],
      ),
    ),
    added: lines.flatMap(([, edit]) => (edit && !isLine(edit) ? [edit] : [])),
    photos,
  };
}

/** The hand on a sheet: shown at once, kept at the server, undone by one tap. */
export function useSheetEdits(view: SheetView) {
  const theirs = editingOf(view.edits);
  const saving = useSavedAtOnce<SheetEditing>({ version: view.version, form: theirs }, 'PUT /api/visits/:id/sheet', {
    keep: (editing, version) => {
      const { added, photos, ...edits } = editsOf(editing);
      const body = { version, edits: { ...edits, added: [...added], photos: [...photos] } };
      return call('PUT /api/visits/:id/sheet', { id: view.visitId, body });
    },
    says: 'Kept.',
  });
  const edits = editsOf(saving.form);
  return {
    saving,
    edits,
    names: { ...namesOf(theirs), ...namesOf(saving.form) },
    change: (to: SheetEdits) => saving.change(changeTo(saving.form, editingOf(to))),
  };
}

/** A field of the hand as one reads it. */
export function showEdited(field: keyof SheetEditing, edits: SheetEditing): string {
  if (field === 'photos') return edits.photos.length === 1 ? '1 picture' : `${edits.photos.length} pictures`;
  const edit = edits[field];
  if (!edit) return field.startsWith(lineField('')) ? 'as made' : 'left out';
  return edit.words ?? 'left out';
}

/** Each field by what stands there as made. */
const namesOf = (edits: SheetEditing): Readonly<Record<keyof SheetEditing, string>> => {
  const { lines, added } = editsOf(edits);
  return {
    ...Object.fromEntries(Object.entries(lines).map(([key, { made }]) => [lineField(key), made])),
    ...Object.fromEntries(added.map(({ id }) => [ownField(id), 'A line of your own'])),
    photos: 'Pictures for the owner',
  };
};
