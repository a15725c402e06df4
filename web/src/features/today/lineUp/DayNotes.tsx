import type { TodayView } from '@dewpond/contract';
import { afterHours, toTell, type LineUp, type WorkDay } from '@dewpond/core/lineup';
import { Suspense, lazy, useState } from 'react';
import { duration, fieldTime, wallTime } from '../../../browser/times';
import type { MessageAbout } from '../../../parts/messages/MessageDialog';
import { Button } from '../../../ui/Button';
import { dogOf } from './dayOfWork';
import { nameOf } from './Ribbon';

const MessageDialog = lazy(() =>
  import('../../../parts/messages/MessageDialog').then((its) => ({ default: its.MessageDialog })),
);

interface DayNotesProps {
  readonly today: TodayView;
  readonly day: WorkDay;
  readonly lineUp: LineUp;
}

/** A wait of a dog that is here, and who was busy meanwhile, min [house value]. */
const LONG_WAIT = 30;
/** So many who wait are named, the longest first. */
const MOST_TOLD = 3;

/** What the day's line-up asks for: whom to tell, who works late, who waits, what finds no time. */
export function DayNotes({ today, day, lineUp }: DayNotesProps) {
  const [about, setAbout] = useState<MessageAbout | null>(null);
  const late = toTell(day, lineUp.placed);
  const over = afterHours(day, lineUp.placed);
  const waits = longWaits(day, lineUp);
  const name = (id: string) => dogOf(today, id)?.appointment.dogName ?? '';
  if (late.length + over.length + waits.length + lineUp.unplaced.length === 0) return null;
  return (
    <ul aria-label="What the day asks for" className="mt-2 flex flex-col gap-1.5 border-t border-line pt-2.5">
      {late.length > 0 && (
        <li className="flex flex-wrap items-center gap-2">
          <span className="font-semibold">Later than booked, tell:</span>
          {late.map(({ dog, ready, promised }) => {
            const its = dogOf(today, dog);
            return (
              its && (
                <Button
                  key={dog}
                  look="quiet"
                  className="font-normal!"
                  aria-label={`Tell ${its.appointment.ownerName}: ${name(dog)} is ready around ${wallTime(ready)}, booked until ${wallTime(promised)}`}
                  title={`booked until ${wallTime(promised)}`}
                  onClick={() =>
                    setAbout({
                      kind: 'nearly ready',
                      dogId: its.appointment.dogId,
                      visitId: its.appointment.visitId,
                      time: fieldTime(ready),
                    })
                  }
                >
                  <b>{its.appointment.ownerName}</b>&nbsp;{name(dog)}&nbsp;
                  <b className="text-stop">{wallTime(ready)}</b>
                </Button>
              )
            );
          })}
        </li>
      )}
      {waits.slice(0, MOST_TOLD).map(({ dog, minutes, busyWith }) => (
        <li key={`waits ${dog}`} className="text-soft">
          <b className="text-ink">{name(dog)}</b> waits {duration(minutes)}
          {busyWith &&
            ` for ${nameOf(today, busyWith.person)}, who has ${name(busyWith.dog)} until ${wallTime(busyWith.to)}`}
          .
        </li>
      ))}
      {waits.length > MOST_TOLD && (
        <li className="text-soft">
          {waits.length - MOST_TOLD} more wait longer than {duration(LONG_WAIT)}.
        </li>
      )}
      {over.map(({ person, minutes }) => (
        <li key={`over ${person}`} className="text-watch font-semibold">
          {nameOf(today, person)} works {duration(minutes)} past the hours.
        </li>
      ))}
      {lineUp.unplaced.map((id) => (
        <li key={`none ${id}`} className="text-stop font-semibold">
          {name(id)} finds no time today{whyNone(today, day, id)}.
        </li>
      ))}
      {about && (
        <Suspense>
          <MessageDialog about={about} onClose={() => setAbout(null)} />
        </Suspense>
      )}
    </ul>
  );
}

/** Dogs that wait long before their first part, and whom their person has meanwhile. */
function longWaits({ dogs }: WorkDay, { placed }: LineUp) {
  return dogs
    .flatMap(({ id, arrives }) => {
      const first = placed.find((each) => each.dog === id && each.group === 0);
      if (!first || first.from - arrives < LONG_WAIT) return [];
      const busyWith = placed
        .filter(
          (each) => each.dog !== id && each.person === first.person && each.from < first.from && each.to > arrives,
        )
        .toSorted((a, b) => b.to - a.to)[0];
      return [{ dog: id, minutes: first.from - arrives, busyWith: busyWith ?? null }];
    })
    .toSorted((a, b) => b.minutes - a.minutes);
}

/** ": Ines is away", where that is why; else nothing. */
function whyNone(today: TodayView, { dogs, people }: WorkDay, id: string): string {
  const dog = dogs.find((each) => each.id === id);
  if (people.some((each) => each.id === dog?.person && each.isAway))
    return `: ${nameOf(today, dog?.person ?? '')} is away`;
  return dog?.helper ? ': nobody is there to hold it' : '';
}
