import { elapsedSeconds, type Clock, type Dwell, type Step, type TimerState } from '@dewpond/core/visit';
import { deviceName } from '../../app/preferences';
import { useNow } from '../../app/useNow';
import { Button } from '../../ui/Button';
import { SourceMark } from '../../ui/SourceMark';
import { classes } from '../../ui/classes';
import type { Table } from './useTable';
import { record, useVisitLog } from './visitLog';

function useClock(): Clock {
  const at = useNow(500);
  const offset = useVisitLog((log) => log.offset);
  return { device: deviceName(), at, offset };
}

export const minutesSeconds = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** Starts the step's dwell; while it runs the hands are free. */
export function TimerButton({
  table,
  step,
  dwell,
}: {
  readonly table: Table;
  readonly step: Step;
  readonly dwell: Dwell;
}) {
  const running = table.state.timers.find((timer) => timer.timer === dwell.timer && timer.stopped === null);
  if (running) return <p className="text-lg text-pond font-semibold">{dwell.name}: the clock runs.</p>;
  const before = table.state.timers.some((timer) => timer.timer === dwell.timer);
  return (
    <p className="flex items-center gap-1">
      <Button
        look="plain"
        className="min-h-16! text-xl px-7!"
        onClick={() => record({ type: 'timer started', timer: dwell.timer, step: step.id, seconds: dwell.seconds })}
      >
        {before ? 'Time it again' : 'Start'}: {dwell.name.toLowerCase()}, {minutesSeconds(dwell.seconds)}
      </Button>
      <SourceMark roomy source={dwell.source} because={`${dwell.name}: ${minutesSeconds(dwell.seconds)} min.`} />
    </p>
  );
}

/** All running timers, pinned beside every step. */
export function RunningTimers({ table }: { readonly table: Table }) {
  const running = table.state.timers.filter((timer) => timer.stopped === null);
  if (running.length === 0) return <p className="text-soft">No timer runs.</p>;
  return (
    <div className="flex flex-col gap-2">
      {running.map((timer) => (
        <TimerCard
          key={timer.timer}
          timer={timer}
          name={table.steps.find((step) => step.dwell?.timer === timer.timer)?.dwell?.name ?? timer.timer}
        />
      ))}
    </div>
  );
}

function TimerCard({ timer, name }: { readonly timer: TimerState; readonly name: string }) {
  const clock = useClock();
  const elapsed = elapsedSeconds(timer, clock);
  const full = elapsed !== null && elapsed >= timer.seconds;
  const share = elapsed === null ? 0 : Math.min(1, elapsed / timer.seconds);
  return (
    <div
      role="timer"
      aria-label={name}
      className={classes(
        'rounded-card border bg-surface p-3.5 max-w-md',
        full ? 'border-reed bg-reed-pale' : 'border-line',
      )}
    >
      <p className="text-soft">{name}</p>
      <div className="flex items-end justify-between mt-0.5">
        <span className="text-[40px] font-bold leading-none tracking-tight">
          {elapsed === null ? 'unknown' : minutesSeconds(elapsed)}
        </span>
        <span className="text-soft">{full ? 'full time' : `of ${minutesSeconds(timer.seconds)}`}</span>
      </div>
      <svg viewBox="0 0 100 3" preserveAspectRatio="none" className="w-full h-2 mt-2.5 rounded-full" aria-hidden>
        <rect width={100} height={3} fill="var(--line)" />
        <rect width={100 * share} height={3} fill={full ? 'var(--reed)' : 'var(--pond)'} />
      </svg>
      <Button
        look="quiet"
        className="w-full min-h-14! mt-2.5"
        onClick={() => record({ type: 'timer stopped', timer: timer.timer })}
      >
        {full ? 'Done' : 'Stop early'}
      </Button>
    </div>
  );
}
