import { findingWords } from '@dewpond/core/findings';
import type { DogView } from '@dewpond/contract';
import { TASKS, taskKey } from '@dewpond/core/tasks';
import { namePlace } from '@dewpond/core/places';

import type { Day } from '@dewpond/core/units';
import { showDay, clock, dayOf } from '../../../browser/times';
import { useZone } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { Ripple } from '../../../ui/Ripple';
import { May } from '../../../parts/May';

/** When the dog should come next, what drives it, and what to ask about then. */
export function NextVisit({ dog, onBook }: { readonly dog: DogView; readonly onBook: () => void }) {
  const zone = useZone();
  const booked = dog.appointments.find((each) => each.state === 'booked' && dayOf(each.startsAt, zone) >= dog.today);
  const { nextVisit } = dog;
  const late = dog.due.filter((each) => each.state === 'late').map(({ line }) => line);
  return (
    <Card
      title={
        booked
          ? `Booked: ${showDay(dayOf(booked.startsAt, zone) as Day)}, ${clock(booked.startsAt, zone)}, ${booked.memberName}`
          : nextVisit
            ? `Next: around ${showDay(nextVisit.day)}`
            : 'Nothing due'
      }
      aside={
        !booked && (
          <May deed="book">
            <Button onClick={onBook}>Book it</Button>
          </May>
        )
      }
    >
      {nextVisit && (
        <p>
          {booked ? `Best around ${showDay(nextVisit.day)}: ` : 'Because of '}
          <b>{nextVisit.drivenBy}</b>
          {late.length > 0 && (
            <span className="text-watch font-semibold">
              {' '}
              · {late.length === 1 ? '1 line is' : `${late.length} lines are`} late
            </span>
          )}
          .
        </p>
      )}
      {moved(dog).map((words) => (
        <p key={words} className="mt-1.5">
          {words}
        </p>
      ))}
      {dog.drift.map(({ place, words }) => (
        <p key={place + words} className="mt-1.5 text-watch font-semibold">
          {words}
        </p>
      ))}
      {dog.openFindings.length > 0 && (
        <div className="mt-3">
          <p className="font-semibold text-sm text-soft mb-1">Ask about next time</p>
          <ul className="flex flex-wrap gap-x-5 gap-y-1">
            {dog.openFindings.slice(0, 6).map((found) => (
              <li key={namePlace(found.place) + found.sign} className="flex items-center gap-1.5">
                <Ripple grade={found.grade} size={30} silent />
                <span>
                  {namePlace(found.place)}: {findingWords(found)}
                </span>
              </li>
            ))}
          </ul>
        </div>
      )}
    </Card>
  );
}

/** Lines whose learned interval differs from the plan's by more than a tenth. */
function moved(dog: DogView): string[] {
  return dog.due
    .filter(({ rhythm, line }) => rhythm && line.interval && Math.abs(rhythm.interval / line.interval.usual - 1) > 0.1)
    .toSorted((a, b) => (a.rhythm?.interval ?? 0) - (b.rhythm?.interval ?? 0))
    .slice(0, 2)
    .map(({ rhythm, line }) => {
      const usual = line.interval?.usual ?? 0;
      const days = rhythm?.interval ?? usual;
      const name = line.place ? `${TASKS[line.task].name}, ${namePlace(line.place)}` : taskKey(line);
      return `${name}: ${days < usual ? 'brought forward' : 'stretched'} from ${usual} to ${days} days by what was found.`;
    });
}
