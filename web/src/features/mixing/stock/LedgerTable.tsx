import type { StockEntryView } from '@dewpond/contract';

import { useState } from 'react';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { showStock } from './stockWords';
import { showDay } from '../../../browser/times';

/** Newest entries shown at first. */
const FIRST = 8;

const WORDS: Readonly<Record<StockEntryView['kind'], string>> = {
  delivery: 'delivery',
  count: 'count',
  use: 'visit',
  mixed: 'mixed',
  waste: 'waste',
  correction: 'correction',
  moved: 'moved',
};

/** The ledger of a product, newest first. */
export function LedgerTable({ entries }: { readonly entries: readonly StockEntryView[] }) {
  const units = useUnits();
  const [all, setAll] = useState(false);
  const shown = all ? entries : entries.slice(0, FIRST);
  if (entries.length === 0) return <p className="text-soft">Nothing entered yet.</p>;
  return (
    <>
      <table className="w-full text-sm">
        <thead className="text-soft text-left">
          <tr>
            <th className="font-semibold py-1">Day</th>
            <th className="font-semibold">What</th>
            <th className="font-semibold text-right">Change</th>
            <th className="font-semibold text-right">Then there</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((entry) => (
            <tr key={entry.id} className="border-t border-line align-baseline">
              <td className="py-1.5 whitespace-nowrap pr-3">{showDay(entry.day)}</td>
              <td>
                {WORDS[entry.kind]}
                {entry.about && ` ${entry.kind === 'use' ? 'of' : 'in'} ${entry.about}`}
                {entry.lot && `, lot ${entry.lot}`}
                <span className="text-soft">
                  {entry.by !== 'Dewpond' && `, ${entry.by}`}
                  {entry.reason !== '' && (entry.kind === 'moved' || entry.afterMl < 0) && `: ${entry.reason}`}
                </span>
              </td>
              <td className="text-right whitespace-nowrap pl-3">
                {entry.ml > 0 && '+'}
                {showStock(entry.ml, units)}
              </td>
              <td className={`text-right whitespace-nowrap pl-3 ${entry.afterMl < 0 ? 'text-watch font-bold' : ''}`}>
                {showStock(entry.afterMl, units)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {entries.length > FIRST && !all && (
        <Button look="quiet" className="mt-2" onClick={() => setAll(true)}>
          {entries.length - FIRST} more
        </Button>
      )}
    </>
  );
}
