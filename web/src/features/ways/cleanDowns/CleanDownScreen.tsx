import type { CleanDownLine } from '@dewpond/contract';
import { signWords } from '@dewpond/core/findings';
import { addDays, type Day } from '@dewpond/core/units';
import { stayedOn } from '@dewpond/core/visit';
import { useQuery } from '@tanstack/react-query';
import { group } from 'd3-array';
import { useState } from 'react';
import { Link } from 'react-router';
import { ExportLink } from '../../../parts/ExportLink';
import { call } from '../../../api/call';
import { showDay, clock } from '../../../browser/times';
import { useSession } from '../../../data/queries';
import { useZone } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Chip } from '../../../ui/Chip';
import { SelectField } from '../../../ui/SelectField';
import { Empty, Waiting } from '../../../ui/Waiting';

/** Spans that a place asks for, in days. */
const SPANS = { 'last 2 weeks': 14, 'last 3 months': 92, 'last 12 months': 365 } as const;
type LogSpan = keyof typeof SPANS;

/** The log of clean-downs, to be shown when a place asks for it. */
export function CleanDownScreen() {
  const session = useSession().data;
  const [span, setSpan] = useState<LogSpan>('last 2 weeks');
  return (
    <div className="px-7 py-5 max-md:px-3 print:p-0 flex flex-col gap-4 max-w-5xl">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Clean-down log</h1>
          <p className="text-soft">What was cleaned after each dog, with what, how long it stayed on, by whom.</p>
        </div>
        <div className="flex flex-wrap items-end gap-3 no-print">
          <SelectField label="Over" value={span} onChange={(event) => setSpan(event.target.value as LogSpan)}>
            {Object.keys(SPANS).map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </SelectField>
          <Button look="quiet" onClick={() => window.print()}>
            Print
          </Button>
          <ExportLink file="clean-downs.csv">All as CSV</ExportLink>
          <ButtonLink to="/house" look="quiet">
            House ways
          </ButtonLink>
        </div>
      </header>
      {session && <Log from={addDays(session.today, -SPANS[span])} to={session.today} />}
    </div>
  );
}

function Log({ from, to }: { readonly from: Day; readonly to: Day }) {
  const query = useQuery({
    queryKey: ['clean-downs', from, to],
    queryFn: async () => (await call('GET /api/clean-downs', { query: { from, to } })).items,
  });
  return (
    <Waiting query={query} what="The clean-down log">
      {(items) =>
        items.length === 0 ? (
          <Empty words="No visit in that time. What is ticked at the clean-down of a visit stands here." />
        ) : (
          <>
            <Missing items={items} />
            {[...group(items, ({ day }) => day)].map(([day, its]) => (
              <section key={day} aria-label={showDay(day)} className="break-inside-avoid">
                <h2 className="mb-1.5">{showDay(day)}</h2>
                <ul className="rounded-card border border-line bg-surface divide-y divide-line">
                  {its.map((line) => (
                    <Line key={line.visitId} line={line} />
                  ))}
                </ul>
              </section>
            ))}
          </>
        )
      }
    </Waiting>
  );
}

/** What a place would ask about first. */
function Missing({ items }: { readonly items: readonly CleanDownLine[] }) {
  const untold = items.filter(({ done }) => done === null).length;
  const short = items.filter(({ done }) => done && stayedOn(done) === 'too short').length;
  if (untold + short === 0)
    return <p className="text-reed font-semibold">It was told after every dog: {items.length} in this time.</p>;
  return (
    <p className="text-watch font-semibold">
      {untold > 0 && `Nothing told after ${untold} of ${items.length} dogs. `}
      {short > 0 && `Disinfectant not on for its full time after ${short}.`}
    </p>
  );
}

function Line({ line: { visitId, dog, done } }: { readonly line: CleanDownLine }) {
  const zone = useZone();
  return (
    <li className="grid grid-cols-[70px_170px_1fr_150px] max-md:grid-cols-[70px_1fr] gap-x-3 items-baseline px-4 py-2 leading-snug">
      <span className="text-soft tabular-nums">{done ? clock(done.at, zone) : '–'}</span>
      <span>
        after{' '}
        <Link to={`/visits/${visitId}`} className="text-pond underline font-semibold">
          {dog}
        </Link>
      </span>
      {done === null ? (
        <span className="text-watch font-semibold max-md:col-start-2">nothing told</span>
      ) : (
        <span className="max-md:col-start-2">
          <Cleaned done={done} />
        </span>
      )}
      <span className="text-soft max-md:col-start-2">{done && (done.by ?? 'no longer here')}</span>
    </li>
  );
}

function Cleaned({ done }: { readonly done: NonNullable<CleanDownLine['done']> }) {
  const { cleaned, left, after } = done;
  const on = stayedOn(done);
  return (
    <>
      {cleaned.length === 0 ? <span className="text-watch">done, not ticked what</span> : cleaned.join(', ')}
      {cleaned.length > 0 && left.length > 0 && <span className="text-watch">; not {left.join(', ')}</span>}
      {done.with !== null && <>; {done.with}</>}
      {done.seconds !== null && (
        <span className={on === 'too short' ? 'text-watch font-semibold' : undefined}>
          , on for {Math.round(done.seconds / 60)} min
          {on === 'too short' && done.wanted !== null && ` of ${Math.round(done.wanted / 60)}`}
        </span>
      )}
      {after.map((sign) => (
        <Chip key={sign} tone="stop">
          after {signWords(sign).name}
        </Chip>
      ))}
    </>
  );
}
