import {
  earSoaks,
  elapsedSeconds,
  foldVisit,
  pastMost,
  timerName,
  type Clock,
  type EarSoak,
  type TimerState,
} from '@dewpond/core/visit';
import { type Dwell, type Step } from '@dewpond/core/steps';
import { type VisitEvent } from '@dewpond/core/events';
import { useEffect, useMemo } from 'react';
import { Link } from 'react-router';
import { deviceName } from '../../browser/preferences';
import { useNow } from '../../browser/useNow';
import { Button } from '../../ui/Button';
import { SourceMark } from '../../ui/SourceMark';
import { classes } from '../../ui/classes';
import { ring } from '../../browser/ring';
import { minutesSeconds } from '../../browser/times';
import type { TableWork } from './useTable';
import { allEvents, record, resumeLast, useVisitLog } from './visitLog';

export function useClock(every = 500): Clock {
  const at = useNow(every);
  const offset = useVisitLog((log) => log.offset);
  return { device: deviceName(), at, offset };
}

/** A wait so long that one walks away from the screen; a massage is done with both eyes on it. */
const BIG_FROM_SECONDS = 120;

/** Starts the step's dwell; while it runs the hands are free. */
export function TimerButton({
  table,
  step,
  dwell,
}: {
  readonly table: TableWork;
  readonly step: Step;
  readonly dwell: Dwell;
}) {
  const running = table.state.timers.find((timer) => timer.timer === dwell.timer && timer.stopped === null);
  if (running && dwell.seconds >= BIG_FROM_SECONDS) return <BigClock timer={running} name={dwell.name} />;
  if (running) return <p className="text-lg text-pond font-semibold">{dwell.name}: the clock runs.</p>;
  const before = table.state.timers.some((timer) => timer.timer === dwell.timer);
  const start = () =>
    record({
      type: 'timer started',
      timer: dwell.timer,
      step: step.id,
      seconds: dwell.seconds,
      ...(dwell.most === undefined ? {} : { most: dwell.most }),
    });
  return (
    <p className="flex items-center gap-1">
      <Button look="plain" className="min-h-16! text-xl px-7!" onClick={start}>
        {before ? 'Time it again' : 'Start'}: {dwell.name.toLowerCase()}, {minutesSeconds(dwell.seconds)}
        {dwell.most !== undefined && ` to ${minutesSeconds(dwell.most)}`}
      </Button>
      <SourceMark roomy source={dwell.source} because={`${dwell.name}: ${minutesSeconds(dwell.seconds)} min.`} />
    </p>
  );
}

/** The step's own clock, large enough for the far end of the tub; it is stopped where it is pinned. */
function BigClock({ timer, name }: { readonly timer: TimerState; readonly name: string }) {
  const clock = useClock();
  const elapsed = elapsedSeconds(timer, clock);
  const full = elapsed !== null && elapsed >= timer.seconds;
  const over = pastMost(timer, clock) === true;
  return (
    <p aria-hidden className="mt-2">
      <span className="block text-lg text-soft">{name}</span>
      <span
        className={classes(
          'text-[120px] max-md:text-[80px] font-bold leading-none tracking-tight tabular-nums',
          over ? 'text-stop' : full ? 'text-reed' : 'text-pond',
        )}
      >
        {elapsed === null ? 'unknown' : minutesSeconds(elapsed)}
      </span>
      <span className="text-2xl text-soft ml-4">{timerWords(timer, full, over)}</span>
    </p>
  );
}

/** All running timers, pinned beside every step; and whether this device can ring at all. */
export function RunningTimers({ table, awake }: { readonly table: TableWork; readonly awake: boolean }) {
  const running = table.state.timers.filter((timer) => timer.stopped === null);
  const soaks = earSoaks(table.state, table.steps);
  return (
    <div className="flex flex-col gap-2">
      {running.length + soaks.length === 0 && <p className="text-soft">No timer runs.</p>}
      {running.map((timer) => (
        <TimerCard key={timer.timer} timer={timer} />
      ))}
      {soaks.map((soak) => (
        <Soaking key={soak.side} soak={soak} />
      ))}
      {running.length > 0 && (
        <p className={classes('text-sm', awake ? 'text-soft' : 'text-watch font-semibold')}>
          {awake
            ? 'The screen stays awake while this visit is open.'
            : 'This device may fall asleep. Asleep it cannot ring: keep it awake, or listen for the clock on the wall.'}
        </p>
      )}
    </div>
  );
}

/** How long an ear's cleaner has been in. It has no least time, so it never rings. */
function Soaking({ soak: { side, clock: timer } }: { readonly soak: EarSoak }) {
  const elapsed = elapsedSeconds(timer, useClock(1000));
  return (
    <p className="flex items-baseline justify-between rounded-xl border border-line bg-surface px-3.5 py-2 max-w-md">
      <span className="text-soft">Cleaner works, {side} ear</span>
      <b className="text-xl tabular-nums">{elapsed === null ? 'unknown' : minutesSeconds(elapsed)}</b>
    </p>
  );
}

function TimerCard({ timer }: { readonly timer: TimerState }) {
  const clock = useClock();
  const elapsed = elapsedSeconds(timer, clock);
  const full = elapsed !== null && elapsed >= timer.seconds;
  const over = pastMost(timer, clock) === true;
  const until = full && timer.most !== null ? timer.most : timer.seconds;
  const share = elapsed === null ? 0 : Math.min(1, elapsed / until);
  const name = timerName(timer.timer);
  return (
    <div
      role="timer"
      aria-label={name}
      className={classes(
        'rounded-card border bg-surface p-3.5 max-w-md',
        over ? 'border-stop bg-stop-pale' : full ? 'border-reed bg-reed-pale' : 'border-line',
      )}
    >
      <p className="text-soft">{name}</p>
      <div className="flex items-end justify-between mt-0.5">
        <span className="text-[40px] font-bold leading-none tracking-tight">
          {elapsed === null ? 'unknown' : minutesSeconds(elapsed)}
        </span>
        <span className={over ? 'text-stop font-bold' : 'text-soft'}>{timerWords(timer, full, over)}</span>
      </div>
      <svg viewBox="0 0 100 3" preserveAspectRatio="none" className="w-full h-2 mt-2.5 rounded-full" aria-hidden>
        <rect width={100} height={3} fill="var(--line)" />
        <rect width={100 * share} height={3} fill={over ? 'var(--stop)' : full ? 'var(--reed)' : 'var(--pond)'} />
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

function timerWords({ seconds, most }: TimerState, full: boolean, over: boolean): string {
  if (over && most !== null) return `too long: at most ${minutesSeconds(most)}`;
  if (!full) return `of ${minutesSeconds(seconds)}`;
  return most === null ? 'full time' : `full time, at most ${minutesSeconds(most)}`;
}

/** Clocks that somebody still waits for: none of a visit that is closed. */
function runningIn(events: readonly VisitEvent[]): TimerState[] {
  const { closed, timers } = foldVisit(events);
  return closed === null ? timers.filter((timer) => timer.stopped === null) : [];
}

/** Running timers of the visit that was on this screen last. */
function useRunning(): { readonly visitId: string; readonly running: readonly TimerState[] } {
  const { visitId, known, own } = useVisitLog();
  // After a reload, or a battery that was empty, the clocks are found again in what the device wrote down.
  useEffect(() => {
    if (visitId === '') void resumeLast();
  }, [visitId]);
  const running = useMemo(() => runningIn(allEvents({ known, own })), [known, own]);
  return { visitId, running };
}

/** In sight on every other screen; they ring from here, too. */
export function PinnedTimers() {
  const { visitId, running } = useRunning();
  if (running.length === 0) return null;
  return (
    <>
      <Pinned visitId={visitId} running={running} />
      <Bell running={running} />
    </>
  );
}

/** In sight while the tablet is locked: read from the tub, and not to be touched. They ring all the same. */
export function LockedTimers() {
  const { running } = useRunning();
  const clock = useClock(1000);
  if (running.length === 0) return null;
  return (
    <ul
      aria-label="Running timers"
      className="grid grid-cols-[repeat(auto-fill,minmax(14rem,1fr))] max-md:grid-cols-2 gap-3"
    >
      {running.map((timer) => {
        const elapsed = elapsedSeconds(timer, clock);
        const full = elapsed !== null && elapsed >= timer.seconds;
        const over = pastMost(timer, clock) === true;
        return (
          <li
            key={timer.timer}
            className={classes(
              'rounded-card border-2 p-4 max-md:p-3',
              over ? 'border-stop bg-stop-pale' : full ? 'border-reed bg-reed-pale' : 'border-line bg-surface',
            )}
          >
            <p className="text-soft">{timerName(timer.timer)}</p>
            <p className="text-[56px] max-md:text-[40px] font-bold leading-none tabular-nums">
              {elapsed === null ? 'unknown' : minutesSeconds(elapsed)}
            </p>
            <p className={over ? 'text-stop font-bold' : 'text-soft'}>{timerWords(timer, full, over)}</p>
          </li>
        );
      })}
      <Bell running={running} />
    </ul>
  );
}

function Pinned({ visitId, running }: { readonly visitId: string; readonly running: readonly TimerState[] }) {
  const clock = useClock(1000);
  return (
    <Link
      to={`/visits/${visitId}`}
      aria-label="Running timers: back to the table"
      className="no-print flex flex-wrap gap-x-6 gap-y-1 bg-pond text-on-pond font-semibold px-7 max-md:px-3 py-2 min-h-14 items-center"
    >
      {running.map((timer) => {
        const elapsed = elapsedSeconds(timer, clock);
        return (
          <span key={timer.timer}>
            {timerName(timer.timer)}: {elapsed === null ? 'unknown' : minutesSeconds(elapsed)} of{' '}
            {minutesSeconds(timer.seconds)}
          </span>
        );
      })}
    </Link>
  );
}

/** Rings once for each timer when its least time is full, and once more past its most, wherever one is. */
export function Ringing() {
  const { known, own } = useVisitLog();
  const running = useMemo(() => runningIn(allEvents({ known, own })), [known, own]);
  return running.length === 0 ? null : <Bell running={running} />;
}

/** What has rung on this page: a lock over the table does not ring a second time. */
const rung = new Set<string>();

function Bell({ running }: { readonly running: readonly TimerState[] }) {
  const clock = useClock(1000);
  useEffect(() => {
    for (const timer of running) {
      const elapsed = elapsedSeconds(timer, clock);
      if (elapsed === null || elapsed < timer.seconds) continue;
      const key = `${timer.started.id} ${pastMost(timer, clock) === true ? 'most' : 'least'}`;
      if (rung.has(key)) continue;
      rung.add(key);
      ring();
    }
  });
  return null;
}
