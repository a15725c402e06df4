import type { AheadView } from '@dewpond/contract';
import { bookedTooLate, careName, type BookedVisit } from '@dewpond/core/bookings';
import { useMemo } from 'react';
import { counted } from '../../browser/counted';
import { showDay } from '../../browser/times';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { May } from '../../parts/May';

interface TooLateProps {
  readonly view: AheadView;
  /** Opens the best times for a booking that is moved. */
  readonly onMove: (booking: BookedVisit) => void;
}

const SHOWN = 4;

/** Bookings that what was found since has made too late; nothing where all are in time. */
export function TooLateCard({ view, onMove }: TooLateProps) {
  const late = useMemo(() => bookedTooLate(view.weeks), [view]);
  if (late.length === 0) return null;
  return (
    <Card title="Booked later than it is due" aside={`${late.length}`}>
      <ul className="flex flex-col divide-y divide-line">
        {late.slice(0, SHOWN).map(({ booking, key, closes, lateBy }) => (
          <li key={booking.id} className="flex items-center justify-between gap-2 py-2">
            <span className="min-w-0">
              <b>{view.names[booking.dog]}</b>
              <span className="block text-sm text-soft">
                Booked {showDay(booking.day)}: {counted(lateBy, 'day')} too late for {careName(key)}
                {closes > view.weeks.first ? `, due by ${showDay(closes)}` : ', which is late already'}
              </span>
            </span>
            <May deed="book">
              <Button look="quiet" aria-label={`Sooner: ${view.names[booking.dog]}`} onClick={() => onMove(booking)}>
                Sooner
              </Button>
            </May>
          </li>
        ))}
      </ul>
      {late.length > SHOWN && <p className="text-soft pt-2">and {late.length - SHOWN} more, less late.</p>}
    </Card>
  );
}
