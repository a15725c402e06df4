import type { SheetView } from '@dewpond/contract';
import type { LineEdit, SheetEdits } from '@dewpond/core/sheet';
import { call } from '../../api/call';
import { changeTo } from '../../app/clashes';
import { useKeptAtOnce } from '../../app/useKeptAtOnce';

type LineField = `line ${string}`;

/** A hand on a sheet, sentence by sentence: two hands on two sentences do not meet. */
export type SheetHand = Readonly<Record<LineField, LineEdit | undefined>> & Pick<SheetEdits, 'added' | 'photos'>;

const lineField = (key: string): LineField => `line ${key}`;

const handOf = ({ lines, added, photos }: SheetEdits): SheetHand => ({
  ...Object.fromEntries(Object.entries(lines).map(([key, edit]) => [lineField(key), edit])),
  added,
  photos,
});

function editsOf({ added, photos, ...lines }: SheetHand): SheetEdits {
  const edits = Object.entries(lines as Record<LineField, LineEdit | undefined>).flatMap(([field, edit]) =>
    edit ? [[field.slice(lineField('').length), edit] as const] : [],
  );
  return { lines: Object.fromEntries(edits), added, photos };
}

/** The hand on a sheet: shown at once, kept at the office, undone by one tap. */
export function useSheetHand(view: SheetView) {
  const theirs = handOf(view.edits);
  const kept = useKeptAtOnce<SheetHand>({ version: view.version, form: theirs }, 'PUT /api/visits/:id/sheet', {
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
    change: (to: SheetEdits) => kept.change(changeTo(kept.form, handOf(to))),
  };
}

/** A field of the hand as one reads it. */
export function showHand(field: keyof SheetHand, hand: SheetHand): string {
  if (field === 'added') return hand.added.map(({ words }) => words).join('\n');
  if (field === 'photos') return hand.photos.length === 1 ? '1 picture' : `${hand.photos.length} pictures`;
  const edit = hand[field];
  return edit ? (edit.words ?? 'left out') : 'as made';
}

/** Each field by what stands there as made. */
const namesOf = (hand: SheetHand): Readonly<Record<keyof SheetHand, string>> => ({
  ...Object.fromEntries(
    Object.entries(hand).flatMap(([field, edit]) =>
      field.startsWith(lineField('')) && edit && 'made' in edit ? [[field, edit.made]] : [],
    ),
  ),
  added: 'Lines of your own',
  photos: 'Pictures for the owner',
});
