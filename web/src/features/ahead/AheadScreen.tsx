import type { Appointment, DogListItem } from '@dewpond/contract';
import { addDays, showDay, type Day } from '@dewpond/core/units';
import { useState } from 'react';
import { clock, dayOf, duration } from '../../browser/times';
import { useZone } from '../../data/useUnits';
import { useAppointments, useDogs, useSession } from '../../data/queries';
import { useKeys } from '../../browser/keys';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Chip } from '../../ui/Chip';
import { Waiting } from '../../ui/Waiting';
import { classes } from '../../ui/classes';
import { BookDialog } from '../../parts/booking/BookDialog';

const DAYS = 14;

export function AheadScreen() {
  const session = useSession();
  return (
    <Waiting query={session} what="The weeks ahead">
      {({ today }) => <Weeks today={today} />}
    </Waiting>
  );
}

interface ToBook {
  readonly dog: { readonly id: string; readonly name: string; readonly suggested: Day | null };
  readonly moving?: Appointment;
}

function Weeks({ today }: { readonly today: Day }) {
  const [from, setFrom] = useState<Day>(today);
  const [booking, setBooking] = useState<ToBook | null>(null);
  const zone = useZone();
  const days = Array.from({ length: DAYS }, (_, i) => addDays(from, i));
  const appointments = useAppointments(from, addDays(from, DAYS - 1));
  const dogs = useDogs();
  useKeys([
    { keys: 'ArrowRight', does: 'A week later', run: () => setFrom(addDays(from, 7)) },
    { keys: 'ArrowLeft', does: 'A week earlier', run: () => setFrom(addDays(from, -7)) },
  ]);
  const shown = appointments.data?.filter((each) => each.state !== 'cancelled') ?? [];
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5">
      <header className="flex flex-wrap items-center justify-between gap-3">
        <h1>
          {showDay(from)} to {showDay(addDays(from, DAYS - 1))}
        </h1>
        <div className="flex gap-2">
          <Button look="quiet" onClick={() => setFrom(addDays(from, -7))}>
            A week earlier
          </Button>
          <Button look="quiet" onClick={() => setFrom(today)} disabled={from === today}>
            Today
          </Button>
          <Button look="quiet" onClick={() => setFrom(addDays(from, 7))}>
            A week later
          </Button>
        </div>
      </header>
      <div className="grid grid-cols-[1fr_340px] max-lg:grid-cols-1 gap-3.5 items-start">
        <div className="grid grid-cols-7 max-md:grid-cols-2 gap-2">
          {days.map((day) => (
            <DayBox
              key={day}
              day={day}
              today={today}
              list={shown.filter((each) => dayOf(each.startsAt, zone) === day)}
              onMove={(moving) =>
                setBooking({ dog: { id: moving.dogId, name: moving.dogName, suggested: null }, moving })
              }
            />
          ))}
        </div>
        <DueList
          dogs={dogs.data ?? []}
          onBook={(dog) => setBooking({ dog: { id: dog.id, name: dog.name, suggested: dog.next?.day ?? null } })}
        />
      </div>
      {booking && <BookDialog open onClose={() => setBooking(null)} {...booking} />}
    </div>
  );
}

interface DayBoxProps {
  readonly day: Day;
  readonly today: Day;
  readonly list: readonly Appointment[];
  readonly onMove: (appointment: Appointment) => void;
}

function DayBox({ day, today, list, onMove }: DayBoxProps) {
  const zone = useZone();
  const minutes = list.reduce((sum, each) => sum + (Date.parse(each.endsAt) - Date.parse(each.startsAt)) / 60_000, 0);
  return (
    <section
      aria-label={showDay(day)}
      className={classes('rounded-xl border p-2 min-h-40 bg-surface', day === today ? 'border-pond' : 'border-line')}
    >
      <p className={classes('text-sm font-bold', day === today ? 'text-pond' : '')}>{showDay(day)}</p>
      <p className="text-xs text-soft mb-1.5">{list.length === 0 ? 'free' : duration(minutes)}</p>
      <ul className="flex flex-col gap-1.5">
        {list.map((each) => (
          <li key={each.id}>
            <button
              type="button"
              disabled={each.state !== 'booked'}
              onClick={() => onMove(each)}
              aria-label={`${each.dogName}, ${clock(each.startsAt, zone)}, ${each.memberName}: move or cancel`}
              className="w-full text-left rounded-lg bg-pond-pale px-2 py-1.5 text-sm leading-tight hover:ring-2 ring-pond disabled:opacity-60"
            >
              <b className="block text-[15px]">{each.dogName}</b>
              {clock(each.startsAt, zone)} {each.memberName.split(' ')[0]}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Dogs that are due and not booked, the most pressing first. */
function DueList({
  dogs,
  onBook,
}: {
  readonly dogs: readonly DogListItem[];
  readonly onBook: (dog: DogListItem) => void;
}) {
  const due = dogs
    .filter((dog) => dog.next && dog.nextBooked === null)
    .toSorted((a, b) => (a.next?.day ?? '').localeCompare(b.next?.day ?? ''));
  return (
    <Card title="Due, not booked" aside={`${due.length}`}>
      {due.length === 0 && <p className="text-soft">Every dog has its next visit.</p>}
      <ul className="flex flex-col divide-y divide-line">
        {due.map((dog) => (
          <li key={dog.id} className="flex items-center justify-between gap-2 py-2">
            <span className="min-w-0">
              <b>{dog.name}</b> {dog.next?.late && <Chip tone="watch">late</Chip>}
              <span className="block text-sm text-soft truncate">
                {dog.next && showDay(dog.next.day)}: {dog.next?.task}
              </span>
            </span>
            <Button onClick={() => onBook(dog)}>Book</Button>
          </li>
        ))}
      </ul>
    </Card>
  );
}
