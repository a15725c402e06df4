import { weekdayOf, type DayUse } from '@dewpond/core/bookings';
import { addDays, daysBetween, type Day } from '@dewpond/core/units';
import { useRef, useState } from 'react';
import { weekBegins } from '../../browser/locale';
import { weekdayName } from '../../browser/times';
import { Basin } from './Basin';

/** When a dog is due: the window that lies over the weeks while one looks at it. */
export interface LookedAt {
  readonly earliest: Day;
  readonly ideal: Day;
  readonly latest: Day;
}

interface WeeksGridProps {
  readonly days: readonly DayUse[];
  readonly today: Day;
  readonly chosen: Day | null;
  readonly lookedAt: LookedAt | null;
  /** Dogs due without a place, by day. */
  readonly due: ReadonlyMap<Day, number>;
  readonly onChoose: (day: Day) => void;
}

/** Weeks across, days down; a weekday on which nobody ever works has no row. */
export function WeeksGrid({ days, today, chosen, lookedAt, due, onChoose }: WeeksGridProps) {
  const grid = useRef<HTMLDivElement>(null);
  const first = days[0]?.day ?? today;
  const begins = weekOf(first);
  const weeks = Math.ceil((daysBetween(begins, first) + days.length) / 7);
  const byDay = new Map(days.map((use) => [use.day, use]));
  const rows = Array.from({ length: 7 }, (_, row) => row).filter((row) =>
    days.some(({ day, open, booked }) => weekdayRow(day) === row && open + booked > 0),
  );
  const [reached, setReached] = useState<Day>(chosen ?? first);
  const reach = (from: Day, by: number) => {
    // Over rows that are not shown.
    let day = addDays(from, by);
    while (byDay.has(day) && !rows.includes(weekdayRow(day))) day = addDays(day, Math.sign(by));
    if (!byDay.has(day)) return;
    setReached(day);
    grid.current?.querySelector<HTMLButtonElement>(`[data-day="${day}"]`)?.focus();
  };
  return (
    <div className="overflow-x-auto -mx-1 px-1 pb-1">
      <div
        ref={grid}
        role="group"
        aria-label="Weeks ahead"
        className="grid gap-1.5 min-w-max"
        style={{ gridTemplateColumns: `2.6rem repeat(${weeks}, minmax(4.6rem, 1fr))` }}
      >
        <span />
        {Array.from({ length: weeks }, (_, week) => (
          <span key={week} className="text-[13px] text-soft px-1 truncate">
            {week === 0 ? 'this week' : week === 1 ? 'next week' : `in ${week} weeks`}
          </span>
        ))}
        {rows.map((row) => (
          <Row key={row} name={weekdayName(weekdayOf(addDays(begins, row)))}>
            {Array.from({ length: weeks }, (_, week) => {
              const day = addDays(begins, 7 * week + row);
              const use = byDay.get(day);
              if (!use) return <span key={week} />;
              return (
                <Basin
                  key={week}
                  use={use}
                  isToday={day === today}
                  isChosen={day === chosen}
                  window={within(day, lookedAt)}
                  due={due.get(day) ?? 0}
                  isReached={day === reached}
                  onChoose={() => {
                    setReached(day);
                    onChoose(day);
                  }}
                  onReach={(by) => reach(day, by)}
                />
              );
            })}
          </Row>
        ))}
      </div>
    </div>
  );
}

const Row = ({ name, children }: { readonly name: string; readonly children: React.ReactNode }) => (
  <>
    <span className="text-sm text-soft self-center">{name}</span>
    {children}
  </>
);

/** Rows count from the business's first day of a week. */
const weekdayRow = (day: Day): number => (weekdayOf(day) + 1 - weekBegins()) % 7;
const weekOf = (day: Day): Day => addDays(day, -weekdayRow(day));

/** Where a day lies in a window: 0 outside, rising to 1 on the best day. */
function within(day: Day, window: LookedAt | null): number {
  if (!window || day < window.earliest || day > window.latest) return 0;
  const reach =
    day <= window.ideal ? daysBetween(window.earliest, window.ideal) : daysBetween(window.ideal, window.latest);
  return 1 - Math.abs(daysBetween(window.ideal, day)) / (reach + 1);
}
