import { namePlace } from '@dewpond/core/places';
import { endsVisit, hindrances, notLookedAt, ranFull } from '@dewpond/core/visit';
import { useState } from 'react';
import { useKeys } from '../../app/keys';
import { Button } from '../../ui/Button';
import type { Table } from './useTable';
import { record, useVisitLog } from './visitLog';

/** Nothing left to do: what the record will say, and the close. */
export function CloseVisit({ table }: { readonly table: Table }) {
  const { state, steps, places, judged } = table;
  const [note, setNote] = useState('');
  const trouble = useVisitLog((log) => log.trouble);
  const how = endsVisit(judged) === null ? 'finished' : 'ended early';
  const open = hindrances(state, steps, how);
  const missing = notLookedAt(state, places);
  const short = state.timers.filter((timer) => ranFull(timer) === false && timer.timer.startsWith('contact'));
  const skipped = Object.values(state.steps).filter((mark) => mark.kind === 'skipped').length;
  const close = () => {
    if (open.length > 0) return;
    record(...(note.trim() ? [{ type: 'noted' as const, text: note.trim() }] : []), { type: 'closed', how });
  };
  useKeys([{ keys: 'Enter', does: 'Close the visit', run: close }]);
  return (
    <div className="max-w-2xl flex flex-col gap-4">
      <h1 className="text-[42px]!">{how === 'finished' ? 'All done' : 'The visit ends here'}</h1>
      <ul className="text-lg flex flex-col gap-1">
        <li>
          {state.findings.length === 0
            ? 'Nothing found; everything looked at was clear.'
            : `${state.findings.length} ${state.findings.length === 1 ? 'finding' : 'findings'} on record.`}
        </li>
        {missing.length > 0 && (
          <li className="text-watch font-semibold">Not looked at: {missing.map(namePlace).join(', ')}.</li>
        )}
        {short.length > 0 && <li className="text-watch font-semibold">Contact time not reached: it is recorded.</li>}
        {skipped > 0 && <li>{skipped} skipped, with reasons.</li>}
        {state.used.length === 0 && steps.some((step) => step.stage === 'wash 1' && step.barred === null) && (
          <li className="text-soft">No amount noted: the plan learns nothing from this bath.</li>
        )}
      </ul>
      {open.map(({ words }) => (
        <p key={words} role="alert" className="rounded-xl bg-stop-pale text-stop font-semibold px-4 py-3">
          {words}
        </p>
      ))}
      {trouble && open.length === 0 && (
        <p role="alert" className="rounded-xl bg-stop-pale text-stop font-semibold px-4 py-3">
          {trouble}
        </p>
      )}
      <label className="flex flex-col gap-1">
        <span className="font-semibold">A word for the record (not on the owner sheet)</span>
        <textarea
          value={note}
          onChange={(event) => setNote(event.target.value)}
          maxLength={2000}
          rows={2}
          className="rounded-xl border border-line bg-surface px-3 py-2"
        />
      </label>
      <Button look="main" className="min-h-20! text-2xl" disabled={open.length > 0} onClick={close}>
        Close the visit, make the owner sheet
      </Button>
    </div>
  );
}
