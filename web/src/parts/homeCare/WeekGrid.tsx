import type { HomeCareView } from '@dewpond/contract';
import { homeDays, timesTicked } from '@dewpond/core/homecare';
import { addDays, timesADay, type Day } from '@dewpond/core/units';
import { Check } from 'lucide-react';
import { classes } from '../../ui/classes';
import { showDay } from '../../browser/times';

/** A week of home care, tasks down and days across: to hang beside the towel, and to see at a glance. */
export function WeekGrid({ home, from }: { readonly home: HomeCareView; readonly from: Day }) {
  const days = Array.from({ length: 7 }, (_, i) => addDays(from, i));
  return (
    <table className="w-full border-collapse text-[15px] print:text-[13px]">
      <thead>
        <tr>
          <th scope="col" className="text-left font-semibold text-soft py-1.5 pr-2">
            {home.words.homeCare}
          </th>
          {days.map((day) => (
            <th
              key={day}
              scope="col"
              className={classes(
                'font-semibold px-1 w-12 max-md:w-9 max-md:px-0 leading-tight',
                day === home.today ? 'text-pond' : 'text-soft',
              )}
            >
              {showDay(day, home.language).split(/[ ,]/)[0]}
              <span className="block text-sm font-normal">{Number(day.slice(8))}</span>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {home.tasks.map((task) => {
          const on = new Set(homeDays(task, home.since, days[0] ?? from, days.at(-1) ?? from));
          return (
            <tr key={task.key} className="border-t border-line">
              <th scope="row" className="text-left font-normal py-2 pr-2 leading-snug max-md:min-w-28">
                <b>{task.name}</b>
                <span className="block text-sm text-soft max-md:hidden">
                  {task.often}, {task.takes}. {task.words}
                </span>
              </th>
              {days.map((day) => (
                <td key={day} className="text-center align-middle">
                  <DayMarks
                    done={timesTicked(task.key, day, home.ticks)}
                    asked={on.has(day) ? timesADay(task.everyDays) : 0}
                    words={home.words}
                  />
                </td>
              ))}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** What is done and what is still to do on a day, one mark a time: on paper each is ticked by hand. */
function DayMarks({
  done,
  asked,
  words,
}: {
  readonly done: number;
  readonly asked: number;
  readonly words: HomeCareView['words'];
}) {
  return (
    <span className="inline-flex flex-col items-center gap-0.5">
      {Array.from({ length: Math.max(done, asked) }, (_, i) =>
        i < done ? (
          <Check key={i} size={20} role="img" aria-label={words.done} className="text-reed" />
        ) : (
          <span key={i} role="img" aria-label={words.toDo} className="size-5 rounded-md border-2 border-pond" />
        ),
      )}
    </span>
  );
}
