import type { SheetView } from '@dewpond/contract';
import type { SheetEdits } from '@dewpond/core/sheet';
import { useState } from 'react';
import { Refused, call } from '../../api/call';
import { queryClient } from '../../api/queries';
import { tell } from '../../ui/toasts';

/** The hand on a sheet: shown at once, kept at the office, undone by one tap. */
export function useSheetHand(view: SheetView) {
  const [mine, setMine] = useState<{ readonly edits: SheetEdits; readonly version: number } | null>(null);
  const stands = mine && mine.version >= view.version ? mine : { edits: view.edits, version: view.version };
  const write = async (edits: SheetEdits, before: { readonly edits: SheetEdits; readonly version: number }) => {
    setMine({ edits, version: before.version });
    try {
      const { version } = await call('PUT /api/visits/:id/sheet', {
        id: view.visitId,
        body: { version: before.version, edits: { ...edits, added: [...edits.added], photos: [...edits.photos] } },
      });
      const now = { edits, version };
      setMine(now);
      tell('Kept.', { undo: () => void write(before.edits, now) });
    } catch (error) {
      setMine(null);
      if (error instanceof Refused && error.status === 409)
        await queryClient.invalidateQueries({ queryKey: ['sheet'] });
      tell(error instanceof Error ? error.message : 'Not kept.', { tone: 'stop' });
    }
  };
  return { edits: stands.edits, change: (edits: SheetEdits) => void write(edits, stands) };
}
