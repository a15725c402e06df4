import { inUse, USES, type InUse } from '@dewpond/core/dog';
import { namePlace } from '@dewpond/core/places';
import { COMMON_PRACTICE } from '@dewpond/core/provenance';

import { Milk, Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../../ui/Button';
import { SourceMark } from '../../../ui/SourceMark';
import type { TableWork } from '../useTable';
import { record } from '../visitLog';
import { BroughtDialog } from './BroughtDialog';
import { UseDialog } from './UseDialog';
import { showDay } from '../../../browser/times';

/** What the dog gets and what its owner uses on it at home, each with what follows; one tap ends it, two add to it. */
export function InUseList({ table }: { readonly table: TableWork }) {
  const [asking, setAsking] = useState<'use' | 'bottle' | null>(null);
  const list = inUse(table.facts);
  return (
    <section aria-label="What it gets and what is used at home" className="mb-4">
      <h2 className="text-lg! font-semibold mb-1.5 flex items-center gap-1">
        What it gets, and what is used at home
        <SourceMark roomy source={COMMON_PRACTICE} because="What follows from each." />
      </h2>
      {list.length === 0 && <p className="text-soft mb-1.5">Nothing on record.</p>}
      <ul className="flex flex-col gap-1.5">
        {list.map((each) => (
          <InUseRow key={each.id} use={each} />
        ))}
      </ul>
      <div className="flex flex-wrap gap-2 mt-2">
        <Button className="min-h-15! text-lg" onClick={() => setAsking('use')}>
          <Plus size={20} aria-hidden /> Something new
        </Button>
        <Button className="min-h-15! text-lg" onClick={() => setAsking('bottle')}>
          <Milk size={20} aria-hidden /> A bottle was brought
        </Button>
      </div>
      {asking === 'use' && <UseDialog table={table} onClose={() => setAsking(null)} />}
      {asking === 'bottle' && <BroughtDialog table={table} onClose={() => setAsking(null)} />}
    </section>
  );
}

function InUseRow({ use: { id, what, name, place, who, from, until } }: { readonly use: InUse }) {
  const { name: kind, follows, asksVet } = USES[what];
  return (
    <li className="flex items-stretch rounded-xl border border-line bg-surface overflow-hidden">
      <span className="flex-1 min-w-0 px-3 py-2">
        <span className="block font-semibold leading-tight">
          {kind}
          {name !== '' && `: ${name}`}
          {place && `, ${namePlace(place)}`}
        </span>
        <span className="block text-sm text-soft leading-tight">
          {who}, since {showDay(from)}
          {until && `, until ${showDay(until)}`}
        </span>
        <span className="block text-sm leading-snug mt-0.5">
          {follows}
          {asksVet && <span className="block text-watch font-semibold">Ask its vet: {asksVet}</span>}
        </span>
      </span>
      <button
        type="button"
        aria-label={`No longer: ${kind}${name === '' ? '' : `, ${name}`}`}
        onClick={() => record({ type: 'word ended', word: id })}
        className="w-24 shrink-0 min-h-15 border-l border-line font-semibold hover:bg-pond-pale"
      >
        No longer
      </button>
    </li>
  );
}
