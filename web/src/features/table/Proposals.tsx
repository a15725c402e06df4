import { proposals, type Proposal } from '@dewpond/core/visit';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { SourceMark } from '../../ui/SourceMark';
import { AskOwner } from './AskOwner';
import type { TableWork } from './useTable';

/** What the findings so far ask for: a change of plan, and whom to ask first. */
export function Proposals({ table }: { readonly table: TableWork }) {
  const [asking, setAsking] = useState<Proposal | 'own' | null>(null);
  const open = proposals(table.state, table.judged, table.facts.services);
  const asked = table.state.asked;
  return (
    <section aria-label="Change of plan" className="flex flex-col gap-2">
      {open.map((each) => (
        <div key={each.id} className="rounded-xl border border-watch bg-watch-pale px-3 py-2 leading-snug">
          <p>
            {each.words} <SourceMark source={each.source} because={each.words} />
          </p>
          {each.ask !== null && (
            <Button className="min-h-14! w-full mt-1.5" onClick={() => setAsking(each)}>
              Ring the owner
            </Button>
          )}
        </div>
      ))}
      {asked.map((each) => (
        <p key={each.by.id} className="text-sm leading-snug">
          <b>{each.who}</b>: {each.answer}
          {each.words !== '' && `, “${each.words}”`} <span className="text-soft">to “{each.question}”</span>
        </p>
      ))}
      <Button look="quiet" className="min-h-14!" onClick={() => setAsking('own')}>
        Ask the owner something
      </Button>
      {asking !== null && (
        <AskOwner table={table} proposal={asking === 'own' ? null : asking} onClose={() => setAsking(null)} />
      )}
    </section>
  );
}
