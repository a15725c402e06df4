import { useOwnWork } from '../../data/device';
import { namePlace } from '@dewpond/core/places';
import { endings } from '@dewpond/core/stops';
import { contactsCutShort, blockers, neededNothing, notLookedAt } from '@dewpond/core/visit';
import { useState } from 'react';
import { useKeys } from '../../browser/keys';
import { Button } from '../../ui/Button';
import { ButtonLink } from '../../ui/ButtonLink';
import { MarksToKeep } from './ShowsToday';
import type { TableWork } from './useTable';
import { record } from './visitLog';

/** Nothing left to do: what the record will say, and the close. */
export function CloseVisit({ table }: { readonly table: TableWork }) {
  const { state, steps, places, bars } = table;
  const [note, setNote] = useState('');
  const refusals = useOwnWork(({ refused }) => refused);
  const trouble = refusals.find(
    ({ visitId, what }) => visitId === table.visit.id && typeof what !== 'string' && what.type === 'closed',
  )?.words;
  const wentHome = state.away?.back === null;
  const how = endings(bars).length === 0 && !wentHome ? 'finished' : 'ended early';
  const open = blockers(state, steps, how);
  const missing = notLookedAt(state, places);
  const short = contactsCutShort(state.timers);
  const spared = steps.filter((step) => neededNothing(state, step)).length;
  const skipped = Object.values(state.steps).filter((mark) => mark.kind === 'skipped').length - spared;
  const close = () => {
    if (open.length > 0) return;
    record(...(note.trim() ? [{ type: 'noted' as const, text: note.trim() }] : []), { type: 'closed', how });
  };
  useKeys([{ keys: 'Enter', does: 'Close the visit', run: close }]);
  if (state.closed !== null) return <ClosedHere />;
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
        {spared > 0 && <li>{spared} looked at, nothing needed.</li>}
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
      <MarksToKeep table={table} />
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

/** Closed on this device; the server has not all of it yet, and the sheet is made there. */
const ClosedHere = () => (
  <div className="max-w-2xl flex flex-col gap-4">
    <h1 className="text-[42px]!">Closed on this device</h1>
    <p className="text-xl">
      The server gets it as soon as there is a network, and makes the owner sheet then. Nothing is lost if you close
      this page.
    </p>
    <ButtonLink to="/" look="main" className="min-h-16! text-xl self-start px-8!">
      To the next dog
    </ButtonLink>
  </div>
);
