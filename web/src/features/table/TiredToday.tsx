import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { titleWords, type Step } from '@dewpond/core/steps';
import { addDays, type Day } from '@dewpond/core/units';
import { tapped } from '@dewpond/core/events';
import { leaveOut, minutesOf, splitOverTwo, splitVisit, tiredBy, type Tired } from '@dewpond/core/visit';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useNow } from '../../browser/useNow';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { SourceMark } from '../../ui/SourceMark';
import { ComesBack } from './ComesBack';
import type { TableWork } from './useTable';
import { allEvents, record, useVisitLog } from './visitLog';

const SAID: Readonly<Record<Tired['at'], (minutes: number) => string>> = {
  dryer: (minutes) => `${minutes} min at the dryer: a break, or towels.`,
  here: (minutes) => `${minutes} min here: it has had its time.`,
};

/** An old, blind or flat-faced dog has had its minutes: leave out, or split the visit over two. */
export function TiredToday({ table }: { readonly table: TableWork }) {
  const known = useVisitLog((log) => log.known);
  const own = useVisitLog((log) => log.own);
  const offset = useVisitLog((log) => log.offset) ?? 0;
  const now = useNow(30_000) + offset;
  const [choosing, setChoosing] = useState(false);
  const tired = tiredBy(table, allEvents({ known, own }), now);
  if (tired === null || table.state.away !== null) return null;
  return (
    <div role="status" className="rounded-xl border border-watch bg-watch-pale px-3 py-2 leading-snug">
      <b>{SAID[tired.at](tired.minutes)}</b>{' '}
      <SourceMark source={HOUSE_VALUE} because={`The business’s minutes for a dog that tires: ${tired.because}.`} />
      {splitVisit(table).canWait.length > 0 && (
        <Button className="min-h-14! w-full mt-1.5" onClick={() => setChoosing(true)}>
          Leave out, or split it…
        </Button>
      )}
      {choosing && <LeaveOrSplit table={table} onClose={() => setChoosing(false)} />}
    </div>
  );
}

/** Days until the second of two short visits, unless another is chosen [house value]. */
const SECOND_AFTER_DAYS = 7;

function LeaveOrSplit({ table, onClose }: { readonly table: TableWork; readonly onClose: () => void }) {
  const navigate = useNavigate();
  const { day, dog } = table.visit;
  const split = splitVisit(table);
  const leave = () => {
    record(...leaveOut(split));
    onClose();
  };
  const first = () => {
    record(...splitOverTwo(table, split));
    onClose();
  };
  const home = (back: Day) => {
    record({ type: 'went home', because: tapped('has had enough'), back });
    onClose();
    void navigate('/');
  };
  return (
    <Dialog open onClose={onClose} title={`${dog.name} has had its time`} says="What is left out stays due." tall>
      <div className="flex flex-col gap-3">
        {split.must.length > 0 && <Steps title="Must be done now" steps={split.must} />}
        <Steps title="Can wait" steps={split.canWait} />
        <Button className="min-h-16! text-lg" onClick={leave}>
          Leave out what can wait
        </Button>
        {split.must.length > 0 ? (
          <Button look="main" className="min-h-16! text-lg" onClick={first}>
            Split: only what must be done now, the rest another day
          </Button>
        ) : (
          <ComesBack
            today={day}
            usually={addDays(day, SECOND_AFTER_DAYS)}
            words="Home now, the rest then"
            onHome={home}
          />
        )}
      </div>
    </Dialog>
  );
}

const Steps = ({ title, steps }: { readonly title: string; readonly steps: readonly Step[] }) => (
  <section aria-label={title}>
    <h2>
      {title}
      <span className="text-soft font-normal">, about {Math.round(minutesOf(steps))} min</span>
    </h2>
    <ul className="leading-snug">
      {steps.map((step, i) => (
        <li key={step.id} className="inline">
          {titleWords(step.title)}
          {i < steps.length - 1 && '; '}
        </li>
      ))}
    </ul>
  </section>
);
