import { decodeText, readBookings, type Decoded } from '@dewpond/core/importing';
import type { Day } from '@dewpond/core/units';
import { useState } from 'react';
import { counted } from '../../../browser/counted';
import { dateOrder } from '../../../browser/locale';
import { clock, dayOf, showDay } from '../../../browser/times';
import { useNow } from '../../../browser/useNow';
import { instantAt } from '../../../browser/wallClock';
import { useDogs, useMembers } from '../../../data/queries';
import { useZone } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { FileInput } from '../../../ui/FileInput';
import { SelectField } from '../../../ui/SelectField';
import { useTakeBookings, type BookingToTake } from './useTakeBookings';

const SHOWN = 8;

/** Bookings to come from a CSV file: read here, looked at, then booked; who is taken already is told by row. */
export function BookingsCard() {
  const zone = useZone();
  const dogs = useDogs().data ?? [];
  const people = useMembers().data ?? [];
  const now = useNow(60_000);
  const [file, setFile] = useState<Decoded | null>(null);
  const [unnamed, setUnnamed] = useState('');
  const [refused, setRefused] = useState<readonly string[]>([]);
  const known = {
    dogs: dogs.filter(({ archived }) => !archived),
    people,
    today: dayOf(now, zone) as Day,
    order: dateOrder(),
  };
  const memberFor = (person: string | null): string => person ?? (unnamed || (people[0]?.id ?? ''));
  // Read anew when the book changes: a dog that was brought in meanwhile is found.
  const read = file && (file.kind === 'refused' ? file : readBookings(file.text, known));
  const toBook = (read?.kind === 'read' ? read.bookings : []).map(({ starts, person, ...rest }): BookingToTake => {
    const at =
      'instant' in starts ? starts.instant : new Date(instantAt(starts.day, starts.minute, zone)).toISOString();
    return { ...rest, startsAt: at, memberId: memberFor(person) };
  });
  const ahead = toBook.filter(({ startsAt }) => Date.parse(startsAt) > now);
  const take = useTakeBookings((told) => {
    setFile(null);
    setRefused(told);
  });
  const open = async (chosen: File) => {
    setRefused([]);
    setFile(decodeText(new Uint8Array(await chosen.arrayBuffer())));
  };
  return (
    <Card title="Bring in bookings" aside="CSV">
      <p className="text-soft mb-3">
        Needs a column for the dog and one for when it comes. Bring in the dogs first. What is over or cancelled is
        left.
      </p>
      <label className="inline-flex flex-wrap items-center gap-3 font-semibold">
        Bookings (.csv)
        <FileInput accept=".csv,.txt,text/csv" onFile={(file) => void open(file)} />
      </label>
      {read?.kind === 'refused' && (
        <p role="alert" className="mt-3 text-stop font-semibold">
          {read.words}
        </p>
      )}
      {read?.kind === 'read' && (
        <div className="mt-3 flex flex-col gap-3">
          {read.bookings.some(({ person }) => person === null) && (
            <SelectField
              label="Where nobody is named, with"
              value={memberFor(null)}
              onChange={({ target }) => setUnnamed(target.value)}
            >
              {people.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </SelectField>
          )}
          <Rows rows={ahead.map((each) => bookingWords(each, zone))} />
          <Left
            rows={[
              ...read.left.map(({ row, why }) => `Row ${row}: ${why}`),
              ...toBook.filter((each) => !ahead.includes(each)).map(({ row }) => `Row ${row}: It is over.`),
            ]}
          />
          <div className="flex gap-2">
            <Button
              look="main"
              disabled={ahead.length === 0 || people.length === 0 || take.isPending}
              onClick={() => take.mutate(ahead)}
            >
              {take.isPending ? 'Booking…' : `Book ${ahead.length}`}
            </Button>
            <Button look="quiet" onClick={() => setFile(null)}>
              Not now
            </Button>
          </div>
        </div>
      )}
      {refused.length > 0 && <Left rows={refused} />}
    </Card>
  );
}

const bookingWords = ({ dog, startsAt, minutes, kind }: BookingToTake, zone: string): string =>
  `${dog.name}, ${showDay(dayOf(startsAt, zone) as Day)} at ${clock(startsAt, zone)}, ${kind}, ${minutes} min`;

function Rows({ rows }: { readonly rows: readonly string[] }) {
  return (
    <ul aria-label="Will be booked" className="text-sm">
      {rows.slice(0, SHOWN).map((words) => (
        <li key={words}>{words}</li>
      ))}
      {rows.length > SHOWN && <li className="text-soft">and {rows.length - SHOWN} more</li>}
    </ul>
  );
}

function Left({ rows }: { readonly rows: readonly string[] }) {
  if (rows.length === 0) return null;
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-watch font-semibold">{counted(rows.length, 'row')} left</summary>
      <ul aria-label="Left" className="text-sm max-h-60 overflow-y-auto">
        {rows.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </details>
  );
}
