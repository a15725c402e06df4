import { nameBreeds } from '@dewpond/core/catalogue';
import type { MatchedRow, Verdict } from '@dewpond/core/importing';
import { HEAVIEST_DOG_KG, LIGHTEST_DOG_KG, kilograms, showWeight, type UnitSystem } from '@dewpond/core/units';
import { useState } from 'react';
import { useCatalogue } from '../../../data/useCatalogue';
import { useUnits } from '../../../data/useUnits';
import { Chip, type Tone } from '../../../ui/Chip';
import { LongTable, SHOWN_FROM } from '../../../ui/LongTable';
import { classes } from '../../../ui/classes';
import { locale } from '../../../browser/locale';

const VERDICTS: Readonly<Record<Verdict, { readonly words: string; readonly tone: Tone }>> = {
  new: { words: 'new owner', tone: 'good' },
  'new dog': { words: 'new dog of a known owner', tone: 'pond' },
  'in the book': { words: 'in the book already', tone: 'plain' },
  wrong: { words: 'cannot be taken', tone: 'stop' },
};
const ALL_VERDICTS = Object.keys(VERDICTS) as Verdict[];

/** A weight no dog has is shown as it was read: its row says what is wrong with it. */
const weightWords = (kg: number, units: UnitSystem): string =>
  kg === 0 ? '' : `, ${kg >= LIGHTEST_DOG_KG && kg <= HEAVIEST_DOG_KG ? showWeight(kilograms(kg), units) : `${kg} kg`}`;

interface RowTableProps {
  readonly rows: readonly MatchedRow[];
  /** Rows the person leaves out. */
  readonly left: ReadonlySet<number>;
  readonly onLeft: (left: ReadonlySet<number>) => void;
}

/** Every row with what becomes of it and why; rows that can be taken can be left out. */
export function RowTable({ rows, left, onLeft }: RowTableProps) {
  const [only, setOnly] = useState<Verdict | null>(null);
  const units = useUnits();
  const catalogue = useCatalogue();
  const shown = only === null ? rows : rows.filter((row) => row.verdict === only);
  const toggle = (row: number) => {
    const next = new Set(left);
    if (!next.delete(row)) next.add(row);
    onLeft(next);
  };
  return (
    <>
      <div role="group" aria-label="Show" className="flex flex-wrap gap-2">
        {ALL_VERDICTS.map((verdict) => {
          const count = rows.filter((row) => row.verdict === verdict).length;
          return (
            <button
              key={verdict}
              type="button"
              disabled={count === 0}
              aria-pressed={only === verdict}
              onClick={() => setOnly(only === verdict ? null : verdict)}
              className={classes(
                'rounded-full border px-4 min-h-11 font-semibold disabled:opacity-50',
                only === verdict ? 'bg-pond-pale border-pond text-pond' : 'border-line text-soft',
              )}
            >
              {VERDICTS[verdict].words} {count.toLocaleString(locale())}
            </button>
          );
        })}
      </div>
      <LongTable
        heads={['Take', { name: 'Row', from: 'tablet' }, 'Owner', 'Dog', 'What happens to it']}
        rows={shown}
        keyOf={(row) => String(row.row)}
        rowHeight={62}
        cells={(row) => (
          <>
            <td className="px-4 py-2 w-14">
              {(row.verdict === 'new' || row.verdict === 'new dog') && (
                <input
                  type="checkbox"
                  aria-label={`Take row ${row.row}`}
                  checked={!left.has(row.row)}
                  onChange={() => toggle(row.row)}
                  className="size-5 accent-pond"
                />
              )}
            </td>
            <td className={`px-4 py-2 text-soft tabular-nums w-16 ${SHOWN_FROM.tablet}`}>{row.row}</td>
            <td className="px-4 py-2">
              {row.owner.name || <span className="text-soft">no name</span>}
              <p className="text-sm text-soft">{row.owner.card.phones[0]?.number ?? row.owner.card.emails[0] ?? ''}</p>
            </td>
            <td className="px-4 py-2">
              {row.dog ? (
                <>
                  {row.dog.name}
                  <p className="text-sm text-soft">
                    {nameBreeds(row.dog.breeds, catalogue)}
                    {weightWords(row.dog.weightKg, units)}
                  </p>
                </>
              ) : (
                <span className="text-soft">no dog</span>
              )}
            </td>
            <td className="px-4 py-2">
              <Chip tone={VERDICTS[row.verdict].tone}>
                {row.verdict === 'new dog' && row.known ? `new dog of ${row.known.name}` : VERDICTS[row.verdict].words}
              </Chip>
              {row.wrong.map((words) => (
                <p key={words} className="text-sm text-stop font-semibold">
                  {words}
                </p>
              ))}
              {row.notes.map((words) => (
                <p key={words} className="text-sm text-soft">
                  {words}
                </p>
              ))}
            </td>
          </>
        )}
      />
    </>
  );
}
