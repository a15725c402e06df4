import type { BodyOf } from '@dewpond/contract';
import { addDays, isDay, type Day } from '@dewpond/core/units';
import { useState } from 'react';
import { call } from '../../api/call';
import { showDay } from '../../browser/times';
import { useWrite } from '../../data/useWrite';
import { DayField } from '../../forms/DayField';
import { typedNumber } from '../../forms/typedNumber';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { tell } from '../../ui/tell';

export type MadeBooking = Omit<BodyOf<'POST /api/series'>, 'id' | 'everyWeeks' | 'until'> & { readonly day: Day };

interface SeriesOfferProps {
  readonly made: MadeBooking;
  readonly everyWeeks: number;
  readonly onDone: () => void;
}

/** What is booked, and the same again every so many weeks. */
export function SeriesOffer({ made, everyWeeks, onDone }: SeriesOfferProps) {
  const [weeks, setWeeks] = useState(String(everyWeeks));
  const [until, setUntil] = useState<string>(addDays(made.day, 182));
  const book = useWrite('POST /api/series', {
    write: (id) => {
      const { day: _, ...booking } = made;
      return call('POST /api/series', { body: { id, ...booking, everyWeeks: typedNumber(weeks), until } });
    },
    onSuccess: ({ booked, left }) => {
      const days = `${booked.length} more ${booked.length === 1 ? 'visit is' : 'visits are'} booked.`;
      const none = left.length === 0 ? '' : ` No time was free near ${left.map((day) => showDay(day)).join(', ')}.`;
      tell(days + none);
      onDone();
    },
    tells: true,
  });
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        book.mutate();
      }}
      className="flex flex-col gap-3"
    >
      <p>
        The same time again? Each is moved by up to three days where it is taken, and may be moved later by what is
        found.
      </p>
      <div className="grid grid-cols-2 gap-4">
        <TextField
          label="Every so many weeks"
          inputMode="numeric"
          value={weeks}
          onChange={(event) => setWeeks(event.target.value)}
        />
        <DayField label="Until" value={until} min={made.day} onChange={(event) => setUntil(event.target.value)} />
      </div>
      <footer className="flex justify-end gap-2">
        <Button look="quiet" onClick={onDone} autoFocus>
          Only this one
        </Button>
        <Button type="submit" look="main" disabled={book.isPending || !isDay(until) || !(typedNumber(weeks) >= 1)}>
          Book the series
        </Button>
      </footer>
    </form>
  );
}
