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
  const hands = Object.entries(sentences as Record<string, LineEdit | Own | undefined>);
  return {
    lines: Object.fromEntries(
      hands.flatMap(([field, edit]) =>
        edit && isLine(edit) ? [[field.slice(lineField('').length), edit] as const] : [],
      ),
    ),
    added: hands.flatMap(([, edit]) => (edit && !isLine(edit) ? [edit] : [])),
    photos,
  };
}

/** The hand on a sheet: shown at once, kept at the server, undone by one tap. */
export function useSheetEdits(view: SheetView) {
  const theirs = editingOf(view.edits);
  const kept = useSavedAtOnce<SheetEditing>({ version: view.version, form: theirs }, 'PUT /api/visits/:id/sheet', {
    keep: (hand, version) => {
      const { added, photos, ...edits } = editsOf(hand);
      const body = { version, edits: { ...edits, added: [...added], photos: [...photos] } };
      return call('PUT /api/visits/:id/sheet', { id: view.visitId, body });
    },
    says: 'Kept.',
  });
  const edits = editsOf(kept.form);
  return {
    kept,
    edits,
    names: { ...namesOf(theirs), ...namesOf(kept.form) },
    change: (to: SheetEdits) => kept.change(changeTo(kept.form, editingOf(to))),
  };
}

/** A field of the hand as one reads it. */
export function showEdited(field: keyof SheetEditing, hand: SheetEditing): string {
  if (field === 'photos') return hand.photos.length === 1 ? '1 picture' : `${hand.photos.length} pictures`;
  const edit = hand[field];
  if (!edit) return field.startsWith(lineField('')) ? 'as made' : 'left out';
  return edit.words ?? 'left out';
}

/** Each field by what stands there as made. */
const namesOf = (hand: SheetEditing): Readonly<Record<keyof SheetEditing, string>> => {
  const { lines, added } = editsOf(hand);
  return {
    ...Object.fromEntries(Object.entries(lines).map(([key, { made }]) => [lineField(key), made])),
    ...Object.fromEntries(added.map(({ id }) => [ownField(id), 'A line of your own'])),
    photos: 'Pictures for the owner',
  };
};
