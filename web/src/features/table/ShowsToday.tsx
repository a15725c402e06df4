import { ALL_SHOWN, BY_CLOCKS, SHOWN, shownRefused } from '@dewpond/core/dog';
import { COMMON_PRACTICE } from '@dewpond/core/provenance';
import { worthAMark } from '@dewpond/core/visit';
import { X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { SourceMark } from '../../ui/SourceMark';
import { TiredToday } from './TiredToday';
import type { TableWork } from './useTable';
import { record } from './visitLog';

/** How the dog shows itself today, with what is done about it from now on; two taps, and the steps follow at once. */
export function ShowsToday({ table }: { readonly table: TableWork }) {
  const [asking, setAsking] = useState(false);
  const { shown } = table.state;
  return (
    <section aria-label="How it shows itself today" className="flex flex-col gap-2">
      {shown.map((what) => (
        <div key={what} className="flex items-stretch rounded-xl border border-watch bg-watch-pale overflow-hidden">
          <p className="flex-1 px-3 py-2 leading-snug">
            <b>{SHOWN[what].name}.</b> {SHOWN[what].does} <SourceMark source={COMMON_PRACTICE} />
          </p>
          <button
            type="button"
            aria-label={`Take back: ${SHOWN[what].name}`}
            className="w-14 shrink-0 grid place-items-center border-l border-watch"
            onClick={() => record({ type: 'shows today', what, yes: false })}
          >
            <X size={20} aria-hidden />
          </button>
        </div>
      ))}
      <TiredToday table={table} />
      <Button look="quiet" className="min-h-14!" onClick={() => setAsking(true)}>
        Today it…
      </Button>
      {asking && <Ask table={table} onClose={() => setAsking(false)} />}
    </section>
  );
}

function Ask({ table, onClose }: { readonly table: TableWork; readonly onClose: () => void }) {
  return (
    <Dialog
      open
      onClose={onClose}
      title={`How is ${table.visit.dog.name} today?`}
      says="The steps follow at once."
      tall
    >
      <div className="flex flex-col gap-2">
        {ALL_SHOWN.filter((what) => !table.state.shown.includes(what) && !BY_CLOCKS.includes(what)).map((what) => {
          const refused = shownRefused(table.facts, what);
          return (
            <Button
              key={what}
              className="min-h-16! py-2.5! gap-0.5! text-lg flex-col! items-start! text-left"
              disabled={refused !== null}
              onClick={() => {
                record({ type: 'shows today', what, yes: true });
                onClose();
              }}
            >
              <span>{SHOWN[what].name}</span>
              <span className="text-sm font-normal leading-snug">{refused ?? SHOWN[what].does}</span>
            </Button>
          );
        })}
      </div>
    </Dialog>
  );
}

/** What showed before, too, and stands nowhere on the dog yet: offered at the close, one tap each. */
export function MarksToKeep({ table }: { readonly table: TableWork }) {
  const { shown, marksKept } = table.state;
  const offered = worthAMark(table.visit, shown);
  if (offered.length === 0) return null;
  return (
    <section aria-label="Write it on the dog?" className="flex flex-col gap-2">
      <p className="text-lg">It was so before, too. Write it on the dog?</p>
      {offered.map((what) => (
        <Button
          key={what}
          look={marksKept.includes(what) ? 'main' : 'plain'}
          className="min-h-15! text-lg"
          disabled={marksKept.includes(what)}
          onClick={() => record({ type: 'mark kept', what })}
        >
          {marksKept.includes(what) ? `Written: ${SHOWN[what].mark}` : SHOWN[what].mark}
        </Button>
      ))}
    </section>
  );
}
