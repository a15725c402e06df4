import { useDroppable } from '@dnd-kit/core';
import type { DayUse } from '@dewpond/core/bookings';
import type { Day } from '@dewpond/core/units';
import { showDay } from '../../browser/times';
import { classes } from '../../ui/classes';
import { DAYS_BY_ARROW } from './dragging/DragToDay';

interface BasinProps {
  readonly use: DayUse;
  readonly isToday: boolean;
  readonly isChosen: boolean;
  /** Where it lies in the due window of the dog that is looked at: 0 outside, 1 on its best day. */
  readonly window: number;
  /** Dogs that are due on it and have no place. */
  readonly due: number;
  /** Where the arrows are. */
  readonly isReached: boolean;
  readonly onChoose: () => void;
  readonly onReach: (by: number) => void;
}

const hours = (minutes: number): string => {
  const whole = Math.round(minutes / 6) / 10;
  return `${whole} h`;
};

/** A day as a basin: what is booked is water, what is proposed is water that is still running in. */
export function Basin({ use, isToday, isChosen, window, due, isReached, onChoose, onReach }: BasinProps) {
  const { day, open, booked, proposed } = use;
  const isClosed = open === 0;
  const { setNodeRef, isOver } = useDroppable({ id: day, disabled: isClosed });
  const share = (minutes: number) => (open === 0 ? 0 : Math.min(100, (100 * minutes) / open));
  const free = Math.max(0, open - booked - proposed);
  const words = isClosed
    ? 'closed'
    : `${hours(free)} free, ${hours(booked)} booked${proposed > 0 ? `, ${hours(proposed)} proposed` : ''}`;
  return (
    <button
      type="button"
      ref={setNodeRef}
      data-day={day}
      tabIndex={isReached ? 0 : -1}
      aria-pressed={isChosen}
      aria-label={`${showDay(day)}: ${words}${due > 0 ? `, ${due} due without a place` : ''}`}
      onClick={onChoose}
      onKeyDown={(event) => {
        const by = DAYS_BY_ARROW[event.key];
        if (by === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        onReach(by);
      }}
      className={classes(
        'relative contain-content flex flex-col items-stretch justify-start w-full h-full min-h-14 overflow-hidden rounded-b-[1.4rem] rounded-t-md border-x border-b text-left px-2 py-1 focus-visible:outline-2 focus-visible:outline-offset-1 outline-pond',
        isClosed ? 'border-transparent' : isToday ? 'border-pond border-2' : 'border-line bg-surface',
        isChosen && 'ring-2 ring-pond',
        isOver && 'ring-4 ring-reed',
      )}
    >
      {!isClosed && (
        <>
          <span
            aria-hidden
            className="absolute inset-x-0 bottom-0 bg-pond opacity-35 transition-[height]"
            style={{ height: `${share(booked)}%` }}
          />
          <span
            aria-hidden
            className="absolute inset-x-0 hatch bg-pond-pale opacity-70"
            style={{ bottom: `${share(booked)}%`, height: `${Math.min(share(proposed), 100 - share(booked))}%` }}
          />
        </>
      )}
      {window > 0 && (
        <span
          aria-hidden
          className="absolute inset-x-1 top-1/2 h-3 -translate-y-1/2 rounded-[50%] bg-reed"
          style={{ opacity: 0.25 + 0.65 * window }}
        />
      )}
      <span className="on-water relative flex items-start justify-between gap-1 leading-tight">
        <span className={classes('text-sm tabular-nums', isToday && 'font-bold', isClosed && 'text-soft')}>
          {dayNumber(day)}
        </span>
        {!isClosed && <span className="text-[13px] tabular-nums">{free === 0 ? 'full' : hours(free)}</span>}
      </span>
      {due > 0 && (
        <span className="relative self-start mt-0.5 rounded-[50%] bg-watch-pale text-watch text-[13px] font-bold px-2 leading-5">
          {due}
        </span>
      )}
    </button>
  );
}

/** "3", and "1 Dec" at the beginning of a month. */
const dayNumber = (day: Day): string =>
  day.endsWith('-01') ? showDay(day).split(' ').slice(1).join(' ') : String(Number(day.slice(8)));
