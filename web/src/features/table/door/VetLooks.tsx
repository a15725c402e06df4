import { lookDay, lookDays, vetLookTold, vetLooksDue, type VetLookDue } from '@dewpond/core/due';
import { COMMON_PRACTICE } from '@dewpond/core/provenance';
import type { Day } from '@dewpond/core/units';
import { useState } from 'react';
import { v7 } from 'uuid';
import { Button } from '../../../ui/Button';
import { SourceMark } from '../../../ui/SourceMark';
import type { TableWork } from '../useTable';
import { record } from '../visitLog';
import { showDay } from '../../../browser/times';
import { DayField } from '../../../forms/DayField';

/** Looks of a vet that are wanted regularly: when the last one was is asked, kept, and then it is not due. */
export function VetLooks({ table }: { readonly table: TableWork }) {
  const due = vetLooksDue(table.plan, table.facts.instructions, table.visit.day);
  if (due.length === 0) return null;
  return (
    <section aria-label="Seen by a vet" className="mb-4">
      <h2 className="text-lg! font-semibold mb-1.5 flex items-center gap-1">
        Seen by a vet?
        <SourceMark
          roomy
          source={COMMON_PRACTICE}
          because="Twice a year is usual; no date, no harm: it is asked again."
        />
      </h2>
      <ul className="flex flex-col gap-2">
        {due.map((each) => (
          <Look key={each.task} look={each} today={table.visit.day} />
        ))}
      </ul>
    </section>
  );
}

function Look({ look: { task, name, last }, today }: { readonly look: VetLookDue; readonly today: Day }) {
  const [on, setOn] = useState('');
  const day = lookDay(on, today);
  return (
    <li className="flex flex-wrap items-end gap-2 rounded-xl border border-line bg-surface px-3 py-2">
      <span className="flex-1 min-w-40 self-center">
        <span className="block font-semibold leading-tight">{name}</span>
        <span className="block text-sm text-soft leading-tight">
          {last ? `last ${showDay(last)}` : 'not known when'}
        </span>
      </span>
      <DayField
        label="When"
        aria-label={`${name}: when`}
        min={lookDays(today).first}
        max={today}
        className="min-h-14"
        value={on}
        onChange={(event) => setOn(event.target.value)}
      />
      <Button
        className="min-h-14!"
        disabled={day === null}
        aria-label={`Keep: ${name}`}
        onClick={() => day !== null && record({ type: 'word told', word: vetLookTold(v7(), { task, on: day }) })}
      >
        Keep
      </Button>
    </li>
  );
}
